#pragma once
#include "app/session/review_session.h"

#include <QPainter>

namespace deft::ui {

class StagePicture;

/// Marks the mat: four presses on its corners, in any order, become four marks in one step. Takes the stage's mouse
/// meanwhile. What they tell: how far off square the camera stands, and centimetres.
class MatTool : public QObject {
    Q_OBJECT
public:
    MatTool(ReviewSession& session, StagePicture& stage);

    void start();
    void cancel();
    bool isActive() const { return active_; }
    // Without a mouse: a cursor that is moved (clip px), and a corner set at it.
    void nudge(const QPointF& px);
    void pointAtCursor();
    QString hint() const; ///< what to do now; empty when the mat is not being marked
    void paint(QPainter& painter, const QTransform& toView) const;

    /// The size of the mat in this clip, and from now on of the coach's clients' mats.
    void setSize(const MatSize& size);
    MatSize size() const;

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void point(const QPointF& clip);
    QPointF onPicture(const QPointF& clip) const;

    ReviewSession& session_;
    StagePicture& stage_;
    bool active_ = false;
    std::vector<QPointF> corners_;
    std::optional<QPointF> hover_;
};

/// Sizes in which mats are sold (common practice, no published source); others can be written into a marks file.
const std::vector<MatSize>& matSizes();

} // namespace deft::ui
