#pragma once
#include "answer/answer.h"
#include "video/clip_reader.h"

#include <QImage>

namespace deft::ui {

/// A picture of the decoder as an image of its own memory.
QImage toImage(const cv::Mat& bgra);

/// The client's own frame, cropped to the body, face made unrecognisable, with the one line that matters.
QImage answerPicture(const Review& review, const QImage& frame, const AnswerPicture& picture, const QSize& size);

/// Makes the pictures of an answer from its clip, as JPEG.
PictureMaker pictureMaker(const Review& review, ClipReader& reader);

} // namespace deft::ui
