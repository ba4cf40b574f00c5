#include "cli/commands.h"

#include "base/files.h"
#include "cli/keeping.h"
#include "cli/knowledge.h"
#include "cli/letters.h"
#include "cli/looking.h"
#include "cli/repeat.h"
#include "figure/film.h"
#include "judgement/asked.h"
#include "landmarks/track_clip.h"
#include "proposals/propose.h"
#include "review/review_json.h"
#include "review/without_clip.h"
#include "video/clip_reader.h"

#include <CLI/CLI.hpp>
#include <csignal>
#include <cstdio>
#include <iostream>
#include <thread>
#include <unistd.h>

namespace deft::cli {
namespace {

struct Options {
    std::string clip, marks, exercise = "bridge", out, side = "both", neutral, history, format, folder, scene, name,
                             caseFile, last, checkedFor, rung, library, asked, tracks;
    std::vector<std::string> schools, folders, flags, cleared;
    bool json = false, quiet = false, mirrored = false;
};

/// Ctrl-C asks the work to stop, so that no half-written file stays behind.
class Interruptible {
public:
    Interruptible() {
        sigemptyset(&signals_);
        sigaddset(&signals_, SIGINT);
        sigaddset(&signals_, SIGTERM);
        pthread_sigmask(SIG_BLOCK, &signals_, nullptr);
        std::thread([this] {
            int which = 0;
            sigwait(&signals_, &which);
            source_.request_stop();
        }).detach();
    }
    StopToken token() const { return source_.get_token(); }

private:
    sigset_t signals_;
    std::stop_source source_;
};

ProgressFn progressTo(const Options& o) {
    if (o.quiet || !isatty(STDERR_FILENO)) return {};
    return [](const Progress& p) {
        std::fprintf(stderr, "\r%s %lld of %lld%s", p.what, static_cast<long long>(p.done),
                     static_cast<long long>(p.total), p.done == p.total ? "\n" : "");
    };
}

int probe(const Options& o) {
    auto reader = ClipReader::open(o.clip);
    if (!reader) return failed(reader.error());
    const ClipInfo& c = reader->info();
    if (o.json) {
        Json times = Json::array();
        for (const double t : c.time_s) times.push_back(rounded(t, 6));
        std::cout << toText({{"format", "deft-mirror-probe"},
                             {"version", 1},
                             {"file", c.path},
                             {"container", c.container},
                             {"codec", c.codec},
                             {"width", c.width},
                             {"height", c.height},
                             {"frames", c.frames()},
                             {"duration_s", rounded(c.duration_s, 6)},
                             {"rotation_deg", c.rotationDeg},
                             {"flipped", c.flipped},
                             {"pixel_aspect", c.pixelAspect},
                             {"variable_rate", c.variableRate},
                             {"median_rate_hz", rounded(c.medianRateHz, 4)},
                             {"cut_off", c.lengthUnsure},
                             {"time_s", times}});
        return 0;
    }
    std::printf("%s\n  %s in %s, upright %d × %d, turned %d°%s\n  %lld frames in %.2f s, %.2f a second%s%s\n",
                c.path.c_str(), c.codec.c_str(), c.container.c_str(), c.width, c.height, c.rotationDeg,
                c.flipped ? ", mirrored" : "", static_cast<long long>(c.frames()), c.duration_s, c.medianRateHz,
                c.variableRate ? ", at a variable rate" : "", c.lengthUnsure ? "\n  the file seems to be cut off" : "");
    return 0;
}

Result<ReviewInputs> inputsFor(const Options& o) {
    ReviewInputs in;
    in.clipPath = std::filesystem::absolute(o.clip).lexically_normal().string(); // an answer is made from elsewhere
    in.exercise = o.exercise;
    in.side = o.side;
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
    for (const std::string& s : o.schools)
        if (auto ok = addSchool(in.schools, s); !ok) return tl::unexpected(ok.error());
    auto exercise = exerciseOf(in);
    if (!exercise) return tl::unexpected(exercise.error());
    for (const auto& [question, choice] : in.schools)
        if (!exercise->answerTo(question))
            return fail(Errc::BadFormat, "--school " + question + "=" + choice + ": " + exercise->name +
                                             " leaves no choice in that question");
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
        auto asked = readJsonFile(o.asked).and_then([&](const Json& j) { return parseAsked(j, o.asked, *exercise); });
        if (!asked) return tl::unexpected(asked.error());
        if (!o.history.empty() && !asked->history.empty())
            return fail(Errc::BadFormat, o.asked + ": /history: there is one in --history, too; give one of them");
        in.asked = asked->target, in.flags = asked->flags, in.cleared = asked->cleared, in.note = asked->note;
        if (!asked->history.empty()) in.history = std::move(asked->history);
    }
    return in;
}

/// Measured from tracks that are there already.
Result<Review> analyseTracks(ReviewInputs in, const std::string& file) {
    auto tracks = readFile(file).and_then([&](const std::string& csv) { return parseTracks(csv, file); });
    if (!tracks) return tl::unexpected(tracks.error());
    ClipInfo clip = clipOf(*tracks);
    std::error_code ec;
    if (std::filesystem::exists(in.clipPath, ec)) {
        auto reader = ClipReader::open(in.clipPath);
        if (!reader) return tl::unexpected(reader.error());
        if (reader->info().frames() != int64_t(tracks->frames()))
            return fail(Errc::Conflict, file + ": has " + std::to_string(tracks->frames()) + " frames, the clip " +
                                            std::to_string(reader->info().frames()) + "; they do not belong together");
        clip = reader->info();
        tracks->time_s = clip.time_s; // the file keeps six decimals
    }
    auto marks = fitToClip(in.marks, clip, in.clipSha256);
    if (!marks) return tl::unexpected(marks.error());
    in.marks = std::move(*marks);
    return measureReview(std::move(in), std::move(clip), std::move(*tracks));
}

int track(const Options& o) {
    const Interruptible interrupt;
    auto reader = ClipReader::open(o.clip);
    if (!reader) return failed(reader.error());
    auto sha = sha256OfFile(o.clip);
    auto marks = readMarks(o.marks);
    if (!marks) return failed(marks.error());
    auto fitted = fitToClip(*marks, reader->info(), sha.value_or(""));
    if (!fitted) return failed(fitted.error());
    auto tracks = trackClip(*reader, *fitted, interrupt.token(), progressTo(o));
    if (!tracks) return failed(tracks.error());
    if (auto ok = writeFileAtomically(o.out, toCsv(*tracks)); !ok) return failed(ok.error());
    return 0;
}

int analyseClip(const Options& o) {
    const Interruptible interrupt;
    auto in = inputsFor(o);
    if (!in) return failed(in.error());
    if (areUnconfirmed(in->marks) && !o.quiet)
        std::cerr
            << "deft-mirror: these marks were proposed and nobody has confirmed them; look at them before you use "
               "the readings\n";
    auto review = o.tracks.empty() ? analyse(std::move(*in), interrupt.token(), progressTo(o))
                                   : analyseTracks(std::move(*in), o.tracks);
    if (!review) return failed(review.error());
    if (!review->missing.empty() && !o.quiet) {
        std::cerr << "deft-mirror: not marked, so not everything could be measured:";
        for (const std::string& m : review->missing) std::cerr << " " << m;
        std::cerr << "\n";
    }
    if (auto ok = writeFolder(*review, o.out); !ok) return failed(ok.error());
    return 0;
}

int marks(const Options& o) {
    const Interruptible interrupt;
    return proposeMarksFor(o.clip, o.exercise, o.mirrored, o.last, o.out, o.quiet, interrupt.token(), progressTo(o));
}

int check(const Options& o) {
    const Interruptible interrupt;
    return checkClip(o.clip, o.checkedFor, o.marks, o.json, interrupt.token());
}

int film(const Options& o) {
    const Interruptible interrupt;
    auto scene = figure::readScene(o.scene);
    if (!scene) return failed(scene.error());
    const auto outside = figure::filmScene(*scene, o.out, interrupt.token(), progressTo(o));
    if (!outside) return failed(outside.error());
    for (const std::string& name : *outside)
        std::cerr << "deft-mirror: " << name << " lies outside the picture and is not marked\n";
    return 0;
}

} // namespace

