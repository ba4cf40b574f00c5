// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/sound_output.h"

#include <QAudioSink>
#include <QMediaDevices>

namespace deft::ui {

QByteArray asPcm(const Sound& sound, double from_s) {
    const auto begin = std::min(sound.size(), size_t(std::max(0.0, from_s) * kSoundRate_Hz));
    QByteArray bytes;
    bytes.reserve(2 * qsizetype(sound.size() - begin));
    for (size_t i = begin; i < sound.size(); ++i) {
        const int16_t v = asInt16(sound[i]);
        bytes.append(reinterpret_cast<const char*>(&v), 2);
    }
    return bytes;
}

SoundOutput::SoundOutput() = default;
SoundOutput::~SoundOutput() = default;

bool SoundOutput::play(const Sound& sound, double from_s) {
    stop();
    const QAudioDevice device = QMediaDevices::defaultAudioOutput();
    if (device.isNull()) return false;
    QAudioFormat format;
    format.setSampleRate(kSoundRate_Hz);
    format.setChannelCount(1);
    format.setSampleFormat(QAudioFormat::Int16);
    bytes_ = asPcm(sound, from_s);
    buffer_ = std::make_unique<QBuffer>(&bytes_);
    buffer_->open(QIODevice::ReadOnly);
    sink_ = std::make_unique<QAudioSink>(device, format);
    sink_->start(buffer_.get());
    return true;
}

void SoundOutput::stop() { sink_.reset(); }

} // namespace deft::ui
