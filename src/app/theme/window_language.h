// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "exercises/catalogue.h"

#include <QStringList>

namespace deft::ui {

/// Codes of the languages that the window speaks.
QStringList windowLanguages();

/// What the coach has chosen; empty = as the desktop does.
QString chosenLanguage();
void chooseLanguage(const QString& code); ///< counts from the next start on

/// From now on the window speaks the chosen language, or the desktop's, or English. To be called before the first
/// window is made: what has been said is not said again. @param code in place of what was chosen
void speakToCoach(const Catalogue& catalogue, const QString& code = {});

} // namespace deft::ui
