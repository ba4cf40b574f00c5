// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QString>
#include <string>

namespace deft::ui {

/// Where a landmark is and how it is told from what lies beside it, in a sentence or two; empty for one that needs no
/// words. Surface anatomy: common practice, no published source.
QString landmarkHint(const std::string& landmark);

} // namespace deft::ui
