// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "review/review.h"

namespace deft::test {

/// What was measured is shared by all reviews of it: a test that changes it changes a copy, for this review alone.
inline Measurement& otherMeasurement(Review& r) {
    auto own = std::make_shared<Measurement>(*r.measurement);
    r.measurement = own;
    return *own;
}
inline Tracks& otherTracks(Review& r) {
    auto footage = std::make_shared<Footage>(*r.measurement->footage);
    otherMeasurement(r).footage = footage;
    return footage->tracks;
}

} // namespace deft::test
