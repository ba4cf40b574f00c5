// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/options.h"

#include "cli/description.h"

#include <CLI/CLI.hpp>

namespace deft::cli {
namespace {

void describeArguments(CLI::App& app, Options& o) {
    app.name("deft-mirror");
    app.description("Deft Mirror measures recorded core exercises and drafts the answer to the client.\nWithout a "
                    "command it opens its window. It is no medical device.");
    app.set_version_flag("--version", "deft-mirror " DEFT_VERSION);
    app.add_option("--library", o.library, "folder of the library");
    app.add_flag("--demo", o.demo, "open a copy of the demo library");
    app.add_flag("--take-over", o.takeOver, "open the library although it seems to be open elsewhere");
    app.require_subcommand(0, 1);
    const auto within = [&](CLI::App* parent, const char* name, const char* what) {
        CLI::App* c = parent->add_subcommand(name, what);
        c->add_flag("--json", o.json, "machine-readable output");
        c->add_flag("--quiet", o.quiet, "no progress and no remarks");
        return c;
    };
    const auto command = [&](const char* name, const char* what) { return within(&app, name, what); };
    const auto sides = CLI::IsMember({"left", "right", "both"});
    CLI::App* probeCommand = command("probe", "what a clip is");
    probeCommand->add_option("CLIP", o.clip, "a film: mp4, mov, mkv, webm or avi")->required();
    CLI::App* trackCommand = command("track", "follow marks through a clip");
    trackCommand->add_option("CLIP", o.clip, "a film: mp4, mov, mkv, webm or avi")->required();
    trackCommand->add_option("--marks", o.marks, "file of marks")->required();
    trackCommand->add_option("--out", o.out, "file of tracks to write, csv")->required();
    CLI::App* analyseCommand = command("analyse", "measure a clip into a folder");
    analyseCommand->add_option("CLIP", o.clip, "a film: mp4, mov, mkv, webm or avi")->required();
    analyseCommand->add_option("--exercise", o.exercise, "id of an exercise, as in `exercises list`")->required();
    analyseCommand->add_option("--marks", o.marks, "file of marks")->required();
    analyseCommand->add_option("--side", o.side, "of the body, that works")->check(sides);
    analyseCommand->add_option("--neutral", o.neutral,
                               "file of the client's neutral posture, which tilt is told against");
    analyseCommand->add_option("--school", o.schools, "QUESTION=SCHOOL")->take_all();
    analyseCommand->add_option("--history", o.history, "file of the client's earlier reviews");
    analyseCommand->add_option("--asked", o.asked, "what was asked and is known of the client");
    analyseCommand->add_option("--date", o.date,
                               "day on which the clip was made; with it the letter names the next one");
    analyseCommand->add_option("--client", o.client, "name of the client, whom the letter greets");
    analyseCommand->add_option("--coach", o.coach, "name of the coach, who signs it");
    const auto spoken = [&](CLI::App* c, const char* to) { c->add_option("--language", o.language, to); };
    spoken(analyseCommand, "of the client, who is written to: en, de, es or fr");
    analyseCommand->add_option("--tracks", o.tracks, "tracks.csv that is there already; the clip need not be");
    analyseCommand->add_option("--part", o.part, "of the film: from and to, in seconds")->expected(2);
    analyseCommand->add_option("--out", o.out, "folder for review.json, tracks.csv and series.csv")->required();
    CLI::App* checkCommand = command("check", "is a clip usable, and what to ask the client for");
    checkCommand->add_option("CLIP", o.clip, "a film: mp4, mov, mkv, webm or avi")->required();
    checkCommand->add_option("--exercise", o.checkedFor, "id of an exercise that it is to be usable for");
    checkCommand->add_option("--marks", o.marks, "marks whose mat line tells the camera's roll");
    CLI::App* marksCommand = command("marks", "offer places for the landmarks, to be confirmed");
    marksCommand->add_option("CLIP", o.clip, "a film: mp4, mov, mkv, webm or avi")->required();
    marksCommand->add_option("--exercise", o.exercise, "id of an exercise, as in `exercises list`")->required();
    marksCommand->add_option("--last", o.last, "marks of the client's last clip of this exercise");
    marksCommand->add_flag("--mirrored", o.mirrored, "the clip shows left and right exchanged");
    marksCommand->add_option("--out", o.out, "file of marks to write")->required();
    CLI::App* answerCommand = command("answer", "the answer of an analysed folder");
    answerCommand->add_option("DIR", o.folder, "folder that `analyse` has written")->required();
    answerCommand
        ->add_option("--format", o.format,
                     "the letter; its day as a calendar; the reply clip; the review to be passed on; the rep sheet "
                     "(out: pdf, svg, png); the tracks as TRC; the readings as FHIR R4")
        ->required()
        ->check(CLI::IsMember({"html", "pdf", "text", "eml", "ics", "mp4", "zip", "sheet", "trc", "fhir"}));
    spoken(answerCommand, "of the letter; usually the client's");
    answerCommand->add_option("--out", o.out, "file to write")->required();
    CLI::App* visitCommand = command("visit", "one letter for several analysed folders of a client");
    visitCommand->add_option("DIR", o.folders, "in the order in which they are told")->required()->expected(1, 12);
    visitCommand->add_option("--format", o.format, "of what is written")
        ->required()
        ->check(CLI::IsMember({"html", "pdf", "text", "eml", "ics"}));
    spoken(visitCommand, "of the letter; usually the client's");
    visitCommand->add_option("--out", o.out, "file to write")->required();
    CLI::App* reportCommand = command("report", "what a client's analysed folders of one exercise tell over the weeks");
    reportCommand->add_option("DIR", o.folders, "folders that `analyse --date` has written")
        ->required()
        ->expected(1, 200);
    reportCommand->add_option("--out", o.out, "page to write: pdf, svg or png")->required();
    CLI::App* seasonCommand = command("season", "eight weeks of the demo's company, into a library");
    seasonCommand->add_option("--library", o.library, "folder of the library, which is made where there is none")
        ->required();
    CLI::App* repeatCommand =
        command("repeat", "how repeatable readings are: the same clips analysed from other markings");
    repeatCommand->add_option("FOLDERS", o.folders, "one folder a marking, with an analysed folder for every clip")
        ->required()
        ->expected(2, 20);
    CLI::App* exercisesCommand = app.add_subcommand("exercises", "the exercise files");
    exercisesCommand->require_subcommand(1);
    within(exercisesCommand, "list", "ids and names");
    CLI::App* show = within(exercisesCommand, "show", "one exercise");
    show->add_option("ID", o.name, "id of an exercise, as in `exercises list`")->required();
    CLI::App* validate = within(exercisesCommand, "validate", "check a file");
    validate->add_option("FILE", o.name, "the file")->required();
    CLI::App* cuesCommand =
        within(exercisesCommand, "cues", "every version, fault and cue of one exercise or of all, as Markdown");
    cuesCommand->add_option("ID", o.name, "id of an exercise, as in `exercises list`");
    CLI::App* sheetCommand = within(exercisesCommand, "sheet", "what a client needs to begin with one");
    sheetCommand->add_option("ID", o.name, "id of an exercise, as in `exercises list`")->required();
    sheetCommand->add_option("--format", o.format, "of what is written")
        ->required()
        ->check(CLI::IsMember({"html", "pdf", "text", "eml"}));
    sheetCommand->add_option("--rung", o.version, "version; usually the first of its ladder");
    sheetCommand->add_option("--flag", o.flags, "intake flag of the client");
    sheetCommand->add_option("--cleared", o.cleared, "intake flag whose readiness list is confirmed");
    spoken(sheetCommand, "of the client, who is written to: en, de, es or fr");
    sheetCommand->add_option("--out", o.out, "file to write")->required();
    CLI::App* filmingCommand =
        within(exercisesCommand, "filming", "how to film them, a page to send before the first clip");
    filmingCommand->add_option("ID", o.names, "ids of exercises")->required()->expected(1, 40);
    filmingCommand->add_option("--format", o.format, "of what is written")
        ->required()
        ->check(CLI::IsMember({"html", "pdf", "text", "eml"}));
    spoken(filmingCommand, "of the client, who is written to: en, de, es or fr");
    filmingCommand->add_option("--out", o.out, "file to write")->required();
    CLI::App* decideCommand = command("decide", "the decision from a case, without a clip");
    decideCommand->add_option("CASE", o.caseFile, "file of a case")->required();
    CLI::App* figureCommand = command("figure", "make a clip from a scene, with its truth and marks beside it");
    figureCommand->add_option("SCENE", o.scene, "file of a scene")->required();
    figureCommand->add_option("--out", o.out, "film to write, mp4")->required();

    CLI::App* programmeCommand = app.add_subcommand("programme", "what a client practises for some weeks");
    programmeCommand->require_subcommand(1);
    const auto ofLibrary = [&](CLI::App* c) {
        c->add_option("--library", o.library, "folder of the library; usually your own");
    };
    CLI::App* proposeCommand = within(programmeCommand, "propose", "from a client's reviews, flags and practice");
    CLI::Option* whom = proposeCommand->add_option("CLIENT", o.name, "of the library: name or id");
    proposeCommand
        ->add_option("--review", o.folders,
                     "without a library: a folder that `analyse` has written, may stand several times")
        ->excludes(whom);
    proposeCommand->add_option("--from", o.from, "day on which it begins; usually today");
    proposeCommand->add_option("--minutes", o.minutes, "a day")->check(CLI::Range(1, 180));
    proposeCommand->add_option("--goal", o.goals, "what the client comes for: an id, may stand several times");
    proposeCommand->add_option("--weeks", o.weeks, "for how many weeks; usually as before")->check(CLI::Range(1, 26));
    proposeCommand->add_option("--out", o.out, "programme to write")->required();
    ofLibrary(proposeCommand);
    CLI::App* showProgrammeCommand = within(programmeCommand, "show", "its exercises, doses and minutes, and why");
    showProgrammeCommand->add_option("FILE", o.name, "the file")->required();
    CLI::App* exportCommand =
        within(programmeCommand, "export", "the practice page, the printed sheet, the calendar or the letter");
    exportCommand->add_option("FILE", o.name, "the file")->required();
    exportCommand->add_option("--format", o.format, "of what is written")
        ->required()
        ->check(CLI::IsMember({"html", "pdf", "ics", "json", "text"}));
    exportCommand->add_option("--flag", o.flags, "intake flag of the client");
    spoken(exportCommand, "of the client, who is written to: en, de, es or fr");
    exportCommand->add_option("--out", o.out, "file to write")->required();
    CLI::App* takeCommand = within(programmeCommand, "take", "a note of what was practised, into the library");
    takeCommand->add_option("FILE", o.name, "the note, or a mail that holds it")->required();
    ofLibrary(takeCommand);

    CLI::App* translationsCommand = app.add_subcommand("translations", "the languages that clients are written to in");
    translationsCommand->require_subcommand(1);
    CLI::App* checkTranslationsCommand = within(translationsCommand, "check", "what a language lacks, or has wrong");
    checkTranslationsCommand->add_option("LANGUAGE", o.name, "code such as de; usually all");

    CLI::App* libraryCommand = app.add_subcommand("library", "the coach's records: back up, restore, check");
    libraryCommand->require_subcommand(1);
    const auto keeping = [&](const char* name, const char* what) {
        CLI::App* c = within(libraryCommand, name, what);
        c->add_option("--library", o.library, "folder of the library; usually your own");
        return c;
    };
    CLI::App* backupCommand = keeping("backup", "copy everything into a new folder");
    backupCommand->add_option("TO", o.folder, "a folder that does not exist yet")->required();
    CLI::App* restoreCommand = keeping("restore", "make a library of a backup");
    restoreCommand->add_option("FROM", o.folder, "a folder that `library backup` has written")->required();
    keeping("check", "is every record as it was written, and every clip there?");

    CLI::App* openCommand = app.add_subcommand("open", "films and files of this program, in its window");
    openCommand->add_option("FILE", o.files, "films, folders and files of this program")->expected(0, 1000);
    // For packages: no reader of the help needs it.
    CLI::App* describeCommand = app.add_subcommand("describe", "man pages and shell completion, into a folder");
    describeCommand->group("");
    describeCommand->add_option("DIR", o.folder, "folder that `analyse` has written")->required();
}

} // namespace

Options parse(int argc, char** argv) {
    Options o;
    CLI::App app;
    describeArguments(app, o);
    try {
        app.parse(argc, argv);
    } catch (const CLI::ParseError& e) {
        o.exit = app.exit(e) == 0 ? 0 : 2;
        return o;
    }
    if (app.got_subcommand("describe")) {
        o.exit = writeDescription(app, o.folder);
        return o;
    }
    for (const CLI::App* at = &app; !at->get_subcommands().empty();) {
        at = at->get_subcommands().front();
        o.command += (o.command.empty() ? "" : " ") + at->get_name();
    }
    if (o.command == "open") o.command.clear(); // the window itself
    return o;
}

} // namespace deft::cli
