// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/documents/answer_picture.h"

#include "app/documents/image_bytes.h"
#include "app/paint/body_overlay.h"
#include "app/paint/drawings.h"

#include <QPainter>

namespace deft::ui {

QImage toImage(const cv::Mat& bgra) {
    auto* held = new cv::Mat(bgra); // counted, so nothing is copied
    return QImage(
        bgra.data, bgra.cols, bgra.rows, qsizetype(bgra.step), QImage::Format_RGB32,
        [](void* mat) { delete static_cast<cv::Mat*>(mat); }, held);
}

Result<QImage> answerPicture(const Review& review, const QImage& frame, const AnswerPicture& picture, const QSize& size,
                             FaceRun* run) {
    const auto source = withoutFaces(review, frame, picture.frame, run);
    if (!source) return source;
    const QRectF crop = bodyCrop(review, double(size.width()) / size.height(), true);
    QImage out(size, QImage::Format_RGB32);
    out.fill(QColor(0x3A, 0x3D, 0x3F));
    QPainter p(&out);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    BodyLook look;
    look.toView =
        QTransform().scale(size.width() / crop.width(), size.height() / crop.height()).translate(-crop.x(), -crop.y());
    p.setTransform(look.toView);
    p.drawImage(0, 0, *source);
    p.resetTransform();
    look.measure = picture.measure;
    look.numbers = false;
    look.scale = size.width() / 280.0; // it is shown about that wide
    drawBody(p, review, picture.frame, look);
    for (const Drawing& d : review.inputs.drawings)
        if (review.clip().frameAt(d.time_s) == picture.frame) drawDrawing(p, d, look.toView, look.scale);
    return out;
}

PictureMaker pictureMaker(const Review& review, ClipReader& reader) {
    return [&review, &reader](const AnswerPicture& picture) -> PictureData {
        const auto frame = reader.bgra(picture.frame);
        if (!frame) return {};
        const auto image = answerPicture(review, toImage(*frame), picture, {640, 340});
        if (!image) return {};
        return {"image/jpeg", imageBytes(*image, "JPG", 86).toBase64().toStdString()};
    };
}

} // namespace deft::ui
