// SPDX-License-Identifier: GPL-3.0-or-later
#include "judgement/cue_record.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

const PastCue* cueOf(const PastReview& review, const std::string& fault) {
    const auto it =
        std::find_if(review.cues.begin(), review.cues.end(), [&](const PastCue& c) { return c.fault == fault; });
    return it == review.cues.end() ? nullptr : &*it;
}

bool hasFault(const PastReview& review, const std::string& fault) {
    return std::find(review.faults.begin(), review.faults.end(), fault) != review.faults.end();
}

double shrunk(const Exercise& e, const PastCue& before, const PastCue& after) {
    return shrunkBy(e, before.fault, before.worst, after.worst);
}

/// Did the fault shrink by the next review? Nothing when that review does not say.
std::optional<bool> shrank(const Exercise& e, const PastCue& cue, const PastReview& next) {
    if (!hasFault(next, cue.fault)) return true;
    const PastCue* later = cueOf(next, cue.fault);
    if (!later) return std::nullopt;
    return shrunk(e, cue, *later) > std::max(cue.mdc, later->mdc);
}

/// What became of the fault that a cue of the review `first` was meant for, said until the review `last`.
CueSpell spellOf(const Exercise& e, const std::vector<PastReview>& history, const PastCue& cue, size_t first,
                 size_t last) {
    CueSpell spell;
    spell.fault = cue.fault, spell.level = cue.level, spell.first = first, spell.last = last;
    const bool wentOn = last + 1 < history.size();
    if (!wentOn && first == last) return spell;
    const PastReview& telling = history[wentOn ? last + 1 : last];
    if (wentOn && !hasFault(telling, cue.fault)) {
        spell.effect = CueSpell::Effect::Gone;
        return spell;
    }
    const PastCue* later = cueOf(telling, cue.fault);
    spell.effect = CueSpell::Effect::NotTold;
    if (!later) return spell;
    spell.change = shrunk(e, cue, *later), spell.mdc = std::max(cue.mdc, later->mdc);
    spell.effect = spell.change > spell.mdc ? CueSpell::Effect::Less : CueSpell::Effect::NoRealChange;
    return spell;
}

} // namespace

double shrunkBy(const Exercise& e, const std::string& id, double before, double after) {
    const Limit* limit = e.limitOf(id);
    return limit ? limit->excess(before) - limit->excess(after) : kGap;
}

std::vector<CueSpell> cueSpells(const Exercise& exercise, const std::vector<PastReview>& history) {
    std::vector<CueSpell> spells;
    const auto says = [&](size_t review, const PastCue& cue) {
        const PastCue* same = review < history.size() ? cueOf(history[review], cue.fault) : nullptr;
        return same && same->level == cue.level;
    };
    for (size_t i = 0; i < history.size(); ++i)
        for (const PastCue& cue : history[i].cues) {
            if (i > 0 && says(i - 1, cue)) continue; // it goes on from the review before
            size_t last = i;
            while (says(last + 1, cue)) ++last;
            spells.push_back(spellOf(exercise, history, cue, i, last));
        }
    return spells;
}

void addToCueRecord(std::vector<CueRecord>& record, const Exercise& exercise, const std::vector<PastReview>& history) {
    for (size_t i = 0; i + 1 < history.size(); ++i)
        for (const PastCue& cue : history[i].cues) {
            const auto helped = shrank(exercise, cue, history[i + 1]);
            if (!helped) continue;
            auto it = std::find_if(record.begin(), record.end(),
                                   [&](const CueRecord& r) { return r.fault == cue.fault && r.level == cue.level; });
            if (it == record.end()) it = record.insert(record.end(), {cue.fault, cue.level, 0, 0});
            ++it->tried;
            it->helped += *helped;
        }
}

} // namespace deft
