// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/own_words.h"

#include "answer/calendar.h"
#include "answer/compose.h"
#include "answer/dose_words.h"
#include "answer/letter_parts.h"
#include "base/json.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <boost/algorithm/string/replace.hpp>

namespace deft {
namespace {

constexpr std::array kPlaces = {"name", "exercise", "target", "day", "coach"};

/// An apostrophe quotes a place in a pattern; the coach's is a letter like others.
std::string asPattern(std::string text) {
    if (text.find('{') != std::string::npos) boost::replace_all(text, "'", "''");
    return text;
}

bool isOfAWord(char c) { return static_cast<unsigned char>(c) >= 0x80 || std::isalnum(static_cast<unsigned char>(c)); }

void replaceWord(std::string& text, const std::string& word, const std::string& by) {
    for (size_t at = text.find(word); at != std::string::npos; at = text.find(word, at + 1)) {
        const size_t end = at + word.size();
        if ((at > 0 && isOfAWord(text[at - 1])) || (end < text.size() && isOfAWord(text[end]))) continue;
        text.replace(at, word.size(), by);
    }
}

} // namespace

Json toJson(const OwnWords& words) {
    Json sentences = Json::array();
    for (const OwnSentence& s : words.sentences) sentences.push_back({{"name", s.name}, {"text", s.text}});
    return {{"format", "deft-mirror-own-words"}, {"version", 1}, {"sentences", sentences}, {"spelling", words.spelling}};
}

Result<OwnWords> parseOwnWords(const Json& json, const std::string& where) {
    if (auto ok = expectFormat(json, "deft-mirror-own-words", 1, where); !ok) return tl::unexpected(ok.error());
    return readMembers(where, [&]() -> Result<OwnWords> {
        OwnWords words;
        for (const Json& s : json.at("sentences")) {
            words.sentences.push_back({s.at("name"), s.at("text")});
            if (auto ok = checkOwnSentence(words.sentences.back().text); !ok)
                return fail(Errc::BadFormat, inPlace(where, ok.error().message));
        }
        words.spelling = json.value("spelling", std::vector<std::string>{});
        return words;
    });
}

Result<void> checkOwnSentence(const std::string& text) {
    const std::string pattern = asPattern(text);
    if (const std::string wrong = Language::wrongIn(pattern); !wrong.empty())
        return fail(Errc::BadFormat, {"a brace opens a place, such as {example}, and is closed again ({why})",
                                      {{"example", "{name}"}, {"why", wrong}}});
    for (const std::string& place : Language::placesOf(pattern))
        if (std::find(kPlaces.begin(), kPlaces.end(), place) == kPlaces.end()) {
            std::string known;
            for (const char* p : kPlaces) known += (known.empty() ? "{" : ", {") + std::string(p) + "}";
            return fail(Errc::BadFormat, {"{place} is no place that the program fills; those are {known}",
                                          {{"place", "{" + place + "}"}, {"known", known}}});
        }
    return {};
}

std::string filledSentence(const std::string& text, const Review& review) {
    const Speaker s(review, "en");
    const Target& target = review.decision.target;
    const auto day = nextClipDay(review.inputs);
    return s.say({asPattern(text),
                  {{"name", firstName(review.inputs.client)},
                   {"exercise", s.e.name},
                   {"target", askedWords(s.e, target)},
                   {"day", day ? Argument(Day{*day}) : Argument("")},
                   {"coach", firstName(review.inputs.coach)}}});
}

std::string forEverybody(const std::string& text, const ReviewInputs& inputs) {
    std::string out = text;
    for (const auto& [name, place] : {std::pair{inputs.client, "{name}"}, {inputs.coach, "{coach}"}})
        for (const std::string& one : {name, firstName(name)})
            if (!one.empty()) replaceWord(out, one, place);
    return out;
}

} // namespace deft
