// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <filesystem>
#include <memory>
#include <string>
#include <vector>

class Hunspell;

namespace deft {

/// Spelling in one language, by the Hunspell dictionaries that are installed. A word is right in any of the variants of
/// its language: whoever writes "colour" means no mistake, nor does "color".
class Spelling {
public:
    /// @param language a code such as "de" @param folder with <language>_<COUNTRY>.aff and .dic
    /// @returns null when there is no dictionary of it
    static std::shared_ptr<Spelling> of(const std::string& language,
                                        const std::filesystem::path& folder = "/usr/share/hunspell");
    ~Spelling();

    bool isRight(const std::string& word) const;                     ///< @param word UTF-8
    std::vector<std::string> suggestions(const std::string& word) const; ///< the likeliest first; at most six

private:
    struct Dictionary;
    Spelling();
    std::vector<Dictionary> dictionaries_;
};

} // namespace deft
