// SPDX-License-Identifier: GPL-3.0-or-later
#include "figure/things.h"

#include "figure/poses.h"
#include "figure/room.h"

#include <cmath>
#include <opencv2/imgproc.hpp>

namespace deft::figure {
namespace {

constexpr float kBandRadius = 0.007f; // (m)
const Vec3 kRubber(0.05f, 0.05f, 0.06f), kBlue(0.05f, 0.13f, 0.35f), kRed(0.42f, 0.07f, 0.06f);

/// Half axes of a body of rotation about a direction.
Eigen::Matrix3f about(const Vec3& axis, float along, float across) {
    const Vec3 unit = axis.normalized(), side = unit.unitOrthogonal();
    Eigen::Matrix3f m;
    m.col(0) = along * unit, m.col(1) = across * side, m.col(2) = across * unit.cross(side);
    return m;
}

/// Where a ray first meets it: distance along the ray; nothing when it passes. @param inverse of the half axes
std::optional<float> hit(const Thing& thing, const Eigen::Matrix3f& inverse, const Vec3& from, const Vec3& ray) {
    const Vec3 o = inverse * (from - thing.middle), d = inverse * ray;
    const float a = d.squaredNorm(), b = o.dot(d), c = o.squaredNorm() - 1, root = b * b - a * c;
    if (root < 0) return std::nullopt;
    const float t = (-b - std::sqrt(root)) / a;
    return t > 0 ? std::optional(t) : std::nullopt;
}

} // namespace

std::vector<Thing> thingsOf(const Scene& scene, const Posed& pose) {
    const float metre = float(scene.heightM / 1000);
    const auto inRoom = [&](const Vec3& p) { return Vec3(p * metre + Vec3(0, kMatTop, 0)); };
    const Vec3 left = pose.joint[HandLeft], right = pose.joint[HandRight], middle = (left + right) / 2;
    std::vector<Thing> things;
    if (scene.position == "rollout") {
        const Vec3 axle(middle.x(), kWheelRadius, middle.z());
        things.push_back({"wheel", inRoom(axle), about(left - right, 22 * metre, kWheelRadius * metre), kRubber});
    }
    const auto has = [&](const char* curve) { return scene.movement.count(curve) > 0; };
    if (has("band_left_deg") || has("band_right_deg")) { // held in the fists, a little beyond the wrists
        const Vec3 fistLeft = pose.carry(HandLeft, restBones()[HandLeft].joint + Vec3(30, -30, 0)),
                   fistRight = pose.carry(HandRight, restBones()[HandRight].joint + Vec3(-30, -30, 0));
        things.push_back({"", inRoom((fistLeft + fistRight) / 2),
                          about(fistLeft - fistRight, 0.5f * (fistLeft - fistRight).norm() * metre, kBandRadius),
                          kRed});
    }
    if (has("press_deg"))
        things.push_back(
            {"ball", inRoom(pressedBall(scene)), kBallRadius * metre * Eigen::Matrix3f::Identity(), kBlue});
    return things;
}

std::vector<Vec3> surfaceOf(const Thing& thing) {
    std::vector<Vec3> points;
    constexpr int kRings = 24;
    for (int i = 0; i <= kRings; ++i)
        for (int k = 0; k < 2 * kRings; ++k) {
            const float polar = float(M_PI) * float(i) / kRings, turn = float(M_PI) * float(k) / kRings;
            points.push_back(thing.middle + thing.halfAxes * Vec3(std::cos(polar), std::sin(polar) * std::cos(turn),
                                                                  std::sin(polar) * std::sin(turn)));
        }
    return points;
}

void paintThings(BodyLayer& layer, const Scene& scene, const std::vector<Thing>& things, const BodyShadows& shadows) {
    if (things.empty()) return;
    const Camera& camera = scene.camera;
    const auto S = float(layer.scale);
    const Vec3 forward = camera.axes().row(2);
    cv::Mat4f over(layer.depth.size(), cv::Vec4f(0, 0, 0, 0));
    for (const Thing& thing : things) {
        const Eigen::Matrix3f inverse = thing.halfAxes.inverse();
        Vec3 low = Vec3::Constant(1e9f), high = -low; // where it is on the film
        for (const Vec3& p : surfaceOf(thing)) {
            const Vec3 seen = camera.project(p);
            low = low.cwiseMin(seen), high = high.cwiseMax(seen);
        }
        const cv::Rect around = cv::Rect(int((low.x() - 2) * S), int((low.y() - 2) * S),
                                         int((high.x() - low.x() + 4) * S), int((high.y() - low.y() + 4) * S)) &
                                cv::Rect({}, layer.depth.size());
        cv::parallel_for_({around.y, around.br().y}, [&](const cv::Range& rows) {
            for (int y = rows.start; y < rows.end; ++y)
                for (int x = around.x; x < around.br().x; ++x) {
                    const Vec3 ray = camera.ray((float(x) + 0.5f) / S - 0.5f, (float(y) + 0.5f) / S - 0.5f);
                    const auto t = hit(thing, inverse, camera.position, ray);
                    if (!t || *t * ray.dot(forward) >= layer.depth(y, x)) continue;
                    const Vec3 place = camera.position + *t * ray;
                    const Vec3 normal = (inverse.transpose() * (inverse * (place - thing.middle))).normalized();
                    const Received l = shadows.at(place + 0.012f * normal, normal, 0.016f, 0.1f);
                    const Vec3 out = thing.colour * (kSkyGain * l.sky + kKeyGain * l.key + 0.1f) +
                                     Vec3::Constant(0.02f) * std::pow(1 + ray.dot(normal), 3.f) * (l.sky + l.key);
                    layer.depth(y, x) = *t * ray.dot(forward);
                    over(y, x) = {out.z(), out.y(), out.x(), 1};
                }
        });
    }
    cv::Mat4f seen = over;
    if (layer.scale > 1) cv::resize(over, seen, layer.picture.size(), 0, 0, cv::INTER_AREA);
    for (int y = 0; y < seen.rows; ++y)
        for (int x = 0; x < seen.cols; ++x)
            if (const float share = seen(y, x)[3]; share > 0)
                layer.picture(y, x) = seen(y, x) + layer.picture(y, x) * (1 - share);
}

} // namespace deft::figure
