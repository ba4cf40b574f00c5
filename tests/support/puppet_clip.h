// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// A drawn body filmed as a paper puppet with stickers on its joints: a real clip to be followed, whose truth is known.

#include "support/drawn_body.h"
#include "video/clip_writer.h"

#include <opencv2/imgproc.hpp>

namespace deft::test {

/// A sticker: quarters of black and white, turned so that no two neighbours look alike.
inline void drawSticker(cv::Mat& picture, const Point2& at, double turnDeg) {
    constexpr int kShift = 4; // sub-pixel drawing: 1/16 px
    const cv::Point centre(int(std::lround(at.x() * 16)), int(std::lround(at.y() * 16)));
    cv::circle(picture, centre, 8 * 16, cv::Scalar(245, 245, 245), cv::FILLED, cv::LINE_AA, kShift);
    for (const double from : {0.0, 180.0}) {
        std::vector<cv::Point> wedge{centre};
        for (double a = from; a <= from + 90; a += 15)
            wedge.emplace_back(int(std::lround((at.x() + 7 * std::cos(radians(a + turnDeg))) * 16)),
                               int(std::lround((at.y() + 7 * std::sin(radians(a + turnDeg))) * 16)));
        cv::fillConvexPoly(picture, wedge, cv::Scalar(20, 20, 20), cv::LINE_AA, kShift);
    }
}

inline cv::Mat puppetPicture(const cv::Mat& backdrop, const std::map<std::string, Point2>& points, double pxPerUnit) {
    cv::Mat picture = backdrop.clone();
    auto limb = [&](const std::string& a, const std::string& b, double width, const cv::Scalar& colour) {
        const auto p = points.find(a), q = points.find(b);
        if (p == points.end() || q == points.end()) return;
        cv::line(picture, cv::Point(cvRound(p->second.x()), cvRound(p->second.y())),
                 cv::Point(cvRound(q->second.x()), cvRound(q->second.y())), colour, int(width * pxPerUnit),
                 cv::LINE_AA);
    };
    const cv::Scalar far(118, 112, 104), near(150, 120, 92), cloth(96, 84, 122);
    for (const auto& [a, b] : {std::pair{"hip", "far_knee"},
                               {"far_knee", "far_ankle"},
                               {"shoulder", "far_elbow"},
                               {"far_elbow", "far_wrist"}})
        limb(a, b, 6, far);
    for (const std::string side : {"", "_l", "_r"}) {
        limb("hip" + side, "knee" + side, 9, cloth), limb("knee" + side, "ankle" + side, 7, cloth);
        limb("heel" + side, "toe" + side, 4, near), limb("shoulder" + side, "hip" + side, 15, cloth);
        limb("shoulder" + side, "elbow" + side, 5, near), limb("elbow" + side, "wrist" + side, 4, near);
        limb("ear" + side, "shoulder" + side, 8, near);
    }
    double turn = 0;
    for (const auto& [name, p] : points) {
        turn += 35;
        if (!name.starts_with("far_") && !name.starts_with("floor")) drawSticker(picture, p, turn);
    }
    return picture;
}

/// Films the movement and gives the inputs of its review: marks of the first frame, side, clip.
inline ReviewInputs filmPuppet(const Exercise& e, const DrawnMovement& m, const std::filesystem::path& path) {
    cv::Mat backdrop(720, 1280, CV_8UC3);
    cv::RNG random(5);
    random.fill(backdrop, cv::RNG::NORMAL, cv::Scalar(168, 174, 178), cv::Scalar(14, 14, 14));
    cv::GaussianBlur(backdrop, backdrop, {0, 0}, 1.6);
    WriterOptions options;
    options.width = 1280, options.height = 720, options.preset = "ultrafast", options.crf = 20;
    auto writer = ClipWriter::create(path, options).value();
    ReviewInputs in;
    in.clipPath = path.string(), in.exercise = e.id, in.side = drawnSide(e), in.date = "2031-05-01";
    const int frames = int(drawnLength_s(e, m) * m.fps);
    for (int i = 0; i < frames; ++i) {
        const auto points = drawnPoints(e, m, i / m.fps);
        if (i == 0)
            for (const auto& [name, p] : points)
                if (!name.starts_with("far_")) in.marks.set(0, name, p);
        if (!writer.add(puppetPicture(backdrop, points, m.pxPerUnit), i / m.fps)) return {};
    }
    return writer.finish() ? in : ReviewInputs{};
}

} // namespace deft::test
