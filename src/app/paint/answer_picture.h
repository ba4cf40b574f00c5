#pragma once
#include "answer/answer.h"
#include "video/clip_reader.h"

#include <QImage>

namespace deft::ui {

/// A picture of the decoder as an image that shares its memory.
QImage toImage(const cv::Mat& bgra);

/// The client's own frame, cropped to the body, face made unrecognisable, with the one line that matters. Null when it
/// is not known where the head is: then there is no picture.
QImage answerPicture(const Review& review, const QImage& frame, const AnswerPicture& picture, const QSize& size);

/// A frame with the head made unrecognisable; null when it is not known where the head is.
QImage withoutFace(const Review& review, const QImage& frame, int64_t number);

/// Do the marks tell where the head is in this frame, or was half a second before or after it?
bool canCoverFace(const Review& review, int64_t frame);

/// Makes the pictures of an answer from its clip, as JPEG.
PictureMaker pictureMaker(const Review& review, ClipReader& reader);

} // namespace deft::ui
