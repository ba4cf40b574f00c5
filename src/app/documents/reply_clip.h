// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"
#include "base/progress.h"
#include "video/clip_reader.h"

namespace deft::ui {

/// A few seconds for the client's phone: the moment of the first correction in slow motion beside the best frame, with
/// the line that matters drawn in, faces made unrecognisable in every picture. MP4, H.264, without sound;
/// beside it, with the ending .vtt, its words as captions.
/// @errors Unsupported when there is no correction with pictures, or the head was lost in one of the frames; Cancelled;
/// WriteFailed; those of ClipReader
Result<void> writeReplyClip(const Review& review, const Answer& answer, ClipReader& reader,
                            const std::filesystem::path& path, StopToken stop = {}, const ProgressFn& progress = {});

} // namespace deft::ui
