#include "app/bench/rep_sheet.h"

#include "app/paint/body_overlay.h"
#include "app/widgets/panel.h"

#include <QHelpEvent>
#include <QMouseEvent>
#include <QPainterPath>
#include <QScrollBar>
#include <QToolTip>
#include <set>

namespace deft::ui {
namespace {

constexpr int kHeadHeight = 24, kRowHeight = 112, kLeft = 48, kGap_px = 8;

void drawEdge(QPainter& p, const QRectF& edge, Edge how) {
    const QColor ink = colours().ink;
    if (how == Edge::CannotTell) {
        p.setPen(QPen(ink, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(edge.adjusted(0.5, 0.5, -0.5, -0.5));
        return;
    }
    p.setPen(Qt::NoPen);
    p.setBrush(ink);
    if (how == Edge::In)
        p.drawRect(edge);
    else
        for (double x = edge.left(); x < edge.right(); x += 5) p.drawRect(QRectF(x, edge.top(), 2, edge.height()));
}

/// The cell's lower edge is cut upward where control was lost; what follows is ticked.
void drawNotch(QPainter& p, const QRectF& picture, const QRectF& edge, double share) {
    const double x = picture.left() + share * picture.width();
    drawEdge(p, QRectF(edge.left(), edge.top(), x - edge.left(), edge.height()), Edge::In);
    drawEdge(p, QRectF(x + 5, edge.top(), edge.right() - x - 5, edge.height()), Edge::Out);
    QPainterPath v({x - 10, edge.bottom() + 1});
    v.lineTo(x, edge.bottom() - 13);
    v.lineTo(x + 10, edge.bottom() + 1);
    p.fillPath(v, colours().ground);
    p.setPen(QPen(colours().ink, 2));
    p.setBrush(Qt::NoBrush);
    p.drawPath(v);
}

void drawBadge(QPainter& p, const QPointF& centre, int number, const Moment& m, bool current) {
    const Palette& c = colours();
    QColor fill = c.raised, ink = c.ink;
    if (current)
        fill = c.accent, ink = c.onAccent;
    else if (m.agreed)
        fill = c.ink, ink = c.ground;
    p.setPen(QPen(current || m.agreed ? fill : c.ink, 1.2));
    p.setBrush(fill);
    p.drawEllipse(centre, 8, 8);
    p.setPen(QPen(ink, 1.8, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
    p.setBrush(Qt::NoBrush);
    if (m.agreed && *m.agreed && !current)
        p.drawPolyline(QPolygonF{
            {centre.x() - 3.5, centre.y()}, {centre.x() - 1, centre.y() + 3}, {centre.x() + 3.5, centre.y() - 3}});
    else if (m.agreed && !current)
        p.drawLine(centre + QPointF(-3.5, 0), centre + QPointF(3.5, 0));
    else
        putText(p, QRectF(centre.x() - 8, centre.y() - 8, 16, 16), QString::number(number), Size::Small, ink,
                QFont::DemiBold, Qt::AlignCenter);
}

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
    rows_ = repRows(*session_.review());
    const QRectF crop = bodyCrop(*session_.review(), 1.5, false);
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
        const QRectF box = pictureBox(session_.rep(), session_.phase());
        if (box.top() < kHeadHeight)
            verticalScrollBar()->setValue(verticalScrollBar()->value() + int(box.top()) - kHeadHeight);
        if (box.top() + kRowHeight > viewport()->height())
            verticalScrollBar()->setValue(verticalScrollBar()->value() + int(box.top()) + kRowHeight -
                                          viewport()->height());
    }
    viewport()->update();
}

double RepSheet::cellWidth() const {
    return std::min(160.0, (viewport()->width() - kLeft - 4.0 - (kPhases - 1) * kGap_px) / kPhases);
}

QRectF RepSheet::pictureBox(int rep, Phase phase) const {
    const double w = cellWidth();
    return {kLeft + int(phase) * (w + kGap_px), kHeadHeight + 4.0 + rep * kRowHeight - verticalScrollBar()->value(), w,
            64};
}

std::optional<std::pair<int, Phase>> RepSheet::cellAt(const QPoint& at) const {
    for (int rep = 0; rep < int(rows_.size()); ++rep)
        for (int k = 0; k < kPhases; ++k)
            if (pictureBox(rep, Phase(k)).adjusted(-4, -4, 4, 40).contains(at)) return std::pair(rep, Phase(k));
    return std::nullopt;
}

void RepSheet::resizeEvent(QResizeEvent*) {
    verticalScrollBar()->setRange(0,
                                  std::max(0, int(rows_.size()) * kRowHeight + kHeadHeight + 4 - viewport()->height()));
    verticalScrollBar()->setPageStep(viewport()->height());
    verticalScrollBar()->setSingleStep(kRowHeight / 4);
}

void RepSheet::mousePressEvent(QMouseEvent* e) {
    if (const auto cell = cellAt(e->position().toPoint())) session_.choose(cell->first, cell->second);
}

bool RepSheet::viewportEvent(QEvent* e) {
    if (e->type() == QEvent::ToolTip && session_.review()) {
        const auto* help = static_cast<QHelpEvent*>(e);
        if (const auto cell = cellAt(help->pos())) {
            const RepCell& c = rows_[size_t(cell->first)].cells[size_t(cell->second)];
            QToolTip::showText(help->globalPos(), tr("%1 at %2 s")
                                                      .arg(QString::fromStdString(measureName(c.measure)))
                                                      .arg(session_.clip().time_s[size_t(c.frame)], 0, 'f', 2));
        }
        return true;
    }
    return QAbstractScrollArea::viewportEvent(e);
}

void RepSheet::paintCell(QPainter& p, const QRectF& box, const RepCell& cell, int rep, Phase phase) const {
    const Palette& c = colours();
    p.fillRect(box, c.stage);
    if (const auto it = small_.find(cell.frame); it != small_.end() && !it->second.isNull()) {
        p.setRenderHint(QPainter::SmoothPixmapTransform);
        p.drawImage(box, it->second);
        BodyLook look;
        look.measure = cell.measure;
        look.numbers = false;
        look.scale = 0.9;
        look.toView = QTransform()
                          .translate(box.x(), box.y())
                          .scale(box.width() / crop_.width(), box.height() / crop_.height())
                          .translate(-crop_.x(), -crop_.y());
        p.save();
        p.setClipRect(box);
        drawBody(p, *session_.review(), cell.frame, look);
        p.restore();
    }
    if (rows_[size_t(rep)].wholeClean) {
        QColor veil = c.ground;
        veil.setAlphaF(c.dark ? 0.32f : 0.26f);
        p.fillRect(box, veil);
    }
    const QRectF edge(box.left(), box.bottom() + 2, box.width(), 4);
    if (cell.notch)
        drawNotch(p, box, edge, *cell.notch);
    else
        drawEdge(p, edge, cell.edge);
    const QRectF line(box.left(), box.bottom() + 8, box.width(), 18);
    const int used = putText(p, line, cell.number, Size::Body, c.ink, QFont::DemiBold);
    putText(p, line.adjusted(used + 4, 0, 0, 0), cell.beside, Size::Small, c.ink2, QFont::Normal,
            Qt::AlignRight | Qt::AlignVCenter);
    putText(p, line.translated(0, 15), cell.under, Size::Small, c.ink2);

    double x = box.left() + 11;
    for (size_t i = 0; i < session_.moments().size(); ++i) {
        const Moment& m = session_.moments()[i];
        if (m.rep != rep || m.phase != phase) continue;
        drawBadge(p, {x, box.top() + 11}, int(i) + 1, m, int(i) == session_.moment());
        x += 19;
    }
    const bool chosen = session_.rep() == rep && session_.phase() == phase;
    if (chosen) {
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(c.accent, 2.5));
        p.drawRect(box.adjusted(-3, -3, 3, 9));
        if (hasFocus()) {
            p.setPen(QPen(c.ink, 1.6));
            p.drawRect(box.adjusted(-6, -6, 6, 12));
        }
    }
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
                tr("No rep was found: the hips did not leave the mat and come back."), Size::Body, c.ink2);
    for (int rep = 0; rep < int(rows_.size()); ++rep) {
        const double top = pictureBox(rep, Phase::SetUp).top();
        if (top > viewport()->height() || top + kRowHeight < 0) continue;
        if (rep == session_.rep()) p.fillRect(QRectF(0, top - 4, viewport()->width(), kRowHeight - 2), c.soft);
        putText(p, QRectF(8, top + 2, kLeft, 24), QString::number(rep + 1), Size::Large, c.ink, QFont::DemiBold);
        putText(p, QRectF(8, top + 30, kLeft - 8, 18), rows_[size_t(rep)].clean, Size::Small, c.ink, QFont::DemiBold);
        putText(p, QRectF(8, top + 46, kLeft - 8, 18), tr("clean"), Size::Small, c.ink2);
        for (int k = 0; k < kPhases; ++k)
            paintCell(p, pictureBox(rep, Phase(k)), rows_[size_t(rep)].cells[size_t(k)], rep, Phase(k));
    }
    // The header stays while rows scroll under it.
    p.fillRect(QRectF(0, 0, viewport()->width(), kHeadHeight), c.ground);
    putText(p, QRectF(8, 0, kLeft, kHeadHeight - 4), tr("Rep"), Size::Small, c.ink, QFont::DemiBold);
    const auto columns = repColumns(session_.exercise());
    for (int k = 0; k < kPhases; ++k) {
        QRectF box = pictureBox(0, Phase(k));
        box.moveTop(0);
        box.setHeight(kHeadHeight - 4);
        putText(p, box, columns[size_t(k)].first, Size::Small, c.ink, QFont::DemiBold);
        putText(p, box, columns[size_t(k)].second, Size::Small, c.ink2, QFont::Normal,
                Qt::AlignRight | Qt::AlignVCenter);
    }
}

} // namespace deft::ui
