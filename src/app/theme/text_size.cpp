// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/theme/text_size.h"

#include <QSettings>
#include <algorithm>

namespace deft::ui {
namespace {

const QString kKey = QStringLiteral("text-size");

} // namespace

int textSize() {
    return std::clamp(QSettings().value(kKey, 100).toInt(), kTextSizes.front(), kTextSizes.back());
}

void chooseTextSize(int percent) { QSettings().setValue(kKey, percent); }

void useTextSize() {
    constexpr const char* kFactor = "QT_SCALE_FACTOR"; // Qt's own, which somebody may have set for all programs
    if (textSize() != 100 && !qEnvironmentVariableIsSet(kFactor))
        qputenv(kFactor, QByteArray::number(textSize() / 100.0));
}

} // namespace deft::ui
