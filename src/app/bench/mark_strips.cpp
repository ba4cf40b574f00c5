// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/mark_strips.h"

#include "app/theme/words.h"
#include "marks/names.h"

#include <QMouseEvent>

namespace deft::ui {
namespace {

constexpr int kNames = 124;

QString nameOf(const std::string& landmark) { return spoken(landmarkWords(landmark)); }

} // namespace

MarkStrips::MarkStrips(ReviewSession& session, QWidget* parent)
    : Panel(tr("How the marks hold"), parent), session_(session) {
    connect(&session, &ReviewSession::reviewChanged, this, &MarkStrips::refresh);
    connect(&session.place(), &Place::changed, this, qOverload<>(&QWidget::update));
}

void MarkStrips::refresh() {
    weak_ = session_.review() ? weakStretches(session_.review()->tracks()) : std::vector<WeakStretch>{};
    setAside(!session_.review() ? QString()
             : weak_.empty()    ? tr("all seen throughout")
                                : counted(int(weak_.size()), tr("weak place"), tr("weak places")));
    QStringList told;
    for (const WeakStretch& w : weak_)
        told << tr("%1 %2 from %3 to %4 s")
                    .arg(nameOf(w.landmark), w.lost ? tr("lost") : tr("weak"))
                    .arg(coachLocale().toString(session_.clip().time_s[w.begin], 'f', 1))
                    .arg(coachLocale().toString(session_.clip().time_s[w.end - 1], 'f', 1));
    setAccessibleDescription(told.join(QStringLiteral("; ")));
    update();
}

QString MarkStrips::step(int direction) {
    const auto here = size_t(session_.place().frame());
    const WeakStretch* next = nullptr;
    for (const WeakStretch& w : weak_) {
        const bool ahead = direction > 0 ? w.worst > here : w.worst < here;
        if (ahead && (!next || (direction > 0 ? w.worst < next->worst : w.worst > next->worst))) next = &w;
    }
    if (!next) return {};
    session_.place().setFrame(int64_t(next->worst));
    return QString::fromStdString(next->landmark);
}

QRectF MarkStrips::row(int index) const {
    const auto& tracks = session_.review()->tracks().landmark;
    const double h = std::min(18.0, body().height() / std::max(1.0, double(tracks.size())));
    return {double(body().left() + kNames), body().top() + index * h, double(body().width() - kNames - 6), h};
}

void MarkStrips::mousePressEvent(QMouseEvent* e) {
    if (!session_.review()) return;
    const QRectF strip = row(0);
    const double share = std::clamp((e->position().x() - strip.left()) / strip.width(), 0.0, 1.0);
    session_.place().setFrame(session_.clip().frameAt(share * session_.clip().duration_s));
}

void MarkStrips::paintBody(QPainter& p, const QRect&) {
    const Review* r = session_.review();
    if (!r) return;
    const Palette& c = colours();
    const double frames = double(std::max<size_t>(1, r->tracks().frames()));
    int index = 0;
    for (const auto& [name, points] : r->tracks().landmark) {
        const QRectF strip = row(index++);
        auto x = [&](size_t frame) { return strip.left() + double(frame) / frames * strip.width(); };
        putText(p, QRectF(body().left(), strip.top(), kNames - 8, strip.height()), nameOf(name), Size::Small, c.ink2);
        const double y = strip.center().y();
        for (size_t i = 0; i < points.size();) {
            size_t end = i;
            while (end < points.size() && points[end].state == points[i].state) ++end;
            const QRectF part(x(i), y - 4, std::max(1.0, x(end) - x(i)), 8);
            switch (points[i].state) {
            case PointState::Seen:
                p.fillRect(QRectF(part.left(), y - 1, part.width(), 2), c.ink2);
                break;
            case PointState::Weak:
                p.fillRect(part, hatch(c.ink));
                break;
            case PointState::Lost:
                p.setPen(QPen(c.ink, 1));
                p.setBrush(Qt::NoBrush);
                p.drawRect(part);
                break;
            case PointState::ByHand:
                p.fillRect(QRectF(part.left() - 1, y - 5, 2, 10), c.accent);
                break;
            case PointState::Absent:
                break;
            }
            i = end;
        }
    }
    const double here = row(0).left() + double(session_.place().frame()) / frames * row(0).width();
    p.setPen(QPen(c.accent, 1.6));
    p.drawLine(QPointF(here, body().top()), QPointF(here, row(index).top()));
}

} // namespace deft::ui

#include "moc_mark_strips.cpp"
