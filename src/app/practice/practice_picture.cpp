// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/practice/practice_picture.h"

#include "app/paint/body_overlay.h"
#include "app/paint/magnifier.h"
#include "app/paint/names_beside.h"
#include "app/paint/strokes.h"
#include "app/theme/words.h"
#include "app/widgets/page.h"
#include "marks/names.h"

#include <QMouseEvent>
#include <algorithm>

namespace deft::ui {

PracticePictureView::PracticePictureView(PracticeRound& round, QWidget* parent) : QWidget(parent), round_(round) {
    setFocusPolicy(Qt::StrongFocus);
    setMouseTracking(true);
    setCursor(Qt::CrossCursor);
    setAccessibleName(tr("Picture to practise on"));
    connect(&round, &PracticeRound::changed, this, [this] {
        setAccessibleDescription(spoken(landmarkWords(round_.asked())));
        update();
    });
}

QTransform PracticePictureView::view() const {
    const PracticePicture* p = round_.picture();
    if (!p) return {};
    const double scale = std::min(double(width()) / p->image.width(), double(height()) / p->image.height());
    return QTransform(scale, 0, 0, scale, (width() - scale * p->image.width()) / 2,
                      (height() - scale * p->image.height()) / 2);
}

void PracticePictureView::nudge(const QPointF& px) {
    if (const PracticePicture* p = round_.picture())
        moveCursor(cursor_.value_or(QPointF(p->image.width() / 2.0, p->image.height() / 2.0)) + px);
}

void PracticePictureView::moveCursor(const QPointF& to) {
    const PracticePicture* p = round_.picture();
    if (!p) return;
    cursor_ = {std::clamp(to.x(), 0.0, p->image.width() - 1.0), std::clamp(to.y(), 0.0, p->image.height() - 1.0)};
    update();
}

void PracticePictureView::placeAtCursor() {
    if (cursor_) round_.place(*cursor_);
}

void PracticePictureView::mousePressEvent(QMouseEvent* event) {
    const PracticePicture* p = round_.picture();
    if (event->button() != Qt::LeftButton || !p) return;
    const QPointF at = view().inverted().map(event->position());
    if (!QRectF(p->image.rect()).contains(at)) return; // beside the picture nothing is meant
    moveCursor(at);
    placeAtCursor();
}

void PracticePictureView::mouseMoveEvent(QMouseEvent* event) { moveCursor(view().inverted().map(event->position())); }

void PracticePictureView::leaveEvent(QEvent*) {
    cursor_.reset();
    update();
}

QString PracticePictureView::waiting() const {
    if (!round_.hasBegun()) return tr("Made pictures, whose true points are known, show how exactly you place marks.");
    return tr("The picture is being made…");
}

void PracticePictureView::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), colours().stage);
    const PracticePicture* picture = round_.picture();
    if (!picture) {
        putText(p, rect(), waiting(), Size::Body, colours().onStage, QFont::Normal, Qt::AlignCenter);
        return drawFocus(p, *this, Qt::white);
    }
    p.setRenderHints(QPainter::Antialiasing | QPainter::SmoothPixmapTransform);
    const QTransform toView = view();
    const QSizeF size = picture->image.size();
    p.drawImage(toView.mapRect(QRectF(QPointF(0, 0), size)), picture->image);
    p.setBrush(Qt::NoBrush);
    std::vector<NamedPlace> names;
    for (const auto& [name, at] : round_.placedHere()) {
        const Point2& truth = picture->truth.at(name);
        const QPointF c = toView.map(at), t = toView.map(QPointF(truth.x(), truth.y()));
        for (const auto& [colour, w] : {std::pair{QColor(kCasing), 3.4}, {QColor(kOnPicture), 1.6}}) {
            p.setPen(QPen(colour, w));
            p.drawEllipse(c, 5, 5);
            if (!round_.isOver()) continue;
            p.setPen(QPen(w < 2 ? kLineThatMatters : colour, w));
            p.drawLine(c, t);
            p.drawLine(t - QPointF(5, 5), t + QPointF(5, 5));
            p.drawLine(t - QPointF(5, -5), t + QPointF(5, -5));
        }
        names.push_back({c, 8, spoken(landmarkWords(name))});
    }
    drawNamesBeside(p, rect(), names);
    if (cursor_ && !round_.isOver()) drawMagnifier(p, rect(), picture->image, size, toView, *cursor_);
    p.setFont(face(Size::Body, QFont::DemiBold));
    const QString which = tr("Picture %1 of %2").arg(round_.pictureNumber() + 1).arg(round_.pictures());
    haloText(p, {16, 28},
             round_.isOver() ? tr("%1: circles are your marks, crosses the true points").arg(which)
                             : tr("%1: click the %2").arg(which, spoken(landmarkWords(round_.asked()))));
    drawFocus(p, *this, Qt::white);
}

} // namespace deft::ui

#include "moc_practice_picture.cpp"
