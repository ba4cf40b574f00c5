// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/letter_parts.h"

namespace deft {

std::string firstName(const std::string& name) { return name.substr(0, name.find(' ')); }

AnswerPart plainPart(const char* id, std::string title, std::string text) {
    AnswerPart part;
    part.id = id, part.title = std::move(title), part.text = std::move(text);
    return part;
}

AnswerPart greetingTo(const Language& language, const std::string& client, const std::string& then) {
    const std::string first = firstName(client);
    const std::string hello = language.say({"greeting.hello", {{"named", !first.empty()}, {"name", first}}});
    return plainPart("greeting", "part.greeting", then.empty() ? hello : hello + " " + then);
}

AnswerPart closeOf(const Language& language, const std::string& coach) {
    return plainPart("close", "part.close", coach.empty() ? language.say("close.regards") : firstName(coach));
}

} // namespace deft
