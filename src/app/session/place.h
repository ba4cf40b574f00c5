// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/sheet/moments.h"

#include <QObject>

namespace deft::ui {

class ReviewSession;

/// Where the coach is looking in the open review: a frame, and with it a cell of the rep sheet or a moment.
class Place : public QObject {
    Q_OBJECT
public:
    explicit Place(const ReviewSession& session);

    int64_t frame() const { return frame_; }
    void setFrame(int64_t frame); ///< the nearest there is
    int rep() const { return rep_; }
    Phase phase() const { return phase_; }
    void choose(int rep, Phase phase);     ///< goes to that cell's frame
    int moment() const { return moment_; } ///< index in ReviewSession::moments(), -1 = none
    void chooseMoment(int index);

    void reset(); ///< to the first frame; nobody is told
    void trim();  ///< the review has been judged anew, maybe with fewer moments; nobody is told
    void begin(); ///< it was measured for the first time: to the first moment, or the first hold

signals:
    void changed();

private:
    const ReviewSession& session_;
    int64_t frame_ = 0;
    int rep_ = 0, moment_ = -1;
    Phase phase_ = Phase::SetUp;
};

} // namespace deft::ui
