// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/drawing_tool.h"

#include "app/bench/stage_picture.h"
#include "app/paint/drawings.h"
#include "app/theme/palette.h"

#include <QMouseEvent>

namespace deft::ui {
namespace {

constexpr double kShortest_px = 8; // on the screen: less is a slip of the hand

QString nameOf(Drawing::Kind kind) {
    switch (kind) {
    case Drawing::Kind::Arrow:
        return QObject::tr("arrow");
    case Drawing::Kind::Line:
        return QObject::tr("line");
    case Drawing::Kind::Angle:
        return QObject::tr("angle");
    case Drawing::Kind::Words:
        break;
    }
    return QObject::tr("words");
}

} // namespace

void DrawingTool::start(Drawing::Kind kind) {
    if (begin()) drawing_ = {kind, session_.clip().time_s[size_t(stage_.shownFrame())], {}, {}};
}

void DrawingTool::cancel() {
    if (words_) words_->deleteLater();
    StageTool::cancel();
}

QString DrawingTool::hint() const {
    if (!isActive() || words_) return {};
    switch (drawing_.kind) {
    case Drawing::Kind::Angle:
        return drawing_.points.empty()       ? tr("Angle: press on one arm, on the corner, on the other arm")
               : drawing_.points.size() == 1 ? tr("now the corner")
                                             : tr("now the other arm");
    case Drawing::Kind::Words:
        return tr("Words: press where they belong");
    case Drawing::Kind::Arrow:
        return tr("Arrow: drag from its words to what it points at");
    case Drawing::Kind::Line:
        break;
    }
    return tr("Line: drag from one end to the other");
}

void DrawingTool::paint(QPainter& p, const QTransform& toView) const {
    if (!session_.isOpen()) return;
    for (const Drawing& d : session_.inputs().drawings)
        if (session_.clip().frameAt(d.time_s) == stage_.shownFrame()) drawDrawing(p, d, toView);
    if (!isActive()) return;
    if (hover_ && !words_) {
        const QPointF c = toView.map(*hover_);
        for (const auto& [colour, w] : {std::pair{QColor(kCasing), 3.6}, {kLineThatMatters, 1.6}}) {
            p.setPen(QPen(colour, w));
            p.drawLine(c - QPointF(12, 0), c + QPointF(12, 0));
            p.drawLine(c - QPointF(0, 12), c + QPointF(0, 12));
        }
    }
    if (drawing_.points.empty()) return;
    Drawing now = drawing_;
    if (hover_ && now.points.size() < Drawing::pointsOf(now.kind)) now.points.emplace_back(hover_->x(), hover_->y());
    drawDrawing(p, now, toView);
}

bool DrawingTool::eventFilter(QObject* watched, QEvent* event) {
    if (watched == words_) {
        // The bench's own keys are not meant while words are typed; Escape throws the drawing away.
        if (event->type() == QEvent::ShortcutOverride) event->accept();
        if (event->type() != QEvent::KeyPress || static_cast<QKeyEvent*>(event)->key() != Qt::Key_Escape) return false;
        cancel();
        stage_.setFocus();
        return true;
    }
    if (!isActive() || words_) return false;
    const bool dragged = drawing_.kind == Drawing::Kind::Arrow || drawing_.kind == Drawing::Kind::Line;
    if (!dragged || event->type() != QEvent::MouseButtonRelease) return StageTool::eventFilter(watched, event);
    const QPointF at = static_cast<QMouseEvent*>(event)->position();
    const auto& from = drawing_.points;
    if (from.size() == 1 && QLineF(stage_.toWidget({from[0].x(), from[0].y()}), at).length() < kShortest_px)
        drawing_.points.clear();
    else
        point(onPicture(stage_.toClip(at)));
    return true;
}

void DrawingTool::point(const QPointF& clip) {
    drawing_.points.emplace_back(clip.x(), clip.y());
    stage_.update();
    if (drawing_.points.size() < Drawing::pointsOf(drawing_.kind)) return;
    if (drawing_.kind == Drawing::Kind::Arrow || drawing_.kind == Drawing::Kind::Words)
        askForWords();
    else
        finish();
}

void DrawingTool::askForWords() {
    words_ = new QLineEdit(&stage_);
    words_->setPlaceholderText(drawing_.kind == Drawing::Kind::Words ? tr("words, then Enter")
                                                                     : tr("words if you like, then Enter"));
    words_->setAccessibleName(words_->placeholderText());
    words_->setMaxLength(80);
    const QPoint at = stage_.toWidget({drawing_.points[0].x(), drawing_.points[0].y()}).toPoint();
    words_->setGeometry(std::clamp(at.x(), 8, std::max(8, stage_.width() - 248)),
                        std::clamp(at.y() + 8, 8, std::max(8, stage_.height() - 40)), 240, 32);
    words_->show();
    words_->setFocus();
    connect(words_, &QLineEdit::returnPressed, this, &DrawingTool::finish);
    words_->installEventFilter(this);
}

void DrawingTool::finish() {
    if (words_) drawing_.words = words_->text().trimmed().toStdString();
    const Drawing drawn = drawing_;
    cancel();
    stage_.setFocus();
    if (drawn.kind == Drawing::Kind::Words && drawn.words.empty()) return;
    session_.edit(tr("%1 drawn").arg(nameOf(drawn.kind)), [&](ReviewInputs& in) { in.drawings.push_back(drawn); });
}

void DrawingTool::pointAtCursor() {
    if (!words_) StageTool::pointAtCursor();
}

void DrawingTool::takeOutLast() {
    if (!session_.isOpen()) return;
    const auto& all = session_.inputs().drawings;
    for (size_t i = all.size(); i-- > 0;)
        if (session_.clip().frameAt(all[i].time_s) == stage_.shownFrame())
            return session_.edit(tr("%1 taken out").arg(nameOf(all[i].kind)),
                                 [i](ReviewInputs& in) { in.drawings.erase(in.drawings.begin() + std::ptrdiff_t(i)); });
}

} // namespace deft::ui

#include "moc_drawing_tool.cpp"
