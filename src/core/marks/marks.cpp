// SPDX-License-Identifier: GPL-3.0-or-later
#include "marks/marks.h"

#include "base/json.h"
#include "base/numbers.h"
#include "marks/names.h"

#include <algorithm>
#include <cmath>
#include <functional>
#include <set>

namespace deft {
namespace {

constexpr double kMostMarkingSd_px = 50;

using AddPoint = std::function<void(double, const std::string&, std::optional<Point2>)>;

/// Adds the points of a list of frames. Returns what is wrong with it; empty when nothing is.
Message readFrames(const Json& frames, const std::string& list, const AddPoint& add) {
    for (size_t i = 0; i < frames.size(); ++i) {
        const Json& frame = frames[i];
        const std::string path = "/" + list + "/" + std::to_string(i);
        if (!frame.is_object() || !frame.contains("time_s") || !frame["time_s"].is_number())
            return {"{where} should be seconds", {{"where", path + "/time_s"}}};
        if (!frame.contains("points") || !frame["points"].is_object())
            return {"{where} should be an object of landmarks", {{"where", path + "/points"}}};
        for (const auto& [name, point] : frame["points"].items()) {
            const std::string here = path + "/points/" + name;
            if (!isLandmark(name)) return {"{where} is not a landmark of this program", {{"where", here}}};
            std::optional<Point2> at;
            if (!point.is_null()) {
                if (!point.is_array() || point.size() != 2 || !point[0].is_number() || !point[1].is_number())
                    return {"{where} should be [x, y] or null", {{"where", here}}};
                at = Point2(point[0].get<double>(), point[1].get<double>());
                if (!at->allFinite()) return {"{where} is not finite", {{"where", here}}};
            }
            add(frame["time_s"].get<double>(), name, at);
        }
    }
    return {};
}

Json toJson(const std::vector<MarkedFrame>& frames) {
    Json out = Json::array();
    for (const MarkedFrame& f : frames) {
        Json points = Json::object();
        for (const auto& [name, p] : f.points)
            points[name] = p ? Json::array({rounded(p->x(), 3), rounded(p->y(), 3)}) : Json(nullptr);
        out.push_back({{"time_s", f.time_s}, {"points", points}});
    }
    return out;
}

void setIn(std::vector<MarkedFrame>& frames, double time_s, const std::string& landmark, std::optional<Point2> point) {
    auto at = std::lower_bound(frames.begin(), frames.end(), time_s - 1e-6,
                               [](const MarkedFrame& f, double t) { return f.time_s < t; });
    if (at == frames.end() || at->time_s > time_s + 1e-6) at = frames.insert(at, MarkedFrame{time_s, {}});
    at->points[landmark] = point;
}

} // namespace

void Marks::set(double time_s, const std::string& landmark, std::optional<Point2> point) {
    setIn(frames, time_s, landmark, point);
}

void Marks::unset(double time_s, const std::string& landmark) {
    for (auto it = frames.begin(); it != frames.end(); ++it) {
        if (std::abs(it->time_s - time_s) > 1e-6) continue;
        it->points.erase(landmark);
        if (it->points.empty()) frames.erase(it);
        return;
    }
}

std::vector<std::string> Marks::landmarks() const {
    std::set<std::string> names;
    for (const MarkedFrame& f : frames)
        for (const auto& [name, point] : f.points) names.insert(name);
    return {names.begin(), names.end()};
}

Result<Marks> readMarks(const std::filesystem::path& path) {
    auto json = readJsonFile(path);
    if (!json) return tl::unexpected(json.error());
    return parseMarks(*json, path.string());
}

namespace {

Result<Marks> marksFrom(const Json& json, const std::string& where) {
    if (auto ok = expectFormat(json, "deft-mirror-marks", 1, where); !ok) return tl::unexpected(ok.error());
    auto bad = [&](Message what) { return fail(Errc::BadFormat, inPlace(where, std::move(what))); };
    Marks marks;
    for (const auto& [key, value] : json.items()) {
        if (key == "format" || key == "version" || key == "frames" || key == "seeds") continue;
        if (key == "mirrored") {
            if (!value.is_boolean()) return bad("/mirrored should be true or false");
            marks.mirrored = value.get<bool>();
        } else if (key == "scale") {
            const auto length = value.is_object() ? value.find("length_cm") : value.end();
            if (!value.is_object() || length == value.end() || !length->is_number() || !(length->get<double>() > 0))
                return bad("/scale/length_cm should be a length in centimetres above 0");
            marks.scaleLengthCm = length->get<double>();
        } else if (key == "marking_sd_px") {
            if (!value.is_number() || !(value.get<double>() > 0) || value.get<double>() > kMostMarkingSd_px)
                return bad(
                    {"/marking_sd_px should be above 0 and at most {most} pixels", {{"most", kMostMarkingSd_px}}});
            marks.markingSd_px = value.get<double>();
        } else if (key == "mat") {
            const auto side = [&value = value](const char* name) {
                const auto it = value.is_object() ? value.find(name) : value.end();
                return value.is_object() && it != value.end() && it->is_number() ? it->get<double>() : 0;
            };
            marks.mat = MatSize{side("length_cm"), side("width_cm")};
            if (!(marks.mat->width_cm > 0) || !(marks.mat->length_cm > marks.mat->width_cm))
                return bad("/mat should have a length_cm, and a width_cm above 0 that is shorter");
        } else {
            marks.keep(key, value);
        }
    }
    const auto frames = json.find("frames");
    if (frames == json.end() || !frames->is_array() || frames->empty())
        return bad("/frames should list at least one marked frame");
    Message wrong = readFrames(*frames, "frames", [&](double t, const std::string& name, std::optional<Point2> at) {
        marks.set(t, name, at);
    });
    if (wrong.empty() && json.contains("seeds")) {
        if (!json["seeds"].is_array()) return bad("/seeds should be a list of frames");
        wrong = readFrames(json["seeds"], "seeds", [&](double t, const std::string& name, std::optional<Point2> at) {
            setIn(marks.seeds, t, name, at);
        });
    }
    if (!wrong.empty()) return bad(wrong);
    return marks;
}

} // namespace

Result<Marks> parseMarks(const Json& json, const std::string& where) {
    return readMembers(where, [&] { return marksFrom(json, where); });
}

void Marks::keep(const std::string& key, const Json& value) {
    std::erase_if(more, [&](const auto& m) { return m.first == key; });
    if (!value.is_null()) more.emplace_back(key, toLine(value));
}

Json Marks::kept(const std::string& key) const {
    const auto it = std::find_if(more.begin(), more.end(), [&](const auto& m) { return m.first == key; });
    return it == more.end() ? Json() : Json::parse(it->second); // it was written by toLine
}

double usualMarkingSd_px(int width, int height) { return kMarkingSd_px * std::min(width, height) / 720; }

std::vector<DoubtfulMark> doubtfulMarks(const Marks& marks, int width, int height) {
    constexpr double kNear = 2; // spreads of a mark set by hand: nearer than two of these is the same spot
    const double near = kNear * marks.markingSd_px.value_or(usualMarkingSd_px(width, height));
    std::vector<DoubtfulMark> out;
    const auto add = [&](const std::string& name, const Message& why) {
        if (std::none_of(out.begin(), out.end(), [&](const DoubtfulMark& d) { return d.name == name; }))
            out.push_back({name, why});
    };
    for (const MarkedFrame& f : marks.frames)
        for (auto a = f.points.begin(); a != f.points.end(); ++a) {
            if (!a->second || isSceneLandmark(a->first)) continue;
            const Point2& p = *a->second;
            if (p.x() < near || p.y() < near || p.x() > width - 1 - near || p.y() > height - 1 - near)
                add(a->first, "lies at the edge of the picture");
            for (auto b = std::next(a); b != f.points.end(); ++b)
                if (b->second && !isSceneLandmark(b->first) && (*b->second - p).norm() < near) {
                    add(a->first,
                        {"lies on the same spot as the {landmark}", {{"landmark", Message(landmarkWords(b->first))}}});
                    add(b->first,
                        {"lies on the same spot as the {landmark}", {{"landmark", Message(landmarkWords(a->first))}}});
                }
        }
    return out;
}

Json toJson(const Marks& marks) {
    Json json = {{"format", "deft-mirror-marks"}, {"version", 1}, {"mirrored", marks.mirrored}};
    if (marks.scaleLengthCm) json["scale"] = {{"length_cm", *marks.scaleLengthCm}};
    if (marks.markingSd_px) json["marking_sd_px"] = *marks.markingSd_px;
    if (marks.mat) json["mat"] = {{"length_cm", marks.mat->length_cm}, {"width_cm", marks.mat->width_cm}};
    json["frames"] = toJson(marks.frames);
    if (!marks.seeds.empty()) json["seeds"] = toJson(marks.seeds);
    for (const auto& [key, text] : marks.more) json[key] = Json::parse(text);
    return json;
}

Result<Marks> fitToClip(Marks marks, const ClipInfo& clip, const std::string& sha256) {
    if (const Json of = marks.kept("clip_sha256"); of.is_string() && of != sha256)
        return fail(Errc::Conflict,
                    "these marks belong to another clip; open the clip they were made on, or mark this one");
    Marks fitted = marks;
    fitted.frames.clear();
    const double step = clip.medianRateHz > 0 ? 1 / clip.medianRateHz : 1;
    for (const MarkedFrame& f : marks.frames) {
        if (f.time_s < -step || f.time_s > clip.time_s.back() + step)
            return fail(Errc::OutOfRange,
                        {"there are marks at {at}, but the clip ends at {end}; they seem to belong to another clip",
                         {{"at", Amount{f.time_s, 2, "s"}}, {"end", Amount{clip.duration_s, 2, "s"}}}});
        const double time = clip.time_s[size_t(clip.frameAt(f.time_s))];
        for (const auto& [name, p] : f.points) {
            if (p && (p->x() < -0.5 || p->y() < -0.5 || p->x() > clip.width - 0.5 || p->y() > clip.height - 0.5))
                return fail(Errc::OutOfRange,
                            {"the mark {name} at {x}, {y} lies outside the picture of {width} × {height}",
                             {{"name", name},
                              {"x", Amount{p->x(), 1}},
                              {"y", Amount{p->y(), 1}},
                              {"width", int(clip.width)},
                              {"height", int(clip.height)}}});
            fitted.set(time, name, p);
        }
    }
    return fitted;
}

bool areUnconfirmed(const Marks& marks) {
    const Json proposed = marks.kept("proposed");
    return proposed.is_object() && !proposed.empty();
}

} // namespace deft
