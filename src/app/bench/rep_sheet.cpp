// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/rep_sheet.h"

#include "app/paint/body_overlay.h"
#include "app/paint/strokes.h"
#include "app/theme/words.h"

#include <QHelpEvent>
#include <QMouseEvent>
#include <QScrollBar>
#include <QToolTip>
#include <set>

namespace deft::ui {
namespace {

constexpr int kHeadHeight = RepSheetLook::kHeadHeight;
constexpr double kShape = RepSheetLook::kShape;

} // namespace

RepSheet::RepSheet(ReviewSession& session, QWidget* parent) : QAbstractScrollArea(parent), session_(session) {
    setFrameShape(QFrame::NoFrame);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setAccessibleName(tr("Rep sheet"));
    setFocusPolicy(Qt::StrongFocus);
    viewport()->setAutoFillBackground(false);
    connect(&session, &ReviewSession::opened, this, [this] {
        small_.clear();
        rows_.clear();
        resizeEvent(nullptr);
        // Queued: the worker must not draw into this widget, and the whole frame need not be kept.
        connect(session_.frames(), &FrameSource::smallArrived, this, [this](qint64 frame, const QImage& image) {
            if (!session_.review()) return;
            small_[frame] =
                image.copy(crop_.toAlignedRect()).scaled(320, 213, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
            viewport()->update();
        });
        viewport()->update();
    });
    connect(&session, &ReviewSession::reviewChanged, this, &RepSheet::refresh);
    connect(&session, &ReviewSession::placeChanged, this, &RepSheet::tell);
}

void RepSheet::refresh() {
    if (!session_.review()) { // another clip, which is not measured yet
        rows_.clear();
        return tell();
    }
    rows_ = repRows(*session_.review());
    const QRectF crop = bodyCrop(*session_.review(), kShape, false);
    if (crop != crop_) small_.clear();
    crop_ = crop;
    std::set<int64_t> wanted; // in order of time, so that the decoder seldom seeks
    for (const RepRow& row : rows_)
        for (const RepCell& cell : row.cells)
            if (small_.try_emplace(cell.frame).second) wanted.insert(cell.frame);
    for (const int64_t frame : wanted) session_.frames()->wantSmall(frame);
    resizeEvent(nullptr);
    tell();
}

void RepSheet::tell() {
    if (session_.rep() < int(rows_.size())) {
        const RepCell& c = rows_[size_t(session_.rep())].cells[size_t(session_.phase())];
        setAccessibleDescription(
            tr("Rep %1, %2: %3 %4 %5")
                .arg(session_.rep() + 1)
                .arg(repColumns(session_.exercise())[size_t(session_.phase())].first, c.number, c.beside, c.under));
        const RepSheetLook now = look();
        const QRectF box = now.box(session_.rep(), session_.phase());
        if (box.top() < kHeadHeight)
            verticalScrollBar()->setValue(verticalScrollBar()->value() + int(box.top()) - kHeadHeight);
        if (const double below = box.top() + now.rowHeight() - viewport()->height(); below > 0)
            verticalScrollBar()->setValue(verticalScrollBar()->value() + int(below));
    } else {
        setAccessibleDescription({});
    }
    viewport()->update();
}

RepSheetLook RepSheet::look() const {
    RepSheetLook look{rows_, session_.moments(), small_, crop_};
    look.width = viewport()->width(), look.scrolled = verticalScrollBar()->value();
    if (!rows_.empty()) look.chosen = {session_.rep(), session_.phase()};
    look.moment = session_.moment();
    look.focus = hasFocus();
    look.shrinkInto(viewport()->height());
    return look;
}

std::optional<std::pair<int, Phase>> RepSheet::cellAt(const QPoint& at) const {
    for (int rep = 0; rep < int(rows_.size()); ++rep)
        for (int k = 0; k < kPhases; ++k)
            if (look().box(rep, Phase(k)).adjusted(-4, -4, 4, 40).contains(at)) return std::pair(rep, Phase(k));
    return std::nullopt;
}

void RepSheet::resizeEvent(QResizeEvent*) {
    verticalScrollBar()->setRange(0, std::max(0, int(look().height()) - viewport()->height()));
    verticalScrollBar()->setPageStep(viewport()->height());
    verticalScrollBar()->setSingleStep(28);
}

void RepSheet::mousePressEvent(QMouseEvent* e) {
    if (const auto cell = cellAt(e->position().toPoint())) session_.choose(cell->first, cell->second);
}

bool RepSheet::viewportEvent(QEvent* e) {
    if (e->type() == QEvent::ToolTip && session_.review()) {
        const auto* help = static_cast<QHelpEvent*>(e);
        if (const auto cell = cellAt(help->pos())) {
            const RepCell& c = rows_[size_t(cell->first)].cells[size_t(cell->second)];
            QToolTip::showText(help->globalPos(),
                               tr("%1 at %2 s")
                                   .arg(spoken(measureName(c.measure)))
                                   .arg(coachLocale().toString(session_.clip().time_s[size_t(c.frame)], 'f', 2)));
        }
        return true;
    }
    return QAbstractScrollArea::viewportEvent(e);
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
    if (rows_.empty())
        putText(p, QRectF(0, kHeadHeight, viewport()->width(), 40),
                tr("No repetition found: movement too small or landmark hidden."), Size::Body, c.ink2);
    const RepSheetLook now = look();
    for (int rep = 0; rep < int(rows_.size()); ++rep)
        if (const double top = now.box(rep, Phase::SetUp).top();
            top < viewport()->height() && top + now.rowHeight() > 0)
            drawRepRow(p, now, *session_.review(), rep);
    drawRepHead(p, now, session_.exercise()); // stays while rows scroll under it
}

} // namespace deft::ui
