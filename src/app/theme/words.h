// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Numbers, counts and what files say, as they are written on the screen: in the coach's language.

#include "language/language.h"

#include <QLocale>
#include <QString>

namespace deft::ui {

/// The language in which the window speaks to the coach, a code such as "de".
const std::string& coachLanguage();
void setCoachLanguage(LanguagePtr language); ///< before the first window, see speakToCoach()

/// For days and their names.
QLocale coachLocale();
QString quoted(const std::string& somebodysWords); ///< in one line, in the quotation marks of the coach's language
/// A name or sentence of an exercise file, a measure or a landmark in the coach's language; what it does not know (a
/// client's name) stays.
/// @param context see Language::text()
QString spoken(const std::string& english, const std::string& context = {});
/// The word of an exercise for one of its movements where there is little room: "Wdh."
QString shortNoun(const std::string& english);
QString said(const Message& message);
QString said(const Error& error); ///< without a full stop
/// A name inside of a line: small where the language writes nouns so.
QString inLine(const QString& name);

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
