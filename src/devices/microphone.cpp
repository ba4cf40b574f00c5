// SPDX-License-Identifier: GPL-3.0-or-later
#include "devices/microphone.h"

namespace deft {

SimulatedMicrophone::SimulatedMicrophone(std::filesystem::path file, QObject* parent)
    : Microphone(parent), file_(std::move(file)) {
    timer_.setInterval(20);
    timer_.setTimerType(Qt::PreciseTimer);
    connect(&timer_, &QTimer::timeout, this, &SimulatedMicrophone::hear);
}

QString SimulatedMicrophone::name() const { return QString::fromStdString(file_.filename().string()); }

Result<void> SimulatedMicrophone::start() {
    auto sound = readSound(file_);
    if (!sound) return tl::unexpected(sound.error());
    sound_ = std::move(*sound);
    at_ = 0;
    clock_.start();
    timer_.start();
    return {};
}

void SimulatedMicrophone::stop() {
    if (timer_.isActive()) hear();
    timer_.stop();
}

void SimulatedMicrophone::hear() {
    const auto until = size_t(double(clock_.elapsed()) / 1000 * kSoundRate_Hz);
    Sound samples;
    for (; at_ < until; ++at_) samples.push_back(at_ < sound_.size() ? sound_[at_] : 0.0f);
    if (!samples.empty()) emit heard(samples);
}

} // namespace deft

#include "moc_microphone.cpp"
