// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/message.h"
#include "base/result.h"

#include <filesystem>
#include <map>
#include <memory>
#include <set>

namespace deft {

/// The words of one language: sentences of the program by key, sentences of exercise files by their English, and how
/// its numbers, days, plurals and lists are written. Never changed once it is loaded; many threads may ask one.
class Language {
public:
    /// File format `deft-mirror-language` 1 (docs/formats.md): `folder`/<code>.json over `folder`/en.json.
    /// @param code such as "de"; empty = "en"
    /// @errors NotFound naming the languages there are; BadFormat naming file and member; NewerVersion
    static Result<std::shared_ptr<const Language>> load(const std::filesystem::path& folder, const std::string& code);
    /// Codes of the languages in a folder, in order.
    static std::vector<std::string> in(const std::filesystem::path& folder);

    const std::string& code() const { return code_; }
    const std::string& name() const { return name_; } ///< in its own words: "Deutsch"
    bool isRightToLeft() const { return isRightToLeft_; }

    /// What is missing in this language is said in English; a key that no catalogue has is a sentence of its own.
    std::string say(const Message& message) const;
    /// A sentence of a file in this language; English where it is missing. Its places stay open.
    /// @param context tells apart words that are one in English, such as "noun" of "lift"; the file has "noun|lift"
    const std::string& text(const std::string& english, const std::string& context = {}) const;
    /// "a, b and c"
    std::string list(const std::vector<std::string>& items) const;
    std::string number(const Amount& amount) const;
    std::string day(const Day& day) const;

    bool hasSentence(const std::string& key) const { return own_.count(key) > 0; }
    const std::map<std::string, std::string>& sentences() const { return own_; } ///< key → pattern, of this language
    const std::map<std::string, std::string>& texts() const { return texts_; }   ///< English → this language
    /// Of English only: sentences of the program that only the coach reads (errors, reasons of a programme).
    const std::vector<std::string>& coachTexts() const { return coachTexts_; }
    /// Words that are spelt right though a dictionary may lack them: of the trade, and those of its sentences.
    const std::set<std::string>& spelling() const { return spelling_; }
    /// What is wrong with a pattern: syntax of ICU's MessageFormat. Empty = nothing.
    static std::string wrongIn(const std::string& pattern);
    /// Names of the places of a pattern, in order.
    static std::vector<std::string> placesOf(const std::string& pattern);

private:
    Language() = default;
    std::string filled(const std::string& pattern, const Message& message) const;

    std::string code_, name_, locale_, point_ = ".";
    bool isRightToLeft_ = false;
    std::map<std::string, std::string> own_, english_, texts_;
    std::vector<std::string> coachTexts_;
    std::set<std::string> spelling_;
};

using LanguagePtr = std::shared_ptr<const Language>;

} // namespace deft
