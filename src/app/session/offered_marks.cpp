// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/offered_marks.h"

#include "app/session/own_marking.h"
#include "app/session/review_session.h"

namespace deft::ui {

OfferedMarks::OfferedMarks(ReviewSession& session, Library& library)
    : session_(session), library_(library), proposer_(library) {
    connect(&proposer_, &Proposer::ready, this, [this](qint64 clip) {
        if (clip == session_.clipId()) fetch();
    });
}

bool OfferedMarks::isLooking() const { return session_.isOpen() && proposer_.isLookingAt(session_.clipId()); }

void OfferedMarks::ask(const Clip& clip) {
    layout_ = Proposer::contextFor(library_, clip).layout;
    proposer_.retry(clip);
    fetch();
}

void OfferedMarks::forget() { found_.reset(), left_.reset(); }

void OfferedMarks::fetch() {
    found_ = proposer_.found(session_.inputs(), session_.clip());
    if (found_ && !found_->marks.empty() && session_.inputs().marks.frames.empty())
        session_.place().setFrame(found_->frame);
    follow();
}

void OfferedMarks::follow() {
    left_ = found_;
    if (left_) {
        std::map<std::string, Point2> marked;
        for (const MarkedFrame& f : session_.inputs().marks.frames)
            for (const auto& [name, at] : f.points) {
                if (at && session_.clip().frameAt(f.time_s) == left_->frame) marked[name] = *at;
                left_->marks.erase(name);
            }
        followMarks(*left_, session_.exercise(), layout_, marked);
        if (left_->marks.empty() && found_->missing.empty()) left_.reset();
    }
    emit changed();
}

void OfferedMarks::confirm(const QStringList& butNot) {
    if (!left_ || left_->marks.empty()) return;
    const Proposals all = *left_;
    session_.edit(tr("%1 proposed marks").arg(all.marks.size()), [&](ReviewInputs& in) {
        in.marks.seeds = all.seeds;
        for (const auto& [name, mark] : all.marks)
            if (!butNot.contains(QString::fromStdString(name)))
                in.marks.set(session_.clip().time_s[size_t(all.frame)], name, mark.at);
        noteOwnMarking(in.marks);
    });
}

} // namespace deft::ui

#include "moc_offered_marks.cpp"
