// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/mail.h"
#include "programme/practice_page.h"

namespace deft::ui {

/// What a programme goes out as.
struct ProgrammeForms {
    bool page = true, sheet = true, calendar = true;
};

/// Everything that a programme is written from, so that it can be made on any thread.
struct ProgrammeJob {
    CataloguePtr catalogue;
    Programme programme;
    PageExtras extras;
    ProgrammeForms forms;
    Correspondents who;
    int revision = 0;  ///< of the calendar
    std::string today; ///< ISO day
};

/// The page alone. @errors those of loadPageParts and practicePage
Result<std::string> programmePage(const ProgrammeJob& job);

/// One form by a file's ending: .html, .pdf, .ics, .json. @errors Unsupported (another ending); those of what is made
Result<std::string> programmeIn(const std::string& ending, const ProgrammeJob& job);

/// A mail with the letter, and page, printed sheet and calendar attached as asked for. The same files are left in
/// `beside` under `name` with their endings. @errors those of what is made, WriteFailed
Result<std::string> programmeMail(const ProgrammeJob& job, const std::filesystem::path& beside,
                                  const std::string& name);

} // namespace deft::ui
