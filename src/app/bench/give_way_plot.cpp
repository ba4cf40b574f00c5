// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/give_way_plot.h"

#include "app/paint/give_way.h"

namespace deft::ui {

GiveWayPlot::GiveWayPlot(ReviewSession& session, QWidget* parent) : Panel(tr("Give-way"), parent), session_(session) {
    connect(&session, &ReviewSession::opened, this, [this] { setAside({}); });
    connect(&session.place(), &Place::changed, this, qOverload<>(&QWidget::update));
    connect(&session, &ReviewSession::reviewChanged, this, [this] { setAside(giveWayWords(session_.exercise())); });
}

void GiveWayPlot::paintBody(QPainter& p, const QRect& body) {
    if (const Review* r = session_.review()) drawGiveWay(p, body, *r, session_.place().rep());
}

} // namespace deft::ui

#include "moc_give_way_plot.cpp"
