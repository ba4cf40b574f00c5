// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/documents/sketch_picture.h"

#include "answer/sheet.h"
#include "app/documents/image_bytes.h"
#include "app/theme/palette.h"

#include <QTransform>
#include <algorithm>
#include <cmath>

namespace deft::ui {
namespace {

constexpr double kHeadRadius = 8; // in the sketch's units

class SketchPen {
public:
    SketchPen(QPainter& painter, const QTransform& place, const Sketch& body)
        : p_(painter), place_(place), scale_(std::abs(place.m11())), size_(scale_), body_(body) {}

    bool has(const std::string& name) const { return body_.count(name) > 0; }
    QPointF at(const std::string& name) const {
        const Point2& q = body_.at(name);
        return place_.map(QPointF(q.x(), q.y()));
    }
    void limb(std::initializer_list<const char*> joints, const std::string& before, const std::string& after,
              double width) {
        QPolygonF line;
        for (const char* joint : joints)
            if (const std::string name = before + joint + after; has(name)) line << at(name);
        if (line.size() < 2) return;
        QPen pen = pen_;
        pen.setWidthF(std::max(1.4, width * scale_));
        p_.setPen(pen);
        p_.setBrush(Qt::NoBrush);
        p_.drawPolyline(line);
    }
    /// Both sides seen: the trunk between shoulders and hips.
    void trunk() {
        QPolygonF area;
        for (const char* corner : {"shoulder_l", "shoulder_r", "hip_r", "hip_l"})
            if (has(corner)) area << at(corner);
        QPen pen = pen_;
        pen.setWidthF(std::max(1.4, 6 * scale_));
        p_.setPen(pen);
        p_.setBrush(outline_ ? QBrush(Qt::NoBrush) : QBrush(pen_.color()));
        p_.drawPolygon(area);
    }
    void head(const std::string& ear, const std::string& otherEar = {}) {
        if (!has(ear)) return;
        const QPointF middle = has(otherEar) ? (at(ear) + at(otherEar)) / 2 : at(ear);
        p_.setPen(outline_ ? pen_ : QPen(Qt::NoPen));
        p_.setBrush(outline_ ? QBrush(Qt::NoBrush) : QBrush(pen_.color()));
        p_.drawEllipse(middle, kHeadRadius * size_, kHeadRadius * size_);
    }
    /// A leg, an arm and the trunk of one side.
    void side(const std::string& before, const std::string& after) {
        limb({"hip", "knee", "ankle"}, before, after, 7);
        limb({"heel", "toe"}, before, after, 4);
        limb({"shoulder", "hip"}, before, after, 12);
        limb({"shoulder", "elbow", "wrist"}, before, after, 5);
    }
    void use(const QColor& colour, bool outline) {
        pen_ = QPen(colour, 1, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin);
        outline_ = outline;
        if (outline) pen_.setStyle(Qt::DashLine), scale_ = 0; // thin lines only
    }

private:
    QPainter& p_;
    QTransform place_;
    double scale_, size_; ///< of limbs, 0 for thin lines; of the head
    const Sketch& body_;
    QPen pen_;
    bool outline_ = false;
};

void drawOne(QPainter& p, const QTransform& place, const Sketch& body, const QColor& near, const QColor& far,
             bool outline) {
    SketchPen pen(p, place, body);
    const bool paired = body.count("hip_l") || body.count("asis_l");
    if (paired) {
        pen.use(near, outline);
        for (const char* side : {"_l", "_r"}) {
            pen.limb({"hip", "knee", "ankle"}, "", side, 7);
            pen.limb({"shoulder", "elbow", "wrist"}, "", side, 5);
        }
        pen.trunk();
        pen.head("ear_l", "ear_r");
        return;
    }
    if (!outline) {
        // The far limbs hang on the near joints in a side view.
        Sketch behind = body;
        for (const char* joint : {"knee", "ankle", "elbow", "wrist"}) {
            behind.erase(joint);
            if (const auto it = body.find(std::string("far_") + joint); it != body.end()) behind[joint] = it->second;
        }
        behind.erase("heel"), behind.erase("toe");
        SketchPen back(p, place, behind);
        back.use(far, false);
        back.limb({"hip", "knee", "ankle"}, "", "", 6);
        back.limb({"shoulder", "elbow", "wrist"}, "", "", 4.5);
    }
    pen.use(near, outline);
    pen.side("", "");
    pen.head("ear");
}

} // namespace

PictureMaker sheetPictures(const Exercise& exercise) {
    Exercise plain = exercise;
    plain.landmarksNeeded.clear();
    return [plain](const AnswerPicture& picture) -> PictureData {
        const OnPaper light;
        QImage image(640, 360, QImage::Format_RGB32);
        image.fill(colours().raised);
        QPainter p(&image);
        p.setRenderHint(QPainter::Antialiasing);
        const bool end = picture.frame == kSheetEnd;
        drawSketch(p, QRectF(image.rect()).adjusted(16, 16, -16, -16), plain, end ? plain.end : plain.start,
                   end && !plain.mover.isWindow() ? &plain.start : nullptr);
        p.end();
        return {"image/png", imageBytes(image, "PNG").toBase64().toStdString()};
    };
}

Sketch wrongSketch(const Exercise& e, const std::string& fault) {
    Sketch body = e.end;
    if (const auto it = e.wrong.find(fault); it != e.wrong.end())
        for (const auto& [name, by] : it->second)
            if (const auto at = body.find(name); at != body.end()) at->second += by;
    return body;
}

void drawSketch(QPainter& p, const QRectF& box, const Exercise& e, const Sketch& body, const Sketch* also,
                const std::string& asked) {
    if (body.empty()) return;
    // One scale for every drawing of an exercise, so that start and end can be compared.
    QRectF all;
    for (const Sketch* s : {&e.start, &e.end})
        for (const auto& [name, q] : *s) all |= QRectF(q.x() - 9, q.y() - 9, 18, 18);
    all |= QRectF(all.left(), -3, all.width(), 6);
    const double scale = std::min(box.width() / all.width(), box.height() / all.height());
    QTransform place;
    place.translate(box.center().x(), box.center().y());
    place.scale(scale, -scale);
    place.translate(-all.center().x(), -all.center().y());
    const Palette& c = colours();
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    const double floor = place.map(QPointF(0, -2)).y();
    p.setPen(QPen(c.strong, 1.4));
    p.drawLine(QPointF(box.left(), floor), QPointF(box.right(), floor));
    QColor quiet = c.ink2;
    quiet.setAlphaF(0.35f);
    drawOne(p, place, body, c.ink2, quiet, false);
    if (also) drawOne(p, place, *also, c.accent, c.accent, true);
    p.setPen(QPen(c.ground, 1.4));
    p.setBrush(c.accent);
    for (const std::string& name : e.landmarksNeeded)
        if (const auto it = body.find(name); it != body.end())
            p.drawEllipse(place.map(QPointF(it->second.x(), it->second.y())), asked.empty() ? 4 : 2.5,
                          asked.empty() ? 4 : 2.5);
    if (const auto it = body.find(asked); it != body.end()) {
        const QPointF at = place.map(QPointF(it->second.x(), it->second.y()));
        p.setPen(QPen(c.ground, 3.5));
        p.drawEllipse(at, 7, 7);
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(c.accent, 2));
        p.drawEllipse(at, 11, 11);
    }
    p.restore();
}

} // namespace deft::ui
