#include "app/session/frame_source.h"

#include "app/paint/answer_picture.h"
#include "video/clip_reader.h"

namespace deft::ui {
namespace {
constexpr qint64 kHeldKiB = 160 * 1024; // about 45 frames of 1280 × 720
constexpr int kAhead = 6, kBehind = 12; // backwards costs a seek, so more at a time
} // namespace

FrameSource::FrameSource(const std::string& path, QObject* parent)
    : QObject(parent), held_(kHeldKiB), thread_([this, path](std::stop_token stop) { work(stop, path); }) {
    // Crosses threads: the worker emits, this object keeps.
    connect(
        this, &FrameSource::arrived, this,
        [this](qint64 frame, const QImage& image) {
            held_.insert(frame, new QImage(image), std::max<qsizetype>(1, image.sizeInBytes() / 1024));
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
        if (!there) wanted_ = frame;
        ahead_.clear();
        for (int k = 1; k <= (direction >= 0 ? kAhead : kBehind); ++k) {
            const qint64 next =
                direction >= 0 ? frame + k : frame - (kBehind + 1 - k); // rising, so that decoding runs on
            if (next >= 0 && !held_.contains(next)) ahead_.push_back(next);
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
                next = std::exchange(wanted_, -1);
            else if (!ahead_.empty())
                next = ahead_.front(), ahead_.pop_front();
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
    }
}

} // namespace deft::ui
