// SPDX-License-Identifier: GPL-3.0-or-later
#include "programme/propose.h"

#include "base/dates.h"
#include "judgement/safety.h"
#include "judgement/targets.h"
#include "programme/phases.h"

#include <algorithm>
#include <set>

namespace deft {
namespace {

constexpr std::chrono::days kAway{14}; // then a version back; common practice, no published source

using std::chrono::Friday, std::chrono::Monday, std::chrono::Wednesday;

/// Why something is in a programme, most urgent first.
enum class Rank { UnderReview, Answers, Position, Missing, Rest };

struct Candidate {
    ProgrammeItem item;
    SeriesPart part;
    Rank rank;
    std::string name;
};

const Reviewed* recordOf(const ProgrammeNeed& need, const std::string& exercise) {
    for (const Reviewed& r : need.record)
        if (!r.reviews.empty() && r.reviews.back().exercise == exercise) return &r;
    return nullptr;
}

Schools schoolsFor(const ProgrammeNeed& need, const Exercise& e) {
    const Reviewed* r = recordOf(need, e.id);
    return e.schoolsFor(r ? r->schools : need.schools);
}

std::vector<std::string> clearedFor(const ProgrammeNeed& need, const std::string& exercise) {
    const Reviewed* r = recordOf(need, exercise);
    return r ? r->cleared : std::vector<std::string>{};
}

const Cue* cueAt(const std::vector<Cue>& cues, const std::string& level) {
    const auto it = std::find_if(cues.begin(), cues.end(), [&](const Cue& c) { return c.level == level; });
    return it == cues.end() ? nullptr : &*it;
}

/// The one thing to watch: the cue that was given last, else the first of the set-up, else of what must stay.
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

/// Puts an item that intake locks onto the nearest version below that is open. @return false when there is none
bool unlock(const Catalogue& catalogue, const ProgrammeNeed& need, const Exercise& e, ProgrammeItem& item) {
    const auto cleared = clearedFor(need, e.id);
    const auto locks = locksOf(catalogue, e, item.target.version, need.flags, cleared);
    if (locks.empty()) return true;
    const std::string open = openVersion(catalogue, e, item.target.version, need.flags, cleared);
    if (open.empty()) return false;
    item.because.push_back("locked by " + locks.front().name + ": " + versionName(e, item.target.version) + " → " +
                           versionName(e, open));
    changeVersion(item.target, catalogue, e, open, true);
    return true;
}

/// What keeps the whole exercise from this client, or empty.
std::string lockWords(const Catalogue& catalogue, const ProgrammeNeed& need, const Exercise& e,
                      const std::string& version) {
    const auto locks = locksOf(catalogue, e, version, need.flags, clearedFor(need, e.id));
    return locks.empty() ? "" : locks.front().reason;
}

std::optional<std::chrono::sys_days> lastSeen(const ProgrammeNeed& need) {
    std::optional<std::chrono::sys_days> last = parseDate(need.lastPractised);
    for (const Reviewed& r : need.record)
        for (const FiledReview& review : r.reviews)
            if (const auto day = parseDate(review.date); day && (!last || *day > *last)) last = day;
    return last;
}

class Proposer {
public:
    Proposer(const Catalogue& catalogue, const ProgrammeNeed& need) : catalogue_(catalogue), need_(need) {
        const auto from = parseDate(need.from), last = lastSeen(need);
        isBack_ = from && last && *from - *last >= kAway;
    }

    ProposedProgramme propose() {
        underReview();
        answering();
        for (const auto& [part, rank, why] :
             {std::tuple{SeriesPart::Position, Rank::Position, "finds the position before anything is loaded"},
              {SeriesPart::Front, Rank::Missing, "nothing else works the front of the trunk"},
              {SeriesPart::Back, Rank::Missing, "nothing else works the back of the trunk"},
              {SeriesPart::Side, Rank::Missing, "nothing else works the sides"},
              {SeriesPart::Whole, Rank::Rest, "takes it into the whole body"},
              {SeriesPart::Stretch, Rank::Rest, "ends with a stretch"}})
            begin(part, rank, why);
        choose();
        return std::move(out_);
    }

private:
    void leaveOut(const Exercise& e, const std::string& why) { out_.leftOut.push_back({e.id, e.name, why}); }

    bool has(const std::string& exercise) const { return taken_.count(exercise) > 0; }

