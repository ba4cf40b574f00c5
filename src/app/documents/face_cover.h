// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "detection/heads.h"
#include "review/review.h"

#include <QImage>

namespace deft::ui {

/// Where the marks say that the client's head is in a frame, or was half a second before or after it. Nothing where no
/// mark tells.
std::optional<Head> markedHead(const Review& review, int64_t frame);

/// What is carried from one frame to the next where frames follow each other closely: heads are found faster then.
struct FaceRun {
    std::optional<FoundBody> before;
};

/// Covers every head in a frame: what leaves the machine shows no face. Holds the keypoint network, one for the whole
/// program, and what it has found before; calls wait for each other, so not in the window's thread for many frames.
/// @param run one for all frames of a stretch; nothing = this frame alone
/// @errors NotFound (no head was found, or the network is not there), Conflict (marks and network disagree)
Result<QImage> withoutFaces(const Review& review, const QImage& frame, int64_t number, FaceRun* run = nullptr);

} // namespace deft::ui
