// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "marks/clip_info.h"

#include <QCache>
#include <QImage>
#include <QObject>
#include <condition_variable>
#include <deque>
#include <map>
#include <mutex>
#include <string>
#include <thread>

namespace deft {
class ClipReader;
}

namespace deft::ui {

/// Decodes a clip's frames on a thread of its own and keeps the last ones. The newest wish is served first, and an
/// older one is given up for it; then the frames that are likely to follow it, then small pictures.
class FrameSource : public QObject {
    Q_OBJECT
public:
    /// @param part of the film that alone is shown
    explicit FrameSource(const std::string& path, const std::optional<FilmPart>& part = {}, QObject* parent = nullptr);
    ~FrameSource() override;

    /// The frame if it is at hand; else an empty image, and arrived() follows.
    QImage frame(qint64 frame, int direction = 1);
    /// A small picture of the nearest frame of which there is one, to be seen until a frame has been decoded: those
    /// that decoding begins with are made when nothing else is to be done. Empty while there is none.
    std::pair<qint64, QImage> nearest(qint64 frame) const;
    /// Asks for a frame that is drawn small somewhere; smallArrived() follows.
    void wantSmall(qint64 frame);

signals:
    void arrived(qint64 frame, const QImage& image); ///< an empty image: this frame is damaged
    void smallArrived(qint64 frame, const QImage& image);
    void previewArrived(qint64 frame, const QImage& image);

private:
    void work(std::stop_token stop, const std::string& path, const std::optional<FilmPart>& part);
    void decode(std::stop_token stop, const std::string& path, const std::optional<FilmPart>& part);
    bool approach(ClipReader& reader, qint64 frame, const std::stop_token& stop);
    void keep(qint64 frame, const QImage& image);
    std::map<qint64, QImage> previews_; // interface's thread only
    QCache<qint64, QImage> held_;       // interface's thread only; costs in kilobytes
    qint64 frameKiB_ = 1;               // of the largest frame so far
    std::mutex lock_;                   // guards the wishes
    std::condition_variable_any news_;
    qint64 wanted_ = -1, coming_ = -1; ///< asked for next; being decoded
    std::deque<qint64> ahead_, small_;
    std::jthread thread_; // last: ends before what it uses
};

} // namespace deft::ui
