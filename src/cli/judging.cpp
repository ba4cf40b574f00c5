// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/judging.h"

#include "base/data_folder.h"
#include "base/dates.h"
#include "base/files.h"
#include "base/json.h"
#include "cli/knowledge.h"
#include "cli/translations.h"
#include "judgement/asked.h"
#include "marks/clip_of_tracks.h"
#include "review/review_json.h"

#include <future>

namespace deft::cli {

Result<ReviewInputs> inputsFor(const Catalogue& catalogue, const Options& o) {
    ReviewInputs in;
    in.clipPath = std::filesystem::absolute(o.clip).lexically_normal().string(); // an answer is made from elsewhere
    in.exercise = o.exercise;
    in.side = o.side;
    if (!o.part.empty()) {
        auto part = parsePart({{"from_s", o.part[0]}, {"to_s", o.part[1]}}, "--part");
        if (!part) return tl::unexpected(part.error());
        in.part = *part;
    }
    auto marks = readMarks(o.marks);
    if (!marks) return tl::unexpected(marks.error());
    in.marks = std::move(*marks);
    auto sha = sha256OfFile(o.clip);
    if (sha)
        in.clipSha256 = *sha;
    else if (o.tracks.empty() || sha.error().code != Errc::NotFound) // with tracks it need not be there
        return tl::unexpected(sha.error());
    else if (const Json told = in.marks.kept("clip_sha256"); told.is_string())
        in.clipSha256 = told;
    if (!o.date.empty() && !parseDate(o.date))
        return fail(Errc::BadFormat, {"--date {date}: a day is written as 2026-05-31", {{"date", o.date}}});
    in.date = o.date, in.client = o.client, in.coach = o.coach;
    if (auto ok = knowsLanguage(catalogue, o.language); !ok) return tl::unexpected(ok.error());
    in.language = o.language;
    for (const std::string& s : o.schools)
        if (auto ok = catalogue.schools().add(in.schools, s); !ok) return tl::unexpected(ok.error());
    auto exercise = exerciseOf(catalogue, in);
    if (!exercise) return tl::unexpected(exercise.error());
    for (const auto& [question, choice] : in.schools)
        if (!exercise->answerTo(question))
            return fail(Errc::BadFormat,
                        {"--school {question}={choice}: {name} leaves no choice in that question",
                         {{"question", question}, {"choice", choice}, {"name", Message(exercise->name)}}});
    if (!o.neutral.empty()) {
        auto neutral =
            readJsonFile(o.neutral).and_then([&](const Json& json) { return parseNeutral(json, o.neutral, 1.0); });
        if (!neutral) return tl::unexpected(neutral.error());
        in.neutral = std::move(*neutral);
    }
    if (!o.history.empty()) {
        auto json = readJsonFile(o.history);
        if (!json) return tl::unexpected(json.error());
        auto history = parseHistory(*json, o.history);
        if (!history) return tl::unexpected(history.error());
        in.history = std::move(*history);
    }
    if (!o.asked.empty()) {
        auto asked =
            readJsonFile(o.asked).and_then([&](const Json& j) { return parseAsked(catalogue, j, o.asked, *exercise); });
        if (!asked) return tl::unexpected(asked.error());
        if (!o.history.empty() && !asked->history.empty())
            return fail(Errc::BadFormat,
                        {"{file}: /history: there is one in --history, too; give one of them", {{"file", o.asked}}});
        in.asked = asked->target, in.flags = asked->flags, in.cleared = asked->cleared, in.note = asked->note,
        in.practice = asked->practice;
        if (!asked->history.empty()) in.history = std::move(asked->history);
    }
    return in;
}

Result<Tracks> readTracks(const std::string& file) {
    return readFile(file).and_then([&](const std::string& csv) { return parseTracks(csv, file); });
}

Result<Review> fromTracks(CataloguePtr catalogue, ReviewInputs in, const std::string& file, Result<Tracks> tracks,
                          const std::optional<ClipInfo>& known) {
    if (!tracks) return tl::unexpected(tracks.error());
    ClipInfo clip = known ? *known : clipOf(*tracks);
    if (known) {
        if (clip.frames() != int64_t(tracks->frames()))
            return fail(Errc::Conflict,
                        {"{file}: has {frames} frames, the clip {clip}; they do not belong together",
                         {{"file", file}, {"frames", int(tracks->frames())}, {"clip", int(clip.frames())}}});
        tracks->time_s = clip.time_s; // the file keeps six decimals
    }
    auto marks = fitToClip(in.marks, clip, in.clipSha256);
    if (!marks) return tl::unexpected(marks.error());
    in.marks = std::move(*marks);
    return measureReview(std::move(catalogue), std::move(in), std::move(clip), std::move(*tracks));
}

void warnOfUnconfirmed(const Marks& marks, const Options& o) {
    if (areUnconfirmed(marks))
        o.console().remark("these marks were proposed and nobody has confirmed them; look at them before you use the "
                           "readings");
}

int written(const Result<Review>& review, const Options& o) {
    if (!review) return o.console().failed(review.error());
    if (!review->missing.empty()) {
        std::string names;
        for (const std::string& m : review->missing) names += " " + m;
        o.console().remark("not marked, so not everything could be measured:" + names);
    }
    if (auto ok = writeFolder(*review, o.out); !ok) return o.console().failed(ok.error());
    return o.console().done({o.out}, {},
                            {{"not_marked", review->missing}, {"confirmed", !areUnconfirmed(review->inputs.marks)}});
}

std::optional<int> runWithoutPictures(const Options& o) {
    std::error_code ec;
    const bool fromTracksAlone = o.command == "analyse" && !o.tracks.empty() && !std::filesystem::exists(o.clip, ec);
    const bool ofExercises =
        (o.command.starts_with("exercises ") && o.command != "exercises sheet" && o.command != "exercises filming") ||
        o.command.starts_with("translations ");
    if (!fromTracksAlone && !ofExercises && o.command != "decide") return std::nullopt;
    // Read while the catalogue is.
    auto tracks =
        std::async(fromTracksAlone ? std::launch::async : std::launch::deferred, [&] { return readTracks(o.tracks); });
    const auto catalogue = Catalogue::load(dataFolder());
    if (!catalogue) return o.console().failed(catalogue.error());
    const Catalogue& c = **catalogue;
    if (o.command == "translations check") return checkTranslations(c, o.name, o.console());
    if (o.command == "exercises list") return listExercises(c, o.console());
    if (o.command == "exercises show") return showExercise(c, o.name, o.console());
    if (o.command == "exercises validate") return validateExercise(c, o.name, o.console());
    if (o.command == "exercises cues") return printCues(c, o.name, o.console());
    if (o.command == "decide") return decideCase(c, o.caseFile, o.console());
    if (fromTracksAlone) {
        auto in = inputsFor(c, o);
        if (!in) return o.console().failed(in.error());
        warnOfUnconfirmed(in->marks, o);
        return written(fromTracks(*catalogue, std::move(*in), o.tracks, tracks.get(), std::nullopt), o);
    }
    return std::nullopt;
}

} // namespace deft::cli
