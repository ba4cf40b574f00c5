// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/programmes.h"

#include "answer/answer.h"
#include "app/documents/programme_files.h"
#include "base/files.h"
#include "base/json.h"
#include "cli/keeping.h"
#include "cli/knowledge.h"
#include "programme/phases.h"
#include "programme/programme_letter.h"
#include "store/intake.h"
#include "store/programme_need.h"

#include <QDate>
#include <cmath>
#include <iostream>

namespace deft::cli {
namespace {

std::string today() { return QDate::currentDate().toString(Qt::ISODate).toStdString(); }

Result<Programme> readProgramme(const Catalogue& catalogue, const std::string& file) {
    return readJsonFile(file).and_then([&](const Json& j) { return parseProgramme(catalogue, j, file); });
}

/// By name or id; a name that two clients have is refused.
Result<Client> clientNamed(const Library& library, const std::string& name) {
    if (auto known = library.clientOf(name)) return *known;
    const auto alike = library.clientsLike(name);
    if (alike.size() == 1) return alike.front();
    return alike.empty() ? fail(Errc::NotFound, "nobody on record is called " + name)
                         : fail(Errc::Ambiguous, "several clients are called " + name + "; name one by its id");
}

} // namespace

int proposeOne(const Options& o) {
    const auto library = openLibrary(o.library);
    if (!library) return failed(library.error());
    const auto client = clientNamed(**library, o.name);
    if (!client) return failed(client.error());
    ProgrammeNeed need = programmeNeed(**library, client->id, o.from.empty() ? today() : o.from, {});
    if (o.minutes > 0) need.minutes = o.minutes;
    if (o.weeks > 0) need.weeks = o.weeks;
    if (!o.goals.empty()) need.goals = o.goals;
    const Catalogue& catalogue = *(*library)->catalogue();
    for (const std::string& goal : need.goals)
        if (!catalogue.goals().count(goal)) {
            std::string known;
            for (const auto& [id, name] : catalogue.goals()) known += (known.empty() ? "" : ", ") + id;
            return failed({Errc::NotFound, "there is no goal \"" + goal + "\"; there are " + known});
        }
    const auto proposed = proposeProgramme(catalogue, need);
    if (!proposed) return failed(proposed.error());
    for (const LeftOut& l : proposed->leftOut)
        if (!o.quiet) std::cerr << "left out: " << l.name << ": " << l.why << "\n";
    if (auto ok = writeFileAtomically(o.out, toText(toJson(proposed->programme))); !ok) return failed(ok.error());
    return 0;
}

int showProgramme(const Catalogue& catalogue, const Options& o) {
    const auto p = readProgramme(catalogue, o.name);
    if (!p) return failed(p.error());
    const Language& english = *catalogue.language("en");
    Json items = Json::array();
    for (const ProgrammeItem& item : p->items) {
        const auto e = exerciseOf(catalogue, item);
        if (!e) return failed(e.error());
        const double seconds = secondsOf(*e, item);
        const std::string dose = english.say(doseOf(*e, item));
        items.push_back({{"exercise", e->name}, {"dose", dose}, {"seconds", seconds}});
        if (o.json) continue;
        std::cout << items.size() << ". " << e->name << ": " << dose << " (" << int(std::ceil(seconds / 60))
                  << " min)\n";
        for (const std::string& why : item.because) std::cout << "   " << why << "\n";
    }
    const double day = secondsOf(catalogue, *p);
    if (o.json)
        std::cout << toText({{"programme", toJson(*p)}, {"items", items}, {"seconds_a_day", day}});
    else
        std::cout << int(std::ceil(day / 60)) << " of " << p->minutes << " minutes a day, " << p->weeks
                  << " weeks from " << p->from << "\n";
    return 0;
}

int exportProgramme(const CataloguePtr& catalogue, const Options& o) {
    const auto p = readProgramme(*catalogue, o.name);
    if (!p) return failed(p.error());
    ui::ProgrammeJob job;
    job.catalogue = catalogue, job.programme = *p, job.today = p->from;
    job.extras.flags = o.flags, job.extras.language = o.language;
    if (auto known = knowsLanguage(*catalogue, o.language); !known) return failed(known.error());
    const auto letter = [&] {
        return programmeLetter(*catalogue, *p, job.extras).map([](const Answer& a) { return answerText(a); });
    };
    const auto content = o.format == "text" ? letter() : ui::programmeIn("." + o.format, job);
    if (!content) return failed(content.error());
    if (auto ok = writeFileAtomically(o.out, *content); !ok) return failed(ok.error());
    return 0;
}

int takeNote(const Options& o) {
    const auto library = openLibrary(o.library);
    if (!library) return failed(library.error());
    const auto text = readFile(o.name);
    if (!text) return failed(text.error());
    const auto note = parseJson(noteInText(*text), o.name).and_then([&](const Json& j) {
        return parsePracticeNote(*(*library)->catalogue(), j, o.name);
    });
    const auto client = note ? takePractice(**library, *note) : tl::unexpected(note.error());
    if (!client) return failed(client.error());
    if (!o.quiet)
        std::cout << note->days.size() << " days of practice of " << (*library)->client(*client)->name << "\n";
    for (const PractisedDay& d : note->days)
        if (d.isAlarming()) std::cerr << "deft-mirror: pain on " << d.day << ": " << d.where << "\n";
    return 0;
}

} // namespace deft::cli
