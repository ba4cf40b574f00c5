// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/stage_tool.h"

#include "app/bench/stage_picture.h"

#include <QMouseEvent>

namespace deft::ui {

StageTool::StageTool(ReviewSession& session, StagePicture& stage) : QObject(&stage), session_(session), stage_(stage) {
    stage.installEventFilter(this);
    connect(&session.place(), &Place::changed, this, [this] { cancel(); });
    connect(&session, &ReviewSession::opened, this, [this] { cancel(); });
}

bool StageTool::begin() {
    if (StageTool* other = stage_.activeTool()) other->cancel();
    if (!session_.isOpen() || session_.isFiled()) return false;
    active_ = true;
    stage_.setCursor(Qt::CrossCursor);
    stage_.setFocus();
    stage_.update();
    return true;
}

void StageTool::cancel() {
    if (!active_) return;
    active_ = false;
    hover_.reset();
    stage_.unsetCursor();
    stage_.update();
}

bool StageTool::eventFilter(QObject*, QEvent* event) {
    if (!active_) return false;
    const auto* mouse = dynamic_cast<QMouseEvent*>(event);
    if (!mouse || (event->type() == QEvent::MouseButtonPress && mouse->button() != Qt::LeftButton)) return false;
    const QPointF at = onPicture(stage_.toClip(mouse->position()));
    if (event->type() == QEvent::MouseMove) {
        hover_ = at;
        stage_.update();
    } else if (event->type() == QEvent::MouseButtonPress) {
        point(at);
    }
    return true;
}

QPointF StageTool::onPicture(const QPointF& clip) const {
    return {std::clamp(clip.x(), 0.0, session_.clip().width - 1.0),
            std::clamp(clip.y(), 0.0, session_.clip().height - 1.0)};
}

void StageTool::nudge(const QPointF& px) {
    const ClipInfo& clip = session_.clip();
    hover_ = onPicture(hover_.value_or(QPointF(clip.width / 2.0, clip.height / 2.0)) + px);
    stage_.update();
}

void StageTool::pointAtCursor() {
    if (active_ && hover_) point(*hover_);
}

} // namespace deft::ui

#include "moc_stage_tool.cpp"
