// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"

namespace deft {

/// A short letter to a client whose next clip has not come: kind, with what was asked for and when to stop. In the form
/// of an answer. @param due ISO day
Answer reminder(const LanguagePtr& language, const Exercise& exercise, const Target& target, const std::string& client,
                const std::string& coach, const std::string& due);

} // namespace deft
