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

int proposeMarksFor(const Catalogue& catalogue, const std::string& clip, const std::string& id, bool mirrored,
                    const std::string& last, const std::string& out, bool quiet, StopToken stop,
                    const ProgressFn& progress) {
    auto exercise = catalogue.exercise(id);
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
        context.learn(*marks, *exercise);
        context.lastTime = std::move(*marks);
    }
    auto network = KeypointNetwork::load(KeypointNetwork::usualPlace());
    auto proposals = proposeMarks(catalogue, *reader, network, *exercise, context, stop, progress);
    if (!proposals) return failed(proposals.error());
    if (proposals->marks.empty())
        return failed({Errc::NotFound,
                       network
                           ? clip + ": nobody was found in the picture, so no marks are proposed; place them by hand"
                           : network.error().detail});
    Marks marks = asMarks(*proposals, mirrored);
    marks.keep("exercise", id);
    marks.keep("clip_sha256", *sha);
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

int checkClip(const Catalogue& catalogue, const std::string& clip, const std::string& id, const std::string& marksFile,
              bool json, StopToken stop) {
    std::optional<Exercise> exercise;
    if (!id.empty()) {
        auto e = catalogue.exercise(id);
        if (!e) return failed(e.error());
        exercise = std::move(*e);
    }
    auto reader = ClipReader::open(clip);
    if (!reader) return failed(reader.error());
    std::optional<double> roll;
    if (!marksFile.empty()) {
        auto marks = readMarks(marksFile);
        if (!marks) return failed(marks.error());
        const auto& points = marks->frames.front().points;
        const auto a = points.find("floor_a"), b = points.find("floor_b");
        if (a != points.end() && b != points.end() && a->second && b->second)
            if (const auto slope = slopeDeg(*a->second, *b->second)) roll = *slope;
    }
    const auto quality = pictureQuality(*reader, stop);
    if (!quality) return failed(quality.error());
    auto network = KeypointNetwork::load(KeypointNetwork::usualPlace());
    std::vector<FoundBody> bodies;
    if (network) {
        auto found = findBodies(*reader, *network, kLooks, stop);
        if (!found) return failed(found.error());
        for (auto& [frame, body] : *found) bodies.push_back(body);
    }
    std::optional<BodyFacts> facts;
    const ClipInfo& info = reader->info();
    if (!bodies.empty()) facts = factsOf(catalogue, bodies, info.width, info.height, exercise ? &*exercise : nullptr);
    const auto checks = checkBefore(info, *quality, facts, network.has_value(), exercise ? &*exercise : nullptr, roll);
    if (json) {
        Json out = {{"format", "deft-mirror-check"},
                    {"version", 1},
                    {"file", clip},
                    {"verdict", verdictOf(checks)},
                    {"check", toJson(checks)}};
        if (facts) out["facts"] = toJson(*facts);
        std::cout << toText(out);
        return 0;
    }
    std::cout << clip << ": " << verdictOf(checks) << "\n";
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
