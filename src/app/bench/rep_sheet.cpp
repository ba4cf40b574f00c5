// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/rep_sheet.h"

#include "app/paint/body_overlay.h"
#include "app/paint/strokes.h"
#include "app/theme/words.h"

#include <QHeaderView>
#include <QHelpEvent>
#include <QMouseEvent>
#include <QScrollBar>
#include <QToolTip>
#include <set>

namespace deft::ui {
namespace {

constexpr int kHeadHeight = RepSheetLook::kHeadHeight;
constexpr double kShape = RepSheetLook::kShape;
constexpr double kNarrowest = 0.75; // shape of a cell, chosen here: taller ones part a row's words from its head

} // namespace

RepSheet::RepSheet(ReviewSession& session, QWidget* parent) : QTableView(parent), session_(session) {
    table_ = new RepTable(session, this);
    setModel(table_);
    horizontalHeader()->hide();
    verticalHeader()->hide();
    setFrameShape(QFrame::NoFrame);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setVerticalScrollMode(ScrollPerPixel);
    setSelectionMode(SingleSelection);
    setTabKeyNavigation(false);
    setAccessibleName(tr("Rep sheet"));
    setFocusPolicy(Qt::StrongFocus);
    viewport()->setAutoFillBackground(false);
    connect(&session, &ReviewSession::opened, this, [this] {
        small_.clear();
        table_->setRows({});
        // Queued: the worker must not draw into this widget, and the whole frame need not be kept.
        connect(session_.frames(), &FrameSource::smallArrived, this, [this](qint64 frame, const QImage& image) {
            if (!session_.review()) return;
            std::erase_if(drawn_, [frame](const auto& cell) { return cell.first.first == frame; });
            small_[frame] =
                image.copy(crop_.toAlignedRect()).scaled(320, 213, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
            viewport()->update();
        });
    });
    connect(&session, &ReviewSession::reviewChanged, this, &RepSheet::refresh);
    // Within a cell nothing changes here, however many frames go by.
    connect(&session.place(), &Place::changed, this, [this, shown = std::tuple(-1, Phase::SetUp, -1)]() mutable {
        const Place& at = session_.place();
        if (const std::tuple now(at.rep(), at.phase(), at.moment()); std::exchange(shown, now) != now) tell();
    });
}

void RepSheet::refresh() {
    drawn_.clear();
    if (!session_.review()) { // another clip, which is not measured yet
        table_->setRows({});
        return tell();
    }
    table_->setRows(repRows(*session_.review()));
    const QRectF body = bodyBox(*session_.review(), false), crop = bodyCrop(*session_.review(), kShape, false);
    narrowest_ = std::clamp(body.width() / body.height(), kNarrowest, kShape);
    if (crop != crop_) small_.clear();
    crop_ = crop;
    std::set<int64_t> wanted; // in order of time, so that the decoder seldom seeks
    for (const RepRow& row : table_->rows())
        for (const RepCell& cell : row.cells)
            if (small_.try_emplace(cell.frame).second) wanted.insert(cell.frame);
    for (const int64_t frame : wanted) session_.frames()->wantSmall(frame);
    updateGeometries();
    tell();
}

void RepSheet::tell() {
    const QModelIndex cell = table_->index(session_.place().rep(), int(session_.place().phase()));
    setCurrentIndex(cell);
    setAccessibleDescription(
        cell.isValid() ? tr("%1, %2: %3")
                             .arg(table_->headerData(cell.row(), Qt::Vertical, Qt::DisplayRole).toString(),
                                  table_->headerData(cell.column(), Qt::Horizontal, Qt::DisplayRole).toString(),
                                  cell.data().toString())
                       : QString());
    viewport()->update();
}

void RepSheet::scrollTo(const QModelIndex& index, ScrollHint) {
    if (!index.isValid()) return;
    const RepSheetLook now = look();
    const QRectF box = now.box(index.row(), Phase(index.column()));
    if (box.top() < kHeadHeight)
        verticalScrollBar()->setValue(verticalScrollBar()->value() + int(box.top()) - kHeadHeight);
    if (const double below = box.top() + now.rowHeight() - viewport()->height(); below > 0)
        verticalScrollBar()->setValue(verticalScrollBar()->value() + int(below));
}

RepSheetLook RepSheet::look() const {
    RepSheetLook look{table_->rows(), session_.moments(), small_, crop_};
    look.drawn = &drawn_, look.narrowest = narrowest_;
    look.width = viewport()->width(), look.scrolled = verticalScrollBar()->value();
    if (!table_->rows().empty()) look.chosen = {session_.place().rep(), session_.place().phase()};
    look.moment = session_.place().moment();
    look.focus = hasFocus();
    look.fitInto(viewport()->height());
    return look;
}

QRect RepSheet::visualRect(const QModelIndex& index) const {
    constexpr int kWords = 40; // below the picture
    if (!index.isValid()) return {};
    return look().box(index.row(), Phase(index.column())).adjusted(-4, -4, 4, kWords).toAlignedRect();
}

QModelIndex RepSheet::indexAt(const QPoint& at) const {
    for (int rep = 0; rep < table_->rowCount(); ++rep)
        for (int k = 0; k < kPhases; ++k)
            if (const QModelIndex cell = table_->index(rep, k); visualRect(cell).contains(at)) return cell;
    return {};
}

void RepSheet::updateGeometries() {
    QTableView::updateGeometries(); // also hides what stands in the corner
    verticalScrollBar()->setRange(0, std::max(0, int(look().height()) - viewport()->height()));
    verticalScrollBar()->setPageStep(viewport()->height());
    verticalScrollBar()->setSingleStep(28);
    scrollTo(currentIndex()); // in another size, too
}

void RepSheet::scrollContentsBy(int, int) { viewport()->update(); }

void RepSheet::mousePressEvent(QMouseEvent* e) {
    if (const QModelIndex cell = indexAt(e->position().toPoint()); cell.isValid())
        session_.place().choose(cell.row(), Phase(cell.column()));
}

void RepSheet::keyPressEvent(QKeyEvent* event) { event->ignore(); }

bool RepSheet::viewportEvent(QEvent* e) {
    if (e->type() == QEvent::ToolTip && session_.review()) {
        const auto* help = static_cast<QHelpEvent*>(e);
        if (const QModelIndex cell = indexAt(help->pos()); cell.isValid())
            QToolTip::showText(help->globalPos(), cell.data(Qt::ToolTipRole).toString());
        return true;
    }
    return QTableView::viewportEvent(e);
}

void RepSheet::paintEvent(QPaintEvent*) {
    const Palette& c = colours();
    QPainter p(viewport());
    p.setRenderHint(QPainter::Antialiasing);
    if (!session_.review()) {
        const QString words =
            !session_.isOpen()           ? tr("No clip is open. Choose one in the queue.")
            : session_.job().isRunning() ? tr("Following the marks; the reps appear when that is done.")
            : !session_.isMarked()
                ? tr("Not everything is marked yet. Place the marks in the picture; the reps appear here.")
                : tr("Not measured.");
        putText(p, QRectF(0, kHeadHeight, viewport()->width(), 40), words, Size::Body, c.ink2);
        return;
    }
    if (table_->rows().empty())
        putText(p, QRectF(0, kHeadHeight, viewport()->width(), 40),
                tr("No repetition found: movement too small or landmark hidden."), Size::Body, c.ink2);
    const RepSheetLook now = look();
    for (int rep = 0; rep < table_->rowCount(); ++rep)
        if (const double top = now.box(rep, Phase::SetUp).top();
            top < viewport()->height() && top + now.rowHeight() > 0)
            drawRepRow(p, now, *session_.review(), rep);
    drawRepHead(p, now, session_.exercise());
}

} // namespace deft::ui

#include "moc_rep_sheet.cpp"
