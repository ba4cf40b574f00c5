// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"
#include "app/documents/face_cover.h"
#include "video/clip_reader.h"

namespace deft::ui {

/// A picture of the decoder as an image that shares its memory.
QImage toImage(const cv::Mat& bgra);

/// The client's own frame, cropped to the body, every face made unrecognisable, with the one line that matters.
/// @errors those of withoutFaces: then there is no picture
Result<QImage> answerPicture(const Review& review, const QImage& frame, const AnswerPicture& picture, const QSize& size,
                             FaceRun* run = nullptr);

/// Makes the pictures of an answer from its clip, as JPEG.
PictureMaker pictureMaker(const Review& review, ClipReader& reader);

} // namespace deft::ui
