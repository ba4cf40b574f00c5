// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "review/review.h"

#include <QImage>
#include <filesystem>

namespace deft::ui {

/// One frame to be passed on, as writeFramePicture() would write it. @errors Unsupported (the head was lost)
Result<QImage> framePicture(const Review& review, const QImage& frame, int64_t number, const std::string& measure);

/// One frame as a file to be passed on: lines, numbers, the coach's drawings, face made unrecognisable. By the file's
/// ending: .png, .svg (lines stay lines) or .pdf.
/// @param frame the decoded picture @param measure the one that is drawn in blue; empty = none
/// @errors Unsupported (another ending; the head was lost, so the face cannot be covered), WriteFailed
Result<void> writeFramePicture(const Review& review, const QImage& frame, int64_t number, const std::string& measure,
                               const std::filesystem::path& path);

} // namespace deft::ui
