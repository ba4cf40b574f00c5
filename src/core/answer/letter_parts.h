// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"

namespace deft {

// Parts that every letter to a client has.

AnswerPart plainPart(const char* id, const char* title, std::string text);
/// "Hello Ruta," by the first name. @param then goes on in the same line
AnswerPart greetingTo(const std::string& client, const std::string& then = {});
/// The coach's first name, or kind regards of nobody in particular.
AnswerPart closeOf(const std::string& coach);

} // namespace deft
