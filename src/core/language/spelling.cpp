// SPDX-License-Identifier: GPL-3.0-or-later
#include "language/spelling.h"

#include <algorithm>
#include <hunspell/hunspell.hxx>
#include <unicode/unistr.h>

namespace deft {
namespace fs = std::filesystem;
namespace {

constexpr size_t kMostSuggestions = 6;

} // namespace

/// One file of words with the encoding that it is kept in.
struct Spelling::Dictionary {
    std::unique_ptr<Hunspell> words;
    std::string encoding;

    std::string encoded(const std::string& utf8) const {
        const icu::UnicodeString text = icu::UnicodeString::fromUTF8(utf8);
        std::string out(size_t(text.extract(0, text.length(), nullptr, 0, encoding.c_str())), '\0');
        text.extract(0, text.length(), out.data(), uint32_t(out.size()), encoding.c_str());
        return out;
    }
    std::string decoded(const std::string& bytes) const {
        std::string out;
        icu::UnicodeString(bytes.data(), int32_t(bytes.size()), encoding.c_str()).toUTF8String(out);
        return out;
    }
};

Spelling::Spelling() = default;
Spelling::~Spelling() = default;

std::shared_ptr<Spelling> Spelling::of(const std::string& language, const fs::path& folder) {
    // The largest countries' variants; the others of a language differ from these in little.
    const std::vector<std::string> known[] = {{"en_GB", "en_US"}, {"de_DE"}, {"es_ES"}, {"fr_FR", "fr"}};
    std::vector<std::string> names;
    for (const auto& variants : known)
        if (variants.front().starts_with(language)) names = variants;
    std::error_code ec;
    if (names.empty())
        for (const auto& entry : fs::directory_iterator(folder, ec))
            if (const std::string name = entry.path().stem().string();
                entry.path().extension() == ".aff" && (name == language || name.starts_with(language + "_"))) {
                names = {name};
                break;
            }
    auto spelling = std::shared_ptr<Spelling>(new Spelling);
    for (const std::string& name : names) {
        const fs::path affixes = folder / (name + ".aff"), words = folder / (name + ".dic");
        if (!fs::exists(affixes, ec) || !fs::exists(words, ec)) continue;
        Dictionary d{std::make_unique<Hunspell>(affixes.c_str(), words.c_str()), {}};
        d.encoding = d.words->get_dict_encoding();
        spelling->dictionaries_.push_back(std::move(d));
    }
    return spelling->dictionaries_.empty() ? nullptr : spelling;
}

bool Spelling::isRight(const std::string& word) const {
    return std::any_of(dictionaries_.begin(), dictionaries_.end(),
                       [&](const Dictionary& d) { return d.words->spell(d.encoded(word)); });
}

std::vector<std::string> Spelling::suggestions(const std::string& word) const {
    std::vector<std::string> out;
    for (const Dictionary& d : dictionaries_)
        for (const std::string& one : d.words->suggest(d.encoded(word)))
            if (const std::string utf8 = d.decoded(one);
                out.size() < kMostSuggestions && std::find(out.begin(), out.end(), utf8) == out.end())
                out.push_back(utf8);
    return out;
}

} // namespace deft
