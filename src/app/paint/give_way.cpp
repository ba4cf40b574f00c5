// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/paint/give_way.h"

#include "app/paint/banded_line.h"
#include "app/paint/strokes.h"
#include "app/theme/words.h"
#include "readings/readings.h"

#include <QObject>
#include <algorithm>
#include <cmath>

namespace deft::ui {
namespace {

/// What is told across: how far the mover went, or where it only holds, for how long.
struct Across {
    std::vector<BandedPoint> thread; ///< the anchor over it, from the rep's start to the end of the hold
    bool gaveWay = false;
    double at = 0, u95 = 0; ///< where the anchor gave way
};
Across acrossOf(const Review& r, const Rep& rep, const Series& anchor, const Series& mover) {
    const MoverPlan plan = moverPlan(r.exercise);
    Across a;
    for (int64_t i = r.clip().frameAt(rep.start_s);
         i < r.clip().frames() && r.clip().time_s[size_t(i)] <= rep.hold.end_s; ++i) {
        const auto f = size_t(i);
        const double x =
            plan.isWindow() ? r.clip().time_s[f] - rep.hold.start_s : plan.outward(mover.value[f]) - rep.baseline;
        a.thread.push_back({x, anchor.value[f], anchor.u95[f]});
    }
    if (plan.isWindow())
        a.gaveWay = rep.hold.brokenBy == anchor.id, a.at = rep.hold.clean_s, a.u95 = rep.hold.cleanU95_s();
    else
        a.gaveWay = rep.brokenBy == anchor.id || rep.brokenBackBy == anchor.id, a.at = rep.controlRange,
        a.u95 = rep.controlRangeU95;
    return a;
}

/// The end of the tolerance that a thread passes.
double passedEnd(const Limit& limit, const std::vector<BandedPoint>& thread) {
    double worst = kGap;
    for (const BandedPoint& q : thread)
        if (limit.isWorse(q.y, worst)) worst = q.y;
    return limit.endAt(worst);
}

/// Between the numbers on the axis.
int stepFor(double far) {
    for (const int step : {1, 2, 5, 10})
        if (far <= 6.0 * step) return step;
    return 20;
}

} // namespace

QString giveWayWords(const Exercise& exercise) {
    const FaultPlan* anchor = exercise.anchor();
    if (!anchor) return {};
    const QString name = inLine(spoken(measureName(anchor->limit.measure)));
    return exercise.mover.isWindow() ? QObject::tr("%1 over time").arg(name)
                                     : QObject::tr("%1 over %2").arg(name, spoken(exercise.words.one, "noun"));
}

void drawGiveWay(QPainter& p, const QRectF& body, const Review& r, int chosenRep) {
    const FaultPlan* plan = r.exercise.anchor();
    const Series* anchor = plan ? r.series().find(plan->limit.measure) : nullptr;
    const Series* mover = r.series().find(r.exercise.mover.measure);
    if (!anchor || !mover || r.events.reps.empty()) return;
    const Limit& limit = plan->limit;
    const Palette& c = colours();

    const bool window = r.exercise.mover.isWindow();
    std::vector<Across> threads;
    double top = limit.high.value_or(5) * 1.6, bottom = limit.low.value_or(0) - 3, far = window ? 3 : 10;
    for (const Rep& rep : r.events.reps) {
        threads.push_back(acrossOf(r, rep, *anchor, *mover));
        for (const BandedPoint& q : threads.back().thread)
            if (std::isfinite(q.x) && std::isfinite(q.y))
                top = std::max(top, q.y + 1.5), bottom = std::min(bottom, q.y - 1), far = std::max(far, q.x * 1.08);
    }
    const QRectF area(body.left() + 36, body.top() + 2, body.width() - 36 - 2, body.height() - 24);
    auto at = [&](double x, double y) {
        return QPointF(area.left() + x / far * area.width(),
                       area.bottom() - (y - bottom) / (top - bottom) * area.height());
    };

    const double high = limit.high.value_or(top), low = limit.low.value_or(bottom);
    p.fillRect(QRectF(at(0, high), at(far, low)), c.zone);
    for (const auto& end : {limit.low, limit.high}) {
        if (!end) continue;
        const QPointF from = at(0, *end);
        const double up = *end == high ? -7 : 0;
        p.fillRect(QRectF(from.x(), from.y() + up, area.width(), 7), hatch(c.ink3));
        p.setPen(QPen(c.ink, 1));
        p.drawLine(from, at(far, *end));
        putText(p, QRectF(body.left(), from.y() - 8, 32, 16), reading(*end, limit.unit, 0), Size::Small, c.ink2,
                QFont::Normal, Qt::AlignRight | Qt::AlignVCenter);
    }
    putText(p, QRectF(body.left(), at(0, 0).y() - 8, 32, 16), QStringLiteral("0"), Size::Small, c.ink2, QFont::Normal,
            Qt::AlignRight | Qt::AlignVCenter);
    p.setPen(QPen(c.hairline, 1));
    p.drawLine(at(0, 0), at(far, 0));
    p.setPen(QPen(c.strong, 1));
    p.drawLine(area.bottomLeft(), area.bottomRight());
    const QString sign = window ? QStringLiteral("s") : QString::fromStdString(unitSign(mover->unit));
    const QString unit = sign == QLatin1String("°") ? sign : QLatin1Char(' ') + sign;
    const int step = stepFor(far);
    for (int x = 0; x <= far; x += step)
        putText(p, QRectF(at(x, bottom).x() - 20, area.bottom() + 4, 40, 16),
                x + step > far ? QString::number(x) + unit : QString::number(x), Size::Small, c.ink2, QFont::Normal,
                Qt::AlignHCenter | Qt::AlignVCenter);

    for (size_t k = 0; k < threads.size(); ++k) {
        const Across& across = threads[k];
        const bool chosen = int(k) == chosenRep;
        QPen pen(chosen ? c.accent : c.ink2, chosen ? 2.4 : 1.2);
        if (!chosen && k % 2 == 1) pen.setDashPattern({4, 3});
        p.save();
        p.setClipRect(area.adjusted(0, 0, 2, 0)); // a wide band must not run into the words around
        const QPointF end =
            drawBandedLine(p, across.thread, at, pen, chosen ? withAlpha(c.accent, 40) : QColor(Qt::transparent));
        p.restore();
        putText(p, QRectF(end + QPointF(4, -8 + 11.0 * (int(k) % 2 ? 1 : -1)), QSizeF(14, 16)), QString::number(k + 1),
                Size::Small, chosen ? c.accent : c.ink2, QFont::DemiBold);
        if (!across.gaveWay) continue;
        const double passed = passedEnd(limit, across.thread), pointing = passed == high ? 1 : -1;
        const QPointF leaves = at(across.at, passed);
        p.setPen(QPen(chosen ? c.accent : c.ink, 1.6));
        p.setBrush(c.ground);
        p.drawPolygon(QPolygonF{leaves + QPointF(-6, -pointing), leaves + QPointF(6, -pointing),
                                leaves + QPointF(0, 9 * pointing)});
        if (!chosen) continue;
        QPen dots(c.accent, 1);
        dots.setDashPattern({2, 3});
        p.setPen(dots);
        p.drawLine(leaves + QPointF(0, 10), at(across.at, bottom));
        p.setPen(QPen(c.accent, 5, Qt::SolidLine, Qt::FlatCap));
        p.drawLine(at(std::max(0.0, across.at - across.u95), bottom), at(across.at + across.u95, bottom));
        const QRectF words(leaves.x() - 130, area.bottom() - 40, 122, 18);
        const bool left = words.left() > area.left();
        const QRectF box = left ? words : words.translated(138, 0);
        const Qt::Alignment side = left ? Qt::AlignRight : Qt::AlignLeft;
        const QString value =
            window ? QStringLiteral("%1 ± %2")
                         .arg(coachLocale().toString(across.at, 'f', 1))
                         .arg(coachLocale().toString(across.u95, 'f', 1))
                   : QStringLiteral("%1 ± %2").arg(std::lround(across.at)).arg(std::lround(std::max(1.0, across.u95)));
        putText(p, box, value + unit, Size::Body, c.accent, QFont::DemiBold, side);
        putText(p, box.translated(0, 16), window ? QObject::tr("held clean") : QObject::tr("control range"),
                Size::Small, c.ink2, QFont::Normal, side);
    }
}

} // namespace deft::ui
