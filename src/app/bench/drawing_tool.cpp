#include "app/bench/drawing_tool.h"

#include "app/bench/mat_tool.h"
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

DrawingTool::DrawingTool(ReviewSession& session, StagePicture& stage)
    : QObject(&stage), session_(session), stage_(stage) {
    stage.installEventFilter(this);
    connect(&session, &ReviewSession::placeChanged, this, &DrawingTool::cancel);
    connect(&session, &ReviewSession::opened, this, &DrawingTool::cancel);
}

void DrawingTool::start(Drawing::Kind kind) {
    cancel();
    stage_.mat().cancel();
    if (!session_.isOpen() || session_.isFiled()) return;
    active_ = true;
    drawing_ = {kind, session_.clip().time_s[size_t(stage_.shownFrame())], {}, {}};
    stage_.setCursor(Qt::CrossCursor);
    stage_.setFocus();
    stage_.update();
}

void DrawingTool::cancel() {
    if (words_) words_->deleteLater();
    if (!active_) return;
    active_ = false;
    hover_.reset();
    stage_.unsetCursor();
    stage_.update();
}

QString DrawingTool::hint() const {
    if (!active_ || words_) return {};
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
    if (!active_) return;
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
    if (!active_ || words_) return false;
    const auto* mouse = dynamic_cast<QMouseEvent*>(event);
    if (!mouse || (event->type() == QEvent::MouseButtonPress && mouse->button() != Qt::LeftButton)) return false;
    const QPointF clip = stage_.toClip(mouse->position());
    const bool dragged = drawing_.kind == Drawing::Kind::Arrow || drawing_.kind == Drawing::Kind::Line;
    if (event->type() == QEvent::MouseMove) {
        hover_ = clip;
        stage_.update();
    } else if (event->type() == QEvent::MouseButtonPress || (dragged && event->type() == QEvent::MouseButtonRelease)) {
        if (event->type() == QEvent::MouseButtonRelease && drawing_.points.size() == 1 &&
            QLineF(stage_.toWidget({drawing_.points[0].x(), drawing_.points[0].y()}), mouse->position()).length() <
                kShortest_px)
            drawing_.points.clear();
        else
            point(clip);
    }
    return true;
}

void DrawingTool::point(const QPointF& clip) {
    drawing_.points.emplace_back(std::clamp(clip.x(), 0.0, session_.clip().width - 1.0),
                                 std::clamp(clip.y(), 0.0, session_.clip().height - 1.0));
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

void DrawingTool::nudge(const QPointF& px) {
    const ClipInfo& clip = session_.clip();
    const QPointF to = hover_.value_or(QPointF(clip.width / 2.0, clip.height / 2.0)) + px;
    hover_ = QPointF(std::clamp(to.x(), 0.0, clip.width - 1.0), std::clamp(to.y(), 0.0, clip.height - 1.0));
    stage_.update();
}

void DrawingTool::pointAtCursor() {
    if (active_ && hover_ && !words_) point(*hover_);
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
