// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json_fwd.h"
#include "review/review.h"

namespace deft {

/// The readings of a review as a FHIR R4 Bundle (type collection) of Observations, for records that take such files
/// (hl7.org/fhir/R4/observation.html). Units are UCUM ("deg", "%", "s"). The codes are our own: no LOINC code is used
/// that we are not sure of. The half-width of the 95 % interval stands as a component; what could not be told has a
/// dataAbsentReason and no value; a tolerance is a referenceRange, a verdict an interpretation.
/// @param withName false: the subject is not named
Json fhirBundle(const Review& review, bool withName);

} // namespace deft