Outcome run(int argc, char** argv) {
    Outcome outcome;
    Options o;
    CLI::App app{"Deft Mirror measures recorded core exercises and drafts the answer to the client.\nWithout a command "
                 "it opens its window. It is no medical device."};
    app.set_version_flag("--version", "deft-mirror " DEFT_VERSION);
    app.add_option("--library", outcome.window.library, "folder of the library");
    app.add_flag("--demo", outcome.window.demo, "open a copy of the demo library");
    app.add_flag("--take-over", outcome.window.takeOver, "open the library although it seems to be open elsewhere");
    app.require_subcommand(0, 1);
    auto command = [&](const char* name, const char* what) {
        CLI::App* c = app.add_subcommand(name, what);
        c->add_flag("--json", o.json, "machine-readable output");
        c->add_flag("--quiet", o.quiet, "no progress");
        return c;
    };
    const auto sides = CLI::IsMember({"left", "right", "both"});
    CLI::App* probeCommand = command("probe", "what a clip is");
    probeCommand->add_option("CLIP", o.clip)->required();
    CLI::App* trackCommand = command("track", "follow marks through a clip");
    trackCommand->add_option("CLIP", o.clip)->required();
    trackCommand->add_option("--marks", o.marks)->required();
    trackCommand->add_option("--out", o.out)->required();
    CLI::App* analyseCommand = command("analyse", "measure a clip into a folder");
    analyseCommand->add_option("CLIP", o.clip)->required();
    analyseCommand->add_option("--exercise", o.exercise)->required();
    analyseCommand->add_option("--marks", o.marks)->required();
    analyseCommand->add_option("--side", o.side)->check(sides);
    analyseCommand->add_option("--neutral", o.neutral);
    analyseCommand->add_option("--school", o.schools, "QUESTION=SCHOOL")->take_all();
    analyseCommand->add_option("--history", o.history);
    analyseCommand->add_option("--asked", o.asked, "what was asked and is known of the client");
    analyseCommand->add_option("--tracks", o.tracks, "tracks.csv that is there already; the clip need not be");
    analyseCommand->add_option("--out", o.out)->required();
    CLI::App* checkCommand = command("check", "is a clip usable, and what to ask the client for");
    checkCommand->add_option("CLIP", o.clip)->required();
    checkCommand->add_option("--exercise", o.checkedFor);
    checkCommand->add_option("--marks", o.marks, "marks whose mat line tells the camera's roll");
    CLI::App* marksCommand = command("marks", "offer places for the landmarks, to be confirmed");
    marksCommand->add_option("CLIP", o.clip)->required();
    marksCommand->add_option("--exercise", o.exercise)->required();
    marksCommand->add_option("--last", o.last, "marks of the client's last clip of this exercise");
    marksCommand->add_flag("--mirrored", o.mirrored, "the clip shows left and right exchanged");
    marksCommand->add_option("--out", o.out)->required();
    CLI::App* answerCommand = command("answer", "the answer of an analysed folder");
    answerCommand->add_option("DIR", o.folder)->required();
    answerCommand->add_option("--format", o.format)->required()->check(CLI::IsMember({"html", "pdf", "text", "eml"}));
    answerCommand->add_option("--out", o.out)->required();
    CLI::App* repeatCommand =
        command("repeat", "how repeatable readings are: the same clips analysed from other markings");
    repeatCommand->add_option("FOLDERS", o.folders, "one folder a marking, with an analysed folder for every clip")
        ->required()
        ->expected(2, 20);
    CLI::App* exercisesCommand = app.add_subcommand("exercises", "the exercise files");
    exercisesCommand->require_subcommand(1);
    CLI::App* list = exercisesCommand->add_subcommand("list", "ids and names");
    CLI::App* show = exercisesCommand->add_subcommand("show", "one exercise");
    show->add_option("ID", o.name)->required();
    show->add_flag("--json", o.json);
    CLI::App* validate = exercisesCommand->add_subcommand("validate", "check a file");
    validate->add_option("FILE", o.name)->required();
    CLI::App* cuesCommand =
        exercisesCommand->add_subcommand("cues", "every version, fault and cue of one exercise or of all, as Markdown");
    cuesCommand->add_option("ID", o.name);
    CLI::App* sheetCommand = exercisesCommand->add_subcommand("sheet", "what a client needs to begin with one");
    sheetCommand->add_option("ID", o.name)->required();
    sheetCommand->add_option("--format", o.format)->required()->check(CLI::IsMember({"html", "pdf", "text", "eml"}));
    sheetCommand->add_option("--rung", o.rung, "version; usually the first of its ladder");
    sheetCommand->add_option("--flag", o.flags, "intake flag of the client");
    sheetCommand->add_option("--cleared", o.cleared, "intake flag whose readiness list is confirmed");
    sheetCommand->add_option("--out", o.out)->required();
    CLI::App* decideCommand = command("decide", "the decision from a case, without a clip");
    decideCommand->add_option("CASE", o.caseFile)->required();
    CLI::App* figureCommand = command("figure", "make a clip from a scene, with its truth and marks beside it");
    figureCommand->add_option("SCENE", o.scene)->required();
    figureCommand->add_option("--out", o.out)->required();

    CLI::App* libraryCommand = app.add_subcommand("library", "the coach's records: back up, restore, check");
    libraryCommand->require_subcommand(1);
    const auto keeping = [&](const char* name, const char* what) {
        CLI::App* c = libraryCommand->add_subcommand(name, what);
        c->add_option("--library", o.library, "folder of the library; usually your own");
        c->add_flag("--quiet", o.quiet, "no progress");
        return c;
    };
    CLI::App* backupCommand = keeping("backup", "copy everything into a new folder");
    backupCommand->add_option("TO", o.folder)->required();
    CLI::App* restoreCommand = keeping("restore", "make a library of a backup");
    restoreCommand->add_option("FROM", o.folder)->required();
    CLI::App* checkLibraryCommand = keeping("check", "is every record as it was written, and every clip there?");

    try {
        app.parse(argc, argv);
    } catch (const CLI::ParseError& e) {
        outcome.exit = app.exit(e) == 0 ? 0 : 2;
        return outcome;
    }
    if (*probeCommand)
        outcome.exit = probe(o);
    else if (*trackCommand)
        outcome.exit = track(o);
    else if (*analyseCommand)
        outcome.exit = analyseClip(o);
    else if (*checkCommand)
        outcome.exit = check(o);
    else if (*marksCommand)
        outcome.exit = marks(o);
    else if (*answerCommand)
        outcome.exit = writeAnswer(o.folder, o.format, o.out, argc, argv);
    else if (*repeatCommand)
        outcome.exit = showRepeatability(o.folders, o.json);
    else if (*list)
        outcome.exit = listExercises();
    else if (*show)
        outcome.exit = showExercise(o.name, o.json);
    else if (*validate)
        outcome.exit = validateExercise(o.name);
    else if (*cuesCommand)
        outcome.exit = printCues(o.name);
    else if (*sheetCommand)
        outcome.exit = writeSheet(o.name, o.rung, {o.flags, o.cleared}, o.format, o.out, argc, argv);
    else if (*backupCommand || *restoreCommand) {
        const Interruptible interrupt;
        if (o.library.empty()) o.library = outcome.window.library;
        outcome.exit = *backupCommand ? backup(o.library, o.folder, o.quiet, interrupt.token(), progressTo(o))
                                      : restore(o.folder, o.library, o.quiet, interrupt.token(), progressTo(o));
    } else if (*checkLibraryCommand)
        outcome.exit = checkLibrary(o.library.empty() ? outcome.window.library : o.library);
    else if (*decideCommand)
        outcome.exit = decideCase(o.caseFile, o.json);
    else if (*figureCommand)
        outcome.exit = film(o);
    return outcome;
}

} // namespace deft::cli
