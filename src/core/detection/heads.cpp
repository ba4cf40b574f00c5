// SPDX-License-Identifier: GPL-3.0-or-later
#include "detection/heads.h"

#include <algorithm>
#include <opencv2/imgproc.hpp>

namespace deft {
namespace {

constexpr double kSeen = 0.2;              // score of a point of the head
constexpr double kHeadRadius = 0.45;       // of a head's circle, trunks (chosen here, from what was measured)
constexpr double kHeadRadiusGuessed = 0.6; // where no point of the head itself is seen
constexpr double kAround = 0.2;            // hair and chin beyond the outermost point, trunks
constexpr double kAboveShoulders = 0.45;   // from the shoulders to the middle of the head, trunks
constexpr double kApart = 0.5;             // marks and network are not of one head, trunks
constexpr int kMostPeople = 4;
// Another person is looked for when the network is this sure that there is one (chosen here, from what was measured).
constexpr double kPerhapsAnother = 0.15;

Head headOf(const FoundBody& body) {
    const double scale = bodyScalePx(body);
    Point2 sum = Point2::Zero();
    int seen = 0;
    for (int k = Nose; k <= EarRight; ++k)
        if (body.score(Keypoint(k)) > kSeen) sum += body.at(Keypoint(k)), ++seen;
    if (seen < 2) { // turned away: beyond the shoulders
        const Point2 up = body.shoulders() - body.hips();
        return {body.shoulders() + kAboveShoulders * scale * up.normalized(), kHeadRadiusGuessed * scale};
    }
    Head head{sum / seen, kHeadRadius * scale};
    for (int k = Nose; k <= EarRight; ++k)
        if (body.score(Keypoint(k)) > kSeen)
            head.radius = std::max(head.radius, (body.at(Keypoint(k)) - head.centre).norm() + kAround * scale);
    return head;
}

/// Hides a person, so that the next look finds another one.
void hide(cv::Mat& picture, const FoundBody& body) {
    const double room = 0.35 * bodyScalePx(body);
    std::vector<cv::Point> outline;
    for (const ScoredPoint& p : body.points)
        for (const double dx : {-room, room})
            for (const double dy : {-room, room}) outline.emplace_back(int(p.place.x() + dx), int(p.place.y() + dy));
    std::vector<cv::Point> hull;
    cv::convexHull(outline, hull);
    cv::fillConvexPoly(picture, hull, cv::mean(picture));
}

} // namespace

double bodyScalePx(const FoundBody& body) {
    const auto length = [&](Keypoint a, Keypoint b) {
        return std::min(body.score(a), body.score(b)) > kSeen ? (body.at(a) - body.at(b)).norm() : 0.0;
    };
    // Shares of the trunk, shoulders to hips, of a person of usual build: Winter, Biomechanics and Motor Control of
    // Human Movement, segment lengths over body height 0.186 (upper arm), 0.146 (forearm), 0.245 (thigh), 0.246
    // (shank), trunk 0.288; from memory, certainty about 85 %.
    double scale = body.torsoPx();
    for (const auto& [a, b, share] : {std::tuple{ShoulderLeft, ElbowLeft, 0.65},
                                      {ShoulderRight, ElbowRight, 0.65},
                                      {ElbowLeft, WristLeft, 0.51},
                                      {ElbowRight, WristRight, 0.51},
                                      {HipLeft, KneeLeft, 0.85},
                                      {HipRight, KneeRight, 0.85},
                                      {KneeLeft, AnkleLeft, 0.85},
                                      {KneeRight, AnkleRight, 0.85}})
        scale = std::max(scale, length(a, b) / share);
    return scale;
}

Result<std::vector<Head>> findHeads(KeypointNetwork& network, const cv::Mat& picture, const std::optional<Head>& marked,
                                    std::optional<FoundBody>* before) {
    std::vector<Head> heads;
    if (marked) heads.push_back(*marked);
    std::optional<FoundBody> body;
    if (before && *before) body = findBodyNear(network, picture, **before);
    const bool followed = body.has_value();
    if (!body) body = findBody(network, picture);
    if (before) {
        const double others = *before && followed ? (*before)->second : 0;
        *before = body;
        if (followed) (*before)->second = others; // only the whole picture tells
    }
    if (!body)
        return fail(Errc::NotFound, "no head was found in the picture, so nobody can say that the face is covered");
    heads.push_back(headOf(*body));
    bool agrees = !marked ||
                  (heads.back().centre - marked->centre).norm() < std::max(kApart * bodyScalePx(*body), marked->radius);
    double others = before && followed ? (*before)->second : body->second;
    for (cv::Mat rest; others > kPerhapsAnother && int(heads.size()) < kMostPeople + 1;) {
        if (rest.empty()) rest = picture.clone();
        hide(rest, *body);
        body = findBody(network, rest);
        if (!body) break;
        heads.push_back(headOf(*body));
        agrees = agrees ||
                 (heads.back().centre - marked->centre).norm() < std::max(kApart * bodyScalePx(*body), marked->radius);
        others = body->presence;
    }
    if (!agrees)
        return fail(Errc::Conflict, "the head that was found lies elsewhere than the marks say, so nobody can say that "
                                    "the face is covered; look at the marks of ear, shoulder and hip there");
    return heads;
}

} // namespace deft
