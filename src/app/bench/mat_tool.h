// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/bench/stage_tool.h"

namespace deft::ui {

/// Marks the mat: four presses on its corners, in any order, become four marks in one step. What they tell: how far off
/// square the camera stands, and centimetres.
class MatTool : public StageTool {
    Q_OBJECT
public:
    MatTool(ReviewSession& session, StagePicture& stage) : StageTool(session, stage) {}

    void start();
    void cancel() override;
    QString hint() const override;
    void paint(QPainter& painter, const QTransform& toView) const override;

    /// The size of the mat in this clip, and from now on of the coach's clients' mats.
    void setSize(const MatSize& size);
    MatSize size() const;

private:
    void point(const QPointF& clip) override;

    std::vector<QPointF> corners_;
};

/// Sizes in which mats are sold (common practice, no published source); others can be written into a marks file.
const std::vector<MatSize>& matSizes();

} // namespace deft::ui
