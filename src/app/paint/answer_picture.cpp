#include "app/paint/answer_picture.h"

#include "app/paint/body_overlay.h"

#include <QBuffer>

namespace deft::ui {

QImage toImage(const cv::Mat& bgra) { return QImage(bgra.data, bgra.cols, bgra.rows, qsizetype(bgra.step), QImage::Format_RGB32).copy(); }

namespace {

/// Coarse squares over the head: what leaves the machine shows no face. Without an ear mark the head is guessed to lie
/// beyond the shoulder, as far as a head is long.
void blurFace(QImage& image, const Review& r, int64_t frame) {
    const TrackPoint *ear = r.tracks.find("ear", size_t(frame)), *shoulder = r.tracks.find("shoulder", size_t(frame)), *hip = r.tracks.find("hip", size_t(frame));
    if (!shoulder || !hip || !shoulder->usable() || !hip->usable()) return;
    const Vector2 up = shoulder->at - hip->at;
    const double radius = 0.40 * up.norm();
    const Point2 centre = ear && ear->usable() ? Point2(ear->at + 0.04 * up) : Point2(shoulder->at + 0.45 * up);
    const QRect box = QRect(int(centre.x() - radius), int(centre.y() - radius), int(2 * radius), int(2 * radius)).intersected(image.rect());
    if (box.isEmpty()) return;
    const int cells = 7;
    const QImage coarse = image.copy(box).scaled(cells, cells, Qt::IgnoreAspectRatio, Qt::SmoothTransformation).scaled(box.size(), Qt::IgnoreAspectRatio, Qt::FastTransformation);
    for (int y = 0; y < box.height(); ++y)
        for (int x = 0; x < box.width(); ++x) {
            const double dx = (x + 0.5) / box.width() - 0.5, dy = (y + 0.5) / box.height() - 0.5;
            if (dx * dx + dy * dy < 0.25) image.setPixel(box.x() + x, box.y() + y, coarse.pixel(x, y));
        }
}

} // namespace

QImage answerPicture(const Review& review, const QImage& frame, const AnswerPicture& picture, const QSize& size) {
    QImage source = frame.convertToFormat(QImage::Format_RGB32);
    blurFace(source, review, picture.frame);
    const QRectF crop = bodyCrop(review, double(size.width()) / size.height(), true);
    QImage out(size, QImage::Format_RGB32);
    out.fill(QColor(0x3A, 0x3D, 0x3F));
    QPainter p(&out);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    BodyLook look;
    look.toView = QTransform().scale(size.width() / crop.width(), size.height() / crop.height()).translate(-crop.x(), -crop.y());
    p.setTransform(look.toView);
    p.drawImage(0, 0, source);
    p.resetTransform();
    look.measure = picture.measure;
    look.numbers = false;
    look.scale = size.width() / 280.0; // it is shown about that wide
    drawBody(p, review, picture.frame, look);
    return out;
}

PictureMaker pictureMaker(const Review& review, ClipReader& reader) {
    return [&review, &reader](const AnswerPicture& picture) -> PictureData {
        const auto frame = reader.bgra(picture.frame);
        if (!frame) return {};
        const QImage image = answerPicture(review, toImage(*frame), picture, {640, 340});
        QByteArray bytes;
        QBuffer buffer(&bytes);
        buffer.open(QIODevice::WriteOnly);
        image.save(&buffer, "JPG", 86);
        return {"image/jpeg", bytes.toBase64().toStdString()};
    };
}

} // namespace deft::ui
