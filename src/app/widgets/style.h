// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/theme/palette.h"

#include <QApplication>

namespace deft::ui {

/// Gives standard controls our colours, typeface and focus ring. Again after usePalette().
void applyStyle(QApplication& application);

} // namespace deft::ui
