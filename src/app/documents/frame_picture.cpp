// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/documents/frame_picture.h"

#include "app/documents/answer_picture.h"
#include "app/documents/drawing_file.h"
#include "app/paint/body_overlay.h"
#include "app/paint/drawings.h"
#include "app/theme/words.h"

namespace deft::ui {
namespace {

void paint(QPainter& p, const Review& review, const QImage& covered, int64_t number, const std::string& measure) {
    p.drawImage(0, 0, covered);
    BodyLook look;
    look.everything = true;
    look.measure = measure;
    look.scale = covered.width() / 960.0;
    drawBody(p, review, number, look);
    for (const Drawing& d : review.inputs.drawings)
        if (review.clip().frameAt(d.time_s) == number) drawDrawing(p, d, {}, look.scale);
}

} // namespace

Result<QImage> framePicture(const Review& review, const QImage& frame, int64_t number, const std::string& measure) {
    auto picture = withoutFaces(review, frame, number);
    if (!picture) return picture;
    const QImage covered = *picture;
    QPainter p(&*picture);
    p.setRenderHint(QPainter::Antialiasing);
    paint(p, review, covered, number, measure);
    return picture;
}

Result<void> writeFramePicture(const Review& review, const QImage& frame, int64_t number, const std::string& measure,
                               const std::filesystem::path& path) {
    const auto covered = withoutFaces(review, frame, number);
    if (!covered) return tl::unexpected(covered.error());
    return writeDrawing(path, covered->size(), spoken(review.exercise.name),
                        [&](QPainter& p) { paint(p, review, *covered, number, measure); });
}

} // namespace deft::ui
