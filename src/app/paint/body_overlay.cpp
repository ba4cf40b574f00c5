// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/paint/body_overlay.h"

#include "app/theme/palette.h"
#include "app/theme/words.h"
#include "base/numbers.h"
#include "readings/readings.h"

#include <QObject>
#include <QPainterPath>
#include <cmath>

namespace deft::ui {
namespace {

QPointF qp(const Point2& p) { return {p.x(), p.y()}; }

/// The pens of one drawing: everything light on a dark casing.
class Ink {
public:
    Ink(QPainter& painter, const BodyLook& look) : p(painter), look_(look) {}
    QPointF at(const Point2& point) const { return look_.toView.map(qp(point)); }
    double px(double v) const { return v * look_.scale; }
    double clearTop() const { return look_.clearTop; }
    double left() const { return p.hasClipping() ? p.clipBoundingRect().left() : 0; } ///< of what is drawn on

    void path(const QPainterPath& path, const QColor& colour, double width, Qt::PenStyle style = Qt::SolidLine) const {
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(kCasing, px(width + 2.2), Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
        if (style == Qt::SolidLine) p.drawPath(path);
        QPen pen(colour, px(width), style, style == Qt::SolidLine ? Qt::RoundCap : Qt::FlatCap, Qt::RoundJoin);
        if (style == Qt::CustomDashLine) pen.setDashPattern({5, 4});
        p.setPen(pen);
        p.drawPath(path);
    }
    void line(const QPointF& a, const QPointF& b, const QColor& colour, double width,
              Qt::PenStyle style = Qt::SolidLine) const {
        QPainterPath l(a);
        l.lineTo(b);
        path(l, colour, width, style);
    }
    void dot(const QPointF& a, const QColor& colour, double radius) const {
        p.setPen(QPen(kCasing, px(1.4)));
        p.setBrush(colour);
        p.drawEllipse(a, px(radius), px(radius));
    }
    void text(const QPointF& a, const QString& words, Qt::Alignment alignment, Size size = Size::Body,
              QFont::Weight weight = QFont::DemiBold) const {
        QFont f = face(size, weight);
        f.setPixelSize(std::max(8, int(std::lround(px(int(size))))));
        p.setFont(f);
        haloText(p, a, words, alignment);
    }
    QPainter& p;

private:
    const BodyLook& look_;
};

constexpr double kHeadOfTrunk = 0.6; // from the shoulder to the top of the head (common proportions, from memory)
/// Endings of landmarks: of the side view, then of the two sides seen from the front or the rear.
const std::string kSides[] = {"", "_l", "_r"};

struct Frame {
    const Review& r;
    int64_t i;
    const TrackPoint* get(const std::string& name) const {
        const TrackPoint* p = r.tracks().find(name, size_t(i));
        return p && p->usable() ? p : nullptr;
    }
    double value(const std::string& measure) const {
        const Series* s = r.series().find(measure);
        return s ? s->value[size_t(i)] : kGap;
    }
    double u95(const std::string& measure) const {
        const Series* s = r.series().find(measure);
        return s ? s->u95[size_t(i)] : kGap;
    }
};

void drawLines(const Ink& ink, const Frame& f, const QColor& colour, double width, Qt::PenStyle style) {
    auto join = [&](const std::string& a, const std::string& b) {
        const TrackPoint *p = f.get(a), *q = f.get(b);
        if (p && q) ink.line(ink.at(p->at), ink.at(q->at), colour, width, style);
    };
    for (const std::string& side : kSides)
        for (const auto& [a, b] :
             {std::pair{"ear", "shoulder"}, {"shoulder", "hip"}, {"hip", "knee"}, {"knee", "ankle"}, {"ankle", "toe"}})
            join(a + side, b + side);
    for (const std::string across : {"shoulder", "asis", "psis"}) join(across + "_l", across + "_r");
}

/// Arc at b on the free side, from b→a to b→c, with its number outside.
void drawArc(const Ink& ink, const Frame& f, const char* a, const char* b, const char* c, const std::string& measure,
             bool matters, bool numbers) {
    const TrackPoint *pa = f.get(a), *pb = f.get(b), *pc = f.get(c);
    const double value = f.value(measure);
    if (!pa || !pb || !pc || !std::isfinite(value)) return;
    const QPointF centre = ink.at(pb->at);
    auto angleOf = [&](const TrackPoint* p) {
        const QPointF d = ink.at(p->at) - centre;
        return degrees(std::atan2(-d.y(), d.x()));
    };
    const double from = angleOf(pa);
    double sweep = wrapDeg(angleOf(pc) - from);
    if (std::abs(std::abs(sweep) - std::min(value, 360 - value)) > 20) sweep = sweep > 0 ? sweep - 360 : sweep + 360;
    const double radius = ink.px(matters ? 56 : 40);
    QPainterPath arc;
    const QRectF box(centre.x() - radius, centre.y() - radius, 2 * radius, 2 * radius);
    arc.arcMoveTo(box, from);
    arc.arcTo(box, from, sweep);
    ink.path(arc, matters ? kLineThatMatters : kOnPicture, 1.6);
    if (!numbers) return;
    const double middle = radians(from + sweep / 2);
    const QPointF at = centre + QPointF(std::cos(middle), -std::sin(middle)) * (radius + ink.px(16));
    ink.text(at, QString::fromStdString(numberWords(value, 0)) + QStringLiteral("°"), Qt::AlignCenter);
}

/// The angle that a tilt is before its neutral is taken from it, and which neutral that is. Empty where it has none.
QString rawWords(const Frame& f, const std::string& measure) {
    if (f.r.series().beforeNeutral.empty() || measure == "tilt_raw") return {}; // two sides have two neutrals
    const Neutral& n = f.r.series().neutral;
    const double zero = measure == "tilt" ? n.tilt_raw : n.pelvis_on_trunk_raw;
    const QString from = n.source == "clip"    ? QObject::tr("between full arch and full flat")
                         : n.source == "coach" ? QObject::tr("as you chose it")
                                               : QObject::tr("from the set-up");
    return QObject::tr("raw %1, neutral %2 %3")
        .arg(reading(f.value(measure) + zero, "deg"), reading(zero, "deg"), from);
}

/// Needle: the pelvis's front-to-back line against the trunk, on a scale of degrees with the tolerance as a wedge.
void drawNeedle(const Ink& ink, const Frame& f, const std::string& measure, const std::optional<Limit>& limit,
                bool numbers, bool small, bool raw) {
    const TrackPoint *hip = f.get("hip"), *shoulder = f.get("shoulder");
    const double value = f.value(measure), u95 = f.u95(measure);
    if (!hip || !shoulder || !std::isfinite(value)) return;
    Point2 middle = hip->at;
    int n = 1;
    for (const char* name : {"asis", "crest", "psis"})
        if (const TrackPoint* p = f.get(name)) middle += p->at, ++n;
    middle /= n;
    const BodyAxes& axes = f.r.series().context.axes;
    const Vector2 cranial = measure == "tilt" ? axes.cranial : Vector2((shoulder->at - hip->at).normalized());
    Vector2 front(-cranial.y(), cranial.x());
    if (front.dot(axes.anterior) < 0) front = -front;
    const double reach = small ? 0.34 * (shoulder->at - hip->at).norm() : 0.52 * (shoulder->at - hip->at).norm();
    auto tip = [&](double deg, double length) {
        return ink.at(middle + length * (std::cos(radians(deg)) * front - std::sin(radians(deg)) * cranial));
    };
    const QPointF foot = ink.at(middle);
    auto wedge = [&](double a, double b, double length) {
        QPainterPath w(foot);
        for (int k = 0; k <= 12; ++k) w.lineTo(tip(a + (b - a) * k / 12, length));
        w.closeSubpath();
        return w;
    };
    const double low = limit ? limit->low.value_or(-10) : -10, high = limit ? limit->high.value_or(10) : 10;
    const Verdict verdict = limit ? limit->verdict(value, u95) : Verdict::CannotTell;
    ink.p.setPen(Qt::NoPen);
    ink.p.setBrush(QColor(255, 255, 255, 92));
    ink.p.drawPath(wedge(low, high, 0.96 * reach));
    if (verdict == Verdict::Out) {
        ink.p.setBrush(QBrush(QColor(255, 255, 255, 170), Qt::BDiagPattern));
        ink.p.drawPath(wedge(limit->endAt(value), value, 0.96 * reach));
    }
    if (!small && std::isfinite(u95)) {
        QColor fan = kLineThatMatters;
        fan.setAlpha(90);
        ink.p.setBrush(fan);
        ink.p.drawPath(wedge(value - u95, value + u95, reach));
    }
    const int firstTick = int(std::floor(low)) - 2, lastTick = int(std::ceil(std::max(high, value))) + 2;
    if (!small) {
        for (int d = firstTick; d <= lastTick; ++d)
            ink.line(tip(d, reach * 1.02), tip(d, reach * (d % 5 == 0 ? 1.09 : 1.05)), kOnPicture, 0.8);
        // Name the limits, and neutral when its name would not run into them.
        for (const double d : {low, high})
            if (limit && ((d == low && limit->low) || (d == high && limit->high)))
                ink.text(tip(d, reach * 1.17), reading(d, "", 0), Qt::AlignCenter, Size::Small, QFont::Medium);
    }
    ink.line(foot, tip(value, reach * (small ? 1.15 : 1.10)), kLineThatMatters, small ? 2.0 : 3.0);
    ink.dot(foot, kLineThatMatters, small ? 2.2 : 3.5);
    if (numbers && !small) {
        const bool rightward = tip(value, reach).x() >= tip(value, 0.5 * reach).x();
        // Beside the tip, on the side where the body is not.
        QPointF at = tip(value, reach * 1.12) + QPointF(ink.px(rightward ? 22 : -22), -ink.px(6));
        at.setY(std::max(at.y(), ink.clearTop()));
        // Clear of the scale, which leans as the trunk does.
        for (int d = firstTick; d <= lastTick; ++d) {
            const QPointF end = tip(d, reach * 1.09);
            if (end.y() < at.y() - ink.px(18) || end.y() > at.y() + ink.px(46)) continue;
            const double clear = end.x() + ink.px(rightward ? 6 : -6);
            at.setX(rightward ? std::max(at.x(), clear) : std::min(at.x(), clear));
        }
        const Qt::Alignment side = rightward ? Qt::AlignLeft : Qt::AlignRight;
        ink.text(at, reading(value, "deg") + QStringLiteral("  ± ") + band(u95), side, Size::Large);
        QString words = spoken(measureName(measure));
        if (verdict == Verdict::Out)
            words += QObject::tr(", out by %1").arg(reading(limit->excess(value), "deg", 1, false));
        else if (limit && verdict == Verdict::CannotTell)
            words += QObject::tr(", near its limit");
        ink.text(at + QPointF(0, ink.px(20)), words, side, Size::Small, QFont::Medium);
        if (raw) ink.text(at + QPointF(0, ink.px(38)), rawWords(f, measure), side, Size::Small, QFont::Medium);
    }
}

/// The line on the floor that heights are told from; for somebody who stands, the level.
void drawMatLine(const Ink& ink, const Frame& f, bool label, double width) {
    const BodyAxes& axes = f.r.series().context.axes;
    if (!axes.matMarked) return;
    const bool stands = f.r.series().context.position == Position::Upright;
    const double y = axes.matPoint.y(), dx = -axes.up.y(), dy = axes.up.x();
    const Point2 a(0, y - axes.matPoint.x() * dy / dx), b(width, y + (width - axes.matPoint.x()) * dy / dx);
    ink.line(ink.at(a), ink.at(b), kOnPicture, 1.0, Qt::CustomDashLine);
    if (label)
        ink.text(QPointF(std::max(ink.left(), ink.at(a).x()) + ink.px(16), ink.at(a).y() + ink.px(14)),
                 (stands ? QObject::tr("level, roll ") : QObject::tr("mat line, roll ")) + reading(axes.rollDeg, "deg"),
                 Qt::AlignLeft, Size::Small, QFont::Medium);
}

/// Hip against the line from shoulder to knee, or its height above the mat.
void drawHipLine(const Ink& ink, const Frame& f, const std::string& measure, bool numbers) {
    const TrackPoint *shoulder = f.get("shoulder"), *hip = f.get("hip"), *knee = f.get("knee");
    if (!hip) return;
    if (measure == "sag" && shoulder && knee) {
        ink.line(ink.at(shoulder->at), ink.at(knee->at), kLineThatMatters, 2.0);
        const Vector2 along = (knee->at - shoulder->at).normalized();
        const Point2 on = shoulder->at + along * along.dot(hip->at - shoulder->at);
        ink.line(ink.at(hip->at), ink.at(on), kOnPicture, 1.6);
    } else {
        const BodyAxes& axes = f.r.series().context.axes;
        const Point2 foot = hip->at - axes.up * axes.aboveMatPx(hip->at);
        ink.line(ink.at(hip->at), ink.at(foot), kLineThatMatters, 2.0);
    }
    ink.dot(ink.at(hip->at), kLineThatMatters, 3.5);
    if (numbers && std::isfinite(f.value(measure)))
        ink.text(ink.at(hip->at) + QPointF(ink.px(12), -ink.px(10)),
                 reading(f.value(measure), measureUnit(measure), 0, false) + QStringLiteral(" ") +
                     spoken(measureName(measure)),
                 Qt::AlignLeft, Size::Body);
}

void drawMarks(const Ink& ink, const Frame& f, const std::string& selected) {
    for (const auto& [name, points] : f.r.tracks().landmark) {
        const TrackPoint& t = points[size_t(f.i)];
        if (t.state == PointState::Absent || t.state == PointState::Lost) continue;
        const QPointF c = ink.at(t.at);
        const double r = ink.px(5);
        const bool chosen = name == selected;
        for (const auto& [colour, width] :
             {std::pair{QColor(kCasing), 3.4}, {chosen ? kLineThatMatters : kOnPicture, 1.4}}) {
            QPen pen(colour, ink.px(width));
            if (t.state == PointState::Weak) pen.setDashPattern({2, 2});
            ink.p.setPen(pen);
            ink.p.setBrush(Qt::NoBrush);
            if (t.state == PointState::ByHand)
                ink.p.drawRect(QRectF(c.x() - r, c.y() - r, 2 * r, 2 * r));
            else
                ink.p.drawEllipse(c, r, r);
        }
        ink.dot(c, chosen ? kLineThatMatters : kOnPicture, 1.2);
    }
}

} // namespace

void haloText(QPainter& p, const QPointF& at, const QString& text, Qt::Alignment alignment) {
    QPainterPath path;
    const QFontMetricsF m(p.font());
    const double w = m.horizontalAdvance(text);
    double x = at.x(), y = at.y();
    if (alignment & Qt::AlignRight) x -= w;
    if (alignment & Qt::AlignHCenter) x -= w / 2;
    if (alignment & Qt::AlignVCenter) y += m.capHeight() / 2;
    // Never cut at the picture's edge, be it the painter's or one of several on it.
    const QRectF room =
        p.hasClipping() ? p.clipBoundingRect() : p.worldTransform().inverted().mapRect(QRectF(p.window()));
    const double margin = 0.3 * p.font().pixelSize();
    x = std::max(room.left() + margin, std::min(x, room.right() - margin - w));
    path.addText(x, y, p.font(), text);
    p.setPen(QPen(QColor(0x14, 0x18, 0x1A, 190), std::max(2.0, p.font().pixelSize() * 0.22), Qt::SolidLine,
                  Qt::RoundCap, Qt::RoundJoin));
    p.setBrush(Qt::NoBrush);
    p.drawPath(path);
    p.setPen(Qt::NoPen);
    p.setBrush(kOnPicture);
    p.drawPath(path);
}

QRectF bodyBox(const Review& r, bool whole) {
    QRectF box;
    const auto take = [&](const Point2& at) {
        const QRectF dot(at.x() - 1, at.y() - 1, 2, 2);
        box = box.isNull() ? dot : box.united(dot);
    };
    const auto names = whole ? std::vector<std::string>{"ear", "shoulder", "hip", "knee", "ankle", "toe", "heel"}
                             : std::vector<std::string>{"shoulder", "hip", "knee", "asis"};
    const bool noHead = whole && !r.tracks().landmark.count("ear");
    for (size_t i = 0; i < r.tracks().frames(); i += 3)
        for (const std::string& side : kSides) {
            const auto usable = [&](const std::string& name) {
                const TrackPoint* p = r.tracks().find(name + side, i);
                return p && p->usable() ? p : nullptr;
            };
            for (const std::string& name : names)
                if (const TrackPoint* p = usable(name)) take(p->at);
            const TrackPoint *shoulder = usable("shoulder"), *hip = usable("hip");
            if (noHead && shoulder && hip) take(shoulder->at + kHeadOfTrunk * (shoulder->at - hip->at));
        }
    if (box.isNull()) box = QRectF(0, 0, r.clip().width, r.clip().height);
    const double margin = std::max((whole ? 0.14 : 0.08) * box.width(), 0.07 * box.height()); // heads, feet
    return box.adjusted(-margin, -1.2 * margin, margin, margin);
}

QRectF bodyCrop(const Review& r, double aspect, bool whole) {
    QRectF box = bodyBox(r, whole);
    if (box.width() / box.height() < aspect) {
        const double w = box.height() * aspect;
        box.adjust(-(w - box.width()) / 2, 0, (w - box.width()) / 2, 0);
    } else {
        const double h = box.width() / aspect;
        box.setTop(box.top() - 0.6 * (h - box.height()));
        box.setHeight(h);
    }
    return box;
}

void drawBody(QPainter& painter, const Review& review, int64_t frame, const BodyLook& look) {
    if (frame < 0 || frame >= int64_t(review.tracks().frames())) return;
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    const Ink ink(painter, look);
    const Frame f{review, frame};
    const std::string& m = look.measure;
    const bool pelvic = m == "pelvis_on_trunk" || m == "tilt" || m == "tilt_raw";
    if (look.everything) {
        drawMatLine(ink, f, look.numbers, review.clip().width);
        if (look.bestFrame) drawLines(ink, {review, *look.bestFrame}, kOnPicture, 1.0, Qt::CustomDashLine);
        drawLines(ink, f, kOnPicture, 1.8, Qt::SolidLine);
        if (!look.marks)
            for (const std::string& side : kSides)
                for (const char* name : {"ear", "shoulder", "hip", "knee", "ankle", "toe"})
                    if (const TrackPoint* p = f.get(name + side)) ink.dot(ink.at(p->at), kOnPicture, 3);
        drawArc(ink, f, "shoulder", "hip", "knee", "hip_angle", m == "hip_angle", look.numbers);
        drawArc(ink, f, "hip", "knee", "ankle", "knee_angle", m == "knee_angle", look.numbers);
    } else if (!pelvic) {
        drawLines(ink, f, kOnPicture, 1.6, Qt::SolidLine);
        if (m == "knee_angle") drawArc(ink, f, "hip", "knee", "ankle", m, true, false);
        if (m == "hip_angle") drawArc(ink, f, "shoulder", "hip", "knee", m, true, false);
    } else if (const TrackPoint* a = f.get("shoulder"), *b = f.get("hip"); a && b) {
        ink.line(ink.at(a->at), ink.at(b->at), kOnPicture, 1.6);
    }
    if (pelvic) drawNeedle(ink, f, m, limitOf(review.exercise, m), look.numbers, !look.everything, look.raw);
    if (m == "sag" || m == "hip_height" || m == "level_loss") drawHipLine(ink, f, m, look.everything && look.numbers);
    if (look.marks) drawMarks(ink, f, look.selected);
    painter.restore();
}

} // namespace deft::ui
