// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/repeat.h"

#include "analysis/analyse.h"
#include "base/json.h"
#include "cli/knowledge.h"
#include "readings/repeatability.h"
#include "review/review_json.h"

#include <cmath>
#include <cstdio>
#include <iostream>

namespace deft::cli {
namespace {

namespace fs = std::filesystem;

/// The analysed folders in every one of the folders, by name.
Result<std::vector<std::string>> clipsInAll(const std::vector<std::string>& folders) {
    std::vector<std::string> names;
    std::error_code error;
    for (const auto& entry : fs::directory_iterator(folders[0], error))
        if (fs::exists(entry.path() / "review.json")) names.push_back(entry.path().filename().string());
    if (error) return fail(Errc::NotReadable, inPlace(folders[0], error.message()));
    std::sort(names.begin(), names.end());
    for (const std::string& name : names)
        for (const std::string& folder : folders)
            if (!fs::exists(fs::path(folder) / name / "review.json"))
                return fail(Errc::NotFound, {"{file}: is not there, but every marking needs the same analysed clips",
                                             {{"file", (fs::path(folder) / name).string()}}});
    return names;
}

Json orNull(double value) { return std::isfinite(value) ? Json(value) : Json(nullptr); }

Json toJson(const Repeatability& r) {
    Json j = {{"measure", r.measure},
              {"stat", r.stat},
              {"unit", r.unit},
              {"clips", r.clips},
              {"markings", r.markings},
              {"bias", orNull(r.bias)},
              {"limits_of_agreement", {orNull(r.limitLow), orNull(r.limitHigh)}},
              {"sem", orNull(r.sem)},
              {"least_change", orNull(r.leastChange)},
              {"median_u95", orNull(r.band)},
              {"explained_by_bands", orNull(r.explained)}};
    if (r.icc)
        j["icc_2_1"] = {
            {"value", orNull(r.icc->value)}, {"low95", orNull(r.icc->low95)}, {"high95", orNull(r.icc->high95)}};
    return j;
}

void print(const Repeatability& r, const Language& english) {
    std::printf("%-40s %5d %8.2f %8.2f … %-8.2f %6.2f %6.2f %6.2f %5.0f %%", english.say(r.name).c_str(), r.clips,
                r.bias, r.limitLow, r.limitHigh, r.sem, r.leastChange, r.band, 100 * r.explained);
    if (r.icc && std::isfinite(r.icc->value))
        std::printf("  %5.2f (%.2f … %.2f)", r.icc->value, r.icc->low95, r.icc->high95);
    std::printf("\n");
}

} // namespace

int showRepeatability(const CataloguePtr& catalogue, const std::vector<std::string>& folders, const Console& console) {
    const auto names = clipsInAll(folders);
    if (!names) return console.failed(names.error());
    std::vector<std::vector<ClipReadings>> markings;
    for (const std::string& folder : folders) {
        markings.emplace_back();
        for (const std::string& name : *names) {
            const auto review = readFolder(catalogue, fs::path(folder) / name);
            if (!review) return console.failed(review.error());
            markings.back().push_back(readingRows(*review));
        }
    }
    const auto found = repeatability(markings);
    if (!found) return console.failed(found.error());
    if (console.json) {
        Json all = Json::array();
        for (const Repeatability& r : *found) all.push_back(toJson(r));
        return console.tell({{"format", "deft-mirror-repeatability"}, {"version", 1}, {"readings", all}}, {});
    }
    std::printf("%-40s %5s %8s %19s %6s %6s %6s %7s  %s\n", "reading", "clips", "bias", "limits of agreement", "SEM",
                "change", "band", "in band", "ICC(2,1), 95 %");
    for (const Repeatability& r : *found) print(r, *catalogue->language("en"));
    std::printf(
        "\nbias: second marking less the first; change: the least that is more than noise; band: what the program "
        "gives as ±\n(95 %%); in band: pairs of markings that differ by no more than their bands allow.\n");
    return 0;
}

} // namespace deft::cli
