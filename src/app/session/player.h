// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QElapsedTimer>
#include <QTimer>

namespace deft::ui {

class ReviewSession;

/// Plays the open clip by its own timestamps, at full, half or quarter speed.
class Player : public QObject {
    Q_OBJECT
public:
    explicit Player(ReviewSession& session);
    bool isPlaying() const { return tick_.isActive(); }
    double rate() const { return rate_; }
    void toggle();
    void stop();
    void setRate(double rate);
    /// Plays the chosen rep again and again.
    void setLoop(bool on);
    bool isLooping() const { return loop_ >= 0; }

    double time_s() const; ///< of the clip, as the clock has it

signals:
    void changed();
    void jumped(); ///< to the beginning of the rep that it plays again

private:
    void advance();
    ReviewSession& session_;
    QTimer tick_;
    QElapsedTimer clock_;
    double from_s_ = 0, rate_ = 1;
    int loop_ = -1; ///< rep, -1 = none
};

} // namespace deft::ui
