// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/message.h"

#include "base/dates.h"
#include "base/numbers.h"

#include <algorithm>

namespace deft {

Message::Message() = default;
Message::Message(const char* sentence) : key(sentence) {}
Message::Message(std::string sentence) : key(std::move(sentence)) {}
Message::Message(std::string sentence, std::vector<std::pair<std::string, Argument>> arguments)
    : key(std::move(sentence)), with(std::move(arguments)) {}
Message::Message(const Message&) = default;
Message::Message(Message&&) noexcept = default;
Message& Message::operator=(const Message&) = default;
Message& Message::operator=(Message&&) noexcept = default;
Message::~Message() = default;
bool Message::operator==(const Message&) const = default;

namespace {

std::string words(const Argument& argument) {
    if (const auto* text = std::get_if<std::string>(&argument.value)) return *text;
    if (const auto* number = std::get_if<double>(&argument.value)) return numberWords(*number, kMostDecimals);
    if (const auto* amount = std::get_if<Amount>(&argument.value)) return amountWords(*amount);
    if (const auto* day = std::get_if<Day>(&argument.value)) return isoDate(day->day);
    std::string list;
    for (const Message& item : std::get<Messages>(argument.value)) list += (list.empty() ? "" : ", ") + inEnglish(item);
    return list;
}

} // namespace

std::string amountWords(const Amount& a) {
    std::string text = a.withSign ? signedWords(a.value, a.decimals) : numberWords(a.value, a.decimals);
    if (a.u95) text += " ± " + numberWords(*a.u95, a.decimals);
    if (a.unit == "deg") return text + "°";
    return a.unit.empty() ? text : text + " " + a.unit;
}

std::string inEnglish(const Message& m) {
    std::string out;
    size_t from = 0;
    for (size_t open; (open = m.key.find('{', from)) != std::string::npos;) {
        const size_t close = m.key.find('}', open);
        const std::string place = close == std::string::npos ? "" : m.key.substr(open + 1, close - open - 1);
        const auto with = std::find_if(m.with.begin(), m.with.end(), [&](const auto& a) { return a.first == place; });
        out.append(m.key, from, open - from);
        out += with == m.with.end() ? "{" : words(with->second);
        from = with == m.with.end() ? open + 1 : close + 1;
    }
    return out + m.key.substr(from);
}

Message inPlace(std::string where, Message what) {
    return {"{where}: {what}", {{"where", std::move(where)}, {"what", std::move(what)}}};
}

} // namespace deft
