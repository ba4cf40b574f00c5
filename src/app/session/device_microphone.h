// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "devices/microphone.h"

#include <memory>

class QAudioSource;
class QIODevice;

namespace deft::ui {

/// The microphone that the desktop has chosen, in a form that it can give.
class DeviceMicrophone : public Microphone {
    Q_OBJECT
public:
    explicit DeviceMicrophone(QObject* parent = nullptr);
    ~DeviceMicrophone() override;
    static bool isThere();
    QString name() const override;
    int rate_Hz() const override;
    Result<void> start() override; ///< @errors NotReadable (the desktop does not give it)
    void stop() override;

private:
    void hear();

    std::unique_ptr<QAudioSource> source_;
    QIODevice* bytes_ = nullptr; // of the source
};

} // namespace deft::ui
