// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "proposals/propose.h"

namespace deft {

Json toJson(const BodyFacts& facts);

/// As a marks file: beside the points and seeds `proposed` (score, band and source of each), `not_proposed`, `facts`
/// and, where there was no network, `missing`.
Marks asMarks(const Proposals& proposals, bool mirrored);

/// Back from such a file. @errors BadFormat when it holds no proposals or they are damaged
Result<Proposals> asProposals(const Marks& marks, const ClipInfo& clip);

} // namespace deft
