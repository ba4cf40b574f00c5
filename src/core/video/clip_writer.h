// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/result.h"
#include "video/sound.h"

#include <filesystem>
#include <map>
#include <memory>
#include <opencv2/core.hpp>

namespace deft {

/// Text for a stretch of a clip.
struct Caption {
    double from_s = 0, to_s = 0;
    std::string text;
};

struct WriterOptions {
    int width = 0, height = 0; ///< stored size; even numbers for H.264
    int timeBaseHz = 30000;    ///< ticks a second of the timestamps
    double rateHz = 0;         ///< frames a second as told to encoder and player; 0 = not told (variable)
    int crf = 23;              ///< constant quality, lower = better
    int rotationDeg = 0;       ///< written as metadata: clockwise turn that makes the picture upright
    double pixelAspect = 1;
    int keyEvery = 60, bFrames = 2;
    std::string codec = "libx264", preset = "medium";
    std::string pixelFormat = "yuv420p"; ///< libav's name
    bool fullRange = false;              ///< luma from 0 to 255 instead of 16 to 235
    std::string poster;                  ///< a JPEG that players show before the clip runs (MP4); empty = none
    Sound sound{};                       ///< from the first picture on; empty = without
    std::vector<Caption> captions{};     ///< in order of time (MP4)
    /// More options of the encoder and of the container, by libav's names; unknown ones are left aside.
    std::map<std::string, std::string> codecOptions{}, containerOptions{};
};

/// Writes a clip; the file appears under its name only when finish() has succeeded.
class ClipWriter {
public:
    /// Container by the file's ending (.mp4 .mov .mkv .webm). @errors Unsupported, WriteFailed
    static Result<ClipWriter> create(const std::filesystem::path& path, const WriterOptions& options);
    ClipWriter(ClipWriter&&) noexcept;
    ClipWriter& operator=(ClipWriter&&) noexcept;
    ~ClipWriter(); ///< without finish(): leaves nothing behind

    /// @param bgr 8-bit, of the stored size; @param time_s rising. @errors WriteFailed
    Result<void> add(const cv::Mat& bgr, double time_s);
    Result<void> finish();

private:
    struct State;
    explicit ClipWriter(std::unique_ptr<State> state);
    std::unique_ptr<State> s;
};

} // namespace deft
