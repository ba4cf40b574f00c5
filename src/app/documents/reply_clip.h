// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"
#include "app/documents/face_cover.h"
#include "base/progress.h"
#include "video/clip_reader.h"

#include <QImage>

namespace deft::ui {

/// What a reply clip shows: the moment of the first correction in slow motion beside the best frame, then still for a
/// second, with the line that matters drawn in, faces made unrecognisable in every picture. Runs anew for as long as
/// somebody speaks over it.
class ReplyMoment {
public:
    /// @param review,reader stay alive as long as this @errors Unsupported when there is no correction with pictures, or
    /// the head was lost; those of ClipReader
    static Result<ReplyMoment> of(const Review& review, const Answer& answer, ClipReader& reader);

    double run_s() const; ///< that it takes once
    double best_s() const { return timeOf(best_.frame); }
    double worst_s() const { return timeOf(worst_.frame); }
    const std::string& words() const { return words_; } ///< of the correction
    int64_t worstFrame() const { return worst_.frame; }
    int64_t first() const { return from_; } ///< frame of the clip that is shown first …
    int64_t last() const { return to_; }    ///< … and last
    int64_t frameAt(double time_s) const;   ///< that is shown at a time of the reply clip
    Result<QImage> picture(int64_t frame);  ///< both halves

private:
    ReplyMoment(const Review& review, ClipReader& reader) : review_(&review), reader_(&reader) {}
    double timeOf(int64_t frame) const { return review_->clip().time_s[size_t(frame)]; }

    const Review* review_;
    ClipReader* reader_;
    AnswerPicture best_, worst_;
    std::string words_;
    int64_t from_ = 0, to_ = 0;
    QImage bestHalf_;
    FaceRun run_;
};

/// Has the answer a correction with pictures, of which there can be a clip?
bool hasReplyClip(const Answer& answer);
/// Was something said over the two halves that the answer shows? @param spoken nothing = no
bool isSpokenOver(const Review& review, const Answer& answer, const std::optional<Spoken>& spoken);

/// The moment as a clip for the client's phone, with what the coach said over it, if anything. MP4, H.264; the clip's
/// own sound, in which others may be heard, stays here. Beside it, with the ending .vtt, its words as captions.
/// @errors those of ReplyMoment; Conflict (spoken over another moment); those of readSound; Cancelled; WriteFailed
Result<void> writeReplyClip(const Review& review, const Answer& answer, ClipReader& reader,
                            const std::filesystem::path& path, StopToken stop = {}, const ProgressFn& progress = {});

} // namespace deft::ui
