// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "review/review.h"
#include "video/clip_reader.h"

namespace deft::ui {

/// The rep sheet with its plots on one page, faces made unrecognisable; a picture in which the head was lost stays
/// empty. By the file's ending: .pdf, .svg or .png. @errors those of writeDrawing; Unsupported when there is no rep
Result<void> writeReviewSheet(const Review& review, ClipReader& reader, const std::filesystem::path& path);

} // namespace deft::ui
