#include "app/session/frame_source.h"

#include "app/paint/answer_picture.h"
#include "video/clip_reader.h"

#include <algorithm>

namespace deft::ui {
namespace {
// About 45 frames of 1280 × 720; 4K clips may have more, for the dozen frames that one look back decodes.
constexpr qint64 kHeldKiB = 160 * 1024, kMostHeldKiB = 448 * 1024, kFramesHeld = 16;
constexpr int kAhead = 6, kBehind = 12; // backwards costs a seek, so more at a time
} // namespace

FrameSource::FrameSource(const std::string& path, QObject* parent)
    : QObject(parent), held_(kHeldKiB), thread_([this, path](std::stop_token stop) { work(stop, path); }) {
    // Crosses threads: the worker emits, this object keeps.
    connect(
        this, &FrameSource::arrived, this,
        [this](qint64 frame, const QImage& image) {
            const qint64 size = std::max<qint64>(1, image.sizeInBytes() / 1024);
            if (size > frameKiB_) {
                frameKiB_ = size;
                held_.setMaxCost(std::clamp(kFramesHeld * size, kHeldKiB, kMostHeldKiB));
            }
            held_.insert(frame, new QImage(image), size);
        },
        Qt::QueuedConnection);
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
            if (!there) wanted_ = frame;
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

void FrameSource::work(std::stop_token stop, const std::string& path) {
    auto reader = ClipReader::open(path);
    if (!reader) return; // said by the session, which opened it too
    while (!stop.stop_requested()) {
        qint64 next = -1;
        bool small = false;
        {
            std::unique_lock hold(lock_);
            news_.wait(hold, stop, [this] { return wanted_ >= 0 || !ahead_.empty() || !small_.empty(); });
            if (stop.stop_requested()) return;
            if (wanted_ >= 0)
                next = coming_ = std::exchange(wanted_, -1);
            else if (!ahead_.empty())
                next = coming_ = ahead_.front(), ahead_.pop_front();
            else
                next = small_.front(), small_.pop_front(), small = true;
        }
        if (next >= reader->info().frames()) continue;
        const auto picture = reader->bgra(next);
        const QImage image = picture ? toImage(*picture) : QImage();
        if (small)
            emit smallArrived(next, image);
        else
            emit arrived(next, image);
        const std::lock_guard hold(lock_);
        coming_ = -1;
    }
}

} // namespace deft::ui