    void add(const Exercise& e, ProgrammeItem item, Rank rank) {
        taken_.insert(e.id);
        const std::string& version = item.target.version;
        if (const std::string lock = lockWords(catalogue_, need_, e, version); !unlock(catalogue_, need_, e, item))
            return leaveOut(e, lock);
        item.rest_s = usualRest_s(item.target);
        candidates_.push_back({std::move(item), e.series->part, rank, e.name});
    }

    /// What was decided goes on, the newest first.
    void underReview() {
        std::vector<const Reviewed*> record;
        for (const Reviewed& r : need_.record)
            if (!r.reviews.empty()) record.push_back(&r);
        std::stable_sort(record.begin(), record.end(), [](const Reviewed* a, const Reviewed* b) {
            return a->reviews.back().date > b->reviews.back().date;
        });
        for (const Reviewed* r : record) {
            const FiledReview& last = r->reviews.back();
            const auto plain = catalogue_.exercise(last.exercise);
            if (!plain || !plain->series) continue;
            if (last.step == "stop" || r->note.isAlarming()) {
                taken_.insert(plain->id);
                leaveOut(*plain, "it was stopped on " + last.date);
                continue;
            }
            ProgrammeItem item{plain->id, last.next.version.empty() ? last.past.target : last.next, 0, "", {}};
            if (plain->versionIndex(item.target.version) < 0) item.target.version = plain->startVersion;
            item.because = {"reviewed on " + last.date + ": " + (last.step.empty() ? "stay" : last.step)};
            for (const auto* sentences : {&last.because, &last.arithmetic})
                item.because.insert(item.because.end(), sentences->begin(), sentences->end());
            notHarder(*plain, last, item);
            afterABreak(*plain, item);
            if (const auto form = exerciseOf(catalogue_, item, schoolsFor(need_, *plain)))
                item.watch = watchFor(*form, &last.past);
            add(*plain, std::move(item), Rank::UnderReview);
        }
    }

    /// Days that were not kept, or kept too well: what was decided as a step up waits.
    void notHarder(const Exercise& e, const FiledReview& last, ProgrammeItem& item) {
        if (last.step != "up" || !need_.practice) return;
        const Practice& p = *need_.practice;
        if (!p.isTooLittle() && !p.isTooMuch()) return;
        item.because.push_back("done on " + std::to_string(p.done) + " of " + std::to_string(p.asked) +
                               " days: nothing gets harder, " + versionName(e, last.past.target.version) +
                               " stays as it was asked");
        item.target = last.past.target;
        if (e.versionIndex(item.target.version) < 0) item.target.version = e.startVersion;
    }

    void afterABreak(const Exercise& e, ProgrammeItem& item) {
        if (!isBack_) return;
        const int at = e.versionIndex(item.target.version);
        if (at > 0) {
            const std::string& easier = e.ladder[size_t(at) - 1].id;
            item.because.push_back("two weeks or more away: " + versionName(e, item.target.version) + " → " +
                                   versionName(e, easier) + " (common practice)");
            changeVersion(item.target, catalogue_, e, easier, true);
        } else if (item.target.sets > 1) {
            --item.target.sets;
            item.because.push_back("two weeks or more away, and already the easiest version: a round less (common "
                                   "practice)");
        }
    }

    /// Exercises that work on what the last reviews found.
    void answering() {
        for (const Reviewed& r : need_.record) {
            if (r.reviews.empty()) continue;
            const FiledReview& last = r.reviews.back();
            const auto e = catalogue_.exercise(last.exercise);
            if (!e || last.step == "ask-again") continue;
            for (const std::string& id : last.past.faults)
                if (const FaultPlan* fault = e->fault(id))
                    for (const std::string& answer : fault->answeredBy)
                        if (!has(answer))
                            fresh(answer, Rank::Answers,
                                  "answers “" + fault->name + "” (" + e->name + ", " + last.date + ")");
        }
    }

    /// What somebody new to a part begins with, where nothing works on it yet.
    void begin(SeriesPart part, Rank rank, const std::string& why) {
        if (std::any_of(candidates_.begin(), candidates_.end(), [&](const Candidate& c) { return c.part == part; }))
            return;
        for (const bool begins : {true, false}) // where that is locked, another one of the part
            for (const std::string& id : catalogue_.exerciseIds()) {
                const auto e = catalogue_.exercise(id);
                if (!e || !e->series || e->series->part != part || e->series->begins != begins || has(id)) continue;
                const size_t before = candidates_.size();
                fresh(id, rank, why);
                if (candidates_.size() > before) return;
            }
    }

