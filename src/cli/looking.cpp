#include "cli/looking.h"

#include "base/files.h"
#include "cli/knowledge.h"
#include "proposals/proposals_json.h"

#include <iostream>

namespace deft::cli {

int proposeMarksFor(const std::string& clip, const std::string& id, bool mirrored, const std::string& last,
                    const std::string& out, bool quiet, StopToken stop, const ProgressFn& progress) {
    auto exercise = loadExercise(id);
    if (!exercise) return failed(exercise.error());
    auto reader = ClipReader::open(clip);
    if (!reader) return failed(reader.error());
    auto sha = sha256OfFile(clip);
    if (!sha) return failed(sha.error());
    ProposeContext context;
    context.mirrored = mirrored;
    if (!last.empty()) {
        auto marks = readMarks(last);
        if (!marks) return failed(marks.error());
        const auto& points = marks->frames.front().points;
        std::map<std::string, Point2> seen;
        for (const auto& [name, at] : points)
            if (at) seen[name] = *at;
        if (const auto turn = frontTurn(seen, exercise->bodyPosition()))
            context.layout.learn(seen, exercise->view, *turn);
        context.lastTime = std::move(*marks);
    }
    auto network = KeypointNetwork::load(KeypointNetwork::usualPlace());
    auto proposals = proposeMarks(*reader, network ? &*network : nullptr, *exercise, context, stop, progress);
    if (!proposals) return failed(proposals.error());
    if (!network) proposals->missing = network.error().detail;
    if (proposals->marks.empty())
        return failed({Errc::NotFound,
                       network
                           ? clip + ": nobody was found in the picture, so no marks are proposed; place them by hand"
                           : network.error().detail});
    Marks marks = asMarks(*proposals, mirrored);
    marks.more["exercise"] = id;
    marks.more["clip_sha256"] = *sha;
    if (auto ok = writeFileAtomically(out, toText(toJson(marks))); !ok) return failed(ok.error());
    if (!quiet) {
        std::cerr << "deft-mirror: " << proposals->marks.size() << " marks are proposed, none is confirmed";
        if (!proposals->empty.empty()) {
            std::cerr << "; left empty:";
            for (const std::string& name : proposals->empty) std::cerr << " " << name;
        }
        std::cerr << "\n";
    }
    return 0;
}

} // namespace deft::cli
