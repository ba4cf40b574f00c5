// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/documents/programme_files.h"

#include "app/documents/printed_page.h"
#include "base/data_folder.h"
#include "base/files.h"
#include "base/json.h"
#include "programme/programme_calendar.h"
#include "programme/programme_letter.h"

namespace deft::ui {

Result<std::string> programmePage(const ProgrammeJob& job) {
    return loadPageParts(dataFolder(), job.extras.language).and_then([&](const PageParts& parts) {
        return practicePage(*job.catalogue, job.programme, parts, job.extras);
    });
}

Result<std::string> programmeIn(const std::string& ending, const ProgrammeJob& job) {
    if (ending == ".html") return programmePage(job);
    if (ending == ".pdf") return practiceSheet(*job.catalogue, job.programme, job.extras).and_then(printedPage);
    if (ending == ".ics")
        return programmeCalendar(*job.catalogue, job.programme, job.revision, job.today, job.extras.language);
    if (ending == ".json") return toText(toJson(job.programme, *job.catalogue->language("en")));
    return fail(Errc::Unsupported,
                {"\"{ending}\" is no form of a programme: .html, .pdf, .ics or .json", {{"ending", ending}}});
}

Result<std::string> programmeMail(const ProgrammeJob& job, const std::filesystem::path& beside,
                                  const std::string& name) {
    auto letter = programmeLetter(*job.catalogue, job.programme, job.extras);
    if (!letter) return tl::unexpected(letter.error());
    std::error_code ec;
    std::filesystem::create_directories(beside, ec);
    std::vector<Attachment> attachments;
    const std::tuple<bool, const char*, const char*, const char*> files[] = {
        {job.forms.page, ".html", "text/html", "programme.file-page"},
        {job.forms.sheet, ".pdf", "application/pdf", "programme.file-sheet"},
        {job.forms.calendar, ".ics", "text/calendar", "programme.file-calendar"}};
    for (const auto& [wanted, ending, type, words] : files) {
        if (!wanted) continue;
        auto bytes = programmeIn(ending, job);
        if (!bytes) return bytes;
        if (auto ok = writeFileAtomically(beside / (name + ending), *bytes); !ok) return tl::unexpected(ok.error());
        attachments.push_back(
            {std::string("practice") + ending, type, std::move(*bytes), letter->language->say(words)});
    }
    if (!job.forms.page) std::erase_if(letter->parts, [](const AnswerPart& part) { return part.id == "page"; });
    return answerMail(*letter, job.who, {}, attachments);
}

} // namespace deft::ui