    void fresh(const std::string& id, Rank rank, const std::string& why) {
        const auto plain = catalogue_.exercise(id);
        if (!plain || !plain->series) return;
        auto item = newItem(catalogue_, need_, id);
        if (!item) {
            taken_.insert(id);
            return leaveOut(*plain, item.error().detail);
        }
        item->because.insert(item->because.begin(), why);
        add(*plain, std::move(*item), rank);
    }

    /// As many as there is time for, the most urgent first; what does not fit is done in fewer rounds.
    void choose() {
        std::stable_sort(candidates_.begin(), candidates_.end(),
                         [](const Candidate& a, const Candidate& b) { return a.rank < b.rank; });
        double left = 60.0 * need_.minutes;
        std::vector<Candidate> chosen;
        for (Candidate& c : candidates_) {
            const auto e = exerciseOf(catalogue_, c.item);
            if (!e) continue;
            if (chosen.size() == kMostProposed) {
                out_.leftOut.push_back({c.item.exercise, c.name, "six exercises are enough for one day"});
                continue;
            }
            const int asked = c.item.target.sets;
            while (secondsOf(*e, c.item) > left && c.item.target.sets > 1) --c.item.target.sets;
            if (secondsOf(*e, c.item) > left) {
                out_.leftOut.push_back({c.item.exercise, c.name, "there is no time left for it"});
                continue;
            }
            if (c.item.target.sets < asked)
                c.item.because.push_back(std::to_string(asked) + " → " + std::to_string(c.item.target.sets) +
                                         (c.item.target.sets > 1 ? " rounds" : " round") + ", so that it fits into " +
                                         std::to_string(need_.minutes) + " min");
            left -= secondsOf(*e, c.item);
            chosen.push_back(std::move(c));
        }
        std::stable_sort(chosen.begin(), chosen.end(),
                         [](const Candidate& a, const Candidate& b) { return a.part < b.part; });
        for (Candidate& c : chosen) out_.programme.items.push_back(std::move(c.item));
    }

    const Catalogue& catalogue_;
    const ProgrammeNeed& need_;
    ProposedProgramme out_;
    std::vector<Candidate> candidates_;
    std::set<std::string> taken_;
    bool isBack_ = false;
};

} // namespace

Result<ProgrammeItem> newItem(const Catalogue& catalogue, const ProgrammeNeed& need, const std::string& exercise,
                              const std::string& version) {
    const auto plain = catalogue.exercise(exercise);
    if (!plain) return tl::unexpected(plain.error());
    if (!plain->series) return fail(Errc::Unsupported, plain->name + " is filmed to look at and is not practised");
    const auto e = catalogue.inSchools(*plain, schoolsFor(need, *plain));
    if (!e) return tl::unexpected(e.error());
    if (!version.empty() && e->versionIndex(version) < 0)
        return fail(Errc::NotFound, plain->name + " has no version \"" + version + "\"");
    ProgrammeItem item{exercise, firstTarget(catalogue, *e), 0, "", {}};
    if (!version.empty()) changeVersion(item.target, catalogue, *e, version, false);
    const std::string lock = lockWords(catalogue, need, *e, item.target.version);
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

Result<ProposedProgramme> proposeProgramme(const Catalogue& catalogue, const ProgrammeNeed& need) {
    if (!parseDate(need.from)) return fail(Errc::BadFormat, "\"" + need.from + "\" is no day such as 2026-05-14");
    for (const Reviewed& r : need.record)
        for (const std::string& flag : r.note.redFlags) {
            const auto& known = catalogue.safety().redFlags;
            return fail(Errc::Unsupported, "no programme while " + need.client + (need.client.empty() ? "" : " ") +
                                               "reports " + (known.count(flag) ? known.at(flag) : flag) +
                                               ": a doctor comes first");
        }
    ProposedProgramme out = Proposer(catalogue, need).propose();
    Programme& p = out.programme;
    p.uid = need.uid, p.clientUid = need.clientUid, p.client = need.client, p.coach = need.coach;
    p.from = need.from, p.weeks = need.weeks, p.minutes = need.minutes;
    p.days = need.days.empty() ? std::vector{Monday, Wednesday, Friday} : need.days;
    return out;
}

} // namespace deft
