// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/readings_panel.h"

#include "app/theme/words.h"
#include "app/widgets/plain_header.h"
#include "app/widgets/plain_table.h"

#include <QStyledItemDelegate>
#include <cmath>

namespace deft::ui {
namespace {

constexpr int kMostRow = 28, kHeader = 18;

void paintBar(QPainter& p, const QRectF& box, const ReadingRow& row) {
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

/// The value in its tolerance, as a bar.
class BarDelegate : public QStyledItemDelegate {
public:
    BarDelegate(const ReadingsTable& table, QObject* parent) : QStyledItemDelegate(parent), table_(table) {}
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        QStyledItemDelegate::paint(p, option, index);
        const ReadingRow& row = table_.rows()[size_t(index.row())];
        if (!row.why.empty()) return;
        p->save();
        p->setRenderHint(QPainter::Antialiasing);
        paintBar(*p, QRectF(option.rect.left() + 6, option.rect.center().y() - 6, option.rect.width() - 12, 12), row);
        p->restore();
    }

private:
    const ReadingsTable& table_;
};

/// Best and worst rep stand under one word.
class ReadingsHeader : public PlainHeader {
public:
    using PlainHeader::PlainHeader;

protected:
    void paintSection(QPainter* p, const QRect& rect, int section) const override {
        if (section == ReadingsTable::BestRep) return;
        PlainHeader::paintSection(
            p, section == ReadingsTable::WorstRep ? rect.adjusted(-sectionSize(ReadingsTable::BestRep), 0, 0, 0) : rect,
            section);
    }
};

} // namespace

ReadingsPanel::ReadingsPanel(ReviewSession& session, QWidget* parent)
    : Panel(tr("Readings"), parent), session_(session) {
    table_ = new ReadingsTable(session, this);
    view_ = new PlainTable(table_, tr("Readings"), this);
    view_->setHorizontalHeader(new ReadingsHeader(view_));
    view_->horizontalHeader()->setFixedHeight(kHeader);
    view_->verticalHeader()->setMinimumSectionSize(12);
    view_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff); // rows shrink until all are seen
    view_->setColumnWidths({0, 64, 48, 66, 66, 18, 22});
    view_->setItemDelegateForColumn(ReadingsTable::Tolerance, new BarDelegate(*table_, view_));
    setFocusProxy(view_);
    connect(table_, &QAbstractItemModel::modelReset, this, &ReadingsPanel::refresh);
    connect(&session.place(), &Place::changed, this, [this] {
        const int moment = session_.place().moment();
        view_->choose(moment < 0 ? -1 : table_->rowOf(session_.moments()[size_t(moment)]));
    });
    connect(view_, &PlainTable::picked, this, [this](int row) { go(row, false); });
    connect(view_, &PlainTable::clicked, this,
            [this](const QModelIndex& at) { go(at.row(), at.column() == ReadingsTable::BestRep); });
    refresh();
}

void ReadingsPanel::refresh() {
    QString marking;
    if (session_.review()) {
        const bool own = session_.inputs().marks.markingSd_px.has_value();
        const QString px = coachLocale().toString(session_.review()->series().context.markingSd_px, 'f', 1);
        marking = (own ? tr("marking SD %1 px (yours)") : tr("marking SD %1 px (default)")).arg(px);
    }
    setAside(marking);
    view_->setAccessibleDescription(marking);
    view_->clearSpans();
    for (int i = 0; i < table_->rowCount(); ++i)
        if (!table_->rows()[size_t(i)].why.empty())
            view_->setSpan(i, ReadingsTable::Worst, 1, ReadingsTable::kColumns - ReadingsTable::Worst);
    view_->setVisible(session_.review() != nullptr);
    arrange();
    update();
}

void ReadingsPanel::arrange() {
    view_->setGeometry(body());
    const int rows = std::max(1, table_->rowCount());
    view_->verticalHeader()->setDefaultSectionSize(std::min(kMostRow, (body().height() - kHeader) / rows));
}

void ReadingsPanel::resizeEvent(QResizeEvent*) { arrange(); }

void ReadingsPanel::go(int row, bool best) {
    const ReadingRow& reading = table_->rows()[size_t(row)];
    const int64_t frame = best ? reading.bestFrame : reading.worstFrame;
    if (frame >= 0) session_.place().setFrame(frame);
    view_->choose(row);
}

QString ReadingsPanel::asText() const { return view_->asText(); }

void ReadingsPanel::step(int rows) {
    if (table_->rowCount() == 0) return;
    go(std::clamp(view_->currentIndex().row() + rows, 0, table_->rowCount() - 1), false);
}

void ReadingsPanel::paintBody(QPainter& p, const QRect& body) {
    if (!session_.review())
        putText(p, QRectF(0, body.top() + kHeader, width(), 26),
                session_.job().isRunning() ? tr("being measured") : tr("not measured yet"), Size::Body, colours().ink2);
}

} // namespace deft::ui

#include "moc_readings_panel.cpp"
