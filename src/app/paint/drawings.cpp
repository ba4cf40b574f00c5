// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/paint/drawings.h"

#include "app/paint/body_overlay.h"
#include "app/theme/palette.h"

#include <QPainterPath>
#include <cmath>

namespace deft::ui {
namespace {

void stroke(QPainter& p, const QPainterPath& path, double scale) {
    p.setBrush(Qt::NoBrush);
    for (const auto& [colour, width] : {std::pair{kCasing, 6.0}, {kOnPicture, 3.0}}) {
        p.setPen(QPen(colour, width * scale, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
        p.drawPath(path);
    }
}

} // namespace

void drawDrawing(QPainter& p, const Drawing& d, const QTransform& toView, double scale) {
    std::vector<QPointF> at;
    for (const Point2& point : d.points) at.push_back(toView.map(QPointF(point.x(), point.y())));
    if (at.empty()) return;
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    QPainterPath path(at[0]);
    for (size_t i = 1; i < at.size(); ++i) path.lineTo(at[i]);
    QString words = QString::fromStdString(d.words);
    QPointF where = at.back() + QPointF(8, -8) * scale;
    if (d.kind == Drawing::Kind::Arrow && at.size() == 2) {
        const QLineF shaft(at[1], at[0]);
        for (const double turn : {-25.0, 25.0}) {
            QLineF barb = shaft;
            barb.setLength(std::min(16 * scale, shaft.length()));
            barb.setAngle(shaft.angle() + turn);
            path.moveTo(at[1]);
            path.lineTo(barb.p2());
        }
        where = at[0] + QPointF(8, -8) * scale; // words stand at the tail
    } else if (d.kind == Drawing::Kind::Angle && at.size() == 3) {
        const QLineF a(at[1], at[0]), b(at[1], at[2]);
        const double radius = std::min({32 * scale, a.length(), b.length()});
        double sweep = a.angleTo(b);
        if (sweep > 180) sweep -= 360;
        const QRectF box(at[1] - QPointF(radius, radius), QSizeF(2 * radius, 2 * radius));
        path.arcMoveTo(box, a.angle());
        path.arcTo(box, a.angle(), sweep);
        const QString degrees = QStringLiteral("%1°").arg(std::lround(std::abs(sweep)));
        words = words.isEmpty() ? degrees : degrees + QStringLiteral("  ") + words;
        const double middle = (a.angle() + sweep / 2) * M_PI / 180;
        where = at[1] + (radius + 12 * scale) * QPointF(std::cos(middle), -std::sin(middle));
    }
    if (d.kind != Drawing::Kind::Words) stroke(p, path, scale);
    if (!words.isEmpty()) {
        QFont font = face(Size::Body, QFont::DemiBold);
        font.setPixelSize(std::max(9, int(std::lround(int(Size::Body) * scale))));
        p.setFont(font);
        haloText(p, d.kind == Drawing::Kind::Words ? at[0] : where, words);
    }
    p.restore();
}

void drawPenLines(QPainter& p, const QRectF& box, const std::vector<PenLine>& lines, double time_s, double begins_s,
                  double run_s) {
    const auto run = [&](double s) { return std::floor((s + begins_s) / run_s); };
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    for (const PenLine& line : lines) {
        const double drawn_s = line.points.empty() ? 0 : line.points.back().time_s;
        if (time_s > drawn_s && run(time_s) > run(drawn_s)) continue;
        QPainterPath path;
        for (const PenLine::Point& point : line.points) {
            if (point.time_s > time_s) break;
            const QPointF at(box.x() + point.x * box.width(), box.y() + point.y * box.height());
            path.elementCount() ? path.lineTo(at) : path.moveTo(at);
        }
        if (path.elementCount() == 1) path.lineTo(path.currentPosition() + QPointF(0.1, 0)); // a dot
        stroke(p, path, box.width() / 640);
    }
    p.restore();
}

} // namespace deft::ui
