// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"
#include "programme/programme.h"

namespace deft {

/// The parts of data/practice-page/ that a page is put together from.
struct PageParts {
    std::string html, css, script;
    std::shared_ptr<const Json> words; ///< of one language, by key
};

/// @param language a file words.LANGUAGE.json must be there; empty = English @errors those of readFile and readJsonFile
Result<PageParts> loadPageParts(const std::filesystem::path& data, const std::string& language = {});

/// What else goes onto the page.
struct PageExtras {
    Schools schools;                             ///< of this client
    std::vector<std::string> flags;              ///< from intake: their cautions
    std::map<std::string, PictureData> pictures; ///< exercise → the client's own best frame, face covered
    std::string language{};                      ///< the client's; empty = English
};

/// The practice page: one HTML file for a phone that needs no network and may not use one. It lists each day's
/// exercises, counts them, keeps what was done and how it felt in the browser, and writes the note for the coach.
/// @errors those of Catalogue::form
Result<std::string> practicePage(const Catalogue& catalogue, const Programme& programme, const PageParts& parts,
                                 const PageExtras& extras = {});

/// The dose of an item to stand in a sentence: "three holds of five seconds on each side, left first".
Message doseOf(const Exercise& exercise, const ProgrammeItem& item);

/// "On Friday 12 June film once more, the same way as before: Bridge, both feet."; empty where nothing is asked for.
std::string lookAgainWords(const Catalogue& catalogue, const Programme& programme, const Language& language);

/// The same programme to be printed on one sheet, as a page without a script: the exercises in their order with dose,
/// what to watch, and a square for each day. @errors those of Catalogue::form
Result<std::string> practiceSheet(const Catalogue& catalogue, const Programme& programme,
                                  const PageExtras& extras = {});

} // namespace deft
