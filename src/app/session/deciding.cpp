// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/deciding.h"

#include "app/documents/answer_picture.h"
#include "app/session/own_marking.h"
#include "app/session/review_session.h"
#include "app/theme/words.h"
#include "marks/names.h"
#include "review/neutral.h"
#include "review/seen_faults.h"

#include <algorithm>

namespace deft::ui {

void Deciding::setMark(int64_t frame, const std::string& landmark, std::optional<Point2> point) {
    const QString name = spoken(landmarkWords(landmark));
    session_.edit(point ? tr("mark of the %1").arg(name) : tr("%1 not visible").arg(name), [&](ReviewInputs& in) {
        if (const auto* seeds = session_.offered().seeds()) in.marks.seeds = *seeds;
        in.marks.set(session_.clip().time_s[size_t(frame)], landmark, point);
        noteOwnMarking(in.marks);
    });
}

void Deciding::agree(const Moment& m, bool yes) {
    const QString what = tr("%1, rep %2").arg(spoken(m.title)).arg(m.rep + 1);
    session_.edit((yes ? tr("agree: %1") : tr("reject: %1")).arg(what),
                  [&](ReviewInputs& in) { in.agreed[m.key()] = yes; });
}

namespace {

/// One of the coach's own faults, instead of an earlier own one of that rep. What was turned down before stays so.
void see(ReviewInputs& in, const Events& events, SeenFault fault) {
    const int rep = repOfSpan(events, fault.start_s, fault.end_s);
    for (const SeenFault& s : in.seen)
        fault.instead =
            fault.instead || (s.instead && s.id == fault.id && repOfSpan(events, s.start_s, s.end_s) == rep);
    fault.instead = fault.instead || in.hasRejected(fault.id, rep);
    in.seen.erase(std::remove_if(in.seen.begin(), in.seen.end(),
                                 [&](const SeenFault& s) {
                                     return s.id == fault.id && repOfSpan(events, s.start_s, s.end_s) == rep;
                                 }),
                  in.seen.end());
    in.seen.push_back(fault);
    in.agreed[ReviewInputs::momentKey(fault.id, rep)] = true;
}

} // namespace

void Deciding::addFault(const std::string& id, double start_s, double end_s) {
    const FaultPlan* plan = session_.review() ? session_.review()->exercise.fault(id) : nullptr;
    if (!plan || session_.review()->events.reps.empty()) {
        emit session_.failed(tr("A fault belongs to a rep or hold, and none was found in this clip."));
        return;
    }
    session_.edit(tr("fault seen: %1").arg(spoken(plan->name)), [&](ReviewInputs& in) {
        see(in, session_.review()->events, {id, start_s, end_s, false});
    });
    // What was added is what the next key is about.
    const int rep = repOfSpan(session_.review()->events, start_s, end_s);
    for (size_t i = 0; i < session_.moments().size(); ++i)
        if (session_.moments()[i].id == id && session_.moments()[i].rep == rep) session_.place().chooseMoment(int(i));
}

void Deciding::moveFault(const Moment& m, double start_s, double end_s) {
    if (!session_.review() || !session_.review()->exercise.fault(m.id) || end_s < start_s) return;
    session_.edit(
        tr("span of: %1").arg(spoken(m.title)),
        [&](ReviewInputs& in) {
            see(in, session_.review()->events, {m.id, start_s, end_s, true}); // not as it was measured
        },
        QStringLiteral("span ") + QString::fromStdString(m.key()));
}

void Deciding::renameFault(const Moment& m, const std::string& id) {
    const FaultPlan* plan = session_.review() ? session_.review()->exercise.fault(id) : nullptr;
    if (!plan || !session_.review()->exercise.fault(m.id) || m.id == id) return;
    session_.edit(tr("%1 is: %2").arg(spoken(m.title), spoken(plan->name)), [&](ReviewInputs& in) {
        in.seen.erase(std::remove_if(in.seen.begin(), in.seen.end(),
                                     [&](const SeenFault& s) {
                                         return s.id == m.id &&
                                                repOfSpan(session_.review()->events, s.start_s, s.end_s) == m.rep;
                                     }),
                      in.seen.end());
        in.agreed[m.key()] = false;
        see(in, session_.review()->events, {id, m.start_s, m.end_s, false});
    });
}

void Deciding::setNeutral(std::optional<int64_t> frame) {
    if (!session_.review()) return;
    std::optional<Neutral> neutral;
    if (frame) {
        neutral = neutralAt(*session_.review(), *frame);
        if (!neutral) {
            emit session_.failed(tr("The pelvis is not measured in this frame, so it cannot be the neutral."));
            return;
        }
    }
    session_.edit(frame ? tr("neutral from this frame") : tr("neutral from the set-up"),
                  [&](ReviewInputs& in) { in.neutral = neutral; });
}

void Deciding::setNeutralMidway() {
    if (!session_.review()) return;
    const auto own = ownRange(*session_.review());
    if (!own) {
        emit session_.failed(tr("Neutral not changed: %1.").arg(said(own.error())));
        return;
    }
    session_.edit(tr("neutral midway between arch and flat"), [&](ReviewInputs& in) { in.neutral = own->neutral; });
}

std::vector<Clip> Deciding::clipsWithNeutral() const {
    std::vector<Clip> clips = library_.clipsOf(session_.client().id);
    std::erase_if(clips, [&](const Clip& c) { return c.id == session_.clipId() || !c.draft.neutral; });
    std::stable_sort(clips.begin(), clips.end(), [](const Clip& a, const Clip& b) { return a.received > b.received; });
    return clips;
}

void Deciding::setNeutralOf(const Clip& other) {
    if (!session_.review()) return;
    const auto neutral = neutralOfOther(*session_.review(), other.draft);
    if (!neutral) {
        emit session_.failed(tr("Neutral not changed: %1.").arg(said(neutral.error())));
        return;
    }
    session_.edit(tr("neutral of another clip"), [&](ReviewInputs& in) { in.neutral = *neutral; });
}

void Deciding::tapBreath(bool out) {
    if (!session_.isOpen()) return;
    const BreathTap tap{session_.clip().time_s[size_t(session_.place().frame())], out};
    session_.edit(out ? tr("breath out") : tr("breath in"), [&](ReviewInputs& in) {
        const auto at = std::upper_bound(in.breaths.begin(), in.breaths.end(), tap.time_s,
                                         [](double t, const BreathTap& b) { return t < b.time_s; });
        in.breaths.insert(at, tap);
    });
}

void Deciding::confirmBreaths(const std::vector<BreathTap>& heard) {
    constexpr double kSame_s = 0.5; // a tap comes after what was heard
    std::vector<BreathTap> all = session_.inputs().breaths;
    for (const BreathTap& b : heard)
        if (std::none_of(session_.inputs().breaths.begin(), session_.inputs().breaths.end(),
                         [&](const BreathTap& known) { return std::abs(known.time_s - b.time_s) < kSame_s; }))
            all.push_back(b);
    if (all.size() == session_.inputs().breaths.size()) return;
    std::sort(all.begin(), all.end(), [](const BreathTap& a, const BreathTap& b) { return a.time_s < b.time_s; });
    session_.edit(tr("breaths confirmed"), [&](ReviewInputs& in) { in.breaths = all; });
}

void Deciding::untapBreath() {
    if (session_.inputs().breaths.empty()) return;
    const double now = session_.clip().time_s[size_t(session_.place().frame())];
    session_.edit(tr("breath taken out"), [&](ReviewInputs& in) {
        in.breaths.erase(std::min_element(in.breaths.begin(), in.breaths.end(), [&](const auto& a, const auto& b) {
            return std::abs(a.time_s - now) < std::abs(b.time_s - now);
        }));
    });
}

void Deciding::choosePicture(const AnswerPart& part, bool broken, int64_t frame) {
    const std::string fault = faultOf(part);
    if (!session_.review() || fault.empty()) return;
    const QString what = broken ? tr("picture “too far” of “%1”") : tr("picture “aim for this” of “%1”");
    session_.edit(
        what.arg(QString::fromStdString(part.title)),
        [&](ReviewInputs& in) {
            ChosenPictures& chosen = in.pictures[fault];
            (broken ? chosen.worst_s : chosen.best_s) = session_.clip().time_s[size_t(frame)];
        },
        QStringLiteral("picture %1 %2").arg(broken).arg(QString::fromStdString(part.id)));
}

void Deciding::useComputed(const AnswerPart& part) {
    if (!part.edited && !session_.inputs().pictures.count(faultOf(part))) return;
    session_.edit(tr("“%1” as computed").arg(QString::fromStdString(part.title)), [&](ReviewInputs& in) {
        in.words.erase(part.id), in.wordsOn.erase(part.id), in.pictures.erase(faultOf(part));
    });
}

} // namespace deft::ui
