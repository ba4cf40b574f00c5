// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/scene.h"

#include "base/json.h"
#include "figure/noise.h"
#include "figure/positions.h"
#include "figure/room.h"

#include <algorithm>
#include <cmath>

namespace deft::figure {
namespace {

/// Reads one object and complains with its path.
class Reader {
public:
    Reader(const Json& json, std::string path, Message& trouble)
        : json_(json), path_(std::move(path)), trouble_(trouble) {}

    template <class T> void read(const char* key, T& value, double low = -1e9, double high = 1e9) {
        const auto it = json_.find(key);
        if (it == json_.end()) return;
        try {
            value = it->get<T>();
        } catch (const nlohmann::json::exception&) {
            complain(key, "has the wrong type");
            return;
        }
        if constexpr (std::is_arithmetic_v<T> && !std::is_same_v<T, bool>)
            if (double(value) < low || double(value) > high) complain(key, "is outside what is possible");
    }
    void colour(const char* key, Vec3& value) {
        std::string text;
        read(key, text);
        if (text.empty()) return;
        unsigned r, g, b;
        if (std::sscanf(text.c_str(), "#%2x%2x%2x", &r, &g, &b) != 3)
            return complain(key, "should be a colour like #7d5560");
        for (int i = 0; i < 3; ++i) value[i] = std::pow(float(i == 0 ? r : i == 1 ? g : b) / 255.f, 2.2f);
    }
    void complain(const std::string& key, Message what) {
        if (trouble_.empty()) trouble_ = {"{where} {what}", {{"where", path_ + "/" + key}, {"what", std::move(what)}}};
    }
    Reader under(const char* key) {
        static const Json none = Json::object();
        const auto it = json_.find(key);
        const bool object = it != json_.end() && it->is_object();
        if (it != json_.end() && !object) complain(key, "should be an object");
        return Reader(object ? *it : none, path_ + "/" + key, trouble_);
    }
    const Json& json() const { return json_; }

private:
    const Json& json_;
    std::string path_;
    Message& trouble_;
};

} // namespace

double Curve::at(double seconds) const {
    if (keys.empty()) return 0;
    if (seconds <= keys.front().first) return keys.front().second;
    for (size_t i = 1; i < keys.size(); ++i) {
        if (seconds > keys[i].first) continue;
        const double f = (seconds - keys[i - 1].first) / (keys[i].first - keys[i - 1].first);
        const double eased = f * f * f * (10 - 15 * f + 6 * f * f);
        return keys[i - 1].second + eased * (keys[i].second - keys[i - 1].second);
    }
    return keys.back().second;
}

double Scene::value(const std::string& curve, double seconds) const {
    const auto it = movement.find(curve);
    return it == movement.end() ? 0 : it->second.at(seconds);
}

std::vector<double> Scene::frameTimes() const {
    std::vector<double> times;
    double t = 0;
    for (int i = 0; t < duration_s - 1e-6; ++i) {
        times.push_back(t);
        // Phones in changing light lengthen single frames.
        t += (1 + (variableRate && hashed(i, seed, 11) > 0.6f ? 0.6 * double(hashed(i, seed, 12)) : 0)) / fps;
        t = std::round(t * 30000) / 30000;
    }
    return times;
}

Result<Scene> readScene(const std::filesystem::path& path) {
    auto json = readJsonFile(path);
    if (!json) return tl::unexpected(json.error());
    return parseScene(*json, path.string());
}

namespace {

std::string listed(const std::vector<std::string>& names) {
    std::string all;
    for (const std::string& name : names) all += (all.empty() ? "" : ", ") + name;
    return all;
}

Result<Scene> sceneFrom(const Json& json, const std::string& where) {
    if (auto ok = expectFormat(json, "deft-mirror-scene", 1, where); !ok) return tl::unexpected(ok.error());
    Scene s;
    Message trouble;
    Reader top(json, "", trouble);
    top.read("position", s.position);
    const auto& known = positionNames();
    if (std::find(known.begin(), known.end(), s.position) == known.end()) {
        top.complain("position", {"is \"{position}\"; this version makes: {known}",
                                  {{"position", s.position}, {"known", listed(known)}}});
    }
    top.read("view", s.view);
    const auto views = viewNames(s.position);
    const bool stands = std::find(views.begin(), views.end(), "rear") != views.end();
    if (!stands && (s.view == "front" || s.view == "rear")) s.view = "side"; // of a body that stands, these tell more
    if (!views.empty() && std::find(views.begin(), views.end(), s.view) == views.end())
        top.complain("view", {"is \"{view}\"; {position} is filmed from: {views}",
                              {{"view", s.view}, {"position", s.position}, {"views", listed(views)}}});
    std::string head = "left";
    top.read("head", head);
    if (head != "left" && head != "right") top.complain("head", "should be \"left\" or \"right\"");
    s.headLeft = head == "left";
    top.read("room", s.room);
    if (!roomExists(s.room)) top.complain("room", "is not a room of this program");
    top.read("feet_mh", s.feet, 400, 560);
    top.read("tremor_deg", s.tremorDeg, 0, 5);
    top.read("marks", s.marks);
    top.colour("mat", s.mat);
    Reader person = top.under("person");
    person.read("height_m", s.heightM, 1.2, 2.2);
    person.read("stickers", s.stickers);
    person.read("loose", s.loose, 0, 2);
    person.colour("skin", s.skin);
    person.colour("shirt", s.shirt);
    person.colour("leggings", s.leggings);
    person.colour("hair", s.hair);
    Reader camera = top.under("camera");
    Camera& c = s.camera;
    float distance = 3.0f, yaw = 0;
    camera.read("width", c.width, 64, 4096);
    camera.read("height", c.height, 64, 4096);
    camera.read("focal_px", c.focalPx, 50, 20000);
    camera.read("distance_m", distance, 0.5, 20);
    camera.read("height_m", c.position.y(), 0.05, 3);
    camera.read("aim_m", c.aim.y(), 0, 2);
    camera.read("yaw_deg", yaw, -80, 80);
    camera.read("roll_deg", c.rollDeg, -45, 45);
    const float a = yaw * float(M_PI) / 180;
    c.position.x() = distance * std::sin(a);
    c.position.z() = distance * std::cos(a);
    c = placed(s, c);
    Reader film = top.under("film");
    film.read("duration_s", s.duration_s, 0.03, 600);
    film.read("fps", s.fps, 1, 240);
    film.read("variable_rate", s.variableRate);
    film.read("mirrored", s.mirrored);
    film.read("rotation_deg", s.rotationDeg, 0, 270);
    film.read("grain", s.grain, 0, 0.2);
    film.read("exposure", s.exposure, 0.05, 4);
    film.read("shake_px", s.shakePx, 0, 50);
    film.read("shutter", s.shutter, 0, 1);
    film.read("crf", s.crf, 0, 51);
    film.read("seed", s.seed);
    film.read("supersample", s.supersample, 1, 3);
    film.read("room_samples", s.roomSamples, 1, 4);
    if (s.rotationDeg % 90) film.complain("rotation_deg", "should be 0, 90, 180 or 270");
    if (const auto covers = json.find("covers"); covers != json.end())
        for (const auto& one : *covers) {
            if (!one.is_array() || one.size() != 3 || !one[0].is_number() || !one[1].is_number() ||
                !one[2].is_string()) {
                top.complain("covers", "should be a list of [from seconds, to seconds, landmark]");
                break;
            }
            s.covers.push_back({one[0].get<double>(), one[1].get<double>(), one[2].get<std::string>()});
        }
    Reader movement = top.under("movement");
    const auto curves = curveNames(s.position);
    for (const auto& [name, keys] : movement.json().items()) {
        if (!curves.empty() && std::find(curves.begin(), curves.end(), name) == curves.end()) {
            movement.complain(name, {"is not a curve of {position}; there are {curves}",
                                     {{"position", s.position}, {"curves", listed(curves)}}});
        }
        Curve& curve = s.movement[name];
        for (const auto& key : keys) {
            if (!key.is_array() || key.size() != 2 || !key[0].is_number() || !key[1].is_number()) {
                movement.complain(name, "should be a list of [seconds, value]");
                break;
            }
            curve.keys.emplace_back(key[0].get<double>(), key[1].get<double>());
        }
        if (!std::is_sorted(curve.keys.begin(), curve.keys.end())) movement.complain(name, "should go forward in time");
    }
    if (!trouble.empty()) return fail(Errc::BadFormat, inPlace(where, trouble));
    return s;
}

} // namespace

Result<Scene> parseScene(const Json& json, const std::string& where) {
    return readMembers(where, [&] { return sceneFrom(json, where); });
}

} // namespace deft::figure
