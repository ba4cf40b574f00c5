// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/paint/still_picture.h"
#include "app/session/clip_sound.h"
#include "app/session/review_session.h"
#include "app/widgets/panel.h"

namespace deft::ui {

/// The clip over its time, see drawThreads(), with one playhead. Pressing or dragging goes to that time.
class Threads : public Panel {
    Q_OBJECT
public:
    Threads(ReviewSession& session, const ClipSound& sound, QWidget* parent = nullptr);

protected:
    void paintBody(QPainter& painter, const QRect& body) override;
    void mousePressEvent(QMouseEvent* event) override { goTo(event); }
    void mouseMoveEvent(QMouseEvent* event) override { goTo(event); }

private:
    void drawAnew();
    void goTo(const QMouseEvent* event);
    ReviewSession& session_;
    const ClipSound& sound_;
    StillPicture still_; ///< all but the playhead
};

} // namespace deft::ui
