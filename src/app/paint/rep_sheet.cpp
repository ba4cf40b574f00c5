// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/paint/rep_sheet.h"

#include "app/paint/body_overlay.h"
#include "app/paint/strokes.h"

#include <QObject>
#include <QPainterPath>
#include <cmath>

namespace deft::ui {
namespace {

constexpr int kLeft = 48, kGap_px = 8, kWords = 48;

void drawEdge(QPainter& p, const QRectF& edge, Verdict how) {
    const QColor ink = colours().ink;
    if (how == Verdict::CannotTell) {
        p.setPen(QPen(ink, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(edge.adjusted(0.5, 0.5, -0.5, -0.5));
        return;
    }
    p.setPen(Qt::NoPen);
    p.setBrush(ink);
    if (how == Verdict::In)
        p.drawRect(edge);
    else
        for (double x = edge.left(); x < edge.right(); x += 5) p.drawRect(QRectF(x, edge.top(), 2, edge.height()));
}

/// The cell's lower edge is cut upward where control was lost; what follows is ticked.
void drawNotch(QPainter& p, const QRectF& picture, const QRectF& edge, double share) {
    const double x = picture.left() + share * picture.width();
    drawEdge(p, QRectF(edge.left(), edge.top(), x - edge.left(), edge.height()), Verdict::In);
    drawEdge(p, QRectF(x + 5, edge.top(), edge.right() - x - 5, edge.height()), Verdict::Out);
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

/// The client's own picture with the line that matters.
void drawPicture(QPainter& p, const QRectF& box, const RepSheetLook& look, const Review& review, const RepCell& cell,
                 const QImage& picture) {
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    QRectF crop = look.crop; // of its middle, as wide as the cell is
    const double aside = crop.width() / 2 * (1 - look.shape / look.kShape);
    crop.adjust(aside, 0, -aside, 0);
    const double share = aside / look.crop.width();
    p.drawImage(box, picture,
                QRectF(picture.width() * share, 0, picture.width() * (1 - 2 * share), picture.height()));
    BodyLook body;
    body.measure = cell.measure;
    body.numbers = false;
    body.scale = 0.9;
    body.toView = QTransform()
                      .translate(box.x(), box.y())
                      .scale(box.width() / crop.width(), box.height() / crop.height())
                      .translate(-crop.x(), -crop.y());
    p.save();
    p.setClipRect(box);
    drawBody(p, review, cell.frame, body);
    p.restore();
}

void drawCell(QPainter& p, const RepSheetLook& look, const Review& review, int rep, Phase phase) {
    const QRectF box = look.box(rep, phase);
    const RepCell& cell = look.rows[size_t(rep)].cells[size_t(phase)];
    const Palette& c = colours();
    p.fillRect(box, c.stage);
    if (const auto it = look.pictures.find(cell.frame); it != look.pictures.end() && !it->second.isNull()) {
        const auto draw = [&, &picture = it->second](QPainter& on) { drawPicture(on, box, look, review, cell, picture); };
        if (look.drawn)
            (*look.drawn)[{cell.frame, cell.measure}].paint(p, box.toAlignedRect(), 0, draw);
        else
            draw(p);
    }
    if (look.rows[size_t(rep)].wholeClean) {
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
    for (size_t i = 0; i < look.moments.size(); ++i) {
        const Moment& m = look.moments[i];
        if (m.rep != rep || m.phase != phase) continue;
        drawBadge(p, {x, box.top() + 11}, int(i) + 1, m, int(i) == look.moment);
        x += 19;
    }
    const bool chosen = look.chosen == std::pair(rep, phase);
    if (chosen) {
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(c.accent, 2.5));
        p.drawRect(box.adjusted(-3, -3, 3, 9));
        if (look.focus) {
            p.setPen(QPen(c.ink, 1.6));
            p.drawRect(box.adjusted(-6, -6, 6, 12));
        }
    }
}

} // namespace

double RepSheetLook::cellWidth() const {
    return std::min(widest, (width - kLeft - 4.0 - (perLine - 1) * kGap_px) / perLine);
}

double RepSheetLook::cellHeight() const { return std::round(cellWidth() / shape); }

double RepSheetLook::lineHeight() const { return cellHeight() + kWords + (isWrapped() ? kHeadHeight : 0); }

double RepSheetLook::rowHeight() const { return lines() * lineHeight(); }

void RepSheetLook::fitInto(double available) {
    constexpr double kLeast = 0.8; // narrower, and the words below no longer fit
    if (rows.empty()) return;
    const auto withRoom = [&](int cells) {
        RepSheetLook look = *this;
        look.perLine = cells;
        const double more = std::floor((available - look.height()) / double(rows.size()) / look.lines());
        if (more > 0) look.shape = std::max(narrowest, look.cellWidth() / (look.cellHeight() + more));
        return look;
    };
    const RepSheetLook one = withRoom(kPhases), two = withRoom((kPhases + 1) / 2);
    if (one.height() > available) {
        const double each = std::floor((available - kHeadHeight - 4) / double(rows.size()));
        const double width_px = kShape * (each - kWords);
        if (width_px >= kLeast * cellWidth()) widest = width_px;
    } else {
        const RepSheetLook& larger = two.height() <= available && two.cellHeight() > one.cellHeight() ? two : one;
        perLine = larger.perLine, shape = larger.shape;
    }
}

QRectF RepSheetLook::box(int rep, Phase phase) const {
    const double w = cellWidth(), h = cellHeight();
    return {kLeft + int(phase) % perLine * (w + kGap_px),
            kHeadHeight + 4 + rep * rowHeight() + int(phase) / perLine * lineHeight() - scrolled, w, h};
}

void drawRepRow(QPainter& p, const RepSheetLook& look, const Review& review, int rep) {
    const Palette& c = colours();
    const double top = look.box(rep, Phase::SetUp).top();
    const RepRow& row = look.rows[size_t(rep)];
    if (look.chosen && look.chosen->first == rep)
        p.fillRect(QRectF(0, top - 4 - (look.isWrapped() ? look.kHeadHeight : 0), look.width, look.rowHeight() - 2),
                   c.soft);
    putText(p, QRectF(8, top + 2, kLeft, 24), QString::number(rep + 1), Size::Large, c.ink, QFont::DemiBold);
    putText(p, QRectF(8, top + 30, kLeft - 8, 18), row.clean, Size::Small, c.ink, QFont::DemiBold);
    putText(p, QRectF(8, top + 46, kLeft - 8, 18), QObject::tr("clean"), Size::Small, c.ink2);
    for (int k = 0; k < kPhases; ++k) drawCell(p, look, review, rep, Phase(k));
}

void drawRepHead(QPainter& p, const RepSheetLook& look, const Exercise& exercise) {
    const Palette& c = colours();
    const double h = look.kHeadHeight;
    if (!look.isWrapped()) p.fillRect(QRectF(0, 0, look.width, h), c.ground); // rows scroll under it
    const auto columns = repColumns(exercise);
    for (int rep = 0; rep < (look.isWrapped() ? int(look.rows.size()) : 1); ++rep)
        for (int k = 0; k < kPhases; ++k) {
            QRectF box = look.box(rep, Phase(k));
            box = QRectF(box.left(), look.isWrapped() ? box.top() - h - 4 : 0, box.width(), h - 4);
            if (k == 0)
                putText(p, QRectF(8, box.top(), kLeft - 12, h - 4), QObject::tr("Rep"), Size::Small, c.ink, QFont::DemiBold);
            const int used = putText(p, box, columns[size_t(k)].first, Size::Small, c.ink, QFont::DemiBold);
            putText(p, box.adjusted(used + 4, 0, 0, 0), columns[size_t(k)].second, Size::Small, c.ink2, QFont::Normal,
                    Qt::AlignRight | Qt::AlignVCenter);
        }
}

} // namespace deft::ui
