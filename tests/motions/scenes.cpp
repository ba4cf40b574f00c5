// SPDX-License-Identifier: GPL-3.0-or-later
#include "motions/plans.h"

namespace deft::test {
namespace {

void onTheMat(std::vector<Scene>& all, const Person& who, bool rest) {
    const Wrong daylight{"back_up", 4, "daylight"}, arch{"tilt", 11, "arch"}, ribs{"ribs", 0.2, "rib-pop"};
    const std::vector<Wrong> back{daylight, arch, ribs};
    const Wrong low{"leg_down", 28, "leg-low", {}, false, true, false}, pulled{"neck", 45, "head-pulled"};
    const std::vector<Wrong> stretched{daylight, arch, ribs, low}, raised{daylight, arch, ribs, low, pulled};
    const Wrong pastHip{"thigh", 16, "knee-past-hip", {}, false, true, false};
    const auto add = [&](const char* id, const char* version, Params start, Params end, double out = 1.5,
                         double hold = 2, double backward = 1.5, std::vector<Wrong> wrongs = {}) {
        if (wrongs.empty()) wrongs = back;
        all.push_back(outAndBack(id, version, who, {flatOnTheBack, {}, onTheBack, start, end, out, hold, backward},
                                 rest, wrongs));
    };
    const Params tabletop{{"thigh", 90}, {"shank", 0}}, upright{{"thigh", 90}, {"shank", 90}};
    const Params tabletopArms{{"thigh", 90}, {"shank", 0}, {"arm", 90}};
    add("leg-lower", "one-bent", tabletop, {{"thigh", 45}, {"shank", -40}}, 3, 0.3, 1.5);
    add("leg-lower", "two-bent", tabletop, {{"thigh", 45}, {"shank", -40}}, 3, 0.3, 1.5);
    add("leg-lower", "one-straight", upright, {{"thigh", 30}, {"shank", 30}}, 3, 0.3, 1.5);
    add("leg-lower", "two-straight", upright, {{"thigh", 30}, {"shank", 30}}, 3, 0.3, 1.5);
    add("arm-leg-lower", "one-out", tabletop, {{"thigh", 35}, {"shank", 20}}, 1.5, 2, 1.5);
    add("arm-leg-lower", "opposite", tabletopArms, {{"thigh", 30}, {"shank", 15}, {"arm", 90}}, 1.5, 6, 1.5);
    add("single-leg-stretch", "head-down", {{"thigh", 90}, {"shank", 0}}, {{"thigh", 60}, {"shank", 60}}, 1.5, 2, 1.5,
        stretched);
    add("single-leg-stretch", "head-up", {{"thigh", 90}, {"shank", 0}, {"neck", 25}},
        {{"thigh", 45}, {"shank", 45}, {"neck", 25}}, 1.5, 2, 1.5, raised);
    add("double-leg-stretch", "legs-high", tabletop, {{"thigh", 60}, {"shank", 60}});
    add("press-away", "one", tabletop, {{"thigh", 70}, {"shank", 10}});
    for (const char* version : {"two", "farther"}) add("press-away", version, tabletop, {{"thigh", 70}, {"shank", 10}});
    add("single-leg-stretch", "head-down-45", tabletop, {{"thigh", 45}, {"shank", 45}}, 1.5, 2, 1.5, stretched);
    add("single-leg-stretch", "low", {{"thigh", 90}, {"shank", 0}, {"neck", 25}},
        {{"thigh", 30}, {"shank", 30}, {"neck", 25}}, 1.5, 2, 1.5,
        {daylight, arch, ribs, {"leg_down", 20, "leg-low", {}, false, true, false}, pulled});
    for (const char* version : {"legs-45", "arms-too"})
        add("double-leg-stretch", version, {{"thigh", 90}, {"shank", 0}, {"neck", 25}},
            {{"thigh", 45}, {"shank", 45}, {"neck", 25}}, 1.5, 2, 1.5, {daylight, arch, ribs, pulled});
    add("scissor-switch", "slow", {{"thigh", 45}, {"shank", 45}}, {{"thigh", 85}, {"shank", 85}}, 2, 0.3, 2);
    add("scissor-switch", "bent", {{"thigh", 50}, {"shank", -20}}, {{"thigh", 88}, {"shank", 10}}, 1, 0.3, 1);
    add("flutter", "high", {{"thigh", 70}, {"shank", 70}}, {{"thigh", 84}, {"shank", 84}}, 0.8, 0.2, 0.8);
    add("flutter", "low", {{"thigh", 30}, {"shank", 30}}, {{"thigh", 44}, {"shank", 44}}, 0.8, 0.2, 0.8);
    for (const char* version : {"high", "middle", "low"}) {
        const double up = std::string(version) == "high" ? 80 : std::string(version) == "middle" ? 50 : 35;
        add("leg-crossover", version, {{"thigh", up}, {"shank", up}}, {{"thigh", up - 8}, {"shank", up - 8}}, 0.8, 0.2,
            0.8);
    }
    for (const char* version : {"foot-down", "leg-long", "wide"})
        add("leg-circles", version, {{"thigh", 85}, {"shank", 85}}, {{"thigh", 68}, {"shank", 68}}, 1.2, 0.2, 1.2);
    add("scissor-switch", "straight", {{"thigh", 45}, {"shank", 45}}, {{"thigh", 85}, {"shank", 85}}, 1, 0.3, 1);
    add("flutter", "middle", {{"thigh", 45}, {"shank", 45}}, {{"thigh", 60}, {"shank", 60}}, 0.8, 0.2, 0.8);
    const auto feetDown = [&](const char* id, const char* version, Params start, Params end, double hold,
                              std::vector<Wrong> wrongs) {
        all.push_back(
            outAndBack(id, version, who, {flatOnTheBack, {}, kneesBent, start, end, 1.5, hold, 1.5}, rest, wrongs));
    };
    feetDown("march", "one-foot", {{"thigh", 55}, {"shank", -55}, {"foot", 0}},
             {{"thigh", 90}, {"shank", 0}, {"foot", 60}}, 1, {daylight, arch, ribs, pastHip});
    feetDown("march", "tabletop", {{"thigh", 55}, {"shank", -55}, {"foot", 0}},
             {{"thigh", 90}, {"shank", 0}, {"foot", 60}}, 1, {daylight, arch, ribs, pastHip});
    feetDown("march", "from-tabletop", {{"thigh", 90}, {"shank", 0}, {"foot", 60}},
             {{"thigh", 55}, {"shank", -55}, {"foot", 0}}, 1,
             {daylight, arch, ribs, {"thigh", 40, "knee-past-hip", {}, true, false, false}});
    const Wrong rollsUnder{"tilt", -19, "tuck"};
    const std::vector<Wrong> curls{{"neck", 50, "head-pulled"}, {"neck", -45, "head-back"}, rollsUnder, daylight};
    feetDown("curl-up", "head", {}, {{"neck", 28}}, 2, {rollsUnder, daylight});
    for (const char* id : {"curl-up", "cross-body-curl"})
        for (const char* version : std::string(id) == "curl-up" ? std::vector<const char*>{"arms-crossed"}
                                                                : std::vector<const char*>{"curl", "small", "full"})
            feetDown(id, version, {}, {{"curl", 22}, {"neck", 15}}, 3, curls);
    const auto across = [&](const char* version) {
        for (Scene& s : all)
            if (s.name() == std::string("cross-body-curl/") + version) {
                s.wrongs.push_back({"arm_off", -50, "elbow-travels", {}, true, true, false});
                s.wrongs.push_back({"curl", -10, "sinks-in-the-middle", {}, false, true, false});
            }
    };
    across("small"), across("full");
    feetDown("curl-up", "tips", {}, {{"curl", 22}, {"neck", 15}}, 3, curls);
    const std::vector<Wrong> tilts{ribs, {"tilt", 20, "arch", {}, true, false, true}, {"hips_up", 5, "lifting"}};
    feetDown("pelvic-tilt", "tilt-arms", {{"arm", 20}}, {{"tilt", -9}, {"arm", 20}}, 5, tilts);
    feetDown("pelvic-tilt", "tilt", {}, {{"tilt", -9}}, 5, tilts);
    const auto hold = [&](const char* id, const char* version, Pose pose, Params at, std::vector<Wrong> wrongs) {
        all.push_back(held(id, version, who, {flatOnTheBack, {}, std::move(pose), at, {}}, rest, std::move(wrongs)));
    };
    hold("arm-leg-lower", "feet-down", kneesBent, {}, back);
    hold("arm-leg-lower", "one-held", onTheBack, tabletop, back);
    hold("arm-leg-lower", "two-held", onTheBack, tabletop, back);
    for (const char* version : {"one", "both", "no-hands"})
        hold("press-into-hands", version, onTheBack, tabletop, {daylight, arch, ribs, pastHip});
}

void bridges(std::vector<Scene>& all, const Person& who, bool rest) {
    const std::vector<Wrong> wrongs{{"bend", 11, "back-bend", {"overlift", "off-line"}},
                                    {"ribs", 0.25, "rib-pop"},
                                    {"lift", 9, "overlift", {}, false, true, false},
                                    {"lift", -9, "sinking", {"off-line"}, false, true, false}};
    for (const char* version : {"both", "hold"})
        all.push_back(outAndBack("bridge", version, who, {flatOnTheBack, {}, bridging, {}, {{"lift", 28}}, 1.5, 5, 1.5},
                                 rest, wrongs));
    all.push_back(outAndBack("bridge", "heels-away", who,
                             {flatOnTheBack, {}, bridging, {{"heels", 16}}, {{"heels", 16}, {"lift", 20}}, 1.5, 5, 1.5},
                             rest, wrongs));
    all.push_back(outAndBack("bridge", "pad", who,
                             {flatOnTheBack, {}, bridging, {{"lift", 9}}, {{"lift", 28}}, 1.5, 3, 1.5}, rest, wrongs));
    for (const auto& [version, foot] : {std::pair{"heel", 4.0}, {"few-cm", 8.0}, {"knee", 38.0}, {"long", 30.0}})
        all.push_back(outAndBack(
            "bridge-one-leg", version, who,
            {bridgeFromTheFeet, {}, bridgeFromTheFeet, {{"lift", 22}}, {{"lift", 22}, {"foot", foot}}, 1.2, 3.5, 1.2},
            rest,
            {{"drop", 14, "hip-drop", {"sinking"}},
             {"drop", -16, "stance-hike", {"sinking"}},
             {"lift", -8, "sinking"}}));
    for (const char* version : {"one-foot", "single-leg"})
        all.push_back(outAndBack("bridge", version, who,
                                 {bridgeFromTheFeet,
                                  {},
                                  bridgeFromTheFeet,
                                  {{"lift", 22}},
                                  {{"lift", 22}, {"foot", std::string(version) == "one-foot" ? 8.0 : 38.0}},
                                  1.2,
                                  3.5,
                                  1.2},
                                 rest,
                                 {{"drop", 14, "hip-drop", {"sinking"}},
                                  {"drop", -16, "stance-hike", {"sinking"}},
                                  {"lift", -8, "sinking"}}));
    all.push_back(held("reverse-plank", "bent", who, {onHandsFacingUp, {{"up", 0}}, kneelingTable, {}, {}}, rest,
                       {{"down", 9, "sag", {"hip-point-drops"}}, {"neck", -45, "head-back"}}));
    all.push_back(held("reverse-plank", "straight", who,
                       {onHandsFacingUp, {{"up", 0}}, onHandsFacingUp, {{"up", 1}}, {}}, rest,
                       {{"hips", 22, "sag", {"hip-point-drops"}}, {"neck", -45, "head-back"}}));
    all.push_back(held(
        "reverse-plank", "one-leg", who, {onHandsFacingUp, {{"up", 0}}, onHandsFacingUp, {{"up", 1}, {"leg", 2}}, {}},
        rest, {{"hips", 22, "sag", {"hip-point-drops"}}, {"hips", 9, "hip-point-drops"}, {"neck", -45, "head-back"}}));
}

void allFours(std::vector<Scene>& all, const Person& who, bool rest) {
    const Wrong arch{"tilt", 12, "arch"}, tuck{"tilt", -15, "tuck"},
        hangs{"chest_down", 6, "chest-hangs", {"bent-arm", "head-drop"}}, drop{"neck", 45, "head-drop"},
        thrown{"neck", -40, "head-back"}, bent{"chest_down", 3.6, "bent-arm", {"chest-hangs"}};
    const auto add = [&](const char* version, Params end, double hold, std::vector<Wrong> wrongs) {
        all.push_back(outAndBack("arm-leg-reach", version, who,
                                 {onAllFours, {{"sit", 1}}, onAllFours, {}, end, 1.5, hold, 1.5}, rest,
                                 std::move(wrongs)));
    };
    const Wrong tooHigh{"leg", 22, "over-lift", {}, false, true, false};
    const std::vector<Wrong> always{arch, tuck, hangs, drop, thrown, bent},
        lifted{arch, tuck, hangs, drop, thrown, bent, tooHigh};
    add("opposite", {{"leg", 86}}, 3, lifted);
    add("hold", {{"leg", 86}}, 6, lifted);
    add("angled", {{"leg", 86}}, 3, lifted);
    add("leg", {{"leg", 86}}, 2, lifted);
    add("arm", {{"arm", 90}}, 2,
        {arch,
         tuck,
         hangs,
         drop,
         thrown,
         {"arm", 25, "arm-too-high", {}, false, true, false},
         {"elbow_bent", 50, "bent-arm-reach", {}, false, true, false}});
    add("hand-slide", {{"hand_out", 25}}, 2, {arch, tuck, hangs, drop, thrown});
    add("toe-slide", {{"foot_out", 30}}, 2, always);
    add("elbow-knee", {{"foot_out", 34}}, 1, {arch, hangs, drop, thrown});
    add("hover", {{"hover", 3}}, 4, always);
    const auto hold = [&](const char* id, const char* version, std::vector<Wrong> wrongs) {
        all.push_back(held(id, version, who, {onAllFours, {{"sit", 1}}, onAllFours, {}, {}}, rest, std::move(wrongs)));
    };
    hold("breathing-brace", "brace", {arch, tuck, hangs, drop});
    for (const char* version : {"towel", "hand-light"}) hold("breathing-brace", version, {arch, tuck, hangs, drop});
    for (const char* version : {"breathing-brace", "towel"}) hold("arm-leg-reach", version, {arch, tuck, hangs, drop});
    for (const char* version : {"light", "push", "hand-light"})
        hold("ball-push-back", version, {arch, tuck, drop, {"chest_down", 8, "buckling", {"head-drop"}}});
}

void planks(std::vector<Scene>& all, const Person& who, bool rest) {
    const auto add = [&](const char* id, const char* version, const Pose& pose, bool knees, std::vector<Wrong> wrongs) {
        const Params at{{"on_knees", knees ? 1.0 : 0.0}};
        all.push_back(held(id, version, who, {flatOnTheFront, {}, pose, at, {}}, rest, std::move(wrongs)));
    };
    const auto wrongs = [](double sag) {
        return std::vector<Wrong>{{"hips", sag, "sag", {"arch", "head-drop", "head-back"}},
                                  {"hips", -30, "pike", {"head-drop", "head-back"}},
                                  {"tilt", 14, "arch"},
                                  {"neck", 42, "head-drop"},
                                  {"neck", -36, "head-back"},
                                  {"hunch", 5, "hunched"}};
    };
    const auto ahead = [](std::vector<Wrong> known, const char* fault) {
        const bool onTheElbows = std::string(fault) == "shoulders-past-elbows";
        known.push_back({"ahead", onTheElbows ? 14.5 : 19.0, fault, {"head-back", "head-drop"}});
        return known;
    };
    add("forearm-plank", "knees", onForearms, true, ahead(wrongs(16), "shoulders-past-elbows"));
    add("forearm-plank", "toes", onForearms, false, ahead(wrongs(24), "shoulders-past-elbows"));
    add("hand-plank", "knees", onHands, true, ahead(wrongs(24), "shoulders-past-wrists"));
    add("hand-plank", "toes", onHands, false, ahead(wrongs(24), "shoulders-past-wrists"));
    add("hand-plank", "taps", onHands, false, ahead(wrongs(24), "shoulders-past-wrists"));
    for (const char* version : {"knee-touches", "limb"})
        add("forearm-plank", version, onForearms, false, ahead(wrongs(24), "shoulders-past-elbows"));
    for (Scene& s : all)
        if (s.exercise == "hand-plank") s.wrongs.push_back({"bent", 4, "bent-arm"});
    all.push_back(
        held("hand-plank", "bench", who, {onAllFours, {{"sit", 1}}, onHands, {{"bench", 42}}, {}}, rest, wrongs(24)));
    all.back().wrongs.push_back({"bent", 4, "bent-arm"});
    all.push_back(held("forearm-plank", "wall", who, {leaningOnAWall, {}, leaningOnAWall, {{"lean", 25}}, {}}, rest,
                       {{"hips", 24, "sag", {"arch"}}, {"hips", -30, "pike"}, {"tilt", 14, "arch"}}));
}

void kneelingAndFacingDown(std::vector<Scene>& all, const Person& who, bool rest) {
    const Wrong lean{"lean", 16, "trunk-lean"}, thrown{"neck", -40, "head-back"};
    all.push_back(outAndBack("hip-stretch", "tuck", who,
                             {halfKneeling, {}, halfKneeling, {}, {{"tilt", -9}}, 1.5, 6, 1.5}, rest,
                             {lean, {"tilt", 17, "arch", {}, true, false, true}}));
    for (const char* version : {"forward", "arm"})
        all.push_back(
            outAndBack("hip-stretch", version, who,
                       {halfKneeling, {}, halfKneeling, {{"tilt", -8}}, {{"tilt", -8}, {"forward", 9}}, 1.5, 6, 1.5},
                       rest, {lean, {"tilt", 17, "arch"}}));
    for (const char* version : {"arms-down", "arms-out", "legs"})
        all.push_back(outAndBack("prone-back-raise", version, who,
                                 {flatOnTheFront, {}, facingDown, {}, {{"chest", 11}}, 1.5, 6, 1.5}, rest,
                                 {{"chest", 14, "too-high"}, thrown}));
    for (const auto& [version, knee] : {std::pair{"bent", 90.0}, {"straight", 0.0}, {"slow", 0.0}})
        all.push_back(outAndBack("bench-hip-extension", version, who,
                                 {overABench,
                                  {},
                                  overABench,
                                  {{"leg", -50}, {"knee", knee}},
                                  {{"leg", -2}, {"knee", knee}},
                                  1.5,
                                  2,
                                  std::string(version) == "slow" ? 3.0 : 1.5},
                                 false, {{"tilt", 12, "arch"}, {"leg", 20, "over-lift", {}, false, true, false}}));
    for (const auto& [version, out] : {std::pair{"wall", 20.0}, {"straight", 30.0}, {"far", 36.0}, {"angled", 30.0}})
        all.push_back(outAndBack("rollout", version, who, {rolling, {}, rolling, {}, {{"out", out}}, 2, 0.4, 2}, rest,
                                 {{"tilt", 16, "round-lost"},
                                  {"hips_back", 14, "hips-back", {"round-lost", "bent-arm", "head-back"}},
                                  {"neck", -40, "head-back"},
                                  {"bent", 5, "bent-arm"}}));
    for (const char* version : {"small", "full", "by-piece"})
        all.push_back(outAndBack(
            "round-and-release", version, who,
            {onAllFours, {{"sit", 1}}, onAllFours, {}, {{"tilt", -18}}, 1.5, 0.5, 1.5}, rest,
            {{"chest_down", 8, "chest-hangs", {"bent-arm"}}, {"chest_down", 3.6, "bent-arm", {"chest-hangs"}}}));
    for (const char* version : {"wall", "free", "walk"})
        all.push_back(held("posture-scan", version, who, {standing, {}, standing, {}, {}}, false,
                           {{"head", 14, "forward-head"},
                            {"sway", 14, "sway-back", {"leaning-back"}},
                            {"lean", -14, "leaning-back"},
                            {"locked", 6, "knee-locked"},
                            {"tilt", 24, "arched-low-back"},
                            {"hunch", 34, "round-upper-back"}}));
    for (Scene& s : all)
        if (s.exercise == "posture-scan")
            for (Wrong& w : s.wrongs) w.throughout = true;
    for (const char* version : {"feet-up", "long"})
        all.push_back(outAndBack("knees-side-to-side", version, who,
                                 {kneesFromTheFeet, {}, kneesFromTheFeet, {}, {{"turn", 35}}, 1.5, 1, 1.5}, rest,
                                 {{"shoulder", 7, "shoulder-lifts"}, {"lag", 26, "knees-part"}}));
    for (const auto& [version, knee] : {std::pair{"short", 80.0}, {"straight", 0.0}, {"long", 0.0}}) {
        all.push_back(outAndBack("leg-sweep", version, who,
                                 {sweepingOnTheSide,
                                  {{"knee", knee}},
                                  sweepingOnTheSide,
                                  {{"knee", knee}},
                                  {{"knee", knee}, {"sweep", 42}},
                                  2,
                                  1,
                                  2},
                                 rest,
                                 {{"off", 5, "back-leaves-wall"},
                                  {"tilt", 12, "arch"},
                                  {"far_straight", 30, "lower-knee-bent", {}, true, true, true, true}}));
        all.back().motion.fromAbove();
    }
    for (const char* version : {"low", "hold"})
        all.push_back(outAndBack("prone-leg-lift", version, who,
                                 {proneFromBehind,
                                  {},
                                  proneFromBehind,
                                  {},
                                  {{"foot", std::string(version) == "low" ? 10.0 : 14.0}},
                                  1.5,
                                  3,
                                  1.5},
                                 rest, {{"twist", 15, "twist"}, {"shift", 6, "shift"}}));
    for (const char* version : {"close", "far", "floor"})
        all.push_back(outAndBack("wall-turn", version, who,
                                 {atAWall, {}, atAWall, {}, {{"hips", 50}, {"shoulders", 50}}, 1.5, 2, 1.5}, rest, {}));
}

/// Filmed from elsewhere than usual.
void fromElsewhere(std::vector<Scene>& all, const Person& who, bool rest) {
    const auto add = [&](Scene scene, const char* view) {
        scene.view = view;
        all.push_back(std::move(scene));
    };
    for (const char* version : {"one-foot", "tabletop"})
        add(outAndBack("march", version, who,
                       {bridgeFromTheFeet, {}, bridgeFromTheFeet, {}, {{"foot", 32}}, 1.5, 1, 1.5}, rest,
                       {{"drop", 15, "pelvis-tips"}}),
            "foot-end");
    for (const char* version : {"small", "open", "band"})
        add(outAndBack("open-knee", version, who,
                       {kneesFromTheHead,
                        {},
                        kneesFromTheHead,
                        {},
                        {{"open", std::string(version) == "small" ? 15.0 : 35.0}},
                        1.5,
                        1,
                        1.5},
                       rest,
                       {{"roll", 18, "roll-back"}, {"behind", 10, "upper-knee-behind", {}, true, true, true, true}}),
            "head-end");
    for (const char* version : {"wide", "near"}) {
        add(held("one-leg-stand", version, who, {standing, {}, standing, {}, {}}, false,
                 {{"sway", 14, "sway-back", {"leaning-back"}},
                  {"lean", -14, "leaning-back"},
                  {"locked", 6, "knee-locked"},
                  {"tilt", -26, "tucked-standing"}}),
            "side");
        for (Wrong& w : all.back().wrongs) w.throughout = true;
    }
}

/// Versions that are another exercise's.
void theSameElsewhere(std::vector<Scene>& all) {
    const auto as = [&](const char* exercise, const char* version, const char* other) {
        for (size_t i = 0; i < all.size(); ++i)
            if (all[i].name() == other) {
                Scene same = all[i];
                same.exercise = exercise, same.version = version;
                return all.push_back(std::move(same));
            }
    };
    as("breathing-brace", "next", "arm-leg-reach/arm");
    as("march", "lower", "arm-leg-lower/one-out");
    as("pelvic-tilt", "march", "march/one-foot");
    as("prone-leg-lift", "bench", "bench-hip-extension/bent");
}

} // namespace

std::vector<Scene> scenes(const Person& who, bool rest) {
    std::vector<Scene> all;
    onTheMat(all, who, rest);
    bridges(all, who, rest);
    allFours(all, who, rest);
    planks(all, who, rest);
    onTheSideAndUp(all, who, rest);
    kneelingAndFacingDown(all, who, rest);
    theSameElsewhere(all);
    fromElsewhere(all, who, rest);
    return all;
}

} // namespace deft::test
