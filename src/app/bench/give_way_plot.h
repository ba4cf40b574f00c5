#pragma once
#include "app/session/review_session.h"
#include "app/widgets/panel.h"

namespace deft::ui {

/// How far the anchor strayed (up) over how far the mover went (across), one thread a rep; where a thread leaves the
/// tolerance, the control range is read off.
class GiveWayPlot : public Panel {
    Q_OBJECT
public:
    explicit GiveWayPlot(ReviewSession& session, QWidget* parent = nullptr);

protected:
    void paintBody(QPainter& painter, const QRect& body) override;

private:
    ReviewSession& session_;
};

} // namespace deft::ui
