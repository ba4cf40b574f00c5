// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QString>

namespace deft::ui {

/// Words of the program that are not everybody's.
enum class HardWord { ControlRange, GiveWay, Band, CannotTell };
/// What it means, in a sentence: shown where it stands, and read aloud.
QString explained(HardWord word);

} // namespace deft::ui
