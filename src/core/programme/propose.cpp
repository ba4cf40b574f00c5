// SPDX-License-Identifier: GPL-3.0-or-later
#include "programme/propose.h"

#include "base/dates.h"
#include "judgement/safety.h"
#include "judgement/targets.h"
#include "programme/items.h"
#include "programme/phases.h"

#include <algorithm>
#include <set>

namespace deft {
namespace {

constexpr std::chrono::days kAway{14}; // then a version back; common practice, no published source

using std::chrono::Friday, std::chrono::Monday, std::chrono::Wednesday;

/// Why something is in a programme, most urgent first.
enum class Rank { UnderReview, Answers, Wanted, Position, Missing, Rest };

struct Candidate {
    ProgrammeItem item;
    SeriesPart part;
    Rank rank;
    std::string name;
};

/// A date that is none as it is.
Argument dayOf(const std::string& iso) {
    const auto day = parseDate(iso);
    return day ? Argument(Day{*day}) : Argument(iso);
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
        wanted();
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

    /// Every item as it is now: where it was reviewed since, its target follows; after a break it gets easier.
    ProposedProgramme grow(const Programme& running) {
        for (const ProgrammeItem& item : running.items) {
            const auto plain = catalogue_.exercise(item.exercise);
            if (!plain || !plain->series) continue;
            const Reviewed* r = recordOf(need_, item.exercise);
            std::optional<ProgrammeItem> now = item;
            if (r && (r->reviews.back().date >= running.from || r->note.isAlarming()))
                now = followed(*r);
            else
                afterABreak(*plain, *now);
            if (!now) continue;
            if (now->target == item.target)
                now = item;
            else
                now->rest_s = usualRest_s(now->target);
            const Message lock = lockWords(catalogue_, need_, *plain, now->target.version);
            if (!unlock(catalogue_, need_, *plain, *now))
                leaveOut(*plain, lock);
            else
                out_.programme.items.push_back(std::move(*now));
        }
        fit(out_.programme.items, 60.0 * running.minutes);
        return std::move(out_);
    }

    ProposedProgramme open(const Programme& other) {
        for (ProgrammeItem item : other.items) {
            const auto plain = catalogue_.exercise(item.exercise);
            if (!plain) continue;
            const Message lock = lockWords(catalogue_, need_, *plain, item.target.version);
            if (!unlock(catalogue_, need_, *plain, item))
                leaveOut(*plain, lock);
            else {
                const Reviewed* r = recordOf(need_, item.exercise);
                if (item.watch.empty()) item.watch = watchFor(*plain, r ? &r->reviews.back().past : nullptr);
                if (item.because.empty()) item.because = {"as in the programme that it comes from"};
                out_.programme.items.push_back(std::move(item));
            }
        }
        return std::move(out_);
    }

private:
    /// What has grown beyond the time there is gets fewer rounds, the longest first; then the last one goes.
    void fit(std::vector<ProgrammeItem>& items, double seconds) {
        const auto length = [&](const ProgrammeItem& item) {
            const auto e = exerciseOf(catalogue_, item);
            return e ? secondsOf(*e, item) : 0;
        };
        while (!items.empty()) {
            double sum = 0;
            ProgrammeItem* longest = nullptr;
            for (ProgrammeItem& item : items) {
                sum += length(item);
                if (item.target.sets > 1 && (!longest || length(item) > length(*longest))) longest = &item;
            }
            if (sum <= seconds) return;
            if (longest) {
                --longest->target.sets;
                longest->because.push_back("a round less, so that it fits into the time there is");
                continue;
            }
            if (const auto e = catalogue_.exercise(items.back().exercise)) leaveOut(*e, "there is no time left for it");
            items.pop_back();
        }
    }

    void leaveOut(const Exercise& e, const Message& why) { out_.leftOut.push_back({e.id, e.name, why}); }

    bool has(const std::string& exercise) const { return taken_.count(exercise) > 0; }

    void add(const Exercise& e, ProgrammeItem item, Rank rank) {
        taken_.insert(e.id);
        const std::string& version = item.target.version;
        if (const Message lock = lockWords(catalogue_, need_, e, version); !unlock(catalogue_, need_, e, item))
            return leaveOut(e, lock);
        item.rest_s = usualRest_s(item.target);
        candidates_.push_back({std::move(item), e.series->part, rank, e.name});
    }

    /// What was decided of an exercise goes on. Nothing where it was stopped, or is only looked at.
    std::optional<ProgrammeItem> followed(const Reviewed& r) {
        const FiledReview& last = r.reviews.back();
        const auto plain = catalogue_.exercise(last.exercise);
        if (!plain || !plain->series) return std::nullopt;
        if (last.step == "stop" || r.note.isAlarming()) {
            taken_.insert(plain->id);
            leaveOut(*plain, last.step == "stop" ? Message("it was stopped on {date}", {{"date", dayOf(last.date)}})
                                                 : Message("it hurt"));
            return std::nullopt;
        }
        ProgrammeItem item{plain->id, last.next.version.empty() ? last.past.target : last.next, 0, "", {}};
        if (plain->versionIndex(item.target.version) < 0) item.target.version = plain->startVersion;
        item.because = {
            {"reviewed on {date}: {step}",
             {{"date", dayOf(last.date)}, {"step", Message("step." + (last.step.empty() ? "stay" : last.step))}}}};
        for (const auto* sentences : {&last.because, &last.arithmetic})
            item.because.insert(item.because.end(), sentences->begin(), sentences->end());
        notHarder(*plain, last, item);
        afterABreak(*plain, item);
        if (const auto form = exerciseOf(catalogue_, item, schoolsFor(need_, *plain)))
            item.watch = watchFor(*form, &last.past);
        return item;
    }

    /// The newest first.
    void underReview() {
        std::vector<const Reviewed*> record;
        for (const Reviewed& r : need_.record)
            if (!r.reviews.empty()) record.push_back(&r);
        std::stable_sort(record.begin(), record.end(), [](const Reviewed* a, const Reviewed* b) {
            return a->reviews.back().date > b->reviews.back().date;
        });
        for (const Reviewed* r : record)
            if (auto item = followed(*r)) {
                const auto plain = catalogue_.exercise(item->exercise);
                add(*plain, std::move(*item), Rank::UnderReview);
            }
    }

    /// Days that were not kept, or kept too well: what was decided as a step up waits.
    void notHarder(const Exercise& e, const FiledReview& last, ProgrammeItem& item) {
        if (last.step != "up" || !need_.practice) return;
        const Practice& p = *need_.practice;
        if (!p.isTooLittle() && !p.isTooMuch()) return;
        item.because.push_back(
            {"done on {done} of {asked} days: nothing gets harder, {version} stays as it was asked",
             {{"done", p.done}, {"asked", p.asked}, {"version", Message(versionName(e, last.past.target.version))}}});
        item.target = last.past.target;
        if (e.versionIndex(item.target.version) < 0) item.target.version = e.startVersion;
    }

    void afterABreak(const Exercise& e, ProgrammeItem& item) {
        if (!isBack_) return;
        const int at = e.versionIndex(item.target.version);
        if (at > 0) {
            const std::string& easier = e.ladder[size_t(at) - 1].id;
            item.because.push_back(
                {"two weeks or more away: {from} → {to} (common practice)",
                 {{"from", Message(versionName(e, item.target.version))}, {"to", Message(versionName(e, easier))}}});
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
                                  {"answers “{fault}” ({exercise}, {date})",
                                   {{"fault", Message(fault->name)},
                                    {"exercise", Message(e->name)},
                                    {"date", dayOf(last.date)}}});
        }
    }

