// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "video/sound.h"

#include <QElapsedTimer>
#include <QObject>
#include <QTimer>

namespace deft {

/// Where a voice comes from.
class Microphone : public QObject {
    Q_OBJECT
public:
    using QObject::QObject;
    virtual QString name() const = 0;
    virtual int rate_Hz() const = 0; ///< of what is heard
    virtual Result<void> start() = 0;
    virtual void stop() = 0; ///< nothing is heard from now on

signals:
    void heard(const std::vector<float>& samples); ///< one channel, -1 … 1
};

/// Stand-in for a microphone: hears a sound file from its beginning each time, as fast as time passes, then silence.
class SimulatedMicrophone : public Microphone {
    Q_OBJECT
public:
    explicit SimulatedMicrophone(std::filesystem::path file, QObject* parent = nullptr);
    QString name() const override;
    int rate_Hz() const override { return kSoundRate_Hz; }
    Result<void> start() override; ///< @errors those of readSound
    void stop() override;

private:
    void hear();

    std::filesystem::path file_;
    Sound sound_;
    size_t at_ = 0;
    QElapsedTimer clock_;
    QTimer timer_;
};

} // namespace deft
