// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/knowledge.h"

#include <set>
#include <sstream>

namespace deft::cli {
namespace {

std::string schoolsOf(const Schools& only) {
    std::string text;
    for (const auto& [question, choice] : only) text += " *(" + question + ": " + choice + ")*";
    return text;
}

void print(const std::vector<Cue>& cues, std::ostream& out) {
    for (const Cue& c : cues) out << "- " << c.level << ": " << c.text << schoolsOf(c.onlyIn) << "\n";
}

/// What the versions before have said is not said again.
void print(const Exercise& e, std::set<std::string>& said, std::ostream& out) {
    for (const SetupCheck& c : e.setup) {
        std::string all = c.id + c.name + c.good + c.tooLow + c.tooHigh;
        for (const Cue& cue : c.cues) all += cue.text;
        if (!said.insert(all).second) continue;
        out << "\n**" << c.name << "** (set-up" << (c.at == "top" ? ", as the hold begins" : "") << ")"
            << schoolsOf(c.onlyIn) << " " << c.good;
        for (const std::string& poor : {c.tooLow, c.tooHigh})
            if (!poor.empty()) out << " / " << poor;
        out << "\n\n";
        print(c.cues, out);
    }
    for (const FaultPlan& f : e.faults) {
        std::string all = f.id + f.name + f.told;
        for (const Cue& cue : f.cues) all += cue.text;
        if (!said.insert(all).second) continue;
        out << "\n**" << f.name << "**" << schoolsOf(f.onlyIn) << ": " << f.told << "\n\n";
        print(f.cues, out);
    }
}

Result<void> print(const Catalogue& catalogue, const std::string& id, std::ostream& out) {
    const auto e = catalogue.exercise(id);
    if (!e) return tl::unexpected(e.error());
    out << "\n## " << e->name << "\n\n" << e->position << "; views: ";
    for (const std::string& v : e->views) out << (v == e->views.front() ? "" : ", ") << v;
    out << "\n";
    for (const std::string& words : e->unseen) out << "\n> " << words << "\n";
    std::set<std::string> said;
    for (const Version& version : e->ladder) {
        const auto done = catalogue.inVersion(*e, version.id);
        if (!done) return tl::unexpected(done.error());
        out << "\n### " << version.name << " (" << version.criterion << ")\n";
        for (const std::string& view : done->views) {
            const auto seen = catalogue.inView(*done, view);
            if (!seen) return tl::unexpected(seen.error());
            print(*seen, said, out);
        }
    }
    return {};
}

} // namespace

int printCues(const Catalogue& catalogue, const std::string& id, const Console& console) {
    std::ostringstream out;
    if (id.empty())
        out << "# Cues\n\nEvery exercise, version, view and school with all that may be said to a client; a version "
               "names only what is new in it. Made by `deft-mirror exercises cues`.\n";
    for (const std::string& each : id.empty() ? catalogue.exerciseIds() : std::vector{id})
        if (auto ok = print(catalogue, each, out); !ok) return console.failed(ok.error());
    return console.tell({{"format", "deft-mirror-cues"}, {"version", 1}, {"markdown", out.str()}}, out.str());
}

} // namespace deft::cli
