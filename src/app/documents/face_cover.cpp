// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/documents/face_cover.h"

#include <QPainter>
#include <QPainterPath>
#include <algorithm>
#include <mutex>
#include <opencv2/imgproc.hpp>

namespace deft::ui {
namespace {

/// A head that was lost for longer than this may be anywhere (chosen here).
constexpr double kHeadKnown_s = 0.5;
/// A head's circle about the ear, in trunks: nose and chin of a made head lie 0.30 from it.
constexpr double kRadius = 0.42;

std::optional<Point2> at(const Tracks& tracks, const std::string& name, size_t frame) {
    if (const TrackPoint* p = tracks.find(name, frame); p && p->usable()) return p->at;
    const auto side = [&](const char* ending) -> std::optional<Point2> {
        const TrackPoint* p = tracks.find(name + ending, frame);
        return p && p->usable() ? std::optional(p->at) : std::nullopt;
    };
    const auto left = side("_l"), right = side("_r");
    return left && right ? std::optional<Point2>((*left + *right) / 2) : std::nullopt;
}

/// Place of a landmark, or of the middle of its left and right, in the nearest frame in which it was seen.
std::optional<Point2> nearest(const Review& r, const std::string& name, int64_t frame) {
    const auto frames = int64_t(r.tracks().frames());
    for (int64_t away = 0; away < frames; ++away) {
        bool near = false;
        for (const int64_t i : {frame - away, frame + away}) {
            if (i < 0 || i >= frames ||
                std::abs(r.clip().time_s[size_t(i)] - r.clip().time_s[size_t(frame)]) > kHeadKnown_s)
                continue;
            near = true;
            if (const auto p = at(r.tracks(), name, size_t(i))) return p;
        }
        if (!near) break;
    }
    return std::nullopt;
}

std::optional<Point2> hipOf(const auto& place) {
    for (const char* name : {"hip", "asis", "psis"})
        if (const auto p = place(name)) return p;
    return std::nullopt;
}

/// The longest trunk of the clip, px: one that bows or points at the camera is no measure of a head.
double longestTrunk(const Review& r) {
    double longest = 0;
    for (size_t i = 0; i < r.tracks().frames(); i += 3) {
        const auto here = [&](const char* name) { return at(r.tracks(), name, i); };
        const auto shoulder = here("shoulder"), hip = hipOf(here);
        if (shoulder && hip) longest = std::max(longest, (*shoulder - *hip).norm());
    }
    return longest;
}

/// The network, and which heads it has found: pages, mails and clips ask for the same frames.
class Finder {
public:
    static Finder& shared() {
        static Finder one;
        return one;
    }
    Result<std::vector<Head>> heads(const std::string& key, const QImage& frame, const std::optional<Head>& marked,
                                    FaceRun* run) {
        const std::lock_guard held(lock_);
        if (const auto known = found_.find(key); known != found_.end()) return known->second;
        if (!network_ || !*network_) // tried again when it was not there: it may have been fetched meanwhile
            network_.emplace(KeypointNetwork::load(KeypointNetwork::usualPlace()));
        if (!*network_)
            return fail(Errc::NotFound,
                        "faces cannot be covered: the keypoint network is not there; ./start fetches it "
                        "when there is a network");
        const cv::Mat bgra(frame.height(), frame.width(), CV_8UC4, const_cast<uchar*>(frame.constBits()),
                           size_t(frame.bytesPerLine()));
        auto heads = findHeads(**network_, withoutAlpha(bgra), marked, run ? &run->before : nullptr);
        if (found_.size() >= kKept) found_.clear();
        return found_.emplace(key, std::move(heads)).first->second;
    }

private:
    static constexpr size_t kKept = 2000;
    std::mutex lock_;
    std::optional<Result<KeypointNetwork>> network_;
    std::map<std::string, Result<std::vector<Head>>> found_;
};

/// Coarse squares over a head.
void blur(QImage& image, const Head& head) {
    const QRectF circle(head.centre.x() - head.radius, head.centre.y() - head.radius, 2 * head.radius, 2 * head.radius);
    const QRect box = circle.toAlignedRect().intersected(image.rect());
    if (box.isEmpty()) return; // the head lies outside the picture
    const QImage coarse = image.copy(box).scaled(7, 7, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
    QPainterPath disc;
    disc.addEllipse(circle);
    QPainter p(&image);
    p.setClipPath(disc);
    p.drawImage(box, coarse);
}

} // namespace

std::optional<Head> markedHead(const Review& r, int64_t frame) {
    const auto there = [&](const char* name) { return nearest(r, name, frame); };
    auto ear = there("ear");
    if (!ear) ear = there("nose");
    const auto shoulder = there("shoulder"), hip = hipOf(there);
    const double trunk = longestTrunk(r);
    if (!(trunk > 0)) return std::nullopt;
    if (ear) return Head{*ear, kRadius * trunk};
    if (!shoulder || !hip) return std::nullopt;
    const Vector2 up = *shoulder - *hip; // without a mark of its own the head is guessed, as far as a head is long
    return Head{Point2(*shoulder + 0.45 * up), 1.2 * kRadius * trunk};
}

Result<QImage> withoutFaces(const Review& review, const QImage& frame, int64_t number, FaceRun* run) {
    QImage covered = frame.convertToFormat(QImage::Format_RGB32);
    const auto marked = markedHead(review, number);
    std::string key = review.inputs.clipSha256 + " " + std::to_string(number);
    if (marked)
        for (const double v : {marked->centre.x(), marked->centre.y(), marked->radius})
            key += " " + std::to_string(std::lround(v));
    const auto heads = Finder::shared().heads(key, covered, marked, run);
    if (!heads) return tl::unexpected(heads.error());
    for (const Head& head : *heads) blur(covered, head);
    return covered;
}

} // namespace deft::ui
