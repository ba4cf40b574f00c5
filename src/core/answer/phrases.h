// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <string>
#include <vector>

namespace deft {

// Numbers and lists as an answer tells them.

std::string sec(double v);                                                                       ///< "5.6 s"
std::string withUnit(double v, const std::string& unit, int decimals = 1, bool withSign = true); ///< "+5.2°"
std::string withoutSign(double v, const std::string& unit);                                      ///< whole: "35 %"
std::string band(double v, double u, const std::string& unit, bool withSign = true);             ///< "+10.4 ± 0.2°"
std::string ordinal(int rep);                              ///< 0 → "first", 10 → "11th"
std::string secondsWords(double seconds);                  ///< "one second", "5.5 seconds", "12 seconds"
std::string countWords(int n);                             ///< 3 → "three"
std::string listOf(const std::vector<std::string>& items); ///< "a, b and c"

} // namespace deft
