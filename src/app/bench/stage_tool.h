// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/review_session.h"

#include <QPainter>

namespace deft::ui {

class StagePicture;

/// Sets points on the frame that is shown and takes the stage's mouse meanwhile. One at a time; another frame or clip
/// ends it.
class StageTool : public QObject {
    Q_OBJECT
public:
    virtual void cancel();
    bool isActive() const { return active_; }
    // Without a mouse: a cursor that is moved (clip px), and a point set at it.
    void nudge(const QPointF& px);
    virtual void pointAtCursor();
    virtual QString hint() const = 0; ///< what to do now; empty when it is not active
    virtual void paint(QPainter& painter, const QTransform& toView) const = 0;

protected:
    StageTool(ReviewSession& session, StagePicture& stage);
    bool begin(); ///< false when there is no review that may be changed
    /// @param clip a place on the picture
    virtual void point(const QPointF& clip) = 0;
    bool eventFilter(QObject* watched, QEvent* event) override;
    QPointF onPicture(const QPointF& clip) const; ///< the nearest place on it

    ReviewSession& session_;
    StagePicture& stage_;
    std::optional<QPointF> hover_;

private:
    bool active_ = false;
};

} // namespace deft::ui
