// SPDX-License-Identifier: GPL-3.0-or-later
#include "programme/phases.h"

#include <algorithm>

namespace deft {
namespace {

// Chosen here.
constexpr double kReady_s = 10;     // to lie down and take the position
constexpr double kOther_s = 8;      // to turn to the other side
constexpr double kOut_s = 1.5;      // of a movement whose file tells no tempo for the way out
constexpr double kUsualRest_s = 30; // after a set of moving

void addRep(std::vector<Phase>& out, const Exercise& e, const Target& t, Phase at) {
    const auto add = [&](Phase::Kind kind, double seconds) {
        at.kind = kind, at.seconds = seconds;
        if (seconds > 0) out.push_back(at);
    };
    const bool moves = !e.mover.isWindow();
    if (moves) add(Phase::Kind::Out, e.tempoOut_s.value_or(kOut_s));
    add(Phase::Kind::Hold, t.hold_s.value_or(0));
    if (moves) add(Phase::Kind::Back, e.tempoBack_s);
}

} // namespace

double usualRest_s(const Target& t) {
    const bool oneHold = t.hold_s && t.reps.value_or(1) == 1;
    return oneHold ? *t.hold_s : kUsualRest_s;
}

std::vector<Phase> phasesOf(const Exercise& e, const ProgrammeItem& item) {
    const Target& t = item.target;
    std::vector<std::string> sides = {""};
    if (e.eachSide) {
        sides = {"left", "right"};
        if (t.firstSide == "right") std::swap(sides[0], sides[1]);
    }
    std::vector<Phase> out = {{Phase::Kind::Ready, kReady_s, 1, 1, sides[0]}};
    for (int set = 1; set <= t.sets; ++set) {
        if (set > 1 && item.rest_s > 0) out.push_back({Phase::Kind::Rest, item.rest_s, set, 1, sides[0]});
        for (const std::string& side : sides) {
            if (side != sides[0]) out.push_back({Phase::Kind::OtherSide, kOther_s, set, 1, side});
            for (int rep = 1; rep <= t.reps.value_or(1); ++rep) {
                // A window is held, and between two holds one rests as long.
                if (rep > 1 && e.mover.isWindow() && t.hold_s)
                    out.push_back({Phase::Kind::Rest, *t.hold_s, set, rep, side});
                addRep(out, e, t, {Phase::Kind::Hold, 0, set, rep, side});
            }
        }
    }
    return out;
}

double secondsOf(const Exercise& e, const ProgrammeItem& item) {
    double sum = 0;
    for (const Phase& phase : phasesOf(e, item)) sum += phase.seconds;
    return sum;
}

double secondsOf(const Catalogue& catalogue, const Programme& p, const std::vector<size_t>& items) {
    double sum = 0;
    for (const size_t i : items)
        if (const auto e = exerciseOf(catalogue, p.items[i])) sum += secondsOf(*e, p.items[i]);
    return sum;
}

double secondsOf(const Catalogue& catalogue, const Programme& p) {
    double most = 0;
    for (size_t day = 0; day < p.days.size(); ++day) most = std::max(most, secondsOf(catalogue, p, itemsOn(p, day)));
    return most;
}

} // namespace deft
