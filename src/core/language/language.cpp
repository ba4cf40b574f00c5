// SPDX-License-Identifier: GPL-3.0-or-later
#include "language/language.h"

#include "base/files.h"
#include "base/json.h"
#include "base/numbers.h"

#include <unicode/dcfmtsym.h>
#include <unicode/listformatter.h>
#include <unicode/msgfmt.h>
#include <unicode/smpdtfmt.h>

#include <algorithm>

namespace deft {
namespace fs = std::filesystem;

namespace {

icu::UnicodeString wide(const std::string& text) { return icu::UnicodeString::fromUTF8(text); }

std::string narrow(const icu::UnicodeString& text) {
    std::string out;
    text.toUTF8String(out);
    return out;
}

/// One file: its sentences and texts.
struct LanguageFile {
    std::string name, locale;
    std::map<std::string, std::string> sentences, texts;
    std::vector<std::string> coachTexts;
    std::set<std::string> spelling;
};

Result<LanguageFile> readLanguage(const fs::path& path) {
    const auto json = readJsonFile(path);
    if (!json) return tl::unexpected(json.error());
    if (auto ok = expectFormat(*json, "deft-mirror-language", 1, path.string()); !ok) return tl::unexpected(ok.error());
    return readMembers(path.string(), [&]() -> Result<LanguageFile> {
        using Table = std::map<std::string, std::string>;
        return LanguageFile{json->at("name").get<std::string>(), json->at("locale").get<std::string>(),
                            json->at("sentences").get<Table>(), json->value("texts", Table()),
                            json->value("coach_texts", std::vector<std::string>()),
                            json->value("spelling", std::set<std::string>())};
    });
}

} // namespace

std::vector<std::string> Language::in(const fs::path& folder) {
    std::vector<std::string> codes;
    std::error_code ec;
    for (const auto& entry : fs::directory_iterator(folder, ec))
        if (entry.path().extension() == ".json") codes.push_back(entry.path().stem().string());
    std::sort(codes.begin(), codes.end());
    return codes;
}

Result<std::shared_ptr<const Language>> Language::load(const fs::path& folder, const std::string& wanted) {
    const std::string code = wanted.empty() ? "en" : wanted;
    const auto codes = in(folder);
    if (std::find(codes.begin(), codes.end(), code) == codes.end()) {
        std::string known;
        for (const std::string& c : codes) known += (known.empty() ? "" : ", ") + c;
        return fail(Errc::NotFound,
                    {"there is no language \"{code}\"; there are: {known}", {{"code", code}, {"known", known}}});
    }
    auto file = readLanguage(folder / (code + ".json"));
    if (!file) return tl::unexpected(file.error());
    std::shared_ptr<Language> l(new Language);
    l->code_ = code, l->name_ = file->name, l->locale_ = file->locale;
    l->own_ = std::move(file->sentences), l->texts_ = std::move(file->texts),
    l->coachTexts_ = std::move(file->coachTexts);
    l->spelling_ = std::move(file->spelling);
    l->isRightToLeft_ = icu::Locale(l->locale_.c_str()).isRightToLeft();
    if (code == "en") return l;
    auto english = readLanguage(folder / "en.json");
    if (!english) return tl::unexpected(english.error());
    l->english_ = std::move(english->sentences);
    UErrorCode status = U_ZERO_ERROR;
    const icu::DecimalFormatSymbols symbols(icu::Locale(l->locale_.c_str()), status);
    if (U_SUCCESS(status)) l->point_ = narrow(symbols.getSymbol(icu::DecimalFormatSymbols::kDecimalSeparatorSymbol));
    return l;
}

std::string Language::number(const Amount& a) const {
    std::string text = amountWords(a);
    for (size_t at = 0; (at = text.find('.', at)) != std::string::npos; at += point_.size())
        text.replace(at, 1, point_);
    return text;
}

std::string Language::day(const Day& d) const {
    UErrorCode status = U_ZERO_ERROR;
    const icu::UnicodeString pattern = d.isWeekday ? wide("EEEE") : wide(say("date.day"));
    icu::SimpleDateFormat format(pattern, icu::Locale(locale_.c_str()), status);
    if (U_FAILURE(status)) return {};
    format.adoptTimeZone(icu::TimeZone::getGMT()->clone());
    icu::UnicodeString text;
    return narrow(
        format.format(UDate(std::chrono::duration<double, std::milli>(d.day.time_since_epoch()).count()), text));
}

std::string Language::list(const std::vector<std::string>& items) const {
    if (items.size() < 2) return items.empty() ? std::string() : items.front();
    UErrorCode status = U_ZERO_ERROR;
    const std::unique_ptr<icu::ListFormatter> format(
        icu::ListFormatter::createInstance(icu::Locale(locale_.c_str()), status));
    if (U_FAILURE(status)) return {};
    std::vector<icu::UnicodeString> parts;
    for (const std::string& item : items) parts.push_back(wide(item));
    icu::UnicodeString text;
    format->format(parts.data(), int32_t(parts.size()), text, status);
    return narrow(text);
}

std::string Language::say(const Message& m) const {
    if (const auto own = own_.find(m.key); own != own_.end()) return filled(own->second, m);
    if (const auto english = english_.find(m.key); english != english_.end()) return filled(english->second, m);
    constexpr std::string_view noun = "noun|"; // the only context that messages bear; another bar is somebody's own
    if (m.key.starts_with(noun)) return filled(text(m.key.substr(noun.size()), "noun"), m);
    return filled(text(m.key), m);
}

const std::string& Language::text(const std::string& english, const std::string& context) const {
    auto it = context.empty() ? texts_.end() : texts_.find(context + "|" + english);
    if (it == texts_.end()) it = texts_.find(english);
    return it == texts_.end() ? english : it->second;
}

std::string Language::filled(const std::string& pattern, const Message& m) const {
    if (pattern.find('{') == std::string::npos) return pattern; // most sentences have no places
    std::vector<icu::UnicodeString> names;
    std::vector<icu::Formattable> values;
    for (const auto& [name, argument] : m.with) {
        names.push_back(wide(name));
        if (const auto* number = std::get_if<double>(&argument.value)) {
            values.emplace_back(*number);
            continue;
        }
        std::string words;
        if (const auto* text = std::get_if<std::string>(&argument.value)) words = *text;
        if (const auto* amount = std::get_if<Amount>(&argument.value)) words = this->number(*amount);
        if (const auto* when = std::get_if<Day>(&argument.value)) words = day(*when);
        if (const auto* messages = std::get_if<Messages>(&argument.value)) {
            std::vector<std::string> items;
            for (const Message& item : *messages) items.push_back(say(item));
            words = list(items);
        }
        values.emplace_back(wide(words));
    }
    UErrorCode status = U_ZERO_ERROR;
    const icu::MessageFormat format(wide(pattern), icu::Locale(locale_.c_str()), status);
    icu::UnicodeString text;
    format.format(names.data(), values.data(), int32_t(values.size()), text, status);
    return U_FAILURE(status) ? pattern : narrow(text);
}

std::string Language::wrongIn(const std::string& pattern) {
    UErrorCode status = U_ZERO_ERROR;
    UParseError where{};
    const icu::MessagePattern parsed(wide(pattern), &where, status);
    return U_SUCCESS(status) ? "" : std::string(u_errorName(status)) + " at " + std::to_string(where.offset);
}

std::vector<std::string> Language::placesOf(const std::string& pattern) {
    UErrorCode status = U_ZERO_ERROR;
    const icu::MessagePattern parsed(wide(pattern), nullptr, status);
    std::vector<std::string> places;
    for (int32_t i = 0; U_SUCCESS(status) && i < parsed.countParts(); ++i)
        if (const auto& part = parsed.getPart(i); part.getType() == UMSGPAT_PART_TYPE_ARG_NAME)
            places.push_back(narrow(parsed.getSubstring(part)));
    std::sort(places.begin(), places.end());
    places.erase(std::unique(places.begin(), places.end()), places.end());
    return places;
}

} // namespace deft
