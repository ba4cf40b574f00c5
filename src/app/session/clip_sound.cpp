// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/clip_sound.h"

#include "app/session/player.h"
#include "app/session/review_session.h"

#include <QAudioSink>
#include <QBuffer>
#include <QMediaDevices>
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

ClipSound::~ClipSound() = default;

void ClipSound::read() {
    sink_.reset();
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

bool ClipSound::isPlaying() const { return sink_ != nullptr; }

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

QByteArray ClipSound::from(double time_s) const {
    const Sound& sound = rate_ == 1 ? sound_ : slowed_;
    const auto begin = std::min(sound.size(), size_t(std::max(0.0, time_s / rate_) * kSoundRate_Hz));
    QByteArray bytes;
    bytes.reserve(qsizetype(2 * (sound.size() - begin)));
    for (size_t i = begin; i < sound.size(); ++i) {
        const auto v = int16_t(std::lround(std::clamp(sound[i], -1.0f, 1.0f) * 32767));
        bytes.append(reinterpret_cast<const char*>(&v), 2);
    }
    return bytes;
}

/// From where the pictures are now: who seeks, loops or changes the speed hears it from there.
void ClipSound::play() {
    sink_.reset();
    if (!player_.isPlaying() || !on_ || sound_.empty() || rate_ != player_.rate()) return;
    const QAudioDevice device = QMediaDevices::defaultAudioOutput();
    if (device.isNull()) {
        if (!std::exchange(told_, true)) emit said(tr("There is no sound device: the clip plays silently."));
        return;
    }
    QAudioFormat format;
    format.setSampleRate(kSoundRate_Hz);
    format.setChannelCount(1);
    format.setSampleFormat(QAudioFormat::Int16);
    sink_ = std::make_unique<QAudioSink>(device, format);
    bytes_ = from(player_.time_s());
    buffer_ = std::make_unique<QBuffer>(&bytes_);
    buffer_->open(QIODevice::ReadOnly);
    sink_->start(buffer_.get());
}

} // namespace deft::ui

#include "moc_clip_sound.cpp"
