// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "events/movement.h"

namespace deft {

/// Half the time around a crossing at frame `at` in which the limit lies inside the measure's band, s.
double bandOfCrossing(const std::vector<double>& time_s, const Series& series, const Limit& limit, size_t at,
                      double from_s, double to_s);

/// The half-width of the time of every event: how far the band of the mover reaches in time where it crosses what makes
/// the event, and half a frame.
void addTimeBands(Events& events, const SeriesSet& set, const MoverPlan& plan);

} // namespace deft
