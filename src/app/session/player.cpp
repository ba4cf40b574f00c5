#include "app/session/player.h"

#include "app/session/review_session.h"

namespace deft::ui {

Player::Player(ReviewSession& session) : session_(session) {
    tick_.setInterval(8);
    tick_.setTimerType(Qt::PreciseTimer);
    connect(&tick_, &QTimer::timeout, this, &Player::advance);
    connect(&session, &ReviewSession::opened, this, &Player::stop);
}

void Player::toggle() {
    if (isPlaying()) return stop();
    if (!session_.isOpen()) return;
    if (session_.frame() + 1 >= session_.clip().frames()) session_.setFrame(0);
    from_s_ = session_.clip().time_s[size_t(session_.frame())];
    clock_.start();
    tick_.start();
    emit changed();
}

void Player::stop() {
    tick_.stop();
    emit changed();
}

void Player::setRate(double rate) {
    rate_ = rate;
    if (isPlaying()) {
        from_s_ = session_.clip().time_s[size_t(session_.frame())];
        clock_.restart();
    }
    emit changed();
}

void Player::advance() {
    if (!session_.isOpen()) return stop();
    const double t = from_s_ + rate_ * double(clock_.elapsed()) / 1000;
    // Frames that cannot be shown in time are passed over; the clock is never stretched.
    session_.setFrame(session_.clip().frameAt(t));
    if (session_.frame() + 1 >= session_.clip().frames()) stop();
}

} // namespace deft::ui
