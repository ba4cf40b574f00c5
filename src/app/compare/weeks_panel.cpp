#include "app/compare/weeks_panel.h"

#include "app/paint/banded_line.h"
#include "app/theme/words.h"

#include <algorithm>
#include <cmath>

namespace deft::ui {
namespace {

constexpr int kName = 268, kScale = 56, kWords = 256, kDays = 24, kLeastRow = 40, kMostRow = 88;
constexpr double kDot = 4;

/// Where a value lies in a plot that reaches from low to high.
double heightIn(const QRectF& plot, double value, double low, double high) {
    return plot.bottom() - (value - low) / (high - low) * plot.height();
}

/// What a row shows: its visits with their bands, and its tolerance where that is near.
std::pair<double, double> extent(const OverTime& o) {
    double low = INFINITY, high = -INFINITY;
    for (const Visit& v : o.visits) low = std::min(low, v.value - v.u95), high = std::max(high, v.value + v.u95);
    const double near = 0.6 * std::max(high - low, 1e-6);
    for (const auto& limit : {o.now.low, o.now.high})
        if (limit && *limit > low - near && *limit < high + near)
            low = std::min(low, *limit), high = std::max(high, *limit);
    const double air = std::max(0.08 * (high - low), 1e-6);
    return {low - air, high + air};
}

} // namespace

WeeksPanel::WeeksPanel(Comparison& comparison, QWidget* parent)
    : Panel(tr("Over the weeks"), parent), comparison_(comparison) {
    setAside(tr("filled: this clip; shaded: tolerance, with its limits; line: a trend beyond the noise"));
    connect(&comparison, &Comparison::changed, this, &WeeksPanel::refresh);
}

QString WeeksPanel::verdict(const OverTime& o) {
    const QString slope =
        tr("%1 ± %2 a week").arg(reading(o.perWeek, o.now.unit, o.now.decimals + 1, true), band(o.perWeekU95));
    switch (o.verdict) {
    case OverTime::Verdict::TooFew:
        return o.visits.size() < kTrendFrom ? tr("too few visits to tell of a trend") : tr("all of one day");
    case OverTime::Verdict::NoTrend:
        return tr("no trend: %1").arg(slope);
    case OverTime::Verdict::Trend:
        break;
    }
    return !o.better   ? tr("changing, %1").arg(slope)
           : *o.better ? tr("getting better, %1").arg(slope)
                       : tr("getting worse, %1").arg(slope);
}

void WeeksPanel::refresh() {
    weeks_ = 0;
    QStringList told;
    for (const OverTime& o : comparison_.weeks()) {
        if (!o.weeks.empty()) weeks_ = std::max(weeks_, o.weeks.back());
        told << QStringLiteral("%1: %2").arg(QString::fromStdString(o.now.name), verdict(o));
    }
    setAccessibleDescription(told.join(QStringLiteral("; ")));
    update();
}

double WeeksPanel::across(const QRectF& plot, double week) const {
    return weeks_ > 0 ? plot.left() + 8 + week / weeks_ * (plot.width() - 16) : plot.center().x();
}

void WeeksPanel::paintDays(QPainter& p, const QRectF& plot) {
    const Palette& c = colours();
    // The row with the most visits names the days; where two lie too close the later one is told.
    const auto longest =
        std::max_element(comparison_.weeks().begin(), comparison_.weeks().end(),
                         [](const OverTime& a, const OverTime& b) { return a.visits.size() < b.visits.size(); });
    double free = plot.right() + 100;
    for (size_t i = longest->visits.size(); i-- > 0;) {
        const double x = across(plot, longest->weeks[i]);
        p.setPen(QPen(c.hairline, 1));
        p.drawLine(QPointF(x, plot.top()), QPointF(x, plot.bottom()));
        if (x > free - 64) continue;
        free = x;
        putText(p, QRectF(x - 40, plot.top() - kDays, 80, kDays), dayWords(longest->visits[i].date), Size::Small,
                c.ink2, QFont::Normal, Qt::AlignCenter);
    }
}

/// The row's scale: the limits of its tolerance that it reaches; of two that would overlap the one nearer to this clip.
void WeeksPanel::paintScale(QPainter& p, const QRectF& plot, const OverTime& o, double low, double high) {
    constexpr double line = 14;
    std::vector<double> limits;
    for (const auto& limit : {o.now.low, o.now.high})
        if (limit && *limit >= low && *limit <= high) limits.push_back(*limit);
    if (limits.size() == 2 && (limits[1] - limits[0]) / (high - low) * plot.height() < line) {
        const double now = o.visits.back().value;
        limits.erase(limits.begin() + (std::abs(limits[0] - now) < std::abs(limits[1] - now)));
    }
    for (const double limit : limits) {
        const double y = heightIn(plot, limit, low, high);
        putText(p, QRectF(plot.left() - kScale, y - line / 2, kScale - 8, line),
                reading(limit, o.now.unit, o.now.decimals, o.now.sign), Size::Small, colours().ink2, QFont::Normal,
                Qt::AlignRight | Qt::AlignVCenter);
    }
}

void WeeksPanel::paintReading(QPainter& p, const QRectF& row, const QRectF& plot, const OverTime& o) {
    const Palette& c = colours();
    const auto [low, high] = extent(o);
    const auto at = [&, low = low, high = high](double week, double value) {
        return QPointF(across(plot, week), heightIn(plot, value, low, high));
    };
    // Tolerance: what lies between its limits, as far as the row reaches.
    if (o.now.low || o.now.high) {
        const double from = std::clamp(o.now.low.value_or(low), low, high),
                     to = std::clamp(o.now.high.value_or(high), low, high);
        p.fillRect(QRectF(QPointF(plot.left(), at(0, to).y()), QPointF(plot.right(), at(0, from).y())), c.zone);
    }
    paintScale(p, plot, o, low, high);
    const bool trend = o.verdict == OverTime::Verdict::Trend;
    if (trend) {
        p.setPen(QPen(c.accent, 1.5, Qt::DashLine));
        p.drawLine(at(0, o.atFirst), at(o.weeks.back(), o.atFirst + o.perWeek * o.weeks.back()));
    }
    for (size_t i = 0; i < o.visits.size(); ++i) {
        const Visit& v = o.visits[i];
        const bool last = i + 1 == o.visits.size();
        p.setPen(QPen(c.ink, 1));
        p.drawLine(at(o.weeks[i], v.value - v.u95), at(o.weeks[i], v.value + v.u95));
        p.setPen(QPen(last ? c.accent : c.ink, 1.5));
        p.setBrush(last ? c.accent : c.paper);
        p.drawEllipse(at(o.weeks[i], v.value), kDot, kDot);
    }
    QString name = QString::fromStdString(o.now.name);
    if (!name.isEmpty()) name[0] = name[0].toUpper();
    const double middle = row.center().y();
    putText(p, QRectF(row.left(), middle - 18, kName - kScale, 18), name, Size::Small, c.ink, QFont::DemiBold);
    const QString first = reading(o.visits.front().value, o.now.unit, o.now.decimals, o.now.sign);
    putText(p, QRectF(row.left(), middle, kName - kScale, 18),
            tr("%1, from %2").arg(counted(int(o.visits.size()), tr("visit"), tr("visits")), first), Size::Small,
            c.ink2);
    const QRectF words(plot.right() + 16, middle - 18, row.right() - plot.right() - 16, 18);
    const Visit& last = o.visits.back();
    putText(p, words,
            tr("%1 ± %2%3")
                .arg(reading(last.value, o.now.unit, o.now.decimals, o.now.sign), band(last.u95),
                     o.unlike ? tr(", unlike the visits before") : QString()),
            Size::Small, c.ink, QFont::DemiBold);
    putText(p, words.translated(0, 18), verdict(o), Size::Small, trend ? c.ink : c.ink2,
            trend ? QFont::DemiBold : QFont::Normal);
}

void WeeksPanel::paintBody(QPainter& p, const QRect& body) {
    if (comparison_.weeks().empty()) {
        putText(p, body, comparison_.why(), Size::Body, colours().ink2, QFont::Normal, Qt::AlignCenter);
        return;
    }
    p.setRenderHint(QPainter::Antialiasing);
    const auto rows = double(comparison_.weeks().size());
    const double height = std::clamp((body.height() - kDays) / rows, double(kLeastRow), double(kMostRow));
    const QRectF plots(body.left() + kName, body.top() + kDays, body.width() - kName - kWords, rows * height);
    paintDays(p, plots);
    double y = plots.top();
    for (const OverTime& o : comparison_.weeks()) {
        const QRectF row(body.left(), y, body.width(), height);
        paintReading(p, row, QRectF(plots.left(), y + 6, plots.width(), height - 12), o);
        p.setPen(QPen(colours().hairline, 1));
        p.drawLine(row.bottomLeft(), row.bottomRight());
        y += height;
    }
}

} // namespace deft::ui
