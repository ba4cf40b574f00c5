// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/background_job.h"
#include "app/session/sound_output.h"
#include "events/breath_sound.h"

namespace deft::ui {

class Player;
class ReviewSession;

/// The sound of the clip that is open: played along with its pictures at any of their speeds, and listened to for
/// breath. It is read aside; until then, without a device, and when it is off, clips play silently.
class ClipSound : public QObject {
    Q_OBJECT
public:
    ClipSound(ReviewSession& session, Player& player, QObject* parent = nullptr);

    bool hasSound() const { return !sound_.empty(); }
    const BreathSound& breath() const { return breath_; }
    bool isOn() const { return on_; }
    void setOn(bool on); ///< kept for later starts
    bool isPlaying() const;
    /// What would go to the device at a time of the clip, at the player's speed: 16 bits, one channel.
    QByteArray from(double time_s) const;

signals:
    void changed(); ///< read, or there is none
    void said(const QString& sentence);

private:
    void read();
    void follow();
    void play();

    ReviewSession& session_;
    Player& player_;
    Sound sound_, slowed_;
    double rate_ = 1, slowing_ = 0; ///< of slowed_; that is being made or could not be, 0 = none
    BreathSound breath_;
    bool on_, told_ = false;
    BackgroundJob reading_, slower_;
    SoundOutput output_;
};

} // namespace deft::ui
