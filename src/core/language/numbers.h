// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <string>

namespace deft {

/// A number for people: fixed decimals without needless zeros, a real minus sign.
std::string numberWords(double value, int decimals);
/// The same with a sign in front of positive numbers.
std::string signedWords(double value, int decimals);

} // namespace deft
