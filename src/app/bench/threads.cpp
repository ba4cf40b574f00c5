// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/threads.h"

#include "app/paint/threads.h"
#include "app/sheet/plot_words.h"
#include "app/theme/words.h"

#include <QMouseEvent>

namespace deft::ui {

Threads::Threads(ReviewSession& session, const ClipSound& sound, QWidget* parent)
    : Panel(tr("Time plots"), parent), session_(session), sound_(sound) {
    connect(&sound, &ClipSound::changed, this, &Threads::drawAnew);
    connect(&session, &ReviewSession::opened, this, &Threads::drawAnew);
    connect(&session, &ReviewSession::reviewChanged, this, [this] {
        setAccessibleDescription(session_.review() ? timePlotsInWords(*session_.review()) : QString());
        drawAnew();
    });
    connect(&session.place(), &Place::changed, this, [this] {
        if (session_.isOpen())
            setAside(tr("%1 of %2 s")
                         .arg(coachLocale().toString(session_.clip().time_s[size_t(session_.place().frame())], 'f', 1))
                         .arg(coachLocale().toString(session_.clip().duration_s, 'f', 1)));
    });
}

void Threads::goTo(const QMouseEvent* e) {
    if (!session_.isOpen() || !(e->buttons() & Qt::LeftButton)) return;
    const QRectF a = threadsArea(body());
    session_.place().setFrame(
        session_.clip().frameAt((e->position().x() - a.left()) / a.width() * session_.clip().duration_s));
}

void Threads::paintBody(QPainter& p, const QRect& body) {
    if (!session_.isOpen()) return;
    still_.paint(p, body, session_.place().moment(), [&](QPainter& still) {
        drawThreads(still, body, session_.clip(), session_.review(),
                    {session_.moments(), session_.place().moment(), {}, &sound_.breath()});
    });
    drawPlayhead(p, body, session_.clip(), session_.place().frame());
}

void Threads::drawAnew() {
    still_.forget();
    update();
}

} // namespace deft::ui

#include "moc_threads.cpp"
