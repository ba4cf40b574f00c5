#include "checks/clip_check.h"

#include "base/json.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

constexpr double kSharp = 0.5; // of the blur measure: a picture smeared over about 3 px

/// Good up to one limit, poor up to the next.
const char* graded(double value, double good, double poor) {
    const bool falling = good > poor; // larger is better
    if (falling ? value >= good : value <= good) return "good";
    return (falling ? value >= poor : value <= poor) ? "poor" : "unusable";
}

ClipCheck check(std::string id, const char* verdict, double value, std::string unit, std::string ask,
                std::string suffers) {
    if (std::string_view(verdict) == "good") ask.clear(), suffers.clear();
    return {std::move(id), verdict, value, std::move(unit), std::move(ask), std::move(suffers)};
}

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

ClipCheck frameRateCheck(const ClipInfo& clip) {
    return check("frame-rate", graded(clip.medianRateHz, 24, 12), clip.medianRateHz, "1/s",
                 "Please record with 30 frames a second or more.", "times of holds and breaks");
}

ClipCheck levelCheck(std::optional<double> roll) {
    if (!roll)
        return {"level",
                "unknown",
                0,
                "deg",
                "Mark the mat line, or ask for a clip that shows the edge of the mat.",
                "angles against the mat"};
    return check("level", graded(std::abs(*roll), 5, 15), *roll, "deg",
                 "Please level the phone: the edge of the mat should run straight across the picture.",
                 "angles against the mat");
}

ClipCheck squareCheck(double turnDeg) {
    return check("camera-square", graded(turnDeg, 10, 30), turnDeg, "deg",
                 "Please put the phone so that it looks at you exactly from the side, level with your hips.",
                 "every angle; their bands are wider");
}

ClipCheck stillStartCheck(double still_s) {
    return check("still-start", still_s >= 1 ? "good" : "poor", still_s, "s",
                 "Please stay still for three seconds before the first movement.", "everything told against the start");
}

std::vector<ClipCheck> checkBefore(const ClipInfo& clip, const PictureQuality& q, const std::optional<BodyFacts>& body,
                                   bool searched, const Exercise* exercise, std::optional<double> rollDeg) {
    std::vector<ClipCheck> out;
    out.push_back(
        check("length",
              clip.duration_s < 2     ? "unusable"
              : clip.duration_s > 180 ? "poor"
                                      : "good",
              clip.duration_s, "s",
              clip.duration_s < 2 ? "Please send the whole set, not a moment of it." : "Please send one set a clip.",
              "everything"));
    out.push_back(frameRateCheck(clip));
    const int dropped = droppedFrames(clip);
    const double share = 100.0 * dropped / double(clip.frames() + dropped);
    out.push_back(check("dropped-frames", graded(share, 3, 25), share, "%",
                        "Please send the clip as the phone recorded it, not one that a chat program has squeezed.",
                        "times of holds and breaks"));
    out.push_back(check("picture-size", graded(std::min(clip.width, clip.height), 480, 240),
                        std::min(clip.width, clip.height), "px", "Please send the clip in full size.", "every mark"));
    // Luma of most clips runs from 16 to 235. A dark picture is kept by most phones by raising the grain.
    out.push_back(
        check("light", q.light > 218 ? "poor" : graded(q.light, 55, 28), q.light, "",
              q.light > 218 ? "Please turn away from the bright window." : "Please switch on a light in front of you.",
              "every mark"));
    out.push_back(
        check("grain", graded(q.noise, 9, 25), q.noise, "", "More light would make the picture calmer.", "every mark"));
    out.push_back(
        check("sharpness", graded(q.blur, kSharp, 0.66), q.blur, "",
              "Please wipe the lens and tap on yourself in the picture before recording, so that it is sharp.",
              "every mark"));
    if (q.blur <= kSharp)
        out.push_back(check("motion-blur", q.worstBlur - q.blur > 0.18 ? "poor" : "good", q.worstBlur - q.blur, "",
                            "More light, or a slower movement, would keep the picture sharp while you move.",
                            "fast parts of the movement"));
    const double shake = 100 * q.shakePx / clip.width;
    out.push_back(check("camera-still", graded(shake, 0.5, 6), shake, "%",
                        "Please put the phone on a firm support; nobody should hold it.", "angles against the mat"));
    out.push_back(stillStartCheck(q.still_s));
    out.push_back(levelCheck(rollDeg));
    if (!body) {
        const char* ask = searched
                              ? "Please film so that your whole body can be seen from the side, with nothing in front."
                              : "Look yourself: view, framing and how many people were not looked for.";
        out.push_back({"in-frame", searched ? "poor" : "unknown", 0, "", ask, "everything"});
        return out;
    }
    out.push_back(
        check("in-frame", body->cutAt.empty() ? "good" : "poor", double(body->cutAt.size()), "",
              "Please move the phone back until your whole body fits with a hand's width to spare: too near at the " +
                  listed(body->cutAt, " and ") + ".",
              "what leaves the picture"));
    out.push_back(check("one-person", body->anotherPerson ? "poor" : "good", body->anotherPerson ? 2 : 1, "",
                        "Please film yourself alone in the picture.", "marks that change to the other person"));
    if (exercise) {
        const auto& views = exercise->views;
        const auto isSeenFromAnEnd = [](const std::string& name) { // where the body finder tells no view
            const View view = viewOf(name);
            return isEnd(view) || view == View::Above;
        };
        const bool suits = std::find(views.begin(), views.end(), body->view) != views.end() ||
                           std::any_of(views.begin(), views.end(), isSeenFromAnEnd);
        out.push_back(check("view", suits ? "good" : "unusable", suits ? 0 : 1, "",
                            "Please film this exercise from: " + listed(views, " or ") + "; this clip shows the " +
                                body->view + ".",
                            "everything"));
    }
    return out;
}

std::string verdictOf(const std::vector<ClipCheck>& checks) {
    for (const char* v : {"unusable", "poor", "unknown"})
        if (std::any_of(checks.begin(), checks.end(), [&](const ClipCheck& c) { return c.verdict == v; })) return v;
    return "good";
}

Json toJson(const std::vector<ClipCheck>& checks) {
    Json all = Json::array();
    for (const ClipCheck& c : checks) {
        Json one = {
            {"id", c.id}, {"verdict", c.verdict}, {"value", rounded(c.value, 3)}, {"unit", c.unit}, {"ask", c.ask}};
        if (!c.suffers.empty()) one["suffers"] = c.suffers;
        all.push_back(std::move(one));
    }
    return all;
}

std::vector<ClipCheck> checksFrom(const Json& json) {
    std::vector<ClipCheck> checks;
    for (const Json& c : json)
        checks.push_back({c.value("id", ""), c.value("verdict", "unknown"), c.value("value", 0.0), c.value("unit", ""),
                          c.value("ask", ""), c.value("suffers", "")});
    return checks;
}

} // namespace deft
