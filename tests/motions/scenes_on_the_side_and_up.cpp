// SPDX-License-Identifier: GPL-3.0-or-later
// Lying on the side, standing on one leg, with a band: left and right are seen at once.
#include "motions/plans.h"

namespace deft::test {

void onTheSideAndUp(std::vector<Scene>& all, const Person& who, bool rest) {
    all.push_back(outAndBack("side-plank", "up-down", who,
                             {onTheSide, {{"prop", 0}}, onTheSide, {}, {{"lift", 1}}, 1.2, 1.6, 1.2}, rest,
                             {{"sag", 4.5, "side-sag", {}, false, true, false},
                              {"sag", -11, "side-pike", {}, false, true, false},
                              {"roll", 48, "roll-back"},
                              {"shoulders", 48, "shoulders-roll"}}));
    for (const char* version : {"hold", "straight", "top-leg", "arm-leg"}) {
        const double straight = std::string(version) != "hold";
        all.push_back(held(
            "side-plank", version, who,
            {onTheSide, {{"prop", 0}, {"straight", straight}}, onTheSide, {{"lift", 1}, {"straight", straight}}, {}},
            rest,
            {{"sag", straight ? 8.0 : 6.0, "side-sag"},
             {"sag", straight ? -16.0 : -11.0, "side-pike"},
             {"roll", 48, "roll-back"},
             {"shoulders", 48, "shoulders-roll"}}));
    }
    for (const char* version : {"wide", "near", "behind-head", "eyes"})
        all.push_back(held("one-leg-stand", version, who, {onOneLeg, {}, onOneLeg, {{"foot", 30}}, {}}, rest,
                           {{"drop", 16, "hip-drop"}, {"drop", -17, "stance-hike"}, {"lean", 14, "side-lean"}}));
    all.push_back(outAndBack("knees-side-to-side", "feet-down", who,
                             {kneesFromTheFeet, {}, kneesFromTheFeet, {}, {{"turn", 35}}, 1.5, 1, 1.5}, rest,
                             {{"shoulder", 7, "shoulder-lifts"}, {"lag", 26, "knees-part"}}));
    for (const char* version : {"side", "side-strong"})
        all.push_back(outAndBack("band-external-rotation", version, who,
                                 {withBand, {}, withBand, {}, {{"turn", 60}}, 1.5, 1, 2}, rest,
                                 {{"elbow", 12, "elbow-wanders", {"shoulder-hike"}},
                                  {"hike", 5, "shoulder-hike"},
                                  {"lean", -14, "side-lean"}}));
    all.push_back(outAndBack(
        "band-external-rotation", "height", who,
        {withBand, {{"raised", 1}}, withBand, {{"raised", 1}}, {{"raised", 1}, {"turn", 75}}, 1.5, 1, 2}, rest,
        {{"elbow_down", 8, "elbow-wanders"}, {"hike", 5, "shoulder-hike"}, {"lean", -14, "side-lean"}}));
    const Wrong roll{"roll", 50, "roll-back"};
    const auto lying = [&](const char* id, const char* version, Params start, Params end, double hold,
                           std::vector<Wrong> wrongs) {
        all.push_back(outAndBack(id, version, who,
                                 {lyingOnTheSide, start, lyingOnTheSide, start, std::move(end), 1.5, hold, 1.5}, rest,
                                 std::move(wrongs)));
    };
    lying("double-leg-side-lift", "top", {}, {{"foot", 16}}, 2, {roll});
    lying("double-leg-side-lift", "both", {}, {{"feet", 11}}, 3,
          {roll, {"foot", 9, "feet-apart", {}, false, true, false}, {"feet", 12, "too-high", {}, false, true, false}});
    lying("double-leg-side-lift", "open-close", {}, {{"feet", 11}, {"foot", 8}}, 2,
          {roll, {"feet", 12, "too-high", {}, false, true, false}});
    for (const char* version : {"small", "open", "feet-up", "band"})
        lying("open-knee", version, {{"bent", 1}},
              {{"bent", 1}, {"open", std::string(version) == "small" ? 8.0 : 16.0}}, 1,
              {roll, {"hike", 5, "hip-hike"}});
}

} // namespace deft::test
