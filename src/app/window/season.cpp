// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/answer.h"
#include "app/window/demo.h"
#include "base/dates.h"
#include "base/files.h"
#include "base/json.h"
#include "figure/followed.h"
#include "marks/clip_of_tracks.h"
#include "review/review_json.h"

#include <QCryptographicHash>
#include <random>

namespace deft::ui {
namespace {

/// What was followed in a clip: a scene whose curves are larger or smaller by a factor, and slower.
Result<Tracks> tracksOf(const std::filesystem::path& folder, const Json& sent) {
    auto scene = figure::readScene(folder / "scenes" / (sent.at("scene").get<std::string>() + ".json"));
    if (!scene) return tl::unexpected(scene.error());
    scene->seed = sent.at("seed");
    const double slower = sent.value("slower", 1.0);
    scene->duration_s *= slower;
    for (auto& [name, curve] : scene->movement)
        for (auto& [time_s, value] : curve.keys) {
            time_s *= slower;
            if (sent.contains("scale")) value *= sent.at("scale").value(name, 1.0);
        }
    return figure::followedIn(*scene);
}

/// The marks of the first frame, as a coach would have set them.
Marks marksOf(const Tracks& tracks) {
    Marks marks;
    for (const auto& [name, points] : tracks.landmark) marks.set(0, name, points.front().at);
    return marks;
}

Result<void> fileClip(Library& library, int64_t client, const std::filesystem::path& folder, const Json& sent,
                      const std::string& day, std::vector<std::string>& films, const std::string& where) {
    auto tracks = tracksOf(folder, sent);
    if (!tracks) return tl::unexpected(tracks.error());
    ReviewInputs in;
    in.clipSha256 = QCryptographicHash::hash(QByteArray::fromStdString(toCsv(*tracks)), QCryptographicHash::Sha256)
                        .toHex()
                        .toStdString();
    in.clipPath = (library.folder() / "clips" / (in.clipSha256.substr(0, 16) + ".mp4")).string();
    films.push_back(in.clipSha256);
    in.marks = marksOf(*tracks);
    in.exercise = sent.at("exercise"), in.coach = library.coach().name, in.date = in.answered = day;
    const auto who = library.client(client);
    in.client = who->name, in.clientRole = who->role;
    in.note.words = sent.value("words", "");
    if (const auto earlier = library.filed(client, in.exercise); !earlier.empty())
        in.asked = earlier.back().next;
    else if (auto asked = parseTarget(sent.at("asked"), where))
        in.asked = std::move(*asked);
    else
        return tl::unexpected(asked.error());
    const auto clip = library.addClip(client, day, in);
    if (!clip) return tl::unexpected(clip.error());
    ClipInfo info = clipOf(*tracks);
    auto review = measureReview(library.catalogue(), library.clip(*clip)->draft, std::move(info), std::move(*tracks));
    if (!review) return tl::unexpected(review.error());
    const Answer answer = composeAnswer(*review);
    const auto filed = library.file(*clip, *review, answerHtml(answer, {}), answerText(answer));
    return filed ? library.markMade(*filed) : tl::unexpected(filed.error());
}

/// A clip that waits, filmed and marked; several of one day are a visit.
Result<void> addWaiting(Library& library, int64_t client, const std::filesystem::path& folder, const Json& sent,
                        const std::string& day, const std::string& where) {
    const auto clip = folder / "clips" / sent.at("clip").get<std::string>();
    auto marks = readMarks(std::filesystem::path(clip).replace_extension(".marks.json"));
    if (!marks) return tl::unexpected(marks.error());
    auto sum = sha256OfFile(clip);
    if (!sum) return tl::unexpected(sum.error());
    auto asked = parseTarget(sent.at("asked"), where);
    if (!asked) return tl::unexpected(asked.error());
    const auto who = library.client(client);
    ReviewInputs in;
    in.clipPath = clip.string(), in.clipSha256 = std::move(*sum), in.marks = std::move(*marks);
    in.exercise = sent.at("exercise"), in.coach = library.coach().name, in.date = day;
    in.client = who->name, in.clientRole = who->role, in.asked = std::move(*asked);
    in.note.words = sent.value("words", "");
    const auto id = library.addClip(client, day, in);
    return id ? Result<void>() : tl::unexpected(id.error());
}

/// Those of the days asked for on which somebody who keeps a share of them practised.
std::vector<std::string> daysKept(const Programme& p, double share, const std::string& until, unsigned seed) {
    std::vector<std::string> days;
    std::mt19937 random(seed);
    for (const auto day : practiceDays(p))
        if (const std::string iso = isoDate(day); iso < until && double(random()) < share * 4294967296.0)
            days.push_back(iso);
    return days;
}

} // namespace

Result<void> fillSeason(Library& library, const QDate& today) {
    const auto folder = demoFolder();
    if (folder.empty()) return fail(Errc::NotFound, "the demo is not installed beside this program");
    auto list = readJsonFile(folder / "season.json");
    if (!list) return tl::unexpected(list.error());
    const std::string where = (folder / "season.json").string();
    if (auto ok = expectFormat(*list, "deft-mirror-season", 1, where); !ok) return ok;
    const auto shift = demoShift(*list, today);
    if (!shift) return tl::unexpected(shift.error());
    return readMembers(where, [&]() -> Result<void> {
        for (const Json& who : list->at("members")) {
            const auto client = addDemoClient(library, who, *shift, today, where);
            if (!client) return tl::unexpected(client.error());
            struct Given {
                Programme programme;
                double kept;
                std::string until;
                Json pain; ///< a day and where it hurt; null = none
            };
            std::optional<Given> running;
            unsigned seed = 0;
            std::vector<std::string> films;
            // What came home before a day, when the next clip is looked at.
            const auto comeHome = [&](const std::string& before) -> Result<void> {
                if (!running) return {};
                const Programme& p = running->programme;
                const auto days = daysKept(p, running->kept, std::min(before, running->until), seed);
                if (auto ok = practisedOn(library, *client, p, days); !ok || running->pain.is_null()) return ok;
                PractisedDay hurt;
                hurt.day = shiftedDay(running->pain.at("day"), *shift);
                hurt.pain = true, hurt.where = running->pain.at("where");
                if (hurt.day >= before) return {};
                return library.takePractice(*client, {p.clientUid, p.client, p.uid, {hurt}});
            };
            for (const Json& sent : who.at("clips")) {
                const std::string day = shiftedDay(sent.at("received"), *shift);
                if (auto ok = comeHome(day); !ok) return ok;
                if (auto ok = fileClip(library, *client, folder, sent, day, films, where); !ok) return ok;
                if (!sent.contains("programme")) continue;
                const Json& told = sent.at("programme");
                auto given = giveEarlier(library, *client, day, told);
                if (!given) return tl::unexpected(given.error());
                const std::string until = told.contains("until") ? shiftedDay(told.at("until"), *shift) : "9999";
                running = Given{std::move(*given), told.at("kept"), until, told.value("pain", Json())};
                seed = sent.at("seed");
            }
            if (auto ok = comeHome(isoDate(*parseDate(shiftedDay(list->at("today"), *shift)))); !ok) return ok;
            if (const auto gone = library.erase(*client, Erasing::Videos); !gone) return tl::unexpected(gone.error());
            for (const Json& sent : who.value("waiting", Json::array()))
                if (auto ok =
                        addWaiting(library, *client, folder, sent, shiftedDay(sent.at("received"), *shift), where);
                    !ok)
                    return ok;
        }
        return {};
    });
}

} // namespace deft::ui
