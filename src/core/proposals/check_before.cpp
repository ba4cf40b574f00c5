// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposals/check_before.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

constexpr double kSharp = 0.5; // of the blur measure: a picture smeared over about 3 px

std::string listed(const std::vector<std::string>& words, const char* between) {
    std::string out;
    for (const std::string& w : words) out += (out.empty() ? "" : between) + w;
    return out;
}

int droppedFrames(const ClipInfo& clip) {
    const double step = clip.medianRateHz > 0 ? 1 / clip.medianRateHz : 0;
    int dropped = 0;
    for (size_t i = 1; i < clip.time_s.size() && step > 0; ++i)
        dropped += std::max(0, int(std::lround((clip.time_s[i] - clip.time_s[i - 1]) / step)) - 1);
    return dropped;
}

} // namespace

std::vector<ClipCheck> checkBefore(const ClipInfo& clip, const PictureQuality& q, const std::optional<BodyFacts>& body,
                                   bool searched, const Exercise* exercise, std::optional<double> rollDeg) {
    std::vector<ClipCheck> out;
    out.push_back(gradedCheck("length",
                              clip.duration_s < 2     ? "unusable"
                              : clip.duration_s > 180 ? "poor"
                                                      : "good",
                              clip.duration_s, "s",
                              clip.duration_s < 2 ? "Please send the whole set, not a moment of it."
                                                  : "Please send one set a clip.",
                              "everything"));
    out.push_back(frameRateCheck(clip));
    const int dropped = droppedFrames(clip);
    const double share = 100.0 * dropped / double(clip.frames() + dropped);
    out.push_back(
        gradedCheck("dropped-frames", graded(share, 3, 25), share, "%",
                    "Please send the clip as the phone recorded it, not one that a chat program has squeezed.",
                    "times of holds and breaks"));
    out.push_back(gradedCheck("picture-size", graded(std::min(clip.width, clip.height), 480, 240),
                              std::min(clip.width, clip.height), "px", "Please send the clip in full size.",
                              "every mark"));
    // Luma of most clips runs from 16 to 235. A dark picture is kept by most phones by raising the grain.
    out.push_back(gradedCheck("light", q.light > 218 ? "poor" : graded(q.light, 55, 28), q.light, "",
                              q.light > 218 ? "Please turn away from the bright window."
                                            : "Please switch on a light in front of you.",
                              "every mark"));
    out.push_back(gradedCheck("grain", graded(q.noise, 9, 25), q.noise, "", "More light would make the picture calmer.",
                              "every mark"));
    out.push_back(
        gradedCheck("sharpness", graded(q.blur, kSharp, 0.66), q.blur, "",
                    "Please wipe the lens and tap on yourself in the picture before recording, so that it is sharp.",
                    "every mark"));
    if (q.blur <= kSharp)
        out.push_back(gradedCheck("motion-blur", q.worstBlur - q.blur > 0.18 ? "poor" : "good", q.worstBlur - q.blur,
                                  "", "More light, or a slower movement, would keep the picture sharp while you move.",
                                  "fast parts of the movement"));
    const double shake = 100 * q.shakePx / clip.width;
    out.push_back(gradedCheck("camera-still", graded(shake, 0.5, 6), shake, "%",
                              "Please put the phone on a firm support; nobody should hold it.",
                              "angles against the mat"));
    out.push_back(stillStartCheck(q.still_s));
    out.push_back(levelCheck(rollDeg));
    if (!body) {
        const char* ask = searched
                              ? "Please film so that your whole body can be seen from the side, with nothing in front."
                              : "Look yourself: view, framing and how many people were not looked for.";
        out.push_back({"in-frame", searched ? "poor" : "unknown", 0, "", ask, "everything"});
        return out;
    }
    out.push_back(gradedCheck(
        "in-frame", body->cutAt.empty() ? "good" : "poor", double(body->cutAt.size()), "",
        "Please move the phone back until your whole body fits with a hand's width to spare: too near at the " +
            listed(body->cutAt, " and ") + ".",
        "what leaves the picture"));
    out.push_back(gradedCheck("one-person", body->anotherPerson ? "poor" : "good", body->anotherPerson ? 2 : 1, "",
                              "Please film yourself alone in the picture.", "marks that change to the other person"));
    if (exercise) {
        const auto& views = exercise->views;
        const auto isSeenFromAnEnd = [](const std::string& name) { // where the body finder tells no view
            const View view = viewOf(name);
            return isEnd(view) || view == View::Above;
        };
        const bool suits = std::find(views.begin(), views.end(), body->view) != views.end() ||
                           std::any_of(views.begin(), views.end(), isSeenFromAnEnd);
        out.push_back(gradedCheck("view", suits ? "good" : "unusable", suits ? 0 : 1, "",
                                  "Please film this exercise from: " + listed(views, " or ") +
                                      "; this clip shows the " + body->view + ".",
                                  "everything"));
    }
    return out;
}

} // namespace deft
