// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "exercises/schools.h"

namespace deft::ui {

/// How this coach looks at exercises unless a client's earlier clips say otherwise; kept in the settings.
Schools usualSchools();
void setUsualSchools(const Schools& schools); ///< questions that are not named stay as they are

} // namespace deft::ui
