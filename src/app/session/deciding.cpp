// SPDX-License-Identifier: GPL-3.0-or-later
// What the coach decides about the review that is open: every change a named step.
#include "app/documents/answer_picture.h"
#include "app/session/review_session.h"
#include "app/theme/words.h"
#include "review/neutral.h"
#include "review/seen_faults.h"

#include <algorithm>

namespace deft::ui {

void ReviewSession::agree(const Moment& m, bool yes) {
    const QString what = tr("%1, rep %2").arg(spoken(m.title)).arg(m.rep + 1);
    edit((yes ? tr("agree: %1") : tr("reject: %1")).arg(what), [&](ReviewInputs& in) { in.agreed[m.key()] = yes; });
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

void ReviewSession::addFault(const std::string& id, double start_s, double end_s) {
    const FaultPlan* plan = review_ ? review_->exercise.fault(id) : nullptr;
    if (!plan || review_->events.reps.empty()) {
        emit failed(tr("A fault belongs to a rep or hold, and none was found in this clip."));
        return;
    }
    edit(tr("fault seen: %1").arg(spoken(plan->name)), [&](ReviewInputs& in) {
        see(in, review_->events, {id, start_s, end_s, false});
    });
    // What was added is what the next key is about.
    const int rep = repOfSpan(review_->events, start_s, end_s);
    for (size_t i = 0; i < moments_.size(); ++i)
        if (moments_[i].id == id && moments_[i].rep == rep) chooseMoment(int(i));
}

void ReviewSession::moveFault(const Moment& m, double start_s, double end_s) {
    if (!review_ || !review_->exercise.fault(m.id) || end_s < start_s) return;
    edit(
        tr("span of: %1").arg(spoken(m.title)),
        [&](ReviewInputs& in) {
            see(in, review_->events, {m.id, start_s, end_s, true}); // not as it was measured
        },
        QStringLiteral("span ") + QString::fromStdString(m.key()));
}

void ReviewSession::renameFault(const Moment& m, const std::string& id) {
    const FaultPlan* plan = review_ ? review_->exercise.fault(id) : nullptr;
    if (!plan || !review_->exercise.fault(m.id) || m.id == id) return;
    edit(tr("%1 is: %2").arg(spoken(m.title), spoken(plan->name)), [&](ReviewInputs& in) {
        in.seen.erase(std::remove_if(in.seen.begin(), in.seen.end(),
                                     [&](const SeenFault& s) {
                                         return s.id == m.id && repOfSpan(review_->events, s.start_s, s.end_s) == m.rep;
                                     }),
                      in.seen.end());
        in.agreed[m.key()] = false;
        see(in, review_->events, {id, m.start_s, m.end_s, false});
    });
}

void ReviewSession::setNeutral(std::optional<int64_t> frame) {
    if (!review_) return;
    std::optional<Neutral> neutral;
    if (frame) {
        neutral = neutralAt(*review_, *frame);
        if (!neutral) {
            emit failed(tr("The pelvis is not measured in this frame, so it cannot be the neutral."));
            return;
        }
    }
    edit(frame ? tr("neutral from this frame") : tr("neutral from the set-up"),
         [&](ReviewInputs& in) { in.neutral = neutral; });
}

void ReviewSession::setNeutralMidway() {
    if (!review_) return;
    const auto own = ownRange(*review_);
    if (!own) {
        emit failed(tr("Neutral not changed: %1.").arg(QString::fromStdString(own.error().detail)));
        return;
    }
    edit(tr("neutral midway between arch and flat"), [&](ReviewInputs& in) { in.neutral = own->neutral; });
}

std::vector<Clip> ReviewSession::clipsWithNeutral() const {
    std::vector<Clip> clips = library_.clipsOf(client_.id);
    std::erase_if(clips, [&](const Clip& c) { return c.id == clipId_ || !c.draft.neutral; });
    std::stable_sort(clips.begin(), clips.end(), [](const Clip& a, const Clip& b) { return a.received > b.received; });
    return clips;
}

void ReviewSession::setNeutralOf(const Clip& other) {
    if (!review_) return;
    const auto neutral = neutralOfOther(*review_, other.draft);
    if (!neutral) {
        emit failed(tr("Neutral not changed: %1.").arg(QString::fromStdString(neutral.error().detail)));
        return;
    }
    edit(tr("neutral of another clip"), [&](ReviewInputs& in) { in.neutral = *neutral; });
}

void ReviewSession::tapBreath(bool out) {
    if (!isOpen()) return;
    const BreathTap tap{clip_.time_s[size_t(frame_)], out};
    edit(out ? tr("breath out") : tr("breath in"), [&](ReviewInputs& in) {
        const auto at = std::upper_bound(in.breaths.begin(), in.breaths.end(), tap.time_s,
                                         [](double t, const BreathTap& b) { return t < b.time_s; });
        in.breaths.insert(at, tap);
    });
}

void ReviewSession::untapBreath() {
    if (inputs_.breaths.empty()) return;
    const double now = clip_.time_s[size_t(frame_)];
    edit(tr("breath taken out"), [&](ReviewInputs& in) {
        in.breaths.erase(std::min_element(in.breaths.begin(), in.breaths.end(), [&](const auto& a, const auto& b) {
            return std::abs(a.time_s - now) < std::abs(b.time_s - now);
        }));
    });
}

void ReviewSession::choosePicture(const AnswerPart& part, bool broken, int64_t frame) {
    const std::string fault = faultOf(part);
    if (!review_ || fault.empty()) return;
    const QString what = broken ? tr("picture “too far” of “%1”") : tr("picture “aim for this” of “%1”");
    edit(
        what.arg(QString::fromStdString(part.title)),
        [&](ReviewInputs& in) {
            ChosenPictures& chosen = in.pictures[fault];
            (broken ? chosen.worst_s : chosen.best_s) = clip_.time_s[size_t(frame)];
        },
        QStringLiteral("picture %1 %2").arg(broken).arg(QString::fromStdString(part.id)));
}

void ReviewSession::useComputed(const AnswerPart& part) {
    if (!part.edited && !inputs_.pictures.count(faultOf(part))) return;
    edit(tr("“%1” as computed").arg(QString::fromStdString(part.title)), [&](ReviewInputs& in) {
        in.words.erase(part.id), in.wordsOn.erase(part.id), in.pictures.erase(faultOf(part));
    });
}

} // namespace deft::ui
