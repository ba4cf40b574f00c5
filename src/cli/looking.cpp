// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/looking.h"

#include "base/files.h"
#include "base/json.h"
#include "cli/knowledge.h"
#include "proposals/check_before.h"
#include "proposals/proposals_json.h"
#include "video/clip_reader.h"

#include <iostream>

namespace deft::cli {

int proposeMarksFor(const Catalogue& catalogue, const Options& o, StopToken stop, const ProgressFn& progress) {
    const Console console = o.console();
    auto exercise = catalogue.exercise(o.exercise);
    if (!exercise) return console.failed(exercise.error());
    auto reader = ClipReader::open(o.clip);
    if (!reader) return console.failed(reader.error());
    auto sha = sha256OfFile(o.clip);
    if (!sha) return console.failed(sha.error());
    ProposeContext context;
    context.mirrored = o.mirrored;
    if (!o.last.empty()) {
        auto marks = readMarks(o.last);
        if (!marks) return console.failed(marks.error());
        context.learn(*marks, *exercise);
        context.lastTime = std::move(*marks);
    }
    auto network = KeypointNetwork::load(KeypointNetwork::usualPlace());
    auto proposals = proposeMarks(catalogue, *reader, network, *exercise, context, stop, progress);
    if (!proposals) return console.failed(proposals.error());
    if (proposals->marks.empty())
        return console.failed(
            {Errc::NotFound,
             network ? o.clip + ": nobody was found in the picture, so no marks are proposed; place them by hand"
                     : network.error().detail()});
    Marks marks = asMarks(*proposals, o.mirrored);
    marks.keep("exercise", o.exercise);
    marks.keep("clip_sha256", *sha);
    if (auto ok = writeFileAtomically(o.out, toText(toJson(marks))); !ok) return console.failed(ok.error());
    std::string empty;
    for (const std::string& name : proposals->empty) empty += (empty.empty() ? "; left empty: " : " ") + name;
    console.remark(std::to_string(proposals->marks.size()) + " marks are proposed, none is confirmed" + empty);
    return console.done({o.out}, {}, {{"proposed", proposals->marks.size()}, {"left_empty", proposals->empty}});
}

int checkClip(const Catalogue& catalogue, const Options& o, StopToken stop) {
    const Console console = o.console();
    std::optional<Exercise> exercise;
    if (!o.checkedFor.empty()) {
        auto e = catalogue.exercise(o.checkedFor);
        if (!e) return console.failed(e.error());
        exercise = std::move(*e);
    }
    auto reader = ClipReader::open(o.clip);
    if (!reader) return console.failed(reader.error());
    std::optional<double> roll;
    if (!o.marks.empty()) {
        auto marks = readMarks(o.marks);
        if (!marks) return console.failed(marks.error());
        const auto& points = marks->frames.front().points;
        const auto a = points.find("floor_a"), b = points.find("floor_b");
        if (a != points.end() && b != points.end() && a->second && b->second)
            if (const auto slope = slopeDeg(*a->second, *b->second)) roll = *slope;
    }
    const auto quality = pictureQuality(*reader, stop);
    if (!quality) return console.failed(quality.error());
    auto network = KeypointNetwork::load(KeypointNetwork::usualPlace());
    std::vector<FoundBody> bodies;
    if (network) {
        auto found = findBodies(*reader, *network, kLooks, stop);
        if (!found) return console.failed(found.error());
        for (auto& [frame, body] : *found) bodies.push_back(body);
    }
    std::optional<BodyFacts> facts;
    const ClipInfo& info = reader->info();
    if (!bodies.empty()) facts = factsOf(catalogue, bodies, info.width, info.height, exercise ? &*exercise : nullptr);
    const auto checks = checkBefore(info, *quality, facts, network.has_value(), exercise ? &*exercise : nullptr, roll);
    if (console.json) {
        Json out = {{"format", "deft-mirror-check"},
                    {"version", 1},
                    {"file", o.clip},
                    {"verdict", verdictOf(checks)},
                    {"check", toJson(checks)}};
        if (facts) out["facts"] = toJson(*facts);
        return console.tell(out, {});
    }
    std::cout << o.clip << ": " << verdictOf(checks) << "\n";
    for (const ClipCheck& c : checks) {
        std::cout << "  " << c.id << ": " << c.verdict;
        if (!c.unit.empty()) std::cout << ", " << rounded(c.value, 1) << " " << c.unit;
        if (!c.ask.empty()) std::cout << "\n      " << c.ask;
        if (!c.suffers.empty()) std::cout << "\n      can be trusted less: " << c.suffers;
        std::cout << "\n";
    }
    if (facts && !facts->guesses.empty()) {
        std::cout << "  looks like:";
        for (const auto& [guess, distance] : facts->guesses) std::cout << " " << guess;
        std::cout << "\n";
    }
    return 0;
}

} // namespace deft::cli
