// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Numbers and counts as they are written on the screen.

#include <QString>
#include <string>

namespace deft::ui {

/// The language in which the window speaks to the coach, a code such as "de".
const std::string& coachLanguage();
void setCoachLanguage(const std::string& code);

/// A number with its unit; a real minus sign, "–" for a gap.
QString reading(double value, const std::string& unit, int decimals = 1, bool sign = true);
/// Half-width of a band: one decimal, two when it is small, never "0".
QString band(double u95);
/// "1 moment", "2 moments".
QString counted(int n, const QString& one, const QString& many);
/// "12 May" of an ISO date; empty when it is none.
QString dayWords(const std::string& iso);
/// "12 May 2026".
QString dayAndYear(const std::string& iso);

} // namespace deft::ui
