#include "app/paint/give_way.h"

#include "app/paint/banded_line.h"
#include "app/paint/strokes.h"
#include "app/theme/words.h"
#include "review/readings.h"

#include <QObject>
#include <cmath>

namespace deft::ui {
namespace {

/// The anchor over the mover, from the rep's start to the end of the hold.
std::vector<BandedPoint> threadOf(const Review& r, const Rep& rep, const Series& anchor, const Series& mover) {
    const MoverPlan plan = moverPlan(r.exercise);
    std::vector<BandedPoint> thread;
    for (int64_t i = r.clip.frameAt(rep.start_s); i < r.clip.frames() && r.clip.time_s[size_t(i)] <= rep.hold.end_s;
         ++i)
        thread.push_back(
            {plan.outward(mover.value[size_t(i)]) - rep.baseline, anchor.value[size_t(i)], anchor.u95[size_t(i)]});
    return thread;
}

} // namespace

QString giveWayWords(const Exercise& exercise) {
    const FaultPlan* anchor = exercise.anchor();
    return anchor ? QObject::tr("%1 over %2")
                        .arg(QString::fromStdString(measureName(anchor->limit.measure)).toLower(),
                             QString::fromStdString(exercise.words.one))
                  : QString();
}

void drawGiveWay(QPainter& p, const QRectF& body, const Review& r, int chosenRep) {
    const FaultPlan* plan = r.exercise.anchor();
    const Series* anchor = plan ? r.series.find(plan->limit.measure) : nullptr;
    const Series* mover = r.series.find(r.exercise.mover.measure);
    if (!anchor || !mover || r.events.reps.empty()) return;
    const Limit& limit = plan->limit;
    const Palette& c = colours();

    std::vector<std::vector<BandedPoint>> threads;
    double top = limit.high.value_or(5) * 1.6, bottom = limit.low.value_or(0) - 3, far = 10;
    for (const Rep& rep : r.events.reps) {
        threads.push_back(threadOf(r, rep, *anchor, *mover));
        for (const BandedPoint& q : threads.back())
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
    const QString sign = QString::fromStdString(unitSign(mover->unit));
    const QString unit = sign == QLatin1String("°") ? sign : QLatin1Char(' ') + sign;
    const int step = far > 60 ? 20 : 10;
    for (int x = 0; x <= far; x += step)
        putText(p, QRectF(at(x, bottom).x() - 20, area.bottom() + 4, 40, 16),
                x + step > far ? QString::number(x) + unit : QString::number(x), Size::Small, c.ink2, QFont::Normal,
                Qt::AlignHCenter | Qt::AlignVCenter);

    for (size_t k = 0; k < threads.size(); ++k) {
        const Rep& rep = r.events.reps[k];
        const bool chosen = int(k) == chosenRep;
        QPen pen(chosen ? c.accent : c.ink2, chosen ? 2.4 : 1.2);
        if (!chosen && k % 2 == 1) pen.setDashPattern({4, 3});
        const QPointF end =
            drawBandedLine(p, threads[k], at, pen, chosen ? withAlpha(c.accent, 40) : QColor(Qt::transparent));
        putText(p, QRectF(end + QPointF(4, -8 + 11.0 * (int(k) % 2 ? 1 : -1)), QSizeF(14, 16)), QString::number(k + 1),
                Size::Small, chosen ? c.accent : c.ink2, QFont::DemiBold);
        if (rep.brokenBy != plan->limit.measure) continue;
        const QPointF leaves = at(rep.controlRange, high);
        p.setPen(QPen(chosen ? c.accent : c.ink, 1.6));
        p.setBrush(c.ground);
        p.drawPolygon(QPolygonF{leaves + QPointF(-6, -1), leaves + QPointF(6, -1), leaves + QPointF(0, 9)});
        if (!chosen) continue;
        QPen dots(c.accent, 1);
        dots.setDashPattern({2, 3});
        p.setPen(dots);
        p.drawLine(leaves + QPointF(0, 10), at(rep.controlRange, bottom));
        p.setPen(QPen(c.accent, 5, Qt::SolidLine, Qt::FlatCap));
        p.drawLine(at(std::max(0.0, rep.controlRange - rep.controlRangeU95), bottom),
                   at(rep.controlRange + rep.controlRangeU95, bottom));
        const QRectF words(leaves.x() - 130, area.bottom() - 40, 122, 18);
        const bool left = words.left() > area.left();
        const QRectF box = left ? words : words.translated(138, 0);
        const Qt::Alignment side = left ? Qt::AlignRight : Qt::AlignLeft;
        putText(p, box,
                QStringLiteral("%1 ± %2")
                        .arg(std::lround(rep.controlRange))
                        .arg(std::lround(std::max(1.0, rep.controlRangeU95))) +
                    unit,
                Size::Body, c.accent, QFont::DemiBold, side);
        putText(p, box.translated(0, 16), QObject::tr("control range"), Size::Small, c.ink2, QFont::Normal, side);
    }
}

} // namespace deft::ui
