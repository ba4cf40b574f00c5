// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/readings_panel.h"

#include "app/theme/words.h"
#include "readings/compare.h"

#include <QMouseEvent>
#include <cmath>

namespace deft::ui {
namespace {

// Columns from the right; the name takes what is left.
constexpr int kWorst = 20, kBest = 18, kLast = 56, kBar = 78, kBand = 46, kValue = 58;

QString title(const ReadingRow& row) {
    const QString name = said(row.name);
    return name.left(1).toUpper() + name.mid(1);
}

QString verdictWords(Verdict v) {
    return v == Verdict::In    ? QObject::tr("in tolerance")
           : v == Verdict::Out ? QObject::tr("out of tolerance")
                               : QObject::tr("cannot tell whether in tolerance");
}

QString withUnit(double v, const ReadingRow& row) { return reading(v, row.unit, row.decimals, row.sign); }

} // namespace

ReadingsPanel::ReadingsPanel(ReviewSession& session, QWidget* parent)
    : Panel(tr("Readings"), parent), session_(session) {
    setFocusPolicy(Qt::StrongFocus);
    connect(&session, &ReviewSession::opened, this, &ReadingsPanel::refresh);
    connect(&session, &ReviewSession::reviewChanged, this, &ReadingsPanel::refresh);
    connect(&session, &ReviewSession::placeChanged, this, [this] {
        chosen_ = -1;
        if (session_.moment() >= 0 && session_.review())
            for (size_t i = 0; i < rows_.size(); ++i)
                if (const Moment& m = session_.moments()[size_t(session_.moment())];
                    m.measure == rows_[i].measure && (m.phase == Phase::SetUp) == (rows_[i].stat == "set-up"))
                    chosen_ = int(i);
        update();
    });
}

void ReadingsPanel::refresh() {
    rows_.clear();
    if (session_.review()) rows_ = readingRows(*session_.review());
    QStringList told;
    if (session_.review()) {
        const bool own = session_.inputs().marks.markingSd_px.has_value();
        const QString px = coachLocale().toString(session_.review()->series().context.markingSd_px, 'f', 1);
        told << (own ? tr("marking SD %1 px (yours)") : tr("marking SD %1 px (default)")).arg(px);
    }
    setAside(told.join(QString()));
    for (const ReadingRow& row : rows_) {
        QString line = title(row) + QStringLiteral(": ");
        line += row.why.empty() ? tr("%1 ± %2").arg(withUnit(row.value, row), band(row.u95)) : said(row.why);
        if (row.why.empty() && row.limit.isSet()) line += QStringLiteral(", ") + verdictWords(row.verdict);
        if (const Reading* past = last(row)) line += tr(", last time %1").arg(withUnit(past->value, row));
        told << line;
    }
    setAccessibleDescription(told.join(QStringLiteral("; ")));
    update();
}

const Reading* ReadingsPanel::last(const ReadingRow& row) const {
    return session_.earlier().empty() ? nullptr : session_.earlier().back().find(row.measure, row.stat);
}

double ReadingsPanel::rowHeight() const {
    return std::min(28.0, (body().height() - 18.0) / double(std::max<size_t>(1, rows_.size())));
}

void ReadingsPanel::mousePressEvent(QMouseEvent* e) {
    setFocus();
    const int i = int((e->position().y() - body().top() - 18) / rowHeight());
    if (i < 0 || i >= int(rows_.size())) return;
    const bool best = e->position().x() > width() - kWorst - kBest && e->position().x() < width() - kWorst;
    const int64_t frame = best ? rows_[size_t(i)].bestFrame : rows_[size_t(i)].worstFrame;
    if (frame >= 0) session_.setFrame(frame);
    chosen_ = i;
    update();
}

void ReadingsPanel::step(int rows) {
    if (rows_.empty()) return;
    const int next = std::clamp(chosen_ + rows, 0, int(rows_.size()) - 1);
    if (rows_[size_t(next)].worstFrame >= 0) session_.setFrame(rows_[size_t(next)].worstFrame);
    chosen_ = next;
    update();
}

void ReadingsPanel::paintBar(QPainter& p, const QRectF& box, const ReadingRow& row) const {
    const Palette& c = colours();
    const double low = row.limit.low.value_or(-1e300), high = row.limit.high.value_or(1e300);
    // Shows the limits, the value, its band and the best, with the tolerance in the middle.
    double from = std::min({row.value - row.u95, row.best, row.limit.low.value_or(row.value)}),
           to = std::max({row.value + row.u95, row.best, row.limit.high.value_or(row.value)});
    if (!std::isfinite(row.best))
        from = std::min(row.value - row.u95, row.limit.low.value_or(row.value)),
        to = std::max(row.value + row.u95, row.limit.high.value_or(row.value));
    const double margin = std::max(1e-6, 0.22 * (to - from));
    from -= margin, to += margin;
    auto x = [&](double v) { return box.left() + (std::clamp(v, from, to) - from) / (to - from) * box.width(); };
    p.setPen(QPen(c.hairline, 1));
    p.drawLine(QPointF(box.left(), box.center().y()), QPointF(box.right(), box.center().y()));
    p.fillRect(QRectF(QPointF(x(low), box.top()), QPointF(x(high), box.bottom())), c.zone);
    p.setPen(QPen(c.ink2, 1.2));
    for (const auto& end : {row.limit.low, row.limit.high})
        if (end) p.drawLine(QPointF(x(*end), box.top() - 2), QPointF(x(*end), box.bottom() + 2));
    const double v = x(row.value);
    p.setPen(QPen(c.ink, 1.2));
    const double y = box.top() - 1;
    p.drawLine(QPointF(x(row.value - row.u95), y), QPointF(x(row.value + row.u95), y));
    for (const double end : {row.value - row.u95, row.value + row.u95})
        p.drawLine(QPointF(x(end), y - 2), QPointF(x(end), y + 2));
    // As the sheet's edges: a solid bar is in, a hollow one cannot tell; out is a hollow wedge.
    p.setBrush(c.ground);
    if (row.verdict == Verdict::Out) {
        p.setPen(QPen(c.ink, 1.6));
        p.drawPolygon(QPolygonF{{v - 5, box.top() + 1}, {v + 5, box.top() + 1}, {v, box.bottom()}});
    } else if (row.verdict == Verdict::In || !row.limit.isSet()) {
        p.fillRect(QRectF(v - 1.5, box.top(), 3, box.height()), c.ink);
    } else {
        p.setPen(QPen(c.ink, 1.2));
        p.drawRect(QRectF(v - 2.5, box.top(), 5, box.height()));
    }
    if (std::isfinite(row.best)) {
        p.setPen(QPen(c.ink2, 1.2));
        p.setBrush(c.ground);
        p.drawEllipse(QPointF(x(row.best), box.bottom() + 3), 2.5, 2.5);
    }
}

void ReadingsPanel::paintBody(QPainter& p, const QRect& body) {
    const Palette& c = colours();
    const double w = width();
    const double worst = w - kWorst, best = worst - kBest, last_ = best - kLast, bar = last_ - kBar,
                 bandX = bar - kBand, value = bandX - kValue;
    const QRectF head(0, body.top(), w, 16);
    auto column = [&](double x, double width, const QString& words, Qt::Alignment side) {
        putText(p, QRectF(x, head.top(), width, 16), words, Size::Small, c.ink3, QFont::Normal,
                side | Qt::AlignVCenter);
    };
    column(value, kValue, tr("worst"), Qt::AlignRight);
    column(bandX + 4, kBand, tr("± 95 %"), Qt::AlignLeft);
    column(bar + 6, kBar, tr("tolerance"), Qt::AlignLeft);
    column(last_ - 12, kLast + 4, session_.earlier().empty() ? QString() : tr("last time"), Qt::AlignRight);
    column(best - 4, kBest + kWorst + 4, tr("reps"), Qt::AlignRight);
    if (!session_.review()) {
        putText(p, QRectF(0, body.top() + 18, w, 26),
                session_.job().isRunning() ? tr("being measured") : tr("not measured yet"), Size::Body, c.ink2);
        return;
    }
    const double h = rowHeight();
    for (size_t i = 0; i < rows_.size(); ++i) {
        const ReadingRow& row = rows_[i];
        const QRectF line(0, body.top() + 18 + double(i) * h, w, h);
        const bool chosen = int(i) == chosen_;
        if (chosen)
            p.fillRect(line.adjusted(-8, 0, 8, 0), c.soft);
        else if (i > 0) {
            p.setPen(QPen(c.hairline, 1));
            p.drawLine(line.topLeft(), line.topRight());
        }
        putText(p, QRectF(chosen ? 6 : 0, line.top(), value - 4, h), title(row), Size::Small, c.ink,
                chosen ? QFont::DemiBold : QFont::Medium);
        if (!row.why.empty()) {
            putText(p, QRectF(value, line.top(), w - value, h), said(row.why), Size::Small, c.ink2);
            continue;
        }
        putText(p, QRectF(value, line.top(), kValue, h), withUnit(row.value, row), Size::Body,
                chosen ? c.accent : c.ink, QFont::DemiBold, Qt::AlignRight | Qt::AlignVCenter);
        putText(p, QRectF(bandX + 4, line.top(), kBand - 4, h), QStringLiteral("± ") + band(row.u95), Size::Small,
                c.ink2);
        paintBar(p, QRectF(bar + 6, line.center().y() - 6, kBar - 18, 12), row);
        if (const Reading* past = last(row)) {
            // A change that both bands can explain is told in the lighter weight and with "≈".
            const bool real = isRealChange(past->value, past->u95, row.value, changeU95(row.u95, row.slideU95));
            putText(p, QRectF(last_, line.top(), kLast - 8, h),
                    (real ? QString() : QStringLiteral("≈ ")) + withUnit(past->value, row), Size::Small,
                    real ? c.ink : c.ink2, real ? QFont::DemiBold : QFont::Normal, Qt::AlignRight | Qt::AlignVCenter);
        }
        const auto rep = [](int r) { return r < 0 ? QString() : QString::number(r + 1); };
        putText(p, QRectF(best, line.top(), kBest - 4, h), rep(row.bestRep), Size::Small, c.accent, QFont::Medium,
                Qt::AlignRight | Qt::AlignVCenter);
        putText(p, QRectF(worst, line.top(), kWorst - 4, h), rep(row.worstRep), Size::Small, c.accent, QFont::Medium,
                Qt::AlignRight | Qt::AlignVCenter);
    }
}

} // namespace deft::ui
