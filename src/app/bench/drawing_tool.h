#pragma once
#include "app/session/review_session.h"

#include <QLineEdit>
#include <QPainter>
#include <QPointer>

namespace deft::ui {

class StagePicture;

/// Draws arrows, lines, angles and words on the frame that is shown. Takes the stage's mouse while something is being
/// drawn; what is drawn is one step that can be undone.
class DrawingTool : public QObject {
    Q_OBJECT
public:
    DrawingTool(ReviewSession& session, StagePicture& stage);

    void start(Drawing::Kind kind);
    void cancel();
    bool isActive() const { return active_; }
    void takeOutLast(); ///< of the frame that is shown
    // Without a mouse: a cursor that is moved (clip px), and a point set at it.
    void nudge(const QPointF& px);
    void pointAtCursor();
    QString hint() const; ///< what to do now; empty when nothing is being drawn
    void paint(QPainter& painter, const QTransform& toView) const;
    QLineEdit* words() { return words_; } ///< open while words are typed, else null

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void point(const QPointF& clip);
    void askForWords();
    void finish();

    ReviewSession& session_;
    StagePicture& stage_;
    bool active_ = false;
    Drawing drawing_;
    std::optional<QPointF> hover_;
    QPointer<QLineEdit> words_;
};

} // namespace deft::ui
