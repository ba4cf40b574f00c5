// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"

#include <QString>

namespace deft::test {

/// What is wrong with the letter about a review, as the client would read it; empty = nothing.
QString troubleWithLetter(const Review& review);

/// Flesch's reading ease: 206.835 − 1.015 words a sentence − 84.6 syllables a word (Flesch, J Appl Psychol 32, 1948);
/// 60 to 70 is plain English. Syllables are counted as groups of vowels, a mute e at the end off.
double readingEase(const QString& text);

} // namespace deft::test
