// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/commands.h"

#include "analysis/analyse.h"
#include "base/data_folder.h"
#include "base/files.h"
#include "base/json.h"
#include "base/progress.h"
#include "cli/judging.h"
#include "cli/keeping.h"
#include "cli/knowledge.h"
#include "cli/letters.h"
#include "cli/looking.h"
#include "cli/programmes.h"
#include "cli/repeat.h"
#include "figure/film.h"
#include "tracking/track_clip.h"
#include "video/clip_reader.h"

#include <csignal>
#include <cstdio>
#include <iostream>
#include <thread>
#include <unistd.h>

namespace deft::cli {
namespace {

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
    if (o.quiet || o.json || !isatty(STDERR_FILENO)) return {};
    return [](const Progress& p) {
        std::fprintf(stderr, "\r%s %lld of %lld%s", p.what, static_cast<long long>(p.done),
                     static_cast<long long>(p.total), p.done == p.total ? "\n" : "");
    };
}

int probe(const Options& o) {
    auto reader = ClipReader::open(o.clip);
    if (!reader) return o.console().failed(reader.error());
    const ClipInfo& c = reader->info();
    if (o.json) {
        Json times = Json::array();
        for (const double t : c.time_s) times.push_back(rounded(t, 6));
        return o.console().tell({{"format", "deft-mirror-probe"},
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
                                 {"time_s", times}},
                                {});
    }
    std::printf("%s\n  %s in %s, upright %d × %d, turned %d°%s\n  %lld frames in %.2f s, %.2f a second%s%s\n",
                c.path.c_str(), c.codec.c_str(), c.container.c_str(), c.width, c.height, c.rotationDeg,
                c.flipped ? ", mirrored" : "", static_cast<long long>(c.frames()), c.duration_s, c.medianRateHz,
                c.variableRate ? ", at a variable rate" : "", c.lengthUnsure ? "\n  the file seems to be cut off" : "");
    return 0;
}

int track(const Options& o) {
    const Interruptible interrupt;
    auto reader = ClipReader::open(o.clip);
    if (!reader) return o.console().failed(reader.error());
    auto sha = sha256OfFile(o.clip);
    auto marks = readMarks(o.marks);
    if (!marks) return o.console().failed(marks.error());
    auto fitted = fitToClip(*marks, reader->info(), sha.value_or(""));
    if (!fitted) return o.console().failed(fitted.error());
    auto tracks = trackClip(*reader, *fitted, interrupt.token(), progressTo(o));
    if (!tracks) return o.console().failed(tracks.error());
    if (auto ok = writeFileAtomically(o.out, toCsv(*tracks)); !ok) return o.console().failed(ok.error());
    return o.console().done({o.out});
}

int analyseClip(const CataloguePtr& catalogue, const Options& o) {
    const Interruptible interrupt;
    auto in = inputsFor(*catalogue, o);
    if (!in) return o.console().failed(in.error());
    warnOfUnconfirmed(in->marks, o);
    if (o.tracks.empty()) return written(analyse(catalogue, std::move(*in), interrupt.token(), progressTo(o)), o);
    auto reader = ClipReader::open(in->clipPath, in->part);
    if (!reader) return o.console().failed(reader.error());
    return written(fromTracks(catalogue, std::move(*in), o.tracks, readTracks(o.tracks), reader->info()), o);
}

int marks(const Catalogue& catalogue, const Options& o) {
    const Interruptible interrupt;
    return proposeMarksFor(catalogue, o, interrupt.token(), progressTo(o));
}

int check(const Catalogue& catalogue, const Options& o) {
    const Interruptible interrupt;
    return checkClip(catalogue, o, interrupt.token());
}

int film(const Options& o) {
    const Interruptible interrupt;
    auto scene = figure::readScene(o.scene);
    if (!scene) return o.console().failed(scene.error());
    const auto outside = figure::filmScene(*scene, o.out, interrupt.token(), progressTo(o));
    if (!outside) return o.console().failed(outside.error());
    for (const std::string& name : *outside) o.console().remark(name + " lies outside the picture and is not marked");
    return o.console().done({o.out}, {}, {{"outside", *outside}});
}

int keepLibrary(const Options& o) {
    if (o.command == "library check") return checkLibrary(o);
    const Interruptible interrupt;
    return o.command == "library backup" ? backup(o, interrupt.token(), progressTo(o))
                                         : restore(o, interrupt.token(), progressTo(o));
}

} // namespace

std::optional<int> run(const Options& o, int argc, char** argv) {
    if (const auto exit = runWithoutPictures(o)) return exit;
    if (o.command == "probe") return probe(o);
    if (o.command == "track") return track(o);
    if (o.command == "figure") return film(o);
    if (o.command.starts_with("library ")) return keepLibrary(o);
    if (o.command == "programme propose") return proposeOne(o);
    if (o.command == "programme take") return takeNote(o);
    if (o.command.empty()) return std::nullopt;
    const auto catalogue = Catalogue::load(dataFolder());
    if (!catalogue) return o.console().failed(catalogue.error());
    if (o.command == "analyse") return analyseClip(*catalogue, o);
    if (o.command == "check") return check(**catalogue, o);
    if (o.command == "marks") return marks(**catalogue, o);
    if (o.command == "answer" || o.command == "visit") {
        const Interruptible interrupt;
        const auto folders = o.command == "visit" ? o.folders : std::vector{o.folder};
        return writeAnswer(*catalogue, folders, o, interrupt.token(), argc, argv);
    }
    if (o.command == "report") return writeReport(*catalogue, o, argc, argv);
    if (o.command == "season") return makeSeason(o);
    if (o.command == "programme show") return showProgramme(**catalogue, o);
    if (o.command == "programme export") return exportProgramme(*catalogue, o);
    if (o.command == "repeat") return showRepeatability(*catalogue, o.folders, o.console());
    if (o.command == "exercises filming") return writeFilmingPage(**catalogue, o, argc, argv);
    if (o.command == "exercises sheet") return writeSheet(**catalogue, o, argc, argv);
    return std::nullopt;
}

} // namespace deft::cli
