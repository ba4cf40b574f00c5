// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/review_session.h"
#include "app/widgets/panel.h"

namespace deft::ui {

/// How well each mark holds through the clip: one strip a landmark, plain where it was seen, hatched where it was weak,
/// open where it was lost, a tick where it was set by hand. Shown instead of the threads while marks are mended.
class MarkStrips : public Panel {
    Q_OBJECT
public:
    explicit MarkStrips(ReviewSession& session, QWidget* parent = nullptr);
    /// To the next place where a mark got weak, and which mark that is; empty when there is none.
    QString step(int direction);

protected:
    void paintBody(QPainter& painter, const QRect& body) override;
    void mousePressEvent(QMouseEvent* event) override;

private:
    void refresh();
    QRectF row(int index) const;
    ReviewSession& session_;
    std::vector<WeakStretch> weak_;
};

} // namespace deft::ui
