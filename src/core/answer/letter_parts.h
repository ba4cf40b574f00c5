// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"

namespace deft {

// Parts that several kinds of letter have in common.

/// The first of somebody's names, by which a letter speaks to them.
std::string firstName(const std::string& name);
/// @param title for the coach
AnswerPart plainPart(const char* id, std::string title, std::string text);
/// "Hello Wim," @param then what goes on in the same sentence; empty = nothing
AnswerPart greetingTo(const Language& language, const std::string& client, const std::string& then = {});
/// The coach's first name, or kind regards.
AnswerPart closeOf(const Language& language, const std::string& coach);

} // namespace deft
