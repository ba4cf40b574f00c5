// SPDX-License-Identifier: GPL-3.0-or-later
#include "marks/names.h"

#include <algorithm>
#include <map>

namespace deft {
namespace {

const std::map<std::string, std::string, std::less<>>& words() {
    static const std::map<std::string, std::string, std::less<>> w = {{"ear", "ear"},
                                                                      {"eye", "eye"},
                                                                      {"chin", "chin"},
                                                                      {"nose", "nose"},
                                                                      {"c7", "base of the neck"},
                                                                      {"shoulder", "shoulder"},
                                                                      {"elbow", "elbow"},
                                                                      {"wrist", "wrist"},
                                                                      {"hand", "hand"},
                                                                      {"rib", "lower front rib"},
                                                                      {"t12", "lowest back rib"},
                                                                      {"back_mid", "middle of the low back"},
                                                                      {"sacrum", "sacrum"},
                                                                      {"psis", "back hip point"},
                                                                      {"asis", "front hip point"},
                                                                      {"crest", "top of the hip bone"},
                                                                      {"pubis", "pubic bone"},
                                                                      {"hip", "side of the hip"},
                                                                      {"knee", "knee"},
                                                                      {"ankle", "ankle"},
                                                                      {"heel", "heel"},
                                                                      {"toe", "toe"},
                                                                      {"sternum", "breastbone"},
                                                                      {"floor_a", "mat line at the feet"},
                                                                      {"floor_b", "mat line at the head"},
                                                                      {"plumb_a", "upper end of the plumb line"},
                                                                      {"plumb_b", "lower end of the plumb line"},
                                                                      {"scale_a", "one end of the known length"},
                                                                      {"scale_b", "other end of the known length"},
                                                                      {"mat_a", "mat, first corner"},
                                                                      {"mat_b", "mat, second corner"},
                                                                      {"mat_c", "mat, third corner"},
                                                                      {"mat_d", "mat, fourth corner"},
                                                                      {"far_knee", "knee of the far leg"},
                                                                      {"far_ankle", "ankle of the far leg"},
                                                                      {"wheel", "wheel"},
                                                                      {"ball", "ball"}};
    return w;
}

bool in(const std::vector<std::string>& names, std::string_view name) {
    return std::find(names.begin(), names.end(), name) != names.end();
}

std::string_view withoutSide(std::string_view name) { return name.substr(0, name.size() - sideOf(name).size()); }

} // namespace

const std::vector<std::string>& sideLandmarks() {
    static const std::vector<std::string> names = {"ear",   "eye",   "chin", "c7",       "shoulder", "elbow", "wrist",
                                                   "hand",  "rib",   "t12",  "back_mid", "sacrum",   "psis",  "asis",
                                                   "crest", "pubis", "hip",  "knee",     "ankle",    "heel",  "toe"};
    return names;
}

const std::vector<std::string>& sceneLandmarks() {
    static const std::vector<std::string> names = {"floor_a", "floor_b", "plumb_a", "plumb_b", "scale_a", "scale_b",
                                                   "mat_a",   "mat_b",   "mat_c",   "mat_d",   "wheel",   "ball"};
    return names;
}

bool isLandmark(std::string_view name) {
    return in(sideLandmarks(), name) || in(sceneLandmarks(), name) || name == "nose" || name == "sternum" ||
           name == "far_knee" || name == "far_ankle" || in(sideLandmarks(), withoutSide(name));
}

bool isSceneLandmark(std::string_view name) { return in(sceneLandmarks(), name) && name != "wheel" && name != "ball"; }

bool mayWearSticker(std::string_view name) {
    const auto part = withoutSide(name);
    return !isSceneLandmark(name) && part != "ear" && part != "eye" && part != "nose" && part != "chin";
}

std::string sideOf(std::string_view name) { return name.ends_with("_l") ? "_l" : name.ends_with("_r") ? "_r" : ""; }

std::string otherSideOf(std::string_view name) {
    const std::string side = sideOf(name);
    return side.empty() ? "" : std::string(withoutSide(name)) + (side == "_l" ? "_r" : "_l");
}

std::vector<std::string> landmarkNames() {
    std::vector<std::string> names;
    for (const auto& [name, plain] : words())
        for (const char* side : {"", "_l", "_r"})
            if (isLandmark(name + side)) names.push_back(name + side);
    return names;
}

std::string landmarkWords(std::string_view name) {
    const auto whole = words().find(name);
    if (whole != words().end()) return whole->second;
    const auto plain = words().find(withoutSide(name));
    if (plain == words().end()) return std::string(name);
    return (sideOf(name) == "_l" ? "left " : "right ") + plain->second;
}

} // namespace deft
