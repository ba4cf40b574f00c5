// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/knowledge.h"

#include "base/json.h"
#include "judgement/decision.h"

#include <algorithm>
#include <cstdio>
#include <optional>

namespace deft::cli {
namespace {

void printLimit(const std::string& name, const Limit& l) {
    std::printf("  %-34s %s", name.c_str(), measureName(l.measure).c_str());
    if (l.low) std::printf(", from %g", *l.low);
    if (l.high) std::printf(", up to %g", *l.high);
    std::printf(" %s (%s)\n", l.unit.c_str(), l.source.empty() ? originWords(l.origin) : l.source.c_str());
}

void printDose(const Dose& d) {
    std::printf("\ndose: %d sets", d.sets);
    if (d.reps) std::printf(" of %d to %d reps", *d.reps, *d.repsMax);
    if (d.hold_s) std::printf(", %g s each, at most %g s", *d.hold_s, d.holdCap_s);
    std::printf(", %d days a week\n", d.daysPerWeek);
}

} // namespace

int listExercises(const Catalogue& catalogue, const Console& console) {
    // One damaged file does not hide the others.
    Json all = Json::array();
    std::string text;
    std::optional<Error> damaged;
    for (const std::string& id : catalogue.exerciseIds()) {
        if (auto e = catalogue.exercise(id)) {
            all.push_back({{"id", id}, {"name", e->name}});
            text += id + std::string(id.size() < 24 ? 25 - id.size() : 1, ' ') + e->name + "\n";
        } else if (damaged)
            damaged->message = {"{first}; {next}", {{"first", damaged->message}, {"next", e.error().message}}};
        else
            damaged = e.error();
    }
    if (!damaged || !console.json)
        console.tell({{"format", "deft-mirror-exercises"}, {"version", 1}, {"exercises", all}}, text);
    return damaged ? console.failed(*damaged) : 0;
}

int showExercise(const Catalogue& catalogue, const std::string& id, const Console& console) {
    auto e = catalogue.exercise(id);
    if (!e) return console.failed(e.error());
    if (console.json) return console.tell(*e->raw, {});
    std::printf("%s (%s)\nposition %s, view", e->name.c_str(), e->id.c_str(), e->position.c_str());
    for (const std::string& v : e->views) std::printf(" %s", v.c_str());
    std::printf("\n\nmarks:");
    for (const std::string& l : e->landmarksNeeded) std::printf(" %s", l.c_str());
    std::printf("\n\ntolerances:\n");
    for (const SetupCheck& c : e->setup) printLimit(c.name, c.limit);
    for (const FaultPlan& f : e->faults) printLimit(f.name, f.limit);
    printDose(e->dose);
    std::printf("\nladder:\n");
    for (const Version& r : e->ladder)
        std::printf("  %-16s %s: %s\n", r.id.c_str(), r.name.c_str(), r.criterion.c_str());
    std::printf("\nfelt:\n");
    for (const FeltPlace& f : e->felt) std::printf("  %-16s %s: %s\n", f.id.c_str(), f.name.c_str(), f.means.c_str());
    std::printf("\n%s\n", e->stopRule.c_str());
    return 0;
}

int validateExercise(const Catalogue& catalogue, const std::string& file, const Console& console) {
    auto e = readJsonFile(file).and_then([&](const Json& j) { return catalogue.parse(j, file); });
    if (!e) return console.failed(e.error());
    for (const Version& version : e->ladder) {
        const auto done = catalogue.inVersion(*e, version.id);
        if (!done) return console.failed(done.error());
        for (const std::string& view : done->views)
            if (const auto seen = catalogue.inView(*done, view); !seen) return console.failed(seen.error());
    }
    return console.done({}, file + ": in order (" + e->name + ")\n", {{"exercise", e->id}, {"name", e->name}});
}

Result<void> knowsLanguage(const Catalogue& catalogue, const std::string& code) {
    const auto& known = catalogue.languages();
    if (code.empty() || std::find(known.begin(), known.end(), code) != known.end()) return {};
    std::string all;
    for (const std::string& one : known) all += (all.empty() ? "" : ", ") + one;
    return fail(Errc::NotFound,
                {"there is no language \"{code}\"; there are {known}", {{"code", code}, {"known", all}}});
}

int decideCase(const Catalogue& catalogue, const std::string& file, const Console& console) {
    auto document = readJsonFile(file);
    if (!document) return console.failed(document.error());
    auto now = parseCase(catalogue, *document, file);
    if (!now) return console.failed(now.error());
    auto d = decide(catalogue, *now);
    if (!d) return console.failed(d.error());
    const Language& english = *catalogue.language("en");
    if (console.json) return console.tell(toJson(*d, english), {});
    std::printf("%s\n", d->step.c_str());
    for (const auto* lines : {&d->because, &d->arithmetic})
        for (const Message& line : *lines) std::printf("  %s\n", english.say(line).c_str());
    for (const ChosenCue& c : d->cues)
        std::printf("  %s, %s cue: %s\n", c.fault.c_str(), c.level.c_str(), c.text.c_str());
    for (const auto& [id, why] : d->waiting) std::printf("  %s waits: %s\n", id.c_str(), english.say(why).c_str());
    for (const Message& c : d->cautions) std::printf("  caution: %s\n", english.say(c).c_str());
    return 0;
}

} // namespace deft::cli
