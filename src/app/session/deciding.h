// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"
#include "app/sheet/moments.h"
#include "store/library.h"

#include <QCoreApplication>

namespace deft::ui {

class ReviewSession;

/// What the coach decides about the review that is open: every change one named step that can be undone.
class Deciding {
    Q_DECLARE_TR_FUNCTIONS(deft::ui::ReviewSession)
public:
    Deciding(ReviewSession& session, const Library& library) : session_(session), library_(library) {}

    void setMark(int64_t frame, const std::string& landmark, std::optional<Point2> point); ///< nothing = not visible
    void agree(const Moment& moment, bool yes);
    /// A fault that the coach saw and the program did not propose.
    void addFault(const std::string& fault, double start_s, double end_s);
    void moveFault(const Moment& moment, double start_s, double end_s);
    /// What was proposed is another of the exercise's faults.
    void renameFault(const Moment& moment, const std::string& fault);

    /// The client's neutral is the pelvis of this frame; nothing = that of the set-up again.
    void setNeutral(std::optional<int64_t> frame);
    /// Midway between the full arch and the full flat that the client shows before the first rep.
    void setNeutralMidway();
    /// Other clips of this client that have a neutral of their own, newest first.
    std::vector<Clip> clipsWithNeutral() const;
    void setNeutralOf(const Clip& other);

    void tapBreath(bool out); ///< at the frame that is shown
    void confirmBreaths(const std::vector<BreathTap>& heard); ///< those that are not there yet, as one step
    void untapBreath();       ///< the one nearest to it

    /// The frame of one picture of a correction. Where its face cannot be covered it is not sent, and the page says so.
    void choosePicture(const AnswerPart& part, bool broken, int64_t frame);
    /// Words and pictures of the part as the program would have them.
    void useComputed(const AnswerPart& part);

private:
    ReviewSession& session_;
    const Library& library_;
};

} // namespace deft::ui
