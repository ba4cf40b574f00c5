// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/sheet.h"

namespace deft {

/// How to film, to be sent before the first clip: what holds every time, then where the phone stands for each exercise,
/// those alike together. In the client's language.
/// @param exercises ids, at least one @errors those of Catalogue::exercise
Result<Answer> filmingPage(const Catalogue& catalogue, const std::vector<std::string>& exercises,
                           const SheetReader& reader);

} // namespace deft
