// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/paint/weeks.h"

#include "app/paint/strokes.h"
#include "app/theme/words.h"
#include "base/dates.h"

#include <QObject>
#include <algorithm>
#include <cmath>

namespace deft::ui {
namespace {

constexpr int kDays = 24, kLeastRow = 40, kMostRow = 88;
constexpr double kScale = 56, kDot = 4, kLine = 14;

/// Where a value lies in a plot that reaches from low to high.
double heightIn(const QRectF& plot, double value, double low, double high) {
    return plot.bottom() - (value - low) / (high - low) * plot.height();
}

/// What a row shows: its visits with their bands, and its tolerance where that is near.
std::pair<double, double> extent(const OverTime& o) {
    double low = INFINITY, high = -INFINITY;
    for (const Visit& v : o.visits) low = std::min(low, v.value - v.u95), high = std::max(high, v.value + v.u95);
    const double near = 0.6 * std::max(high - low, 1e-6);
    for (const auto& limit : {o.now.limit.low, o.now.limit.high})
        if (limit && *limit > low - near && *limit < high + near)
            low = std::min(low, *limit), high = std::max(high, *limit);
    const double air = std::max(0.08 * (high - low), 1e-6);
    return {low - air, high + air};
}

QString told(const OverTime& o, double value) { return reading(value, o.now.unit, o.now.decimals, o.now.sign); }

/// Draws the rows; all share one scale of time.
class WeeksPainter {
public:
    WeeksPainter(QPainter& painter, const QRectF& body, const std::vector<OverTime>& readings,
                 const std::vector<std::string>& pain)
        : p_(painter), readings_(readings), pain_(pain), body_(body), columns_(body.width()),
          rows_(weeksThatFit(body.height(), readings.size())) {
        height_ = std::clamp((body.height() - kDays) / rows_, double(kLeastRow), double(kMostRow));
        days_.left = body.left() + columns_.name, days_.right = body.right() - columns_.words;
        for (const OverTime& o : readings) {
            if (o.visits.empty()) continue;
            if (days_.first.empty() || o.visits.front().date < days_.first) days_.first = o.visits.front().date;
            days_.last = std::max(days_.last, o.visits.back().date);
        }
    }

    void paint() {
        const QRectF plots(days_.left, body_.top() + kDays, days_.right - days_.left, rows_ * height_);
        paintDays(plots);
        paintPain(plots);
        QRectF row(body_.left(), plots.top(), body_.width(), height_);
        for (int i = 0; i < rows_; ++i) {
            paintReading(row, QRectF(plots.left(), row.top() + 6, plots.width(), height_ - 12), readings_[size_t(i)]);
            p_.setPen(QPen(c_.hairline, 1));
            p_.drawLine(row.bottomLeft(), row.bottomRight());
            row.translate(0, height_);
        }
    }

private:
    void paintDays(const QRectF& plot) {
        // The row with the most visits names the days; where two lie too close the later one is told.
        const auto longest =
            std::max_element(readings_.begin(), readings_.end(),
                             [](const OverTime& a, const OverTime& b) { return a.visits.size() < b.visits.size(); });
        double free = plot.right() + 100;
        for (size_t i = longest->visits.size(); i-- > 0;) {
            const double x = days_.across(longest->visits[i].date);
            p_.setPen(QPen(c_.hairline, 1));
            p_.drawLine(QPointF(x, plot.top()), QPointF(x, plot.bottom()));
            if (x > free - 64) continue;
            free = x;
            putText(p_, QRectF(x - 40, plot.top() - kDays, 80, kDays), dayWords(longest->visits[i].date), Size::Small,
                    c_.ink2, QFont::Normal, Qt::AlignCenter);
        }
    }

    void paintPain(const QRectF& plot) {
        for (const std::string& day : pain_) {
            if (day < days_.first) continue; // before there was anything to read
            const double x = std::min(days_.across(day), plot.right() - 5);
            p_.setPen(QPen(c_.ink, 1.2, Qt::DotLine));
            p_.drawLine(QPointF(x, plot.top()), QPointF(x, plot.bottom()));
            p_.setPen(QPen(c_.ink, 2));
            for (const double way : {-1.0, 1.0})
                p_.drawLine(QPointF(x - 4, plot.top() + 4 - 4 * way), QPointF(x + 4, plot.top() + 4 + 4 * way));
        }
    }

    /// The row's scale: the limits of its tolerance that it reaches; of two that would overlap the one nearer to the
    /// last visit.
    void paintScale(const QRectF& plot, const OverTime& o, double low, double high) {
        std::vector<double> limits;
        for (const auto& limit : {o.now.limit.low, o.now.limit.high})
            if (limit && *limit >= low && *limit <= high) limits.push_back(*limit);
        if (limits.size() == 2 && (limits[1] - limits[0]) / (high - low) * plot.height() < kLine) {
            const double now = o.visits.back().value;
            limits.erase(limits.begin() + (std::abs(limits[0] - now) < std::abs(limits[1] - now)));
        }
        for (const double limit : limits) {
            const double y = heightIn(plot, limit, low, high);
            putText(p_, QRectF(plot.left() - kScale, y - kLine / 2, kScale - 8, kLine), told(o, limit), Size::Small,
                    c_.ink2, QFont::Normal, Qt::AlignRight | Qt::AlignVCenter);
        }
    }

