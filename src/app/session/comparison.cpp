// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/comparison.h"

#include "app/session/stored_review.h"
#include "app/theme/words.h"

#include <QDate>
#include <QLocale>

namespace deft::ui {
namespace {

QString dayInFull(const std::string& iso) {
    const QDate day = QDate::fromString(QString::fromStdString(iso), Qt::ISODate);
    return day.isValid() ? coachLocale().toString(day, QObject::tr("d MMMM yyyy", "date")) : QString();
}

std::vector<Rep> ofSide(const std::vector<Rep>& reps, const char* side) {
    std::vector<Rep> out;
    std::copy_if(reps.begin(), reps.end(), std::back_inserter(out), [&](const Rep& r) { return r.side == side; });
    return out;
}

/// A part of a hold as if it were a rep of its own.
Rep partOfHold(const Rep& rep, double from, double to) {
    Rep part = rep;
    part.hold.start_s = rep.hold.start_s + from * rep.hold.duration_s();
    part.hold.end_s = rep.hold.start_s + to * rep.hold.duration_s();
    part.start_s = part.top_s = part.hold.start_s;
    part.holdEnd_s = part.end_s = part.hold.end_s;
    return part;
}

} // namespace

Comparison::Comparison(ReviewSession& session, Library& library, QObject* parent)
    : QObject(parent), session_(session), library_(library) {
    connect(&session, &ReviewSession::reviewChanged, this, &Comparison::refresh);
    for (auto other : {&ReviewSession::opened, &ReviewSession::closed})
        connect(&session, other, this, [this] {
            job_.stop();
            otherClip_ = 0, other_.reset(), otherFrames_.reset();
            place_ = kAlignTop, rep_ = 0;
            nothing({});
        });
}

void Comparison::setActive(bool active) {
    active_ = fromBench_ = active;
    if (active) refresh();
}

/// The place of the frame that is shown on the bench, where it lies within one of this clip's reps.
void Comparison::goToFrameOfBench() {
    fromBench_ = false;
    const Side& now = (*sides_)[1];
    if (now.review != session_.review()) return;
    const double t = session_.clip().time_s[size_t(session_.place().frame())];
    for (int k = 0; k < pairs(); ++k)
        if (const Rep& rep = now.reps[size_t(k)]; t >= rep.start_s && t <= rep.end_s)
            rep_ = k, place_ = alignedPlace(rep, t);
}

void Comparison::choose(Of of) {
    of_ = of;
    rep_ = 0;
    refresh();
}

void Comparison::clear() {
    sides_.reset();
    table_.clear();
    weeks_.clear();
    why_.clear();
}

void Comparison::nothing(const QString& why) {
    clear();
    why_ = why;
    emit changed();
}

void Comparison::refresh() {
    if (!active_) {
        clear(); // what it points into has changed; it is looked at again when it is shown
        return;
    }
    if (!session_.review()) return nothing(tr("This clip has not been measured yet."));
    if (session_.review()->events.reps.empty())
        return nothing(tr("No rep and no hold was found in this clip, so there is nothing to lay side by side."));
    switch (of_) {
    case Of::Times:
        return compareTimes();
    case Of::Reps:
        return compareReps();
    case Of::Sides:
        return compareSides();
    case Of::Weeks:
        return compareWeeks();
    }
}

void Comparison::show(Side a, Side b, bool onlyTolerances) {
    table_ = differences(readingRows(*a.review, a.reps), readingRows(*b.review, b.reps));
    if (onlyTolerances)
        table_.erase(
            std::remove_if(table_.begin(), table_.end(), [](const Difference& d) { return d.a.stat != "worst"; }),
            table_.end());
    sides_ = {std::move(a), std::move(b)};
    weeks_.clear();
    why_.clear();
    rep_ = std::clamp(rep_, 0, pairs() - 1);
    if (fromBench_) goToFrameOfBench();
    emit changed();
}

void Comparison::withReview(int64_t clip, const std::function<void(const Review&)>& then) {
    if (otherClip_ == clip && other_) return then(*other_);
    const auto stored = library_.clip(clip);
    if (!stored) return nothing(tr("The other clip is no longer in the library."));
    sides_.reset();
    why_ = tr("The other clip is being measured …");
    otherClip_ = clip;
    other_.reset();
    job_.run([&library = library_, inputs = stored->draft](
                 StopToken stop, const ProgressFn& progress) { return measureStored(library, inputs, stop, progress); },
             [this, inputs = stored->draft, then](Result<Review> review) {
                 if (!review) return nothing(tr("The other clip cannot be shown: %1.").arg(said(review.error())));
                 other_ = std::make_unique<Review>(std::move(*review));
                 otherFrames_ = std::make_unique<FrameSource>(inputs.clipPath, inputs.part);
                 if (other_->events.reps.empty()) return nothing(tr("No rep and no hold was found in the other clip."));
                 then(*other_);
             });
    emit changed();
}

void Comparison::compareTimes() {
    if (session_.earlier().empty())
        return nothing(
            tr("This is the client's first clip of this exercise. From the second on, last time stands here."));
    const auto& earlier = session_.earlier();
    const auto same = std::find_if(earlier.rbegin(), earlier.rend(), [this](const FiledReview& filed) {
        return isSameVersion(filed.past.version, session_.review()->inputs.asked.version);
    });
    if (same == earlier.rend())
        return nothing(
            tr("This is the client's first clip of this version. From the second on, last time stands here."));
    const FiledReview& last = *same;
    withReview(last.clip, [this, date = last.date](const Review& before) {
        const Review& now = *session_.review();
        show({tr("Last time, %1").arg(dayInFull(date)), &before, before.events.reps, otherFrames_.get()},
             {tr("This time, %1").arg(dayInFull(now.inputs.date)), &now, now.events.reps, session_.frames()});
    });
}

void Comparison::compareReps() {
    const Review& r = *session_.review();
    const std::vector<Rep>& reps = r.events.reps;
    if (reps.size() > 1)
        return show({tr("First rep"), &r, {reps.front()}, session_.frames()},
                    {tr("Last rep, number %1").arg(reps.size()), &r, {reps.back()}, session_.frames()});
    show({tr("First third of the hold"), &r, {partOfHold(reps[0], 0, 1.0 / 3)}, session_.frames()},
         {tr("Last third of the hold"), &r, {partOfHold(reps[0], 2.0 / 3, 1)}, session_.frames()}, true);
}

void Comparison::compareSides() {
    const Review& r = *session_.review();
    const auto left = ofSide(r.events.reps, "left"), right = ofSide(r.events.reps, "right");
    if (!left.empty() && !right.empty())
        return show({tr("Left"), &r, left, session_.frames()}, {tr("Right"), &r, right, session_.frames()});
    if (!r.exercise.eachSide) return nothing(tr("This exercise is done with both sides at once."));
    // Filmed from the side each side has a clip of its own: the newest of the other side.
    const bool isLeft = r.inputs.side == "left";
    int64_t other = 0;
    for (const Clip& c : library_.clipsOf(session_.client().id))
        if (c.id != session_.clipId() && c.draft.exercise == r.inputs.exercise &&
            isSameVersion(c.draft.asked.version, r.inputs.asked.version) &&
            c.draft.side == (isLeft ? "right" : "left") && isMarked(r.exercise, c.draft.marks))
            other = std::max(other, c.id);
    if (other == 0)
        return nothing(isLeft ? tr("There is no marked clip of the right side yet.")
                              : tr("There is no marked clip of the left side yet."));
    withReview(other, [this, isLeft](const Review& there) {
        const Review& here = *session_.review();
        Side mine{isLeft ? tr("Left") : tr("Right"), &here, here.events.reps, session_.frames()},
            others{isLeft ? tr("Right") : tr("Left"), &there, there.events.reps, otherFrames_.get()};
        isLeft ? show(mine, others) : show(others, mine);
    });
}

void Comparison::compareWeeks() {
    if (session_.earlier().empty())
        return nothing(
            tr("This is the client's first clip of this exercise. Its readings stand here from the second on."));
    clear();
    const Review& now = *session_.review();
    for (const ReadingRow& row : readingRows(now)) {
        std::vector<Visit> earlier;
        for (const FiledReview& filed : session_.earlier())
            if (const Reading* r = filed.find(row.measure, row.stat);
                r && isSameVersion(filed.past.version, now.inputs.asked.version))
                earlier.push_back({filed.date, r->value, r->u95});
        if (OverTime o = overTime(row, now.inputs.date, std::move(earlier)); o.visits.size() > 1)
            weeks_.push_back(std::move(o));
    }
    if (weeks_.empty()) why_ = tr("No reading was known more than once.");
    emit changed();
}

int Comparison::pairs() const { return sides_ ? int(std::min((*sides_)[0].reps.size(), (*sides_)[1].reps.size())) : 0; }

void Comparison::setPlace(double place) {
    place_ = std::clamp(place, kAlignStart, kAlignEnd);
    emit placeChanged();
}

void Comparison::setRep(int rep) {
    rep_ = std::clamp(rep, 0, std::max(0, pairs() - 1));
    emit placeChanged();
}

const Rep& Comparison::shownRep(int which) const { return (*sides_)[size_t(which)].reps[size_t(rep_)]; }

int64_t Comparison::frame(int which) const {
    return (*sides_)[size_t(which)].review->clip().frameAt(alignedTime(shownRep(which), place_));
}

} // namespace deft::ui

#include "moc_comparison.cpp"
