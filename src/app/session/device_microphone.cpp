// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/device_microphone.h"

#include <QAudioSource>
#include <QMediaDevices>

namespace deft::ui {
namespace {

QAudioFormat formOf(const QAudioDevice& device) {
    QAudioFormat wanted;
    wanted.setSampleRate(kSoundRate_Hz);
    wanted.setChannelCount(1);
    wanted.setSampleFormat(QAudioFormat::Int16);
    return device.isFormatSupported(wanted) ? wanted : device.preferredFormat();
}

} // namespace

DeviceMicrophone::DeviceMicrophone(QObject* parent) : Microphone(parent) {}
DeviceMicrophone::~DeviceMicrophone() = default;

bool DeviceMicrophone::isThere() { return !QMediaDevices::defaultAudioInput().isNull(); }
QString DeviceMicrophone::name() const { return QMediaDevices::defaultAudioInput().description(); }

int DeviceMicrophone::rate_Hz() const {
    return (source_ ? source_->format() : formOf(QMediaDevices::defaultAudioInput())).sampleRate();
}

Result<void> DeviceMicrophone::start() {
    const QAudioDevice device = QMediaDevices::defaultAudioInput();
    source_ = std::make_unique<QAudioSource>(device, formOf(device));
    bytes_ = source_->start();
    if (!bytes_ || source_->error() != QAudio::NoError)
        return fail(Errc::NotReadable, {"the microphone {name} does not answer", {{"name", name().toStdString()}}});
    connect(bytes_, &QIODevice::readyRead, this, &DeviceMicrophone::hear);
    return {};
}

void DeviceMicrophone::stop() {
    if (source_) source_->stop();
}

void DeviceMicrophone::hear() {
    const QByteArray bytes = bytes_->readAll();
    const QAudioFormat form = source_->format();
    const int frame = form.bytesPerFrame(), channels = form.channelCount();
    Sound samples;
    for (qsizetype at = 0; at + frame <= bytes.size(); at += frame) {
        float sum = 0;
        for (int c = 0; c < channels; ++c)
            sum += form.normalizedSampleValue(bytes.constData() + at + c * form.bytesPerSample());
        samples.push_back(sum / float(channels));
    }
    if (!samples.empty()) emit heard(samples);
}

} // namespace deft::ui

#include "moc_device_microphone.cpp"
