// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "video/sound.h"

#include <QBuffer>
#include <memory>

class QAudioSink;

namespace deft::ui {

/// As it goes to a sound device: 16 bits, one channel, from a time on.
QByteArray asPcm(const Sound& sound, double from_s);

/// Plays sound on the desktop's own device.
class SoundOutput {
public:
    SoundOutput();
    ~SoundOutput();
    /// @return false: there is no device
    bool play(const Sound& sound, double from_s);
    void stop();
    bool isPlaying() const { return sink_ != nullptr; }

private:
    QByteArray bytes_;
    std::unique_ptr<QBuffer> buffer_;
    std::unique_ptr<QAudioSink> sink_; // goes first: it reads from the others
};

} // namespace deft::ui
