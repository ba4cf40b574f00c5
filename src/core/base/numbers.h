// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Numbers in files and answers: always with a point, whatever the machine's locale says.

#include <optional>
#include <string>
#include <string_view>

namespace deft {

/// "12.50": fixed, with so many decimals. Never "-0.00". NaN and infinity give "nan" and "inf".
std::string fixed(double value, int decimals);
/// The same at the end of a text.
void appendFixed(std::string& text, double value, int decimals);

constexpr int kMostDecimals = 6; ///< that people are told
/// For people, with a decimal point: fixed decimals without needless zeros, a real minus sign.
std::string numberWords(double value, int decimals);
/// The same with a sign in front of positive numbers.
std::string signedWords(double value, int decimals);

/// The whole text as a number; nothing when it is none, not finite, or more stands there.
std::optional<double> parseNumber(std::string_view text);

} // namespace deft
