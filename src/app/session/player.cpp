// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/player.h"

#include "app/session/review_session.h"

namespace deft::ui {

Player::Player(ReviewSession& session) : session_(session) {
    tick_.setInterval(8);
    tick_.setTimerType(Qt::PreciseTimer);
    connect(&tick_, &QTimer::timeout, this, &Player::advance);
    connect(&session, &ReviewSession::opened, this, [this] {
        loop_ = -1;
        stop();
    });
}

void Player::toggle() {
    if (isPlaying()) return stop();
    if (!session_.isOpen()) return;
    if (session_.place().frame() + 1 >= session_.clip().frames()) session_.place().setFrame(0);
    from_s_ = session_.clip().time_s[size_t(session_.place().frame())];
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
        from_s_ = session_.clip().time_s[size_t(session_.place().frame())];
        clock_.restart();
    }
    emit changed();
}

void Player::setLoop(bool on) {
    const Review* r = session_.review();
    loop_ = on && r && session_.place().rep() < int(r->events.reps.size()) ? session_.place().rep() : -1;
    if (isLooping() && !isPlaying()) toggle();
    emit changed();
}

double Player::time_s() const { return from_s_ + (isPlaying() ? rate_ * double(clock_.elapsed()) / 1000 : 0); }

void Player::advance() {
    if (!session_.isOpen()) return stop();
    double t = time_s();
    if (const Review* r = session_.review(); isLooping() && r && loop_ < int(r->events.reps.size())) {
        const Rep& rep = r->events.reps[size_t(loop_)];
        if (t < rep.start_s || t >= rep.end_s) {
            from_s_ = t = rep.start_s;
            clock_.restart();
            emit jumped();
        }
    }
    // Frames that cannot be shown in time are passed over; the clock is never stretched.
    session_.place().setFrame(session_.clip().frameAt(t));
    if (session_.place().frame() + 1 >= session_.clip().frames()) stop();
}

} // namespace deft::ui

#include "moc_player.cpp"
