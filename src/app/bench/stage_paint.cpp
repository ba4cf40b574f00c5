// SPDX-License-Identifier: GPL-3.0-or-later
// How the stage draws itself; what it does with mouse and keys is in stage_picture.cpp.
#include "app/bench/drawing_tool.h"
#include "app/bench/mat_tool.h"
#include "app/bench/stage_picture.h"
#include "app/paint/body_overlay.h"
#include "app/paint/magnifier.h"
#include "app/paint/names_beside.h"
#include "app/paint/strokes.h"
#include "app/sheet/rep_rows.h"
#include "app/theme/words.h"
#include "app/widgets/page.h"
#include "marks/names.h"

#include <algorithm>

namespace deft::ui {
namespace {
QString words(const QString& landmark) { return spoken(landmarkWords(landmark.toStdString())); }
} // namespace

/// Proposals are hollow and dashed: they count for nothing yet. The wide ring is where the point may be.
void StagePicture::paintGhosts(QPainter& p) const {
    p.setBrush(Qt::NoBrush);
    for (const auto& [name, mark] : ghosts()) {
        if (dragged_ && name == selected_) continue;
        const QPointF c = toWidget({mark.at.x(), mark.at.y()});
        const double band = std::max(5.0, kU95Circle * mark.sd * view().m11());
        const QColor line = name == selected_ ? kLineThatMatters : kOnPicture;
        for (const auto& [colour, w] : {std::pair{QColor(kCasing), 3.4}, {line, 1.4}}) {
            p.setPen(QPen(colour, w));
            p.drawLine(c - QPointF(5, 0), c + QPointF(5, 0));
            p.drawLine(c - QPointF(0, 5), c + QPointF(0, 5));
            QPen dashed(colour, w > 2 ? 2.6 : 1.2);
            if (w < 2) dashed.setDashPattern({3, 4});
            p.setPen(dashed);
            p.drawEllipse(c, band, band);
        }
    }
    // The pelvis points lie close together.
    std::vector<NamedPlace> names;
    for (const auto& [name, mark] : ghosts())
        if (!(dragged_ && name == selected_))
            names.push_back({toWidget({mark.at.x(), mark.at.y()}), std::max(8.0, kU95Circle * mark.sd * view().m11()),
                             words(name)});
    drawNamesBeside(p, rect(), names);
}

void StagePicture::paintWords(QPainter& p) const {
    const double t = session_.clip().time_s[size_t(session_.place().frame())];
    QString where = tr("%1 s, frame %2").arg(coachLocale().toString(t, 'f', 2)).arg(session_.place().frame() + 1);
    if (session_.review() && !session_.review()->events.reps.empty()) {
        const auto [rep, phase] = placeOf(session_.review()->events, t);
        where =
            tr("Rep %1, %2   %3").arg(rep + 1).arg(inLine(repColumns(session_.exercise())[size_t(phase)].first), where);
    }
    p.setFont(face(Size::Body, QFont::DemiBold));
    haloText(p, {16, 26}, where);
    p.setFont(face(Size::Small, QFont::Medium));
    if (damaged_)
        haloText(p, {16, 46}, tr("this frame is damaged; frame %1 is shown").arg(shown_ + 1));
    else if (shown_ != session_.place().frame() && !image_.isNull())
        haloText(p, {16, 46}, tr("on its way; frame %1 is shown").arg(shown_ + 1));
    if (bestOver_ && session_.review() && session_.place().moment() >= 0)
        if (const auto pair = session_.review()->framePair(session_.moments()[size_t(session_.place().moment())].id))
            haloText(p, {width() - 16.0, 26},
                     tr("dashed: best, rep %1, %2 s")
                         .arg(pair->bestRep + 1)
                         .arg(coachLocale().toString(session_.clip().time_s[size_t(pair->best)], 'f', 1)),
                     Qt::AlignRight);
    if (const QString hint = drawing_->hint() + mat_->hint(); !hint.isEmpty()) haloText(p, {16, height() - 14.0}, hint);
    if (mending_ && !selected_.isEmpty())
        haloText(p, {width() - 16.0, height() - 14.0}, words(selected_), Qt::AlignRight);
}

void StagePicture::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    p.fillRect(rect(), colours().stage);
    if (!session_.isOpen()) return;
    p.save();
    p.setTransform(view());
    p.drawImage(QRectF(0, 0, session_.clip().width, session_.clip().height), image_);
    p.restore();

    const Review* review = session_.review();
    if (review && !dragged_) {
        BodyLook look;
        look.toView = view();
        look.everything = look.raw = true;
        look.clearTop = 56;
        look.marks = mending_;
        look.selected = selected_.toStdString();
        const std::vector<Moment>& moments = session_.moments();
        if (session_.place().moment() >= 0 && moments[size_t(session_.place().moment())].rep == session_.place().rep())
            look.measure = moments[size_t(session_.place().moment())].measure;
        else if (const auto rows = repRows(*review); session_.place().rep() < int(rows.size()))
            look.measure = rows[size_t(session_.place().rep())].cells[size_t(session_.place().phase())].measure;
        if (bestOver_ && session_.place().moment() >= 0)
            if (const auto pair = review->framePair(moments[size_t(session_.place().moment())].id))
                look.bestFrame = pair->best;
        drawBody(p, *review, shown_, look); // lines belong to the picture they lie on
    }
    if (!review || dragged_ || mending_) {
        // Marks that no track knows of yet, and the one in the hand.
        auto drawn = marksHere();
        if (dragged_) drawn[selected_] = *dragged_;
        for (const auto& [name, at] : drawn) {
            if (review && name != selected_) continue;
            const QPointF c = toWidget(at);
            p.setBrush(Qt::NoBrush);
            for (const auto& [colour, w] :
                 {std::pair{QColor(kCasing), 3.6}, {name == selected_ ? kLineThatMatters : kOnPicture, 1.6}}) {
                p.setPen(QPen(colour, w));
                p.drawRect(QRectF(c.x() - 5, c.y() - 5, 10, 10));
            }
            if (isPlacing() && name == selected_) {
                p.setFont(face(Size::Small, QFont::Medium));
                haloText(p, c + QPointF(9, -7), words(name));
            }
        }
    }
    drawing_->paint(p, view());
    mat_->paint(p, view());
    paintGhosts(p);
    if (sticker_ && (dragged_ || isPlacing())) {
        const QPointF c = toWidget({sticker_->centre.x(), sticker_->centre.y()});
        const double r = sticker_->radiusPx * view().m11() + 3;
        p.setBrush(Qt::NoBrush);
        for (const auto& [colour, w] : {std::pair{QColor(kCasing), 4.0}, {kLineThatMatters, 2.0}}) {
            p.setPen(QPen(colour, w));
            p.drawEllipse(c, r, r);
        }
        p.setFont(face(Size::Small, QFont::Medium));
        haloText(p, c + QPointF(r + 4, r + 8), tr("onto the sticker; Alt: beside it"));
    }
    if (isPlacing() && cursor_) {
        const QPointF c = toWidget(*cursor_);
        for (const auto& [colour, w] : {std::pair{QColor(kCasing), 3.6}, {kLineThatMatters, 1.6}}) {
            p.setPen(QPen(colour, w));
            p.drawLine(c - QPointF(12, 0), c + QPointF(12, 0));
            p.drawLine(c - QPointF(0, 12), c + QPointF(0, 12));
        }
    }
    if (dragged_)
        drawMagnifier(p, rect(), image_, QSizeF(session_.clip().width, session_.clip().height), view(), *dragged_);
    paintWords(p);
    drawFocus(p, *this, Qt::white);
}

} // namespace deft::ui
