// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "exercises/catalogue.h"

#include <QString>

namespace deft::ui {

/// An exercise file as a page to read: what is measured where, faults with their cues, ladder, dose, cautions. HTML.
QString exercisePage(const Catalogue& catalogue, const Exercise& exercise);

} // namespace deft::ui
