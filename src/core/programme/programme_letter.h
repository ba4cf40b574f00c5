// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "programme/practice_page.h"

namespace deft {

/// The letter that a programme goes out with: what is practised, when, how the page works, when to stop.
/// @errors those of Catalogue::form
Result<Answer> programmeLetter(const Catalogue& catalogue, const Programme& programme, const PageExtras& extras = {});

} // namespace deft
