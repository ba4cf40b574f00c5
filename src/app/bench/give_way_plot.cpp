// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/give_way_plot.h"

#include "app/paint/give_way.h"
#include "app/sheet/plot_words.h"
#include "app/theme/hard_words.h"

namespace deft::ui {

GiveWayPlot::GiveWayPlot(ReviewSession& session, QWidget* parent) : Panel(tr("Give-way"), parent), session_(session) {
    connect(&session, &ReviewSession::opened, this, [this] { setAside({}); });
    connect(&session.place(), &Place::changed, this, qOverload<>(&QWidget::update));
    connect(&session, &ReviewSession::reviewChanged, this, [this] {
        still_.forget();
        setAside(giveWayWords(session_.exercise()));
        setAccessibleDescription(session_.review() ? giveWayInWords(*session_.review()) : QString());
    });
    setToolTip(explained(HardWord::GiveWay) + QLatin1Char('\n') + explained(HardWord::ControlRange));
}

void GiveWayPlot::paintBody(QPainter& p, const QRect& body) {
    if (const Review* r = session_.review())
        still_.paint(p, body, session_.place().rep(),
                     [&](QPainter& still) { drawGiveWay(still, body, *r, session_.place().rep()); });
}

} // namespace deft::ui

#include "moc_give_way_plot.cpp"
