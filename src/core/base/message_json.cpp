// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/message_json.h"

#include "base/dates.h"
#include "base/json.h"
#include "base/numbers.h"

#include <algorithm>

namespace deft {
namespace {

Json valueOf(const Argument& argument) {
    if (const auto* text = std::get_if<std::string>(&argument.value)) return *text;
    if (const auto* number = std::get_if<double>(&argument.value)) return *number;
    if (const auto* a = std::get_if<Amount>(&argument.value))
        return {{"value", a->value},
                {"decimals", a->decimals},
                {"unit", a->unit},
                {"sign", a->withSign},
                {"u95", numberOrNull(a->u95)}};
    if (const auto* d = std::get_if<Day>(&argument.value)) return {{"day", isoDate(d->day)}, {"weekday", d->isWeekday}};
    Json list = Json::array();
    for (const Message& m : std::get<Messages>(argument.value)) list.push_back(toJson(m));
    return list;
}

Argument argumentFrom(const Json& json) {
    if (json.is_number()) return json.get<double>();
    if (json.is_array()) return messagesFrom(json);
    if (json.is_object() && json.contains("day"))
        if (const auto day = parseDate(json["day"])) return Day{*day, json.value("weekday", false)};
    if (json.is_object() && json.contains("value")) {
        // A file may say anything.
        const int decimals = std::clamp(json.value("decimals", 1), 0, kMostDecimals);
        Amount a{json["value"], decimals, json.value("unit", ""), json.value("sign", false), {}};
        if (json.contains("u95") && json["u95"].is_number()) a.u95 = json["u95"].get<double>();
        return a;
    }
    return json.is_string() ? json.get<std::string>() : toLine(json);
}

} // namespace

Json toJson(const Message& message) {
    if (message.with.empty()) return message.key;
    Json with = Json::object();
    for (const auto& [place, argument] : message.with) with[place] = valueOf(argument);
    return {{"key", message.key}, {"with", std::move(with)}};
}

Message messageFrom(const Json& json) {
    if (json.is_string()) return json.get<std::string>();
    try {
        Message m(json.at("key").get<std::string>());
        for (const auto& [place, value] : json.at("with").items()) m.with.emplace_back(place, argumentFrom(value));
        return m;
    } catch (const std::exception&) { // of another kind than was written here
        return toLine(json);
    }
}

Messages messagesFrom(const Json& list) {
    Messages out;
    for (const Json& m : list) out.push_back(messageFrom(m));
    return out;
}

} // namespace deft
