// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/dates.h"
#include "store/library.h"
#include "store/sql_values.h"

#include <algorithm>

namespace deft {

using namespace sql;

namespace {

const QString kDraft = QStringLiteral("given_at = ''");

} // namespace

std::optional<Programme> Library::programmeDraft(int64_t client) const {
    std::optional<Programme> out;
    each(QStringLiteral("SELECT document FROM programme WHERE client = ? AND ") + kDraft, {qlonglong(client)},
         [&](const QSqlQuery& row) {
             const auto read = parseJson(s(row.value(0)), "library").and_then([&](const Json& j) {
                 return parseProgramme(*catalogue(), j, "the programme that is being made");
             });
             if (!read) return trouble({"A programme cannot be shown: {what}.", {{"what", read.error().message}}});
             out = *read;
         });
    return out;
}

Result<void> Library::saveProgrammeDraft(int64_t client, const Programme& programme) {
    return transaction([&]() -> Result<void> {
        int64_t id = 0;
        each(QStringLiteral("SELECT id FROM programme WHERE client = ? AND ") + kDraft, {qlonglong(client)},
             [&](const QSqlQuery& row) { id = row.value(0).toLongLong(); });
        const QString document = text(toJson(programme));
        const auto written =
            id ? run(QStringLiteral("UPDATE programme SET document = ? WHERE id = ?"), {document, qlonglong(id)})
               : run(QStringLiteral("INSERT INTO programme (client, document, given_at) VALUES (?, ?, '')"),
                     {qlonglong(client), document}, &id);
        return written ? seal("programme", id) : written;
    });
}

Result<int64_t> Library::giveProgramme(int64_t client, const Programme& programme) {
    int64_t id = 0;
    const auto ok = transaction([&]() -> Result<void> {
        if (auto r = run(QStringLiteral("DELETE FROM programme WHERE client = ? AND ") + kDraft, {qlonglong(client)});
            !r)
            return r;
        if (auto r = run(QStringLiteral("INSERT INTO programme (client, document, given_at) VALUES (?, ?, ?)"),
                         {qlonglong(client), text(toJson(programme)), now()}, &id);
            !r)
            return r;
        if (auto r = seal("programme", id); !r) return r;
        if (auto r = followProgrammes(client); !r) return r;
        return audit("programme given", id);
    });
    return ok ? Result<int64_t>(id) : tl::unexpected(ok.error());
}

std::vector<GivenProgramme> Library::programmes(int64_t client) const {
    std::vector<GivenProgramme> out;
    each(QStringLiteral("SELECT id, given_at, document FROM programme WHERE client = ? AND NOT ") + kDraft +
             QStringLiteral(" ORDER BY id"),
         {qlonglong(client)}, [&](const QSqlQuery& row) {
             const std::string place = "programme " + s(row.value(0)) + " of the library";
             auto read = parseJson(s(row.value(2)), place).and_then([&](const Json& j) {
                 return parseProgramme(*catalogue(), j, place);
             });
             if (!read)
                 return trouble(
                     {"A programme cannot be shown: {what}. Its record is kept.", {{"what", read.error().message}}});
             out.push_back({row.value(0).toLongLong(), s(row.value(1)), std::move(*read)});
         });
    return out;
}

Result<void> Library::takePractice(int64_t client, const PracticeNote& note) {
    return transaction([&]() -> Result<void> {
        for (const PractisedDay& day : note.days) {
            int64_t id = 0;
            if (auto r =
                    run(QStringLiteral("INSERT OR REPLACE INTO practised (client, day, document) VALUES (?, ?, ?)"),
                        {qlonglong(client), q(day.day), text(toJson(day))}, &id);
                !r)
                return r;
            if (auto r = seal("practised", id); !r) return r;
        }
        if (auto r = followProgrammes(client); !r) return r;
        return audit("practice told", client);
    });
}

std::vector<PractisedDay> Library::practised(int64_t client) const {
    std::vector<PractisedDay> out;
    each(QStringLiteral("SELECT day, document FROM practised WHERE client = ? ORDER BY day"), {qlonglong(client)},
         [&](const QSqlQuery& row) {
             const std::string place = "practice of " + s(row.value(0)) + " in the library";
             auto day = parseJson(s(row.value(1)), place).and_then([&](const Json& j) {
                 return parsePracticeNote(*catalogue(),
                                          {{"format", "deft-mirror-practice"},
                                           {"version", 1},
                                           {"client", "-"},
                                           {"programme", "-"},
                                           {"days", Json::array({j})}},
                                          place);
             });
             if (!day) return trouble({"A day of practice cannot be shown: {what}.", {{"what", day.error().message}}});
             out.push_back(std::move(day->days.front()));
         });
    return out;
}

namespace {

/// Pain that was told at home about this exercise, or about none in particular, counts like pain that came with the
/// clip. It is told in the client's words, and only a person takes it back.
void hurtAtHome(ReviewInputs& draft, const std::vector<PractisedDay>& days, std::chrono::sys_days clip) {
    for (const PractisedDay& told : days) {
        const auto day = parseDate(told.day);
        const bool isOfIt =
            told.items.empty() || std::any_of(told.items.begin(), told.items.end(),
                                              [&](const Practised& p) { return p.exercise == draft.exercise; });
        if (!told.isAlarming() || !day || *day < clip - std::chrono::days(kPracticeDays) || !isOfIt) continue;
        const std::string words = "At home on " + dayInWords(*day) + ": " + (told.where.empty() ? "pain" : told.where);
        ClientNote& note = draft.note;
        if (note.words.find(words) != std::string::npos) continue; // was told before
        note.words += (note.words.empty() ? "" : "\n") + words;
        note.pain = note.pain || told.pain;
        for (const std::string& flag : told.redFlags)
            if (std::find(note.redFlags.begin(), note.redFlags.end(), flag) == note.redFlags.end())
                note.redFlags.push_back(flag);
    }
}

} // namespace

void Library::askAsProgrammed(int64_t client, ReviewInputs& draft) const {
    draft.practice.reset();
    draft.nextClip.clear();
    const auto day = parseDate(draft.date);
    std::vector<Programme> given;
    for (GivenProgramme& g : programmes(client)) given.push_back(std::move(g.programme));
    if (!day || given.empty()) return;
    const auto days = practised(client);
    draft.practice = practiceOf(given, days, draft.exercise, *day);
    hurtAtHome(draft, days, *day);
    const Programme& last = given.back();
    if (!last.lookAgain || !parseDate(last.from) || *day >= endOf(last)) return;
    const auto& again = last.lookAgain->exercises;
    if (std::find(again.begin(), again.end(), draft.exercise) != again.end()) draft.nextClip = last.lookAgain->on;
}

Result<void> Library::followProgrammes(int64_t client) {
    for (Clip& c : clipsOf(client)) {
        if (c.filed) continue;
        const ReviewInputs before = c.draft;
        askAsProgrammed(client, c.draft);
        if (c.draft == before) continue;
        if (auto r = writeDraft(c.id, c.draft); !r) return r;
    }
    return {};
}

} // namespace deft
