// SPDX-License-Identifier: GPL-3.0-or-later
#include "review/data_package.h"

#include "base/json.h"
#include "marks/names.h"
#include "measures/measure.h"

namespace deft {
namespace {

Json field(const std::string& name, const char* type, const std::string& title, const std::string& unit = {}) {
    Json f{{"name", name}, {"type", type}, {"title", title}};
    if (!unit.empty()) f["unit"] = unit;
    return f;
}

Json resource(const char* name, Json fields) {
    return {{"name", name},
            {"path", std::string(name) + ".csv"},
            {"profile", "tabular-data-resource"},
            {"mediatype", "text/csv"},
            {"encoding", "utf-8"},
            {"schema", {{"fields", std::move(fields)}, {"missingValues", Json::array({""})}, {"primaryKey", "frame"}}}};
}

Json beginning() {
    return Json::array(
        {field("frame", "integer", "frame, from 0"), field("time_s", "number", "time since the first frame", "s")});
}

} // namespace

Json dataPackage(const Review& review) {
    Json series = beginning(), tracks = beginning();
    for (const Series& s : review.series().series) {
        series.push_back(field(s.id, "number", measureName(s.id), s.unit));
        series.push_back(
            field(s.id + "_u95", "number", measureName(s.id) + ", half-width of the 95 % interval", s.unit));
    }
    for (const auto& [name, points] : review.tracks().landmark) {
        const std::string words = landmarkWords(name);
        tracks.push_back(field(name + "_x", "number", words + ", from the left edge of the upright picture", "px"));
        tracks.push_back(field(name + "_y", "number", words + ", from its upper edge", "px"));
        tracks.push_back(field(name + "_sd", "number", words + ", standard deviation of each axis", "px"));
        Json state = field(name + "_state", "string", words + ", how it was found");
        state["constraints"] = {{"enum", {"absent", "seen", "weak", "lost", "by hand"}}};
        tracks.push_back(std::move(state));
    }
    return {{"profile", "tabular-data-package"},
            {"name", "deft-mirror-review"},
            {"title", review.exercise.name + ", measured from a clip"},
            {"resources", Json::array({resource("series", std::move(series)), resource("tracks", std::move(tracks))})}};
}

} // namespace deft
