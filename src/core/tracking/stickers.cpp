// SPDX-License-Identifier: GPL-3.0-or-later
#include "tracking/stickers.h"

#include "base/units.h"
#include "marks/names.h"
#include "tracking/constants.h"
#include "tracking/patch.h"

#include <algorithm>
#include <cmath>
#include <opencv2/imgproc.hpp>

namespace deft {
using namespace tracking;
namespace {

/// Where the picture looks the same after half a turn: the turned patch is matched with the picture, and its middle
/// lies half way between where it was cut and where it is found.
std::optional<std::pair<Point2, double>> middleOfSymmetry(const cv::Mat& grey, const Point2& near, double radius) {
    const double reach = 1.1 * radius; // the edge, and a rim of cloth
    Point2 centre = near;
    double agreement = 0;
    for (int pass = 0; pass < 4; ++pass) {
        const int half = int(std::ceil(reach)) + 4; // Patch::take reads past its disc
        const cv::Point corner(int(std::lround(centre.x())) - half, int(std::lround(centre.y())) - half);
        const cv::Rect window(corner, cv::Size(2 * half + 1, 2 * half + 1));
        if ((window & cv::Rect({}, grey.size())) != window) return std::nullopt;
        cv::Mat turned;
        cv::rotate(grey(window), turned, cv::ROTATE_180);
        const Point2 own = Point2::Constant(half);
        const auto patch = Patch::take(turned, own, reach, 0.7 * reach);
        if (!patch) return std::nullopt;
        const AlignOptions onlyShift{.anglePriorRad = 0, .scalePrior = 0, .steps = 25};
        const Point2 middle(double(corner.x + half), double(corner.y + half));
        const auto match = patch->align(grey, {middle, 0, 1}, onlyShift);
        if (!match) return std::nullopt;
        const Vector2 shift = (match->pose.centre - middle) / 2;
        if (shift.norm() > reach) return std::nullopt;
        agreement = match->correlation;
        const Point2 next = middle + shift;
        const bool settled = (next - centre).norm() < 0.02;
        centre = next;
        if (settled) break;
    }
    return std::pair{centre, agreement};
}

/// Patches that stand out from a wide neighbourhood, of about the size looked for.
std::vector<Sticker> candidates(const cv::Mat& grey, const cv::Rect& region, double radius) {
    std::vector<Sticker> found;
    const int wide = 2 * int(std::lround(2.2 * radius)) + 1;
    const cv::Rect around =
        cv::Rect(region.x - wide, region.y - wide, region.width + 2 * wide, region.height + 2 * wide) &
        cv::Rect({}, grey.size());
    if (around.area() == 0) return found;
    const cv::Mat part = grey(around);
    // The cloth is what a wide median shows; a sticker is smaller than half of its window.
    cv::Mat cloth;
    cv::medianBlur(part, cloth, std::min(wide | 1, 255));
    for (const bool bright : {true, false}) {
        cv::Mat out, mask;
        cv::subtract(bright ? part : cloth, bright ? cloth : part, out);
        cv::threshold(out, mask, kMinContrast, 255, cv::THRESH_BINARY);
        cv::morphologyEx(mask, mask, cv::MORPH_CLOSE, cv::getStructuringElement(cv::MORPH_ELLIPSE, {3, 3}));
        std::vector<std::vector<cv::Point>> outlines;
        cv::findContours(mask, outlines, cv::RETR_EXTERNAL, cv::CHAIN_APPROX_NONE, around.tl());
        for (const auto& outline : outlines) {
            if (outline.size() < 5) continue;
            // The outline runs through the outermost pixels' middles: half a pixel inside the true edge.
            const double area = cv::contourArea(outline) + 0.5 * double(outline.size());
            const double r = std::sqrt(area / kPi);
            if (r < 0.5 * radius || r > 2 * radius) continue;
            const cv::RotatedRect box = cv::minAreaRect(outline);
            const double a = double(std::min(box.size.width, box.size.height)) + 1,
                         b = double(std::max(box.size.width, box.size.height)) + 1;
            if (b > kMostOblong * a) continue;
            std::vector<cv::Point> hull;
            cv::convexHull(outline, hull);
            const double compact = cv::contourArea(outline) / std::max(1.0, cv::contourArea(hull));
            if (compact < 0.8) continue;
            const cv::Moments m = cv::moments(outline);
            if (m.m00 <= 0) continue;
            found.push_back({{m.m10 / m.m00, m.m01 / m.m00}, r, compact});
        }
    }
    return found;
}

/// Does what is seen there go on beside it, as no sticker does?
bool goesOn(const cv::Mat& grey, const Point2& centre, double radius) {
    const auto patch = Patch::take(grey, centre, 1.2 * radius, 0.8 * radius);
    return !patch || patch->lookalike(grey, centre, 1.8 * radius, kApart * radius, kSameContrast) > kGoesOn;
}

/// Starts of another kind: where the picture varies in both directions over a sticker's size. A sticker on a seam or on
/// pale skin has no outline of its own, but its pattern stays.
std::vector<Point2> corners(const cv::Mat& grey, const cv::Rect& region, double radius) {
    const cv::Rect inside = region & cv::Rect({}, grey.size());
    if (inside.area() == 0) return {};
    cv::Mat smooth;
    cv::GaussianBlur(grey(inside), smooth, {0, 0}, std::max(0.8, 0.12 * radius));
    std::vector<cv::Point2f> found;
    cv::goodFeaturesToTrack(smooth, found, kMostCorners, 0.08, 1.2 * radius, {}, 2 * int(std::lround(radius)) + 1);
    std::vector<Point2> places;
    for (const auto& p : found) places.emplace_back(double(p.x) + inside.x, double(p.y) + inside.y);
    return places;
}

} // namespace

std::vector<Sticker> findStickers(const cv::Mat& picture, const cv::Rect& region, double radiusPx) {
    // Edges as sharp as a pixel would pull the middle toward whole pixels.
    cv::Mat grey;
    cv::GaussianBlur(picture, grey, {5, 5}, 0.8);
    std::vector<Sticker> stickers;
    for (Sticker s : candidates(grey, region, radiusPx)) {
        const auto middle = middleOfSymmetry(grey, s.centre, s.radiusPx);
        if (!middle || (middle->first - s.centre).norm() > 0.6 * s.radiusPx) continue;
        s.centre = middle->first;
        s.score *= middle->second;
        if (s.score < kStickerGate || !region.contains({int(s.centre.x()), int(s.centre.y())})) continue;
        if (goesOn(grey, s.centre, s.radiusPx)) continue;
        stickers.push_back(s);
    }
    for (const Point2& start : corners(grey, region, radiusPx)) {
        const auto middle = middleOfSymmetry(grey, start, radiusPx);
        if (!middle || (middle->first - start).norm() > radiusPx) continue;
        const auto patch = Patch::take(grey, middle->first, radiusPx, 0.6 * radiusPx);
        const double score = middle->second * middle->second;
        if (!patch || patch->texture() < kPattern || score < kStickerGate) continue;
        if (goesOn(grey, middle->first, radiusPx)) continue;
        stickers.push_back({middle->first, radiusPx, score});
    }
    // A bright ring and the dark pattern inside it are one sticker.
    std::sort(stickers.begin(), stickers.end(), [](const Sticker& a, const Sticker& b) { return a.score > b.score; });
    std::vector<Sticker> apart;
    for (const Sticker& s : stickers)
        if (std::none_of(apart.begin(), apart.end(), [&](const Sticker& t) {
                return (t.centre - s.centre).norm() < std::max(t.radiusPx, s.radiusPx);
            }))
            apart.push_back(s);
    return apart;
}

bool looksTheSameTurned(const cv::Mat& grey, const Point2& near, double reach) {
    for (const double radius : {5.0, 8.0, 12.0, 18.0})
        for (const Vector2& aside : {Vector2(0, 0), Vector2(3, 0), Vector2(-3, 0), Vector2(0, 3), Vector2(0, -3)})
            if (const auto middle = middleOfSymmetry(grey, near + aside, radius);
                middle && middle->second > kSameTurned && (middle->first - near).norm() <= reach)
                return true;
    return false;
}

std::optional<Sticker> stickerAt(const cv::Mat& grey, const Point2& near, double reach) {
    std::optional<Sticker> best;
    for (const double radius : {4.0, 8.0, 16.0}) {
        const int half = int(std::ceil(reach + radius)); // a sticker's own corners may lie farther out than its middle
        const cv::Rect region(int(near.x()) - half, int(near.y()) - half, 2 * half + 1, 2 * half + 1);
        for (const Sticker& s : findStickers(grey, region, radius))
            if ((s.centre - near).norm() <= reach && (!best || s.score > best->score)) best = s;
    }
    return best;
}

std::map<std::string, Point2> onStickers(const cv::Mat& grey, std::map<std::string, Point2> marks) {
    struct Claim {
        Sticker sticker;
        std::string name;
        double away_px;
    };
    std::vector<Claim> claims;
    for (const auto& [name, at] : marks)
        if (const auto sticker = mayWearSticker(name) ? stickerAt(grey, at, kMarkReach_px) : std::nullopt)
            if (const double away = (sticker->centre - at).norm(); away < sticker->radiusPx)
                claims.push_back({*sticker, name, away});
    std::sort(claims.begin(), claims.end(), [](const Claim& a, const Claim& b) { return a.away_px < b.away_px; });
    for (auto claim = claims.begin(); claim != claims.end(); ++claim)
        if (std::none_of(claims.begin(), claim, [&](const Claim& nearer) {
                return (nearer.sticker.centre - claim->sticker.centre).norm() < claim->sticker.radiusPx;
            }))
            marks[claim->name] = claim->sticker.centre;
    return marks;
}

} // namespace deft
