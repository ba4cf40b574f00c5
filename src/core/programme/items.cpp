// SPDX-License-Identifier: GPL-3.0-or-later
#include "programme/items.h"

#include "judgement/safety.h"
#include "judgement/targets.h"
#include "programme/phases.h"

#include <algorithm>

namespace deft {

const Reviewed* recordOf(const ProgrammeNeed& need, const std::string& exercise) {
    for (const Reviewed& r : need.record)
        if (!r.reviews.empty() && r.reviews.back().exercise == exercise) return &r;
    return nullptr;
}

Schools schoolsFor(const ProgrammeNeed& need, const Exercise& e) {
    const Reviewed* r = recordOf(need, e.id);
    return e.schoolsFor(r ? r->schools : need.schools);
}

namespace {

std::vector<std::string> clearedFor(const ProgrammeNeed& need, const std::string& exercise) {
    const Reviewed* r = recordOf(need, exercise);
    return r ? r->cleared : std::vector<std::string>{};
}

const Cue* cueAt(const std::vector<Cue>& cues, const std::string& level) {
    const auto it = std::find_if(cues.begin(), cues.end(), [&](const Cue& c) { return c.level == level; });
    return it == cues.end() ? nullptr : &*it;
}

} // namespace

std::string watchFor(const Exercise& e, const PastReview* past) {
    if (past)
        for (const PastCue& given : past->cues) {
            const FaultPlan* fault = e.fault(given.fault);
            const SetupCheck* check = e.check(given.fault);
            const Cue* cue = fault   ? cueAt(fault->cues, given.level)
                             : check ? cueAt(check->cues, given.level)
                                     : nullptr;
            if (cue) return cue->text;
        }
    for (const SetupCheck& check : e.setup)
        if (const Cue* cue = cueAt(check.cues, "set-up")) return cue->text;
    if (const FaultPlan* anchor = e.anchor())
        if (const Cue* cue = cueAt(anchor->cues, "internal")) return cue->text;
    return {};
}

std::string versionName(const Exercise& e, const std::string& version) {
    const int at = e.versionIndex(version);
    return at < 0 ? version : e.ladder[size_t(at)].name;
}

bool unlock(const Catalogue& catalogue, const ProgrammeNeed& need, const Exercise& e, ProgrammeItem& item) {
    const auto cleared = clearedFor(need, e.id);
    const auto locks = locksOf(catalogue, e, item.target.version, need.flags, cleared);
    if (locks.empty()) return true;
    const std::string open = openVersion(catalogue, e, item.target.version, need.flags, cleared);
    if (open.empty()) return false;
    item.because.push_back({"locked by {flag}: {from} → {to}",
                            {{"flag", Message(locks.front().name)},
                             {"from", Message(versionName(e, item.target.version))},
                             {"to", Message(versionName(e, open))}}});
    changeVersion(item.target, catalogue, e, open, true);
    return true;
}

Message lockWords(const Catalogue& catalogue, const ProgrammeNeed& need, const Exercise& e,
                  const std::string& version) {
    const auto locks = locksOf(catalogue, e, version, need.flags, clearedFor(need, e.id));
    return locks.empty() ? "" : locks.front().reason;
}

Result<ProgrammeItem> newItem(const Catalogue& catalogue, const ProgrammeNeed& need, const std::string& exercise,
                              const std::string& version) {
    const auto plain = catalogue.exercise(exercise);
    if (!plain) return tl::unexpected(plain.error());
    if (!plain->series)
        return fail(Errc::Unsupported,
                    {"{name} is filmed to look at and is not practised", {{"name", Message(plain->name)}}});
    const auto e = catalogue.inSchools(*plain, schoolsFor(need, *plain));
    if (!e) return tl::unexpected(e.error());
    if (!version.empty() && e->versionIndex(version) < 0)
        return fail(Errc::NotFound,
                    {"{name} has no version \"{version}\"", {{"name", Message(plain->name)}, {"version", version}}});
    ProgrammeItem item{exercise, firstTarget(catalogue, *e), 0, "", {}};
    if (!version.empty()) changeVersion(item.target, catalogue, *e, version, false);
    const Message lock = lockWords(catalogue, need, *e, item.target.version);
    if (!version.empty() ? !lock.empty() : !unlock(catalogue, need, *e, item)) return fail(Errc::Unsupported, lock);
    item.rest_s = usualRest_s(item.target);
    if (const auto form = exerciseOf(catalogue, item, schoolsFor(need, *plain))) item.watch = watchFor(*form, nullptr);
    return item;
}

std::vector<ProgrammeItem> insteadOf(const Catalogue& catalogue, const ProgrammeNeed& need, const Programme& programme,
                                     size_t at) {
    std::vector<ProgrammeItem> out;
    if (at >= programme.items.size()) return out;
    const ProgrammeItem& item = programme.items[at];
    const auto e = catalogue.exercise(item.exercise);
    if (!e || !e->series) return out;
    for (int v = e->versionIndex(item.target.version) - 1; v >= 0; --v)
        if (auto easier = newItem(catalogue, need, e->id, e->ladder[size_t(v)].id)) out.push_back(std::move(*easier));
    for (const std::string& id : catalogue.exerciseIds()) {
        const bool isThere = std::any_of(programme.items.begin(), programme.items.end(),
                                         [&](const ProgrammeItem& other) { return other.exercise == id; });
        const auto other = catalogue.exercise(id);
        if (isThere || !other || !other->series || other->series->part != e->series->part) continue;
        if (auto fresh = newItem(catalogue, need, id)) out.push_back(std::move(*fresh));
    }
    return out;
}

} // namespace deft
