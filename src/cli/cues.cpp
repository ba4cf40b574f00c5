// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/knowledge.h"

#include <iostream>
#include <set>

namespace deft::cli {
namespace {

std::string schoolsOf(const Schools& only) {
    std::string text;
    for (const auto& [question, choice] : only) text += " *(" + question + ": " + choice + ")*";
    return text;
}

void print(const std::vector<Cue>& cues) {
    for (const Cue& c : cues) std::cout << "- " << c.level << ": " << c.text << schoolsOf(c.onlyIn) << "\n";
}

/// What the versions before have said is not said again.
void print(const Exercise& e, std::set<std::string>& said) {
    for (const SetupCheck& c : e.setup) {
        std::string all = c.id + c.name + c.good + c.tooLow + c.tooHigh;
        for (const Cue& cue : c.cues) all += cue.text;
        if (!said.insert(all).second) continue;
        std::cout << "\n**" << c.name << "** (set-up" << (c.at == "top" ? ", as the hold begins" : "") << ")"
                  << schoolsOf(c.onlyIn) << " " << c.good;
        for (const std::string& poor : {c.tooLow, c.tooHigh})
            if (!poor.empty()) std::cout << " / " << poor;
        std::cout << "\n\n";
        print(c.cues);
    }
    for (const FaultPlan& f : e.faults) {
        std::string all = f.id + f.name + f.told;
        for (const Cue& cue : f.cues) all += cue.text;
        if (!said.insert(all).second) continue;
        std::cout << "\n**" << f.name << "**" << schoolsOf(f.onlyIn) << ": " << f.told << "\n\n";
        print(f.cues);
    }
}

int printOne(const Catalogue& catalogue, const std::string& id) {
    const auto e = catalogue.exercise(id);
    if (!e) return failed(e.error());
    std::cout << "\n## " << e->name << "\n\n" << e->position << "; views: ";
    for (const std::string& v : e->views) std::cout << (v == e->views.front() ? "" : ", ") << v;
    std::cout << "\n";
    for (const std::string& words : e->unseen) std::cout << "\n> " << words << "\n";
    std::set<std::string> said;
    for (const Version& version : e->ladder) {
        const auto done = catalogue.inVersion(*e, version.id);
        if (!done) return failed(done.error());
        std::cout << "\n### " << version.name << " (" << version.criterion << ")\n";
        for (const std::string& view : done->views) {
            const auto seen = catalogue.inView(*done, view);
            if (!seen) return failed(seen.error());
            print(*seen, said);
        }
    }
    return 0;
}

} // namespace

int printCues(const Catalogue& catalogue, const std::string& id) {
    if (!id.empty()) return printOne(catalogue, id);
    std::cout << "# Cues\n\nEvery exercise, version, view and school with all that may be said to a client; a version "
                 "names only what is new in it. Made by `deft-mirror exercises cues`.\n";
    for (const std::string& each : catalogue.exerciseIds())
        if (const int exit = printOne(catalogue, each)) return exit;
    return 0;
}

} // namespace deft::cli
