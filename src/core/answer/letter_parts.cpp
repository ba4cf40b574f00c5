// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/letter_parts.h"

namespace deft {
namespace {

std::string firstName(const std::string& name) { return name.substr(0, name.find(' ')); }

} // namespace

AnswerPart plainPart(const char* id, const char* title, std::string text) {
    AnswerPart part;
    part.id = id, part.title = title, part.text = std::move(text);
    return part;
}

AnswerPart greetingTo(const std::string& client, const std::string& then) {
    const std::string first = firstName(client);
    return plainPart("greeting", "Greeting", (first.empty() ? "Hello," : "Hello " + first + ",") + then);
}

AnswerPart closeOf(const std::string& coach) {
    return plainPart("close", "Close", coach.empty() ? "Kind regards" : firstName(coach));
}

} // namespace deft
