// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/programmes.h"

#include "answer/answer.h"
#include "app/documents/programme_files.h"
#include "base/data_folder.h"
#include "base/files.h"
#include "base/json.h"
#include "cli/keeping.h"
#include "cli/knowledge.h"
#include "cli/letters.h"
#include "programme/phases.h"
#include "programme/programme_letter.h"
#include "store/intake.h"
#include "store/programme_need.h"

#include <QDate>
#include <QUuid>
#include <algorithm>
#include <cmath>
#include <iostream>
#include <map>

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
    return alike.empty()
               ? fail(Errc::NotFound, {"nobody on record is called {name}", {{"name", name}}})
               : fail(Errc::Ambiguous, {"several clients are called {name}; name one by its id", {{"name", name}}});
}

} // namespace

namespace {

/// What one client's analysed folders call for, without any library.
Result<ProgrammeNeed> needOf(const CataloguePtr& catalogue, const Options& o) {
    auto reviews = reviewsIn(catalogue, o.folders);
    if (!reviews) return tl::unexpected(reviews.error());
    std::stable_sort(reviews->begin(), reviews->end(),
                     [](const auto& a, const auto& b) { return a->inputs.date < b->inputs.date; });
    ProgrammeNeed need;
    need.uid = QUuid::createUuid().toString(QUuid::WithoutBraces).toStdString();
    std::map<std::string, Reviewed> of;
    for (const auto& review : *reviews) {
        const ReviewInputs& in = review->inputs;
        Reviewed& r = of[in.exercise];
        r.reviews.push_back(asFiled(*review));
        r.schools = in.schools, r.cleared = in.cleared, r.note = in.note; // those of the newest
        need.client = in.client, need.coach = in.coach;
        for (const std::string& flag : in.flags)
            if (std::find(need.flags.begin(), need.flags.end(), flag) == need.flags.end()) need.flags.push_back(flag);
    }
    for (auto& [id, r] : of) need.record.push_back(std::move(r));
    return need;
}

} // namespace

int proposeOne(const Options& o) {
    if (o.name.empty() && o.folders.empty())
        return o.console().failed({Errc::NotFound, "name a client of the library, or a folder with --review"});
    const std::string from = o.from.empty() ? today() : o.from;
    CataloguePtr knowledge;
    ProgrammeNeed need;
    if (o.folders.empty()) {
        const auto library = openLibrary(o.library);
        if (!library) return o.console().failed(library.error());
        const auto client = clientNamed(**library, o.name);
        if (!client) return o.console().failed(client.error());
        knowledge = (*library)->catalogue();
        need = programmeNeed(**library, client->id, from, {});
    } else {
        const auto loaded = Catalogue::load(dataFolder());
        if (!loaded) return o.console().failed(loaded.error());
        knowledge = *loaded;
        auto told = needOf(knowledge, o);
        if (!told) return o.console().failed(told.error());
        need = std::move(*told);
    }
    need.from = from;
    if (o.minutes > 0) need.minutes = o.minutes;
    if (o.weeks > 0) need.weeks = o.weeks;
    if (!o.goals.empty()) need.goals = o.goals;
    const Catalogue& catalogue = *knowledge;
    for (const std::string& goal : need.goals)
        if (!catalogue.goals().count(goal)) {
            std::string known;
            for (const auto& [id, name] : catalogue.goals()) known += (known.empty() ? "" : ", ") + id;
            return o.console().failed({Errc::NotFound, "there is no goal \"" + goal + "\"; there are " + known});
        }
    const auto proposed = proposeProgramme(catalogue, need);
    if (!proposed) return o.console().failed(proposed.error());
    const Language& english = *catalogue.language("en");
    Json left = Json::array();
    for (const LeftOut& l : proposed->leftOut) {
        const std::string why = english.say(l.why);
        o.console().remark("left out: " + l.name + ": " + why);
        left.push_back({{"name", l.name}, {"why", why}});
    }
    if (auto ok = writeFileAtomically(o.out, toText(toJson(proposed->programme, english))); !ok)
        return o.console().failed(ok.error());
    return o.console().done({o.out}, {}, {{"left_out", left}});
}

int showProgramme(const Catalogue& catalogue, const Options& o) {
    const auto p = readProgramme(catalogue, o.name);
    if (!p) return o.console().failed(p.error());
    const Language& english = *catalogue.language("en");
    Json items = Json::array();
    for (const ProgrammeItem& item : p->items) {
        const auto e = exerciseOf(catalogue, item);
        if (!e) return o.console().failed(e.error());
        const double seconds = secondsOf(*e, item);
        const std::string dose = english.say(doseOf(*e, item));
        items.push_back({{"exercise", e->name}, {"dose", dose}, {"seconds", seconds}});
        if (o.json) continue;
        std::cout << items.size() << ". " << e->name << ": " << dose << " (" << int(std::ceil(seconds / 60))
                  << " min)\n";
        for (const Message& why : item.because) std::cout << "   " << english.say(why) << "\n";
    }
    const double day = secondsOf(catalogue, *p);
    if (o.json)
        std::cout << toText({{"programme", toJson(*p, english)}, {"items", items}, {"seconds_a_day", day}});
    else
        std::cout << int(std::ceil(day / 60)) << " of " << p->minutes << " minutes a day, " << p->weeks
                  << " weeks from " << p->from << "\n";
    return 0;
}

int exportProgramme(const CataloguePtr& catalogue, const Options& o) {
    const auto p = readProgramme(*catalogue, o.name);
    if (!p) return o.console().failed(p.error());
    ui::ProgrammeJob job;
    job.catalogue = catalogue, job.programme = *p, job.today = p->from;
    job.extras.flags = o.flags, job.extras.language = o.language;
    if (auto known = knowsLanguage(*catalogue, o.language); !known) return o.console().failed(known.error());
    const auto letter = [&] {
        return programmeLetter(*catalogue, *p, job.extras).map([](const Answer& a) { return answerText(a); });
    };
    const auto content = o.format == "text" ? letter() : ui::programmeIn("." + o.format, job);
    if (!content) return o.console().failed(content.error());
    if (auto ok = writeFileAtomically(o.out, *content); !ok) return o.console().failed(ok.error());
    return o.console().done({o.out});
}

int takeNote(const Options& o) {
    const auto library = openLibrary(o.library);
    if (!library) return o.console().failed(library.error());
    const auto text = readFile(o.name);
    if (!text) return o.console().failed(text.error());
    const auto note = parseJson(noteInText(*text), o.name).and_then([&](const Json& j) {
        return parsePracticeNote(*(*library)->catalogue(), j, o.name);
    });
    const auto client = note ? takePractice(**library, *note) : tl::unexpected(note.error());
    if (!client) return o.console().failed(client.error());
    Json pain = Json::array();
    for (const PractisedDay& d : note->days) {
        if (!d.isAlarming()) continue;
        std::cerr << "deft-mirror: pain on " << d.day << ": " << d.where << "\n"; // --quiet or not
        pain.push_back({{"day", d.day}, {"where", d.where}});
    }
    const std::string name = (*library)->client(*client)->name;
    return o.console().done({}, std::to_string(note->days.size()) + " days of practice of " + name + "\n",
                            {{"client", name}, {"days", note->days.size()}, {"pain", pain}});
}

} // namespace deft::cli
