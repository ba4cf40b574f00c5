// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/demo.h"

#include "answer/answer.h"
#include "base/data_folder.h"
#include "base/dates.h"
#include "base/files.h"
#include "base/json.h"
#include "review/review_json.h"
#include "store/programme_need.h"
#include "video/clip_reader.h"

#include <QDate>

namespace deft::ui {
namespace {

/// Files an earlier review from the tracks that ship beside its clip.
Result<void> fileEarlier(Library& library, int64_t clipId, const std::filesystem::path& tracksFile) {
    const ReviewInputs inputs = library.clip(clipId)->draft;
    auto reader = ClipReader::open(inputs.clipPath, inputs.part);
    if (!reader) return tl::unexpected(reader.error());
    auto csv = readFile(tracksFile);
    if (!csv) return tl::unexpected(csv.error());
    auto tracks = parseTracks(*csv, tracksFile.string());
    if (!tracks) return tl::unexpected(tracks.error());
    if (int64_t(tracks->frames()) != reader->info().frames())
        return fail(Errc::Conflict, {"{file}: does not belong to its clip", {{"file", tracksFile.string()}}});
    tracks->time_s = reader->info().time_s;
    library.cacheTracks(inputs, *tracks);
    auto review = measureReview(library.catalogue(), inputs, reader->info(), std::move(*tracks));
    if (!review) return tl::unexpected(review.error());
    const Answer answer = composeAnswer(*review);
    // It went out long ago: its pictures, whose faces would take a while to cover, are not made once more.
    auto filed = library.file(clipId, *review, answerHtml(answer, {}), answerText(answer));
    if (!filed) return tl::unexpected(filed.error());
    return library.markMade(*filed); // it went out back then
}

} // namespace

Result<Programme> giveEarlier(Library& library, int64_t client, const std::string& from, const Json& told) {
    ProgrammeNeed need = programmeNeed(library, client, from, {});
    need.weeks = told.at("weeks"), need.minutes = told.at("minutes");
    need.goals = told.value("goals", need.goals), need.reminder = told.value("reminder", need.reminder);
    const auto before = library.programmes(client);
    auto made = before.empty() ? proposeProgramme(*library.catalogue(), need)
                               : growProgramme(*library.catalogue(), need, before.back().programme);
    if (!made) return tl::unexpected(made.error());
    Programme& p = made->programme;
    p.uid = need.uid, p.from = need.from, p.weeks = need.weeks;
    if (const auto days = practiceDays(p); p.lookAgain && !days.empty()) p.lookAgain->on = isoDate(days.back());
    if (auto id = library.giveProgramme(client, p); !id) return tl::unexpected(id.error());
    return std::move(p);
}

Result<void> practisedOn(Library& library, int64_t client, const Programme& p, const std::vector<std::string>& days) {
    PracticeNote note{p.clientUid, p.client, p.uid, {}};
    for (const std::string& iso : days) {
        PractisedDay day;
        day.day = iso;
        for (const ProgrammeItem& item : p.items)
            day.items.push_back({item.exercise, item.target.version, item.target.sets, "right", {}});
        note.days.push_back(std::move(day));
    }
    return library.takePractice(client, note);
}

std::filesystem::path demoFolder() {
    for (const auto& folder : {dataFolder() / "demo", dataFolder().parent_path() / "demo"})
        if (std::filesystem::exists(folder / "library.json")) return folder;
    return {};
}

Result<qint64> demoShift(const Json& list, const QDate& today) {
    const QDate written = QDate::fromString(QString::fromStdString(list.value("today", "")), Qt::ISODate);
    if (!written.isValid()) return fail(Errc::BadFormat, "the demo's list does not say its /today");
    return written.daysTo(today);
}

std::string shiftedDay(const std::string& iso, qint64 days) {
    const QDate day = QDate::fromString(QString::fromStdString(iso), Qt::ISODate);
    return day.isValid() ? day.addDays(days).toString(Qt::ISODate).toStdString() : iso;
}

Result<int64_t> addDemoClient(Library& library, const Json& who, qint64 shift, const QDate& today,
                              const std::string& where) {
    auto client = library.addClient(who.at("name"), who.at("role"));
    if (!client) return client;
    if (auto ok = library.setAbout(*client, who.value("wants", ""), {}); !ok) return tl::unexpected(ok.error());
    if (who.contains("consent")) {
        Json told = who.at("consent"); // kept for so many months from today
        told["given"] = shiftedDay(told.at("given"), shift);
        told["until"] = today.addMonths(told.at("kept_months")).toString(Qt::ISODate).toStdString();
        auto consent = parseConsent(library.catalogue()->safety(), told, where + ": /consent");
        if (!consent) return tl::unexpected(consent.error());
        if (auto ok = library.recordConsent(*client, *consent); !ok) return tl::unexpected(ok.error());
    }
    return client;
}

Result<void> fillDemo(Library& library, const QDate& today) {
    const auto folder = demoFolder();
    if (folder.empty()) return fail(Errc::NotFound, "the demo is not installed beside this program");
    auto list = readJsonFile(folder / "library.json");
    if (!list) return tl::unexpected(list.error());
    const std::string where = (folder / "library.json").string();
    if (auto ok = expectFormat(*list, "deft-mirror-demo", 1, where); !ok) return ok;
    const auto shift = demoShift(*list, today);
    if (!shift) return tl::unexpected(shift.error());
    try {
        if (auto ok = library.setCoach({list->at("coach"), {}}); !ok) return ok;
        for (const Json& who : list->at("clients")) {
            const auto client = addDemoClient(library, who, *shift, today, where);
            if (!client) return tl::unexpected(client.error());
            for (const Json& sent : who.at("clips")) {
                const auto clip = folder / "clips" / sent.at("clip").get<std::string>();
                auto stem = clip;
                stem.replace_extension();
                Result<Marks> marks; // one clip waits for its marks, as most do when they arrive
                if (sent.value("marked", true)) marks = readMarks(stem.string() + ".marks.json");
                if (!marks) return tl::unexpected(marks.error());
                auto sha = sha256OfFile(clip);
                if (!sha) return tl::unexpected(sha.error());
                ReviewInputs in;
                in.clipPath = clip.string(), in.clipSha256 = *sha, in.marks = std::move(*marks);
                in.exercise = sent.at("exercise"), in.client = who.at("name"), in.clientRole = who.at("role"),
                in.coach = list->at("coach");
                in.date = shiftedDay(sent.at("received"), *shift);
                if (sent.value("filed", false)) in.answered = in.date;
                auto asked = parseTarget(sent.at("asked"), where);
                if (!asked) return tl::unexpected(asked.error());
                in.asked = std::move(*asked);
                in.note.words = sent.value("words", "");
                in.note.felt = sent.value("felt", std::vector<std::string>{});
                auto id = library.addClip(*client, in.date, in);
                if (!id) return tl::unexpected(id.error());
                if (!sent.value("filed", false)) continue;
                if (auto ok = fileEarlier(library, *id, stem.string() + ".tracks.csv"); !ok) return ok;
                if (!sent.contains("programme")) continue;
                const Json& told = sent.at("programme");
                const auto given = giveEarlier(library, *client, shiftedDay(told.at("from"), *shift), told);
                if (!given) return tl::unexpected(given.error());
                std::vector<std::string> done;
                for (const std::string day : told.at("done")) done.push_back(shiftedDay(day, *shift));
                if (auto ok = practisedOn(library, *client, *given, done); !ok) return ok;
            }
        }
    } catch (const nlohmann::json::exception& e) {
        return fail(Errc::BadFormat, inPlace(where, e.what()));
    }
    return {};
}

} // namespace deft::ui
