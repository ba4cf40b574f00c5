// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/clip_sound.h"

#include "app/session/player.h"
#include "app/session/review_session.h"

#include <QSettings>

namespace deft::ui {
namespace {

const QString kOn = QStringLiteral("sound");

} // namespace

ClipSound::ClipSound(ReviewSession& session, Player& player, QObject* parent)
    : QObject(parent), session_(session), player_(player), on_(QSettings().value(kOn, true).toBool()) {
    reading_.stayBehind();
    connect(&session, &ReviewSession::opened, this, &ClipSound::read);
    connect(&session, &ReviewSession::closed, this, &ClipSound::read);
    connect(&player, &Player::changed, this, &ClipSound::follow);
    connect(&player, &Player::jumped, this, &ClipSound::play);
}

void ClipSound::read() {
    output_.stop();
    sound_.clear(), slowed_.clear();
    rate_ = 1, slowing_ = 0;
    breath_ = {};
    slower_.stop();
    reading_.stop();
    emit changed();
    if (!session_.isOpen()) return;
    using Heard = std::pair<Sound, BreathSound>;
    reading_.run(
        [path = session_.inputs().clipPath, part = session_.inputs().part](StopToken stop, const ProgressFn&) {
            return readSound(path, part, stop).map([](Sound sound) {
                BreathSound breath = hearBreath(sound, kSoundRate_Hz);
                return Heard{std::move(sound), std::move(breath)};
            });
        },
        [this](const Result<Heard>& heard) {
            if (heard) sound_ = heard->first, breath_ = heard->second; // without sound a clip is measured all the same
            emit changed();
            follow();
        });
}

void ClipSound::setOn(bool on) {
    on_ = on;
    QSettings().setValue(kOn, on);
    follow();
}

bool ClipSound::isPlaying() const { return output_.isPlaying(); }

void ClipSound::follow() {
    // Made ready as soon as the speed is chosen; one that cannot be made is not tried again and again.
    if (on_ && !sound_.empty() && player_.rate() != rate_ && player_.rate() != slowing_) {
        slowing_ = player_.rate();
        slower_.run([sound = sound_, rate = slowing_](StopToken, const ProgressFn&) { return atSpeed(sound, rate); },
                    [this, rate = slowing_](const Result<Sound>& slowed) {
                        if (!slowed) return;
                        slowed_ = *slowed, rate_ = rate, slowing_ = 0;
                        follow();
                    });
    }
    play();
}

QByteArray ClipSound::from(double time_s) const { return asPcm(rate_ == 1 ? sound_ : slowed_, time_s / rate_); }

/// From where the pictures are now: who seeks, loops or changes the speed hears it from there.
void ClipSound::play() {
    output_.stop();
    if (!player_.isPlaying() || !on_ || sound_.empty() || rate_ != player_.rate()) return;
    if (!output_.play(rate_ == 1 ? sound_ : slowed_, player_.time_s() / rate_) && !std::exchange(told_, true))
        emit said(tr("There is no sound device: the clip plays silently."));
}

} // namespace deft::ui

#include "moc_clip_sound.cpp"