    /// What serves a goal: for each part of the body one, unless something there serves it already.
    void wanted() {
        for (const std::string& goal : need_.goals) {
            std::set<SeriesPart> served;
            for (const Candidate& c : candidates_)
                if (serves(c.item.exercise, goal)) served.insert(c.part);
            for (const std::string& id : catalogue_.exerciseIds()) {
                const auto e = catalogue_.exercise(id);
                if (!serves(id, goal) || has(id) || served.count(e->series->part)) continue;
                const size_t before = candidates_.size();
                fresh(id, Rank::Wanted,
                      {"for “{goal}” (common practice)", {{"goal", Message(catalogue_.goals().at(goal))}}});
                if (candidates_.size() > before) served.insert(e->series->part);
            }
        }
    }

    bool serves(const std::string& id, const std::string& goal) const {
        const auto e = catalogue_.exercise(id);
        return e && e->series && std::count(e->series->goals.begin(), e->series->goals.end(), goal) > 0 &&
               catalogue_.goals().count(goal) > 0;
    }

    /// What somebody new to a part begins with, where nothing works on it yet.
    void begin(SeriesPart part, Rank rank, const Message& why) {
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

    void fresh(const std::string& id, Rank rank, const Message& why) {
        const auto plain = catalogue_.exercise(id);
        if (!plain || !plain->series) return;
        auto item = newItem(catalogue_, need_, id);
        if (!item) {
            taken_.insert(id);
            return leaveOut(*plain, item.error().message);
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
                c.item.because.push_back({c.item.target.sets > 1
                                              ? "{asked} → {now} rounds, so that it fits into {minutes} min"
                                              : "{asked} → {now} round, so that it fits into {minutes} min",
                                          {{"asked", asked}, {"now", c.item.target.sets}, {"minutes", need_.minutes}}});
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

/// Nothing is practised while a red flag stands.
Result<void> mayPractise(const Catalogue& catalogue, const ProgrammeNeed& need) {
    if (!parseDate(need.from))
        return fail(Errc::BadFormat, {"\"{from}\" is no day such as 2026-05-14", {{"from", need.from}}});
    for (const Reviewed& r : need.record)
        for (const std::string& flag : r.note.redFlags) {
            const auto& known = catalogue.safety().redFlags;
            return fail(Errc::Unsupported,
                        {need.client.empty() ? "no programme while this is reported: {flag}; a doctor comes first"
                                             : "no programme while {client} reports {flag}: a doctor comes first",
                         {{"client", need.client}, {"flag", Message(known.count(flag) ? known.at(flag) : flag)}}});
        }
    return {};
}

/// On the last day of practice: what was filmed before; of somebody new, what is looked at first of everybody, as far
/// as nothing speaks against it (common practice, no published source).
std::optional<LookAgain> lookAgainAt(const Catalogue& catalogue, const ProgrammeNeed& need, const Programme& p) {
    const auto days = practiceDays(p);
    if (days.empty()) return std::nullopt;
    LookAgain again{isoDate(days.back()), {}};
    for (const Reviewed& r : need.record)
        if (r.reviews.back().step != "stop" && !r.note.isAlarming())
            again.exercises.push_back(r.reviews.back().exercise);
    if (need.record.empty())
        for (const char* id : {"posture-scan", "one-leg-stand", "prone-leg-lift", "forearm-plank"})
            if (const auto e = catalogue.exercise(id); e && lockWords(catalogue, need, *e, e->startVersion).empty())
                again.exercises.push_back(id);
    return again.exercises.empty() ? std::nullopt : std::optional(again);
}

} // namespace

Result<ProposedProgramme> proposeProgramme(const Catalogue& catalogue, const ProgrammeNeed& need) {
    if (auto ok = mayPractise(catalogue, need); !ok) return tl::unexpected(ok.error());
    ProposedProgramme out = Proposer(catalogue, need).propose();
    Programme& p = out.programme;
    p.uid = need.uid, p.clientUid = need.clientUid, p.client = need.client, p.coach = need.coach;
    p.from = need.from, p.weeks = need.weeks, p.minutes = need.minutes;
    p.goals = need.goals, p.reminder = need.reminder;
    p.days = need.days.empty() ? std::vector{Monday, Wednesday, Friday} : need.days;
    p.lookAgain = lookAgainAt(catalogue, need, p);
    return out;
}

ProposedProgramme openProgramme(const Catalogue& catalogue, const ProgrammeNeed& need, const Programme& programme) {
    return Proposer(catalogue, need).open(programme);
}

Result<ProposedProgramme> growProgramme(const Catalogue& catalogue, const ProgrammeNeed& need,
                                        const Programme& running) {
    if (auto ok = mayPractise(catalogue, need); !ok) return tl::unexpected(ok.error());
    ProposedProgramme out = Proposer(catalogue, need).grow(running);
    const auto items = std::move(out.programme.items);
    out.programme = running;
    out.programme.items = items;
    if (items == running.items) return out;
    const int over = std::clamp(weekOf(running, *parseDate(need.from)), 0, running.weeks - 1);
    out.programme.uid = need.uid, out.programme.from = need.from, out.programme.weeks = running.weeks - over;
    return out;
}

} // namespace deft
