#include "app/paint/frame_picture.h"

#include "app/paint/answer_picture.h"
#include "app/paint/body_overlay.h"
#include "app/paint/drawings.h"
#include "base/files.h"

#include <QBuffer>
#include <QPageSize>
#include <QPdfWriter>
#include <QSvgGenerator>

namespace deft::ui {
namespace {

void paint(QPainter& p, const Review& review, const QImage& covered, int64_t number, const std::string& measure) {
    p.setRenderHint(QPainter::Antialiasing);
    p.drawImage(0, 0, covered);
    BodyLook look;
    look.everything = true;
    look.measure = measure;
    look.scale = covered.width() / 960.0;
    drawBody(p, review, number, look);
    for (const Drawing& d : review.inputs.drawings)
        if (review.clip.frameAt(d.time_s) == number) drawDrawing(p, d, {}, look.scale);
}

} // namespace

Result<void> writeFramePicture(const Review& review, const QImage& frame, int64_t number, const std::string& measure,
                               const std::filesystem::path& path) {
    const QImage covered = withoutFace(review, frame, number);
    if (covered.isNull())
        return fail(Errc::Unsupported, "the head was lost in this frame, so the face cannot be covered; mark ear, "
                                       "shoulder and hip there");
    const std::string kind = path.extension().string();
    QBuffer buffer;
    buffer.open(QIODevice::WriteOnly);
    if (kind == ".png") {
        QImage image = covered;
        QPainter p(&image);
        paint(p, review, covered, number, measure);
        p.end();
        image.save(&buffer, "PNG");
    } else if (kind == ".svg") {
        QSvgGenerator svg;
        svg.setOutputDevice(&buffer);
        svg.setSize(covered.size());
        svg.setViewBox(covered.rect());
        svg.setTitle(QString::fromStdString(review.exercise.name));
        QPainter p(&svg);
        paint(p, review, covered, number, measure);
    } else if (kind == ".pdf") {
        QPdfWriter pdf(&buffer);
        pdf.setResolution(96);
        pdf.setPageSize(QPageSize(QSizeF(covered.size()) / 96 * 25.4, QPageSize::Millimeter));
        pdf.setPageMargins({});
        QPainter p(&pdf);
        paint(p, review, covered, number, measure);
    } else {
        return fail(Errc::Unsupported, path.string() + ": end the name in .png, .svg or .pdf");
    }
    const QByteArray bytes = buffer.data();
    return writeFileAtomically(path, std::string_view(bytes.constData(), size_t(bytes.size())));
}

} // namespace deft::ui
