// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Messages kept in a file or the library, so that they can be said in any language later.

#include "base/json_fwd.h"
#include "base/message.h"

namespace deft {

/// {"key": …, "with": {place: text | number | {"value", "decimals", "unit", "sign", "u95"} | {"day", "weekday"} |
/// [messages]}}; a message without places is its key alone.
Json toJson(const Message& message);
/// What is no message is the text that stands there: files of before hold finished sentences.
Message messageFrom(const Json& json);
Messages messagesFrom(const Json& list);

} // namespace deft
