// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/bench/stage_tool.h"

#include <QLineEdit>
#include <QPointer>

namespace deft::ui {

/// Draws arrows, lines, angles and words on the frame that is shown; what is drawn is one step that can be undone.
class DrawingTool : public StageTool {
    Q_OBJECT
public:
    DrawingTool(ReviewSession& session, StagePicture& stage) : StageTool(session, stage) {}

    void start(Drawing::Kind kind);
    void cancel() override;
    void takeOutLast(); ///< of the frame that is shown
    void pointAtCursor() override;
    QString hint() const override;
    void paint(QPainter& painter, const QTransform& toView) const override;
    QLineEdit* words() { return words_; } ///< open while words are typed, else null

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void point(const QPointF& clip) override;
    void askForWords();
    void finish();

    Drawing drawing_;
    QPointer<QLineEdit> words_;
};

} // namespace deft::ui
