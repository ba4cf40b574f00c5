// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "events/movement.h"

namespace deft {

/// Adds to every rep in which pelvis and shoulders both turn on the way out how long before the pelvis the shoulders
/// are half turned (Rep::shouldersLead). Nothing where either turns by less than six degrees or three half-widths
/// (chosen here), or is not seen up to there.
///
/// Half of each one's own turn is the moment that a slow beginning, a late end and how far each goes bear on least.
/// Adds the series `shoulders_lead`, too, constant over each way: out, and back.
void addLead(Events& events, SeriesSet& set);

} // namespace deft
