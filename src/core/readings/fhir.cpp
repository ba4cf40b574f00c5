// SPDX-License-Identifier: GPL-3.0-or-later
#include "readings/fhir.h"

#include "base/json.h"
#include "readings/readings.h"

#include <cmath>

namespace deft {
namespace {

constexpr const char* kMeasures = "https://deft-mirror.invalid/fhir/measure";
constexpr const char* kUcum = "http://unitsofmeasure.org";

Json quantity(double value, const std::string& unit) {
    const std::string code = unit == "ratio" ? "1" : unit;
    return {{"value", rounded(value, 3)}, {"unit", unit}, {"system", kUcum}, {"code", code}};
}

Json coded(const char* system, const std::string& code, const std::string& display) {
    return {{"coding", Json::array({{{"system", system}, {"code", code}, {"display", display}}})}, {"text", display}};
}

Json interpretation(Verdict verdict) {
    const char* system = "http://terminology.hl7.org/CodeSystem/v3-ObservationInterpretation";
    return Json::array({verdict == Verdict::In ? coded(system, "N", "Normal") : coded(system, "A", "Abnormal")});
}

Json observation(const ReadingRow& row, const Review& r, const Language& english, bool withName) {
    const std::string name = english.say(row.name);
    Json o = {
        {"resourceType", "Observation"},
        {"status", "final"},
        {"category",
         Json::array({coded("http://terminology.hl7.org/CodeSystem/observation-category", "activity", "Activity")})},
        {"code", coded(kMeasures, row.measure + "-" + row.stat, name)},
        {"method", {{"text", r.exercise.name + ", measured from a clip with one camera; coaching, no diagnosis"}}}};
    if (withName && !r.inputs.client.empty()) o["subject"] = {{"display", r.inputs.client}};
    if (!r.inputs.date.empty()) o["effectiveDateTime"] = r.inputs.date;
    if (!std::isfinite(row.value)) {
        o["dataAbsentReason"] = coded("http://terminology.hl7.org/CodeSystem/data-absent-reason", "unknown", "Unknown");
        o["dataAbsentReason"]["text"] = english.say(row.why);
        return o;
    }
    o["valueQuantity"] = quantity(row.value, row.unit);
    if (std::isfinite(row.u95))
        o["component"] = Json::array({{{"code", coded(kMeasures, "u95", "half-width of the 95 % interval")},
                                       {"valueQuantity", quantity(row.u95, row.unit)}}});
    if (row.limit.isSet()) {
        Json range = Json::object();
        if (row.limit.low) range["low"] = quantity(*row.limit.low, row.unit);
        if (row.limit.high) range["high"] = quantity(*row.limit.high, row.unit);
        range["text"] = "tolerance of the exercise";
        o["referenceRange"] = Json::array({std::move(range)});
        if (row.verdict != Verdict::CannotTell) o["interpretation"] = interpretation(row.verdict);
    }
    return o;
}

} // namespace

Json fhirBundle(const Review& r, bool withName) {
    const LanguagePtr english = r.catalogue->language("en");
    Json entries = Json::array();
    for (const ReadingRow& row : readingRows(r))
        entries.push_back({{"resource", observation(row, r, *english, withName)}});
    return {{"resourceType", "Bundle"}, {"type", "collection"}, {"entry", std::move(entries)}};
}

} // namespace deft
