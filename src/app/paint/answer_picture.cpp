#include "app/paint/answer_picture.h"

#include "app/paint/body_overlay.h"
#include "app/paint/drawings.h"
#include "app/paint/image_bytes.h"

#include <QPainterPath>
#include <optional>

namespace deft::ui {

QImage toImage(const cv::Mat& bgra) {
    auto* held = new cv::Mat(bgra); // counted, so nothing is copied
    return QImage(
        bgra.data, bgra.cols, bgra.rows, qsizetype(bgra.step), QImage::Format_RGB32,
        [](void* mat) { delete static_cast<cv::Mat*>(mat); }, held);
}

namespace {

/// A head that was lost for longer than this may be anywhere (chosen here).
constexpr double kHeadKnown_s = 0.5;

std::optional<Point2> at(const Tracks& tracks, const std::string& name, size_t frame) {
    if (const TrackPoint* p = tracks.find(name, frame); p && p->usable()) return p->at;
    return std::nullopt;
}

/// Place of a landmark, or of the middle of its left and right, in the nearest frame in which it was seen.
std::optional<Point2> nearest(const Review& r, const std::string& name, int64_t frame) {
    const auto frames = int64_t(r.tracks.frames());
    for (int64_t away = 0; away < frames; ++away) {
        bool near = false;
        for (const int64_t i : {frame - away, frame + away}) {
            if (i < 0 || i >= frames ||
                std::abs(r.clip.time_s[size_t(i)] - r.clip.time_s[size_t(frame)]) > kHeadKnown_s)
                continue;
            near = true;
            if (const auto p = at(r.tracks, name, size_t(i))) return p;
            const auto left = at(r.tracks, name + "_l", size_t(i)), right = at(r.tracks, name + "_r", size_t(i));
            if (left && right) return Point2((*left + *right) / 2);
        }
        if (!near) break;
    }
    return std::nullopt;
}

/// Where the head is, generously. Without an ear mark it is guessed to lie beyond the shoulder, as far as a head is
/// long.
std::optional<QRectF> headBox(const Review& r, int64_t frame) {
    auto ear = nearest(r, "ear", frame), hip = nearest(r, "hip", frame);
    const auto shoulder = nearest(r, "shoulder", frame);
    if (!ear) ear = nearest(r, "nose", frame);
    if (!hip) hip = nearest(r, "asis", frame);
    if (!hip) hip = nearest(r, "psis", frame);
    if (!shoulder || !hip) return std::nullopt;
    const Vector2 up = *shoulder - *hip;
    const Point2 centre = ear ? Point2(*ear + 0.04 * up) : Point2(*shoulder + 0.45 * up);
    const double radius = 0.40 * up.norm();
    return QRectF(centre.x() - radius, centre.y() - radius, 2 * radius, 2 * radius);
}

/// Coarse squares over the head: what leaves the machine shows no face.
void blur(QImage& image, const QRectF& head) {
    const QRect box = head.toAlignedRect().intersected(image.rect());
    if (box.isEmpty()) return; // the head lies outside the picture
    const QImage coarse = image.copy(box).scaled(7, 7, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
    QPainterPath disc;
    disc.addEllipse(head);
    QPainter p(&image);
    p.setClipPath(disc);
    p.drawImage(box, coarse);
}

} // namespace

QImage withoutFace(const Review& review, const QImage& frame, int64_t number) {
    const auto head = headBox(review, number);
    if (!head) return {};
    QImage covered = frame.convertToFormat(QImage::Format_RGB32);
    blur(covered, *head);
    return covered;
}

QImage answerPicture(const Review& review, const QImage& frame, const AnswerPicture& picture, const QSize& size) {
    const QImage source = withoutFace(review, frame, picture.frame);
    if (source.isNull()) return {};
    const QRectF crop = bodyCrop(review, double(size.width()) / size.height(), true);
    QImage out(size, QImage::Format_RGB32);
    out.fill(QColor(0x3A, 0x3D, 0x3F));
    QPainter p(&out);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    BodyLook look;
    look.toView =
        QTransform().scale(size.width() / crop.width(), size.height() / crop.height()).translate(-crop.x(), -crop.y());
    p.setTransform(look.toView);
    p.drawImage(0, 0, source);
    p.resetTransform();
    look.measure = picture.measure;
    look.numbers = false;
    look.scale = size.width() / 280.0; // it is shown about that wide
    drawBody(p, review, picture.frame, look);
    for (const Drawing& d : review.inputs.drawings)
        if (review.clip.frameAt(d.time_s) == picture.frame) drawDrawing(p, d, look.toView, look.scale);
    return out;
}

bool canCoverFace(const Review& review, int64_t frame) { return headBox(review, frame).has_value(); }

PictureMaker pictureMaker(const Review& review, ClipReader& reader) {
    return [&review, &reader](const AnswerPicture& picture) -> PictureData {
        const auto frame = reader.bgra(picture.frame);
        if (!frame) return {};
        const QImage image = answerPicture(review, toImage(*frame), picture, {640, 340});
        if (image.isNull()) return {};
        return {"image/jpeg", imageBytes(image, "JPG", 86).toBase64().toStdString()};
    };
}

} // namespace deft::ui
