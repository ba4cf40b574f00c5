// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/place.h"

#include "app/session/review_session.h"
#include "app/sheet/rep_rows.h"

#include <algorithm>

namespace deft::ui {

Place::Place(const ReviewSession& session) : session_(session) {}

void Place::reset() { frame_ = 0, rep_ = 0, phase_ = Phase::SetUp, moment_ = -1; }

void Place::trim() {
    if (moment_ >= int(session_.moments().size())) moment_ = -1;
}

void Place::begin() {
    if (!session_.moments().empty())
        chooseMoment(0);
    else if (frame_ == 0)
        choose(0, Phase::Hold);
}

void Place::setFrame(int64_t frame) {
    frame = std::clamp<int64_t>(frame, 0, session_.clip().frames() - 1);
    if (frame == frame_) return;
    frame_ = frame;
    if (const Review* review = session_.review())
        std::tie(rep_, phase_) = placeOf(review->events, session_.clip().time_s[size_t(frame)]);
    emit changed();
}

void Place::choose(int rep, Phase phase) {
    const Review* review = session_.review();
    if (!review || review->events.reps.empty()) return;
    rep = std::clamp(rep, 0, int(review->events.reps.size()) - 1);
    frame_ = repRows(*review)[size_t(rep)].cells[size_t(phase)].frame;
    rep_ = rep, phase_ = phase;
    const auto& moments = session_.moments();
    for (size_t i = 0; i < moments.size(); ++i)
        if (moments[i].rep == rep && (moments[i].phase == phase || moments[i].frame == frame_)) moment_ = int(i);
    emit changed();
}

void Place::chooseMoment(int index) {
    if (index < 0 || index >= int(session_.moments().size())) return;
    moment_ = index;
    const Moment& m = session_.moments()[size_t(index)];
    frame_ = m.frame, rep_ = m.rep, phase_ = m.phase;
    emit changed();
}

} // namespace deft::ui

#include "moc_place.cpp"
