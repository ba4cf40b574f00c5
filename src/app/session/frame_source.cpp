// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/frame_source.h"

#include "app/documents/answer_picture.h"
#include "app/session/background_job.h"
#include "video/clip_reader.h"

#include <algorithm>

namespace deft::ui {
namespace {
// About 45 frames of 1280 × 720; 4K clips may have more, for the dozen frames that one look back decodes.
constexpr qint64 kHeldKiB = 160 * 1024, kMostHeldKiB = 448 * 1024, kFramesHeld = 16;
constexpr qint64 kAtOnce = 3;           // pictures that are decoded before anybody waits
constexpr int kAhead = 6, kBehind = 12; // backwards costs a seek, so more at a time
constexpr size_t kPreviews = 90;
constexpr int kPreviewWidth = 480;
constexpr std::chrono::milliseconds kQuiet{1500}, kBreath{20};

/// The frames that decoding begins with, the middle ones first so that soon one is near everywhere.
std::deque<qint64> previewFrames(const ClipReader& reader) {
    std::vector<qint64> keys;
    for (qint64 f = reader.info().frames() - 1; f >= 0; f = keys.back() - 1) keys.push_back(reader.keyFrame(f));
    std::deque<qint64> out;
    size_t step = 1;
    while (step < keys.size()) step *= 2;
    for (; step >= 1 && out.size() < kPreviews; step /= 2)
        for (size_t i = step - 1; i < keys.size() && out.size() < kPreviews; i += 2 * step) out.push_back(keys[i]);
    return out;
}

} // namespace

std::pair<qint64, QImage> FrameSource::nearest(qint64 frame) const {
    auto after = previews_.lower_bound(frame);
    if (previews_.empty()) return {-1, {}};
    if (after == previews_.end() ||
        (after != previews_.begin() && frame - std::prev(after)->first < after->first - frame))
        --after;
    return *after;
}

FrameSource::FrameSource(const std::string& path, const std::optional<FilmPart>& part, QObject* parent)
    : QObject(parent), held_(kHeldKiB), thread_([this, path, part](std::stop_token stop) { work(stop, path, part); }) {
    // Crosses threads: the worker emits, this object keeps.
    connect(this, &FrameSource::arrived, this, &FrameSource::keep, Qt::QueuedConnection);
    connect(
        this, &FrameSource::previewArrived, this,
        [this](qint64 frame, const QImage& image) { previews_[frame] = image; }, Qt::QueuedConnection);
}

void FrameSource::keep(qint64 frame, const QImage& image) {
    const qint64 size = std::max<qint64>(1, image.sizeInBytes() / 1024);
    if (size > frameKiB_) {
        frameKiB_ = size;
        held_.setMaxCost(std::clamp(kFramesHeld * size, kHeldKiB, kMostHeldKiB));
    }
    held_.insert(frame, new QImage(image), size);
}

FrameSource::~FrameSource() {
    thread_.request_stop();
    news_.notify_all();
    thread_.join();
}

QImage FrameSource::frame(qint64 frame, int direction) {
    const QImage* there = held_.object(frame);
    {
        const std::lock_guard hold(lock_);
        const bool back = direction < 0;
        // No more than fits beside the frame that is shown, or they would push each other out.
        const int room = int(held_.maxCost() / frameKiB_) - 2, many = std::clamp(room, 1, back ? kBehind : kAhead);
        std::deque<qint64> next; // rising, so that decoding runs on
        for (int k = 1; k <= many; ++k)
            if (const qint64 f = back ? frame - (many + 1 - k) : frame + k; f >= 0 && !held_.contains(f))
                next.push_back(f);
        if (!back || (!there && !held_.contains(frame + 1))) { // on, or a jump: this frame before all others
            if (!there && coming_ != frame) wanted_ = frame;
            ahead_ = std::move(next);
        } else if (!there && std::find(ahead_.begin(), ahead_.end(), frame) == ahead_.end() && coming_ != frame) {
            // A step back costs a seek: the frames before it are decoded on the way to it.
            next.push_back(frame);
            wanted_ = -1;
            ahead_ = std::move(next);
        } else if (there && ahead_.empty() && int(next.size()) >= many / 2) {
            ahead_ = std::move(next); // while those that are held still last
        }
    }
    news_.notify_one();
    return there ? *there : QImage();
}

void FrameSource::wantSmall(qint64 frame) {
    {
        const std::lock_guard hold(lock_);
        small_.push_back(frame);
    }
    news_.notify_one();
}

/// Decodes a long way in pieces. @return false when there is a newer wish
bool FrameSource::approach(ClipReader& reader, qint64 frame, const std::stop_token& stop) {
    const qint64 way = reader.toDecode(frame);
    if (way <= kAtOnce) return true;
    for (qint64 at = frame - way + 1; at < frame; ++at) {
        {
            const std::lock_guard hold(lock_);
            if (stop.stop_requested() || wanted_ >= 0) return false;
        }
        (void)reader.decode(at); // a damaged one on the way is passed over
    }
    return true;
}

void FrameSource::work(std::stop_token stop, const std::string& path, const std::optional<FilmPart>& part) {
    try {
        decode(stop, path, part);
    } catch (const std::exception& e) {
        (void)brokenOff(&e); // the picture stays empty; what was measured can still be read
    }
}

void FrameSource::decode(std::stop_token stop, const std::string& path, const std::optional<FilmPart>& part) {
    auto reader = ClipReader::open(path, part);
    if (!reader) return; // said by the session, which opened it too
    std::deque<qint64> previews = previewFrames(*reader);
    enum class For { Wish, Ahead, Small, Preview } what = For::Preview;
    while (!stop.stop_requested()) {
        qint64 next = -1;
        {
            std::unique_lock hold(lock_);
            coming_ = -1;
            const auto asked = [&] { return wanted_ >= 0 || !ahead_.empty() || !small_.empty(); };
            // A preview takes the decoder elsewhere, so not between two keys of somebody who steps.
            if (previews.empty())
                news_.wait(hold, stop, asked);
            else if (!asked())
                news_.wait_for(hold, stop, what == For::Preview ? kBreath : kQuiet, asked);
            if (stop.stop_requested()) return;
            if (wanted_ >= 0)
                what = For::Wish, next = coming_ = std::exchange(wanted_, -1);
            else if (!ahead_.empty())
                what = For::Ahead, next = coming_ = ahead_.front(), ahead_.pop_front();
            else if (!small_.empty())
                what = For::Small, next = small_.front(), small_.pop_front();
            else
                what = For::Preview, next = previews.front(), previews.pop_front();
        }
        if (next >= reader->info().frames() || (what == For::Wish && !approach(*reader, next, stop))) continue;
        const auto picture = reader->bgra(next);
        const QImage image = picture ? toImage(*picture) : QImage();
        if (what == For::Wish || what == For::Ahead)
            emit arrived(next, image);
        else if (what == For::Small)
            emit smallArrived(next, image);
        if (what != For::Ahead && !image.isNull())
            emit previewArrived(next,
                                image.scaledToWidth(std::min(kPreviewWidth, image.width()), Qt::SmoothTransformation));
    }
}

} // namespace deft::ui

#include "moc_frame_source.cpp"