    void paintReading(const QRectF& row, const QRectF& plot, const OverTime& o) {
        const auto [low, high] = extent(o);
        const auto at = [&, low = low, high = high](const std::string& day, double value) {
            return QPointF(days_.across(day), heightIn(plot, value, low, high));
        };
        // Tolerance: what lies between its limits, as far as the row reaches.
        if (o.now.limit.low || o.now.limit.high) {
            const double from = std::clamp(o.now.limit.low.value_or(low), low, high),
                         to = std::clamp(o.now.limit.high.value_or(high), low, high);
            p_.fillRect(QRectF(QPointF(plot.left(), heightIn(plot, to, low, high)),
                               QPointF(plot.right(), heightIn(plot, from, low, high))),
                        c_.zone);
        }
        paintScale(plot, o, low, high);
        if (o.verdict == OverTime::Verdict::Trend) {
            p_.setPen(QPen(c_.accent, 1.5, Qt::DashLine));
            p_.drawLine(at(o.visits.front().date, o.atFirst),
                        at(o.visits.back().date, o.atFirst + o.perWeek * o.weeks.back()));
        }
        for (size_t i = 0; i < o.visits.size(); ++i) {
            const Visit& v = o.visits[i];
            const bool last = i + 1 == o.visits.size();
            p_.setPen(QPen(c_.ink, 1));
            p_.drawLine(at(v.date, v.value - v.u95), at(v.date, v.value + v.u95));
            p_.setPen(QPen(last ? c_.accent : c_.ink, 1.5));
            p_.setBrush(last ? c_.accent : c_.paper);
            p_.drawEllipse(at(v.date, v.value), kDot, kDot);
        }
        paintWords(row, plot, o);
    }

    void paintWords(const QRectF& row, const QRectF& plot, const OverTime& o) {
        QString name = said(o.now.name);
        if (!name.isEmpty()) name[0] = name[0].toUpper();
        const double middle = row.center().y();
        putText(p_, QRectF(row.left(), middle - 18, columns_.name - kScale, 18), name, Size::Small, c_.ink,
                QFont::DemiBold);
        putText(p_, QRectF(row.left(), middle, columns_.name - kScale, 18),
                QObject::tr("%1, from %2")
                    .arg(counted(int(o.visits.size()), QObject::tr("visit"), QObject::tr("visits")),
                         told(o, o.visits.front().value)),
                Size::Small, c_.ink2);
        const TrendWords words = trendWords(o);
        QStringList lines{QObject::tr("%1 ± %2%3")
                              .arg(told(o, o.visits.back().value), band(o.visits.back().u95),
                                   o.unlike ? QObject::tr(", unlike the visits before") : QString())};
        const bool apart = columns_.words < 200 && row.height() >= 3 * kLine + 2;
        lines += apart && !words.slope.isEmpty() ? QStringList{words.verdict, words.slope} : QStringList{words.whole()};
        const double line = lines.size() > 2 ? kLine : 18;
        QRectF box(plot.right() + 16, middle - line * double(lines.size()) / 2, row.right() - plot.right() - 16, line);
        for (int i = 0; i < lines.size(); ++i, box.translate(0, line)) {
            const bool strong = i == 0 || o.verdict == OverTime::Verdict::Trend;
            putText(p_, box, lines[i], Size::Small, strong ? c_.ink : c_.ink2,
                    strong ? QFont::DemiBold : QFont::Normal);
        }
    }

    QPainter& p_;
    const Palette& c_ = colours();
    const std::vector<OverTime>& readings_;
    const std::vector<std::string>& pain_;
    const QRectF body_;
    const WeeksColumns columns_;
    const int rows_;
    DayAxis days_;
    double height_;
};

} // namespace

TrendWords trendWords(const OverTime& o) {
    const QString slope =
        QObject::tr("%1 ± %2 a week").arg(reading(o.perWeek, o.now.unit, o.now.decimals + 1, true), band(o.perWeekU95));
    switch (o.verdict) {
    case OverTime::Verdict::TooFew:
        return {o.visits.size() < kTrendFrom ? QObject::tr("too few visits for a trend")
                                             : QObject::tr("all of one day"),
                {}};
    case OverTime::Verdict::NoTrend:
        return {QObject::tr("no trend"), slope};
    case OverTime::Verdict::Trend:
        break;
    }
    return {!o.better   ? QObject::tr("changing")
            : *o.better ? QObject::tr("getting better")
                        : QObject::tr("getting worse"),
            slope};
}

double DayAxis::across(const std::string& day) const {
    const auto from = parseDate(first), to = parseDate(last), at = parseDate(day);
    if (!from || !to || !at || *to <= *from) return (left + right) / 2;
    const double share = double((*at - *from).count()) / double((*to - *from).count());
    return left + 8 + share * (right - left - 16);
}

int weeksThatFit(double height, size_t readings) {
    return int(std::clamp((height - kDays) / kLeastRow, 1.0, double(std::max<size_t>(readings, 1))));
}

void drawWeeks(QPainter& p, const QRectF& body, const std::vector<OverTime>& readings,
               const std::vector<std::string>& pain) {
    if (readings.empty()) return;
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    WeeksPainter(p, body, readings, pain).paint();
    p.restore();
}

} // namespace deft::ui
