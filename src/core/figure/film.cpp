// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/film.h"

#include "base/files.h"
#include "base/json.h"
#include "base/numbers.h"
#include "base/units.h"
#include "figure/body_painter.h"
#include "figure/cloth.h"
#include "figure/handling.h"
#include "figure/light.h"
#include "figure/noise.h"
#include "figure/positions.h"
#include "figure/room.h"
#include "figure/things.h"
#include "video/clip_writer.h"

#include <mutex>
#include <opencv2/imgproc.hpp>

namespace deft::figure {
namespace {

const Mesh& bodyMesh() {
    static const Mesh mesh = buildBodyMesh(5.2f);
    return mesh;
}

double jointDeg(const Vec3& a, const Vec3& b, const Vec3& c) {
    const Vec3 u = a - b, v = c - b;
    return degrees(double(std::atan2(u.cross(v).norm(), u.dot(v))));
}

/// @param side 0 the left one is read, 1 the right one
TrueBody trueBody(const Posed& pose, const Bearings& b, int side) {
    const int o = side * (ClavicleRight - ClavicleLeft);
    const Vec3 hip = pose.joint[ThighLeft + o], shoulder = pose.joint[UpperArmLeft + o], trunk = shoulder - hip;
    auto towardFront = [&](const Vec3& d) { return degrees(double(std::atan2(d.dot(b.front), d.dot(b.cranial)))); };
    TrueBody body;
    body.tilt_deg = towardFront(pose.turn[Pelvis] * Vec3::UnitY());
    body.pelvis_on_trunk_deg = body.tilt_deg - towardFront(trunk);
    const bool lying = std::abs(b.cranial.y()) < 0.5f;
    body.trunk_deg = lying ? degrees(double(std::atan2(trunk.y(), trunk.dot(b.cranial)))) : towardFront(trunk);
    body.hip_deg = jointDeg(shoulder, hip, pose.joint[ShankLeft + o]);
    body.knee_deg = jointDeg(hip, pose.joint[ShankLeft + o], pose.joint[FootLeft + o]);
    return body;
}

constexpr float kUnderCloth = 0.08f; // m; what lies nearer to the camera than that hides a landmark

/// Light to 8 bits: exposure, a gentle shoulder, display gamma.
uchar developed(float light) {
    const float x = std::max(0.f, light);
    const float toned = x * (1 + x * 0.12f) / (1 + x * 0.42f);
    return cv::saturate_cast<uchar>(255 * std::pow(std::min(1.f, toned * 1.12f), 1 / 2.2f));
}

} // namespace

struct FilmStudio::Set {
    Scene scene;
    Bearings bearings;
    int near = 0; ///< side toward the camera: 0 left, 1 right
    Skin skin{bodyMesh()};
    RoomPicture room;
    std::map<std::string, SkinPoint> landmarks;
    std::vector<Sticker> stickers;
    std::vector<float> restArea;  ///< mean edge length at rest, for the wrinkles
    std::unique_ptr<Cloth> cloth; ///< null = the clothes lie on the skin
    std::mutex wearing;           ///< the cloth goes on from frame to frame
};

FilmStudio::FilmStudio(const Scene& scene) : set_(std::make_unique<Set>()) {
    Set& s = *set_;
    s.scene = scene;
    const Mesh& mesh = bodyMesh();
    s.room = renderRoom(scene.room, scene.camera, scene.mat, scene.roomSamples, blocksOf(scene));
    s.bearings = bearings(scene);
    const Vec3 left = s.bearings.cranial.cross(s.bearings.front);
    s.near = (scene.view == "above" ? left.y() : left.z()) > 0 ? 0 : 1;
    auto add = [&](const RestLandmark& l, int side, const std::string& ending) {
        const SkinPoint p = nearestOnSkin(mesh, Vec3(side ? -l.point.x() : l.point.x(), l.point.y(), l.point.z()));
        s.landmarks[l.name + ending] = p;
        if (scene.stickers && l.sticker)
            s.stickers.push_back({p.on(mesh, mesh.rest), Vec3(0.3f, 1, 0.2f).normalized()});
    };
    for (const RestLandmark& l : restLandmarks()) {
        if (!s.bearings.bothSides || l.midline)
            add(l, s.near, "");
        else
            for (const int side : {0, 1}) add(l, side, side ? "_r" : "_l");
    }
    if (scene.loose > 0)
        s.cloth = std::make_unique<Cloth>(mesh, float(scene.loose),
                                          [&s](double seconds) { return s.skin.posed(poseAt(s.scene, seconds), 0); });
    const auto& rest = s.cloth ? s.cloth->rest() : mesh.rest;
    for (size_t i = 0; i < mesh.rest.size(); ++i) {
        float sum = 0;
        for (const int n : mesh.neighbours[i]) sum += (rest[n] - rest[i]).norm();
        s.restArea.push_back(sum);
    }
}

FilmStudio::~FilmStudio() = default;

FilmedFrame FilmStudio::frame(double seconds) const {
    const Set& s = *set_;
    const Scene& scene = s.scene;
    const Mesh& mesh = bodyMesh();
    const auto metre = float(scene.heightM / 1000);
    const Posed pose = poseAt(scene, seconds);
    auto skinPoints = s.skin.posed(pose, 0);
    auto points = skinPoints;
    if (s.cloth) {
        const std::lock_guard lock(set_->wearing);
        points = s.cloth->worn(seconds, skinPoints);
    }
    std::vector<float> crease(points.size());
    for (size_t i = 0; i < points.size(); ++i) {
        float sum = 0;
        for (const int n : mesh.neighbours[i]) sum += (points[n] - points[i]).norm();
        const float squeezed = std::clamp(1 - sum / s.restArea[i], 0.f, 0.5f);
        const float folds = std::sin(mesh.rest[i].y() * 0.62f + 5 * valueNoise(mesh.rest[i] / 24.f));
        crease[i] = squeezed * (0.25f + 0.55f * folds * folds);
    }
    for (auto* surface : {&points, &skinPoints})
        for (Vec3& p : *surface) p = p * metre + Vec3(0, kMatTop, 0);
    const auto normals = vertexNormals(mesh, points);
    const auto skinNormals = s.cloth ? vertexNormals(mesh, skinPoints) : normals;
    const std::vector<Thing> things = thingsOf(scene, pose);
    auto casting = points;
    for (const Thing& thing : things) {
        const auto surface = surfaceOf(thing);
        casting.insert(casting.end(), surface.begin(), surface.end());
    }
    const BodyShadows shadows(casting);
    std::vector<Received> light(points.size());
    cv::parallel_for_({0, int(points.size())}, [&](const cv::Range& range) {
        for (int i = range.start; i < range.end; ++i) {
            const bool skin = materialAt(mesh.rest[i]) == Material::Skin;
            light[i] = shadows.at(points[i] + normals[i] * 0.012f, normals[i], 0.016f, skin ? 0.22f : 0.08f);
        }
    });
    relax(mesh, light, 0.6f, 4);

    BodyLayer body = paintBody(scene, mesh, points, normals, light, crease, s.stickers);
    paintThings(body, scene, things, shadows);

    // The body's shadow on mat and floor, on a coarse grid of places.
    constexpr float gx0 = -1.6f, gz0 = -1.0f, step = 0.018f;
    constexpr int gw = 178, gh = 112;
    cv::Mat2f shade(gh, gw);
    const Received open = BodyShadows({Vec3(0, -9, 0), Vec3(0.01f, -9, 0)}).at({0, 0, 0}, Vec3::UnitY(), 0);
    cv::parallel_for_({0, gh}, [&](const cv::Range& rows) {
        for (int j = rows.start; j < rows.end; ++j)
            for (int i = 0; i < gw; ++i) {
                const Received r =
                    shadows.at({gx0 + step * float(i), kMatTop, gz0 + step * float(j)}, Vec3::UnitY(), 0.006f);
                shade(j, i) = {r.sky / open.sky, r.key / open.key};
            }
    });
    cv::GaussianBlur(shade, shade, {3, 3}, 0.8);

    const Camera& camera = scene.camera;
    cv::Mat3f picture(camera.height, camera.width);
    for (int y = 0; y < camera.height; ++y)
        for (int x = 0; x < camera.width; ++x) {
            float sky = 1, key = 1;
            const cv::Vec2f spot = s.room.floorSpot(y, x);
            if (!std::isnan(spot[0])) {
                const float fx = (spot[0] - gx0) / step, fy = (spot[1] - gz0) / step;
                const int i = int(fx), j = int(fy);
                if (fx >= 0 && fy >= 0 && i + 1 < gw && j + 1 < gh) {
                    const float u = fx - float(i), v = fy - float(j);
                    const cv::Vec2f m = (shade(j, i) * (1 - u) + shade(j, i + 1) * u) * (1 - v) +
                                        (shade(j + 1, i) * (1 - u) + shade(j + 1, i + 1) * u) * v;
                    sky = m[0], key = m[1];
                }
            }
            const cv::Vec4f over = body.picture(y, x);
            const cv::Vec3f under = s.room.sky(y, x) * (kSkyGain * sky) + s.room.key(y, x) * (kKeyGain * key);
            picture(y, x) = cv::Vec3f(over[0], over[1], over[2]) + under * (1 - over[3]);
        }
    cv::GaussianBlur(picture, picture, {3, 3}, 0.5);

    FilmedFrame out;
    out.picture.create(camera.height, camera.width, CV_8UC3);
    // Grain differs in each frame and is the same each time the frame is made.
    cv::RNG grain(uint64_t(scene.seed) * 7919u + uint64_t(std::llround(seconds * 30000)) + 1);
    cv::Mat3f noise(camera.height, camera.width);
    grain.fill(noise, cv::RNG::NORMAL, 0, scene.grain * 255);
    for (int y = 0; y < camera.height; ++y)
        for (int x = 0; x < camera.width; ++x) {
            const float dx = (float(x) / float(camera.width) - 0.5f), dy = (float(y) / float(camera.height) - 0.5f);
            const float vignette = float(scene.exposure) * (1 - 0.28f * (dx * dx + dy * dy));
            for (int c = 0; c < 3; ++c)
                out.picture.at<cv::Vec3b>(y, x)[c] =
                    cv::saturate_cast<uchar>(float(developed(picture(y, x)[c] * vignette)) + noise(y, x)[c]);
        }

    for (const auto& [name, skinPoint] : s.landmarks) {
        // Under loose clothes the landmark stays on the skin: what the camera sees there is cloth.
        const Vec3 place = skinPoint.on(mesh, skinPoints), seen = camera.project(place);
        const Vec3 n = skinPoint.on(mesh, skinNormals).normalized();
        TruePoint p{double(seen.x()), double(seen.y()), n.dot((camera.position - place).normalized()) > 0.12f};
        const int sx = int(std::lround((seen.x() + 0.5f) * float(body.scale) - 0.5f)),
                  sy = int(std::lround((seen.y() + 0.5f) * float(body.scale) - 0.5f));
        if (sx < 0 || sy < 0 || sx >= body.depth.cols || sy >= body.depth.rows)
            p.visible = false;
        else if (body.depth(sy, sx) < seen.z() - (s.cloth ? kUnderCloth : 0.012f))
            p.visible = false;
        out.points[name] = p;
    }
    for (const Thing& thing : things) {
        const Vec3 seen = camera.project(thing.middle);
        if (!thing.landmark.empty()) out.points[thing.landmark] = {double(seen.x()), double(seen.y()), true};
    }
    for (const auto& [name, bone] : {std::pair{"shoulder", UpperArmLeft},
                                     {"elbow", ForearmLeft},
                                     {"wrist", HandLeft},
                                     {"hip", ThighLeft},
                                     {"knee", ShankLeft},
                                     {"ankle", FootLeft}})
        for (const int side : {0, 1}) {
            const Vec3 joint = pose.joint[bone + side * (ClavicleRight - ClavicleLeft)];
            const Vec3 seen = camera.project(joint * metre + Vec3(0, kMatTop, 0));
            out.joints[std::string(name) + (side ? "_r" : "_l")] = {double(seen.x()), double(seen.y()), true};
        }
    for (const auto& [name, rest] : {std::pair{"nose", Vec3(0, 908, 72)},
                                     {"mouth", Vec3(0, 890, 60)},
                                     {"eye_l", Vec3(17, 921, 52)},
                                     {"eye_r", Vec3(-17, 921, 52)},
                                     {"ear_l", Vec3(51, 915, -8)},
                                     {"ear_r", Vec3(-51, 915, -8)}}) {
        const Vec3 seen = camera.project(pose.carry(Head, rest) * metre + Vec3(0, kMatTop, 0));
        out.face[name] = {double(seen.x()), double(seen.y()), true};
    }
    // The mat line under the near side of the body: where near foot and near shoulder stand on the mat.
    for (const auto& [name, x] :
         {std::pair{"floor_a", scene.headLeft ? 0.62f : -0.62f}, {"floor_b", scene.headLeft ? -0.72f : 0.72f}}) {
        const Vec3 seen = camera.project({x, kMatTop, 0.13f});
        out.points[name] = {double(seen.x()), double(seen.y()), true};
    }
    const std::pair<const char*, std::pair<float, float>> corners[] = {
        {"mat_a", {-1, 1}}, {"mat_b", {1, 1}}, {"mat_c", {1, -1}}, {"mat_d", {-1, -1}}};
    for (const auto& [name, at] : corners) {
        const Vec3 seen = camera.project({at.first * kMatLength / 2, kMatTop, at.second * kMatWidth / 2});
        const bool inside = seen.x() >= 0 && seen.y() >= 0 && seen.x() <= float(camera.width - 1) &&
                            seen.y() <= float(camera.height - 1);
        out.points[name] = {double(seen.x()), double(seen.y()), inside};
    }
    out.body = trueBody(pose, s.bearings, s.near);
    if (scene.mirrored) {
        cv::flip(out.picture, out.picture, 1);
        for (auto* places : {&out.points, &out.joints, &out.face})
            for (auto& [name, p] : *places) p.x = camera.width - 1 - p.x;
    }
    return out;
}

Result<std::vector<std::string>> filmScene(const Scene& scene, const std::filesystem::path& clip, StopToken stop,
                                           const ProgressFn& progress) {
    WriterOptions options;
    const bool turned = scene.rotationDeg % 180;
    options.width = turned ? scene.camera.height : scene.camera.width;
    options.height = turned ? scene.camera.width : scene.camera.height;
    options.rotationDeg = scene.rotationDeg;
    options.crf = scene.crf;
    auto writer = ClipWriter::create(clip, options);
    if (!writer) return tl::unexpected(writer.error());
    const FilmStudio studio(scene);
    std::string truth;
    Json marks;
    std::vector<std::string> outside;
    const auto times = scene.frameTimes();
    auto number = [](double v) { return "," + fixed(v, 3); };
    for (size_t i = 0; i < times.size(); ++i) {
        if (stop.stop_requested()) return fail(Errc::Cancelled, "filming was stopped; nothing was kept");
        const FilmedFrame f = handledFrame(studio, scene, times[i]);
        cv::Mat stored = f.picture;
        switch (scene.rotationDeg) { // stored turned back, so that the metadata makes it upright
        case 90:
            cv::rotate(f.picture, stored, cv::ROTATE_90_COUNTERCLOCKWISE);
            break;
        case 180:
            cv::rotate(f.picture, stored, cv::ROTATE_180);
            break;
        case 270:
            cv::rotate(f.picture, stored, cv::ROTATE_90_CLOCKWISE);
            break;
        default:
            break;
        }
        if (auto ok = writer->add(stored, times[i]); !ok) return tl::unexpected(ok.error());
        if (i == 0) {
            truth = "frame,time_s";
            for (const auto& [name, p] : f.points) truth += "," + name + "_x," + name + "_y," + name + "_visible";
            truth += ",bone_tilt,bone_pelvis_on_trunk,bone_trunk,bone_hip_angle,bone_knee_angle\n";
            Json points = Json::object();
            for (const auto& [name, p] : f.points) {
                // Corners of the mat are marked only where a scene asks for them, as a coach would.
                const bool wanted = scene.marks.empty()
                                        ? p.visible && !name.starts_with("mat_")
                                        : std::find(scene.marks.begin(), scene.marks.end(), name) != scene.marks.end();
                if (!wanted) continue;
                if (p.x < 0 || p.y < 0 || p.x > scene.camera.width - 1 || p.y > scene.camera.height - 1)
                    outside.push_back(name); // no coach can mark what is not in the picture
                else
                    points[name] = {rounded(p.x, 2), rounded(p.y, 2)};
            }
            marks = {{"format", "deft-mirror-marks"},
                     {"version", 1},
                     {"mirrored", scene.mirrored},
                     {"frames", {{{"time_s", times[0]}, {"points", points}}}}};
            if (points.contains("mat_a"))
                marks["mat"] = {{"length_cm", std::lround(100 * kMatLength)},
                                {"width_cm", std::lround(100 * kMatWidth)}};
        }
        truth += std::to_string(i) + "," + fixed(times[i], 6);
        for (const auto& [name, p] : f.points) truth += number(p.x) + number(p.y) + (p.visible ? ",1" : ",0");
        const TrueBody& b = f.body;
        for (const double v : {b.tilt_deg, b.pelvis_on_trunk_deg, b.trunk_deg, b.hip_deg, b.knee_deg})
            truth += number(v);
        truth += "\n";
        if (progress) progress({int64_t(i + 1), int64_t(times.size()), "filming"});
    }
    if (auto ok = writer->finish(); !ok) return tl::unexpected(ok.error());
    auto beside = [&](const char* ending) { return std::filesystem::path(clip).replace_extension(ending); };
    if (auto ok = writeFileAtomically(beside(".truth.csv"), truth); !ok) return tl::unexpected(ok.error());
    return writeFileAtomically(beside(".marks.json"), toText(marks)).map([&] { return outside; });
}

} // namespace deft::figure
