// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/paint/threads.h"

#include "app/paint/banded_line.h"
#include "app/paint/strokes.h"
#include "app/sheet/rep_rows.h"
#include "app/theme/words.h"
#include "readings/readings.h"

#include <QObject>
#include <QPainterPath>
#include <algorithm>
#include <cmath>
#include <functional>

namespace deft::ui {
namespace {

constexpr int kNames = 60;

std::vector<BandedPoint> pointsOf(const std::vector<double>& time_s, const Series& s) {
    std::vector<BandedPoint> points;
    for (size_t i = 0; i < s.value.size(); ++i) points.push_back({time_s[i], s.value[i], s.u95[i]});
    return points;
}

std::pair<double, double> spanOf(const Series& s) {
    double low = 1e300, high = -1e300;
    for (const double v : s.value)
        if (std::isfinite(v)) low = std::min(low, v), high = std::max(high, v);
    return low > high ? std::pair(0.0, 1.0) : std::pair(low, high);
}

/// How loud breath is, as a pale line, and where one out may begin: dashed, until the coach has confirmed it.
void drawHeard(QPainter& p, const BreathSound& heard, const std::vector<BreathTap>& confirmed,
               const std::function<double(double)>& x, const QRectF& strip) {
    constexpr double kLoud_dB = 25, kSame_s = 0.5;
    QPainterPath line(QPointF(x(0), strip.bottom()));
    for (size_t i = 0; i < heard.level.size(); ++i)
        line.lineTo(std::min(strip.right(), x(double(i) / heard.rate_Hz)),
                    strip.bottom() - std::min(1.0, heard.level[i] / kLoud_dB) * strip.height());
    line.lineTo(line.currentPosition().x(), strip.bottom());
    p.fillPath(line, withAlpha(colours().ink3, 70));
    p.setPen(QPen(colours().ink2, 1, Qt::DashLine));
    for (const BreathTap& b : heard.proposed)
        if (std::none_of(confirmed.begin(), confirmed.end(),
                         [&](const BreathTap& c) { return std::abs(c.time_s - b.time_s) < kSame_s; }))
            p.drawLine(QPointF(x(b.time_s), strip.top()), QPointF(x(b.time_s), strip.bottom()));
}

} // namespace

QRectF threadsArea(const QRectF& b) { return {b.left() + kNames, b.top(), b.width() - kNames - 6, b.height() - 22}; }

void drawThreads(QPainter& p, const QRectF& body, const ClipInfo& clip, const Review* r, const ThreadsLook& look) {
    const Palette& c = colours();
    const QRectF a = threadsArea(body);
    const double duration = clip.duration_s;
    auto x = [&](double t) { return a.left() + t / duration * a.width(); };
    auto name = [&](double y, double h, const QString& words, const QString& under = {}) {
        putText(p, QRectF(body.left(), y, kNames - 6, under.isEmpty() ? h : h / 2), words, Size::Small, c.ink2);
        if (!under.isEmpty())
            putText(p, QRectF(body.left(), y + h / 2 - 2, kNames - 6, h / 2), under, Size::Small, c.ink2);
    };
    const double unit = a.height() / 10;
    if (r) {
        const double phases = a.top() + 6;
        name(phases, 16, QObject::tr("phases"));
        for (size_t k = 0; k < r->events.reps.size(); ++k) {
            const Rep& rep = r->events.reps[k];
            const QPolygonF shape{{x(rep.start_s), phases + 16},
                                  {x(rep.hold.start_s), phases},
                                  {x(rep.hold.end_s), phases},
                                  {x(rep.end_s), phases + 16}};
            p.setPen(QPen(c.ink2, 1));
            p.setBrush(c.zone);
            p.drawPolygon(shape);
            putText(p, QRectF(x(rep.start_s), phases, x(rep.end_s) - x(rep.start_s), 16), QString::number(k + 1),
                    Size::Small, c.ink, QFont::DemiBold, Qt::AlignCenter);
        }
        const auto& breaths = r->inputs.breaths;
        const bool heard = look.heard && !look.heard->level.empty();
        if (const double y = a.top() + 1.9 * unit; !breaths.empty() || heard) {
            name(y - 8, 16, QObject::tr("breath"));
            if (heard) drawHeard(p, *look.heard, breaths, x, QRectF(a.left(), y - 12, a.width(), 20));
            p.setPen(QPen(c.ink2, 1));
            for (const BreathTap& b : breaths) { // out points up and is filled, in points down and is open
                const double at = x(b.time_s), d = b.out ? -4 : 4;
                p.setBrush(b.out ? QBrush(c.ink2) : QBrush(Qt::NoBrush));
                p.drawPolygon(QPolygonF{{at, y + d}, {at - 4, y - d}, {at + 4, y - d}});
            }
        }
        const FaultPlan* plan = r->exercise.anchor();
        const auto columns = repColumns(r->exercise);
        if (const Series* anchor = plan ? r->series().find(plan->limit.measure) : nullptr) {
            const auto limit = limitOf(r->exercise, plan->limit.measure);
            auto [low, high] = spanOf(*anchor);
            low = std::min(low, limit->low.value_or(low)) - 1, high = std::max(high, limit->high.value_or(high)) + 1;
            const QRectF strip(a.left(), a.top() + 3 * unit, a.width(), 3 * unit - 6);
            auto y = [&, lo = low, hi = high](double v) {
                return strip.bottom() - (v - lo) / (hi - lo) * strip.height();
            };
            p.fillRect(QRectF(QPointF(a.left(), y(limit->high.value_or(high))),
                              QPointF(a.right(), y(limit->low.value_or(low)))),
                       c.zone);
            p.setPen(QPen(c.strong, 1));
            for (const auto& end : {limit->low, limit->high})
                if (end) p.drawLine(QPointF(a.left(), y(*end)), QPointF(a.right(), y(*end)));
            name(strip.top(), strip.height(), columns[size_t(Phase::SetUp)].second,
                 limit->high ? QObject::tr("to %1").arg(reading(*limit->high, limit->unit, 0)) : QString());
            drawBandedLine(
                p, pointsOf(r->series().time_s, *anchor), [&](double t, double v) { return QPointF(x(t), y(v)); },
                QPen(c.ink, 1.3), withAlpha(c.ink3, 80));
        }
        if (const Series* mover = r->series().find(r->exercise.mover.measure)) {
            const auto [low, high] = spanOf(*mover);
            const QRectF strip(a.left(), a.top() + 6 * unit + 2, a.width(), 2 * unit - 6);
            name(strip.top(), strip.height(), shortNoun(r->exercise.words.one));
            drawBandedLine(
                p, pointsOf(r->series().time_s, *mover),
                [&, lo = low, hi = high](double t, double v) {
                    return QPointF(x(t), strip.bottom() - (v - lo) / std::max(1e-9, hi - lo) * strip.height());
                },
                QPen(c.ink2, 1.3), Qt::transparent);
        }
        const double faults = a.top() + 8.4 * unit;
        name(faults, 14, QObject::tr("faults"));
        for (size_t i = 0; i < look.moments.size(); ++i) {
            const Moment& m = look.moments[i];
            if (m.agreed && !*m.agreed) continue;
            const bool chosen = int(i) == look.moment;
            const QRectF box(x(m.start_s), faults + 1, std::max(4.0, x(m.end_s) - x(m.start_s)), 12);
            p.setPen(QPen(chosen ? c.accent : c.ink, chosen ? 2 : 1));
            p.setBrush(m.clear ? hatch(c.ink) : QBrush(Qt::NoBrush));
            p.drawRect(box);
        }
    }
    p.setPen(QPen(c.strong, 1));
    p.drawLine(a.bottomLeft(), a.bottomRight());
    const double step = duration > 45 ? 15 : duration > 20 ? 10 : 5;
    for (double t = 0; t <= duration; t += step)
        putText(p, QRectF(x(t) - 20, a.bottom() + 3, 40, 16),
                t + step > duration ? QStringLiteral("%1 s").arg(t) : QString::number(t), Size::Small, c.ink2,
                QFont::Normal, Qt::AlignHCenter | Qt::AlignVCenter);
    if (look.frame) drawPlayhead(p, body, clip, *look.frame);
}

void drawPlayhead(QPainter& p, const QRectF& body, const ClipInfo& clip, int64_t frame) {
    const Palette& c = colours();
    const QRectF a = threadsArea(body);
    const double here = a.left() + clip.time_s[size_t(frame)] / clip.duration_s * a.width();
    p.setPen(QPen(c.accent, 1.6));
    p.drawLine(QPointF(here, a.top()), QPointF(here, a.bottom()));
    p.setPen(Qt::NoPen);
    p.setBrush(c.accent);
    p.drawPolygon(QPolygonF{{here - 5, a.top() - 6}, {here + 5, a.top() - 6}, {here, a.top() + 1}});
}

} // namespace deft::ui
