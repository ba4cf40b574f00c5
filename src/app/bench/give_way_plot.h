// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/paint/still_picture.h"
#include "app/session/review_session.h"
#include "app/widgets/panel.h"

namespace deft::ui {

/// Where control was lost, see drawGiveWay().
class GiveWayPlot : public Panel {
    Q_OBJECT
public:
    explicit GiveWayPlot(ReviewSession& session, QWidget* parent = nullptr);

protected:
    void paintBody(QPainter& painter, const QRect& body) override;

private:
    ReviewSession& session_;
    StillPicture still_;
};

} // namespace deft::ui
