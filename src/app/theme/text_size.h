// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <array>

namespace deft::ui {

inline constexpr std::array kTextSizes = {80, 90, 100, 110, 125, 150, 175, 200}; ///< percent

/// The coach's own choice, percent: text, controls and drawings together, so that nothing is cut. It comes on top of
/// what the desktop asks for (Qt takes that over by itself).
int textSize();
void chooseTextSize(int percent);
/// From now on. @pre there is no QApplication yet, and its name and organization are set
void useTextSize();

} // namespace deft::ui
