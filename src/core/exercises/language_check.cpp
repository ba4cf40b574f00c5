// SPDX-License-Identifier: GPL-3.0-or-later
#include "exercises/language_check.h"

#include "exercises/translated.h"

#include <algorithm>

namespace deft {
namespace {

/// Keys whose sentences only the window says.
bool isForCoach(const std::string& key) {
    static const std::vector<std::string> groups = {"asked.", "cue.",  "cue-level.", "fact.",
                                                    "part.",  "step.", "sum.",       "why."};
    return std::any_of(groups.begin(), groups.end(), [&](const std::string& group) { return key.starts_with(group); });
}

/// Places that a text has and its English has not.
std::string strayPlace(const std::string& english, const std::string& text) {
    const auto known = Language::placesOf(english);
    for (const std::string& place : Language::placesOf(text))
        if (!std::binary_search(known.begin(), known.end(), place)) return place;
    return {};
}

std::string withoutContext(const std::string& text) {
    const size_t at = text.find('|');
    return at == std::string::npos ? text : text.substr(at + 1);
}

} // namespace

Result<LanguageCheck> checkLanguage(const Catalogue& catalogue, const std::string& code) {
    const auto& codes = catalogue.languages();
    const LanguagePtr language = catalogue.language(code), english = catalogue.language("en");
    if (std::find(codes.begin(), codes.end(), code) == codes.end() || language->code() != code)
        return fail(Errc::NotFound, {"there is no language \"{code}\" that can be read", {{"code", code}}});
    auto texts = textsOf(catalogue);
    if (!texts) return tl::unexpected(texts.error());
    for (const auto& [own, same] : english->texts()) texts->client.insert(own); // of the program, not of a file
    texts->coach.insert(english->coachTexts().begin(), english->coachTexts().end());
    LanguageCheck check;
    for (const auto& [key, pattern] : language->sentences()) {
        if (const std::string why = Language::wrongIn(pattern); !why.empty()) check.wrong.push_back(key + ": " + why);
        if (!english->hasSentence(key)) check.wrong.push_back(key + ": no sentence of English has this key");
    }
    if (code == "en") return check;
    for (const auto& [key, pattern] : english->sentences())
        if (!language->hasSentence(key)) (isForCoach(key) ? check.missingCoach : check.missingClient).push_back(key);
    const auto missing = [&](const std::set<std::string>& said, std::vector<std::string>& out) {
        for (const std::string& text : said)
            if (!language->texts().count(text) && !language->texts().count(withoutContext(text)) &&
                !language->texts().count("noun|" + withoutContext(text)))
                out.push_back(text);
    };
    missing(texts->client, check.missingClient);
    for (const std::string& text : texts->coach)
        if (!texts->client.count(text)) missing({text}, check.missingCoach);
    for (const auto& [text, translated] : language->texts()) {
        if (const std::string why = Language::wrongIn(translated); !why.empty())
            check.wrong.push_back(text + ": " + why);
        if (const std::string place = strayPlace(text, translated); !place.empty())
            check.wrong.push_back(text + ": {" + place + "} has nothing to stand for");
        if (!texts->client.count(text) && !texts->coach.count(text)) check.unused.push_back(text);
    }
    return check;
}

} // namespace deft
