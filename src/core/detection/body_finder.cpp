// SPDX-License-Identifier: GPL-3.0-or-later
#include "detection/body_finder.h"

#include "base/units.h"

#include <algorithm>
#include <opencv2/imgproc.hpp>

namespace deft {
namespace {

// Of the score before: as good a find. Chosen here; moments later the same body scores somewhat less while it moves.
constexpr double kAsSure = 0.9, kAsSureLater = 0.8;

/// A square window into the picture: its middle, its side (px of the picture) and how far it is turned clockwise.
struct Window {
    Point2 middle;
    double side = 0, turnRad = 0;

    Point2 toPicture(const Point2& inSquare) const {
        constexpr double half = (KeypointNetwork::kSide - 1) / 2.0;
        const Point2 q = (inSquare - Point2(half, half)) * (side / KeypointNetwork::kSide);
        const double c = std::cos(turnRad), s = std::sin(turnRad);
        return middle + Point2(c * q.x() - s * q.y(), s * q.x() + c * q.y());
    }
};

cv::Mat cutOut(const cv::Mat& picture, const Window& window) {
    // Shrunk by averaging first, so that turning samples no finer than the square needs.
    const double shrink = std::min(1.0, KeypointNetwork::kSide / window.side);
    cv::Mat small = picture;
    if (shrink < 1) cv::resize(picture, small, {}, shrink, shrink, cv::INTER_AREA);
    const double scaleX = double(small.cols) / picture.cols, scaleY = double(small.rows) / picture.rows;
    auto inSmall = [&](double x, double y) {
        const Point2 p = window.toPicture({x, y});
        return cv::Point2f(float((p.x() + 0.5) * scaleX - 0.5), float((p.y() + 0.5) * scaleY - 0.5));
    };
    constexpr float end = KeypointNetwork::kSide - 1;
    const cv::Point2f from[] = {{0, 0}, {end, 0}, {0, end}};
    const cv::Point2f to[] = {inSmall(0, 0), inSmall(end, 0), inSmall(0, end)};
    cv::Mat square;
    cv::warpAffine(small, square, cv::getAffineTransform(from, to), {KeypointNetwork::kSide, KeypointNetwork::kSide},
                   cv::INTER_LINEAR | cv::WARP_INVERSE_MAP, cv::BORDER_CONSTANT);
    return square;
}

FoundBody look(KeypointNetwork& network, const cv::Mat& picture, const Window& window) {
    const KeypointPass pass = network.pass(cutOut(picture, window));
    FoundBody body;
    body.presence = pass.presence;
    body.second = pass.second;
    for (size_t k = 0; k < kKeypoints; ++k)
        body.points[k] = {window.toPicture(pass.points[k].place), pass.points[k].score};
    return body;
}

/// Window around the joints that were found, with the trunk upright in it.
Window around(const FoundBody& body) {
    const Point2 up = body.shoulders() - body.hips();
    Window w;
    w.turnRad = std::atan2(up.x(), -up.y());
    const double c = std::cos(w.turnRad), s = std::sin(w.turnRad);
    Point2 low(1e9, 1e9), high(-1e9, -1e9);
    for (const ScoredPoint& p : body.points) {
        if (p.score < 0.15) continue;
        const Point2 q(c * p.place.x() + s * p.place.y(), -s * p.place.x() + c * p.place.y());
        low = low.cwiseMin(q), high = high.cwiseMax(q);
    }
    const Point2 q = (low + high) / 2;
    w.middle = {c * q.x() - s * q.y(), s * q.x() + c * q.y()};
    w.side = 1.35 * std::max((high - low).maxCoeff(), 2.0 * body.torsoPx());
    return w;
}

} // namespace

double FoundBody::torsoPx() const { return (shoulders() - hips()).norm(); }

double FoundBody::bodyScore() const {
    double sum = 0;
    for (int k = ShoulderLeft; k < kKeypoints; ++k) sum += score(Keypoint(k));
    return sum / (kKeypoints - ShoulderLeft);
}

std::optional<FoundBody> findBody(KeypointNetwork& network, const cv::Mat& picture, const FoundBody* before) {
    Window whole{Point2((picture.cols - 1) / 2.0, (picture.rows - 1) / 2.0),
                 double(std::max(picture.cols, picture.rows)), 0};
    double second = 0; // only the whole picture shows the others
    auto wholePicture = [&](int quarter) {
        whole.turnRad = quarter * kPi / 2;
        const FoundBody body = look(network, picture, whole);
        second = std::max(second, body.second);
        return body;
    };
    auto closer = [&](FoundBody& best) {
        const FoundBody body = look(network, picture, around(best));
        if (body.bodyScore() >= kAsSure * best.bodyScore()) best = body;
    };
    auto told = [&](FoundBody best) -> std::optional<FoundBody> {
        best.second = second;
        if (best.presence * best.bodyScore() < kBodyGate) return std::nullopt;
        return best;
    };
    if (before && before->torsoPx() > 4) {
        FoundBody best = wholePicture(int(std::lround(around(*before).turnRad / (kPi / 2))));
        if (best.torsoPx() > 4) closer(best);
        if (best.bodyScore() >= kAsSureLater * before->bodyScore()) return told(best);
    }
    FoundBody best = wholePicture(0);
    for (int quarter = 1; quarter < 4; ++quarter)
        if (const FoundBody body = wholePicture(quarter); body.bodyScore() > best.bodyScore()) best = body;
    for (int again = 0; again < 2 && best.torsoPx() > 4; ++again) closer(best);
    return told(best);
}

std::optional<FoundBody> findBodyNear(KeypointNetwork& network, const cv::Mat& picture, const FoundBody& before) {
    if (before.torsoPx() <= 4) return std::nullopt;
    const FoundBody body = look(network, picture, around(before));
    if (body.presence * body.bodyScore() < kBodyGate) return std::nullopt;
    return body;
}

cv::Mat withoutAlpha(const cv::Mat& bgra) {
    cv::Mat bgr;
    cv::cvtColor(bgra, bgr, cv::COLOR_BGRA2BGR);
    return bgr;
}

} // namespace deft
