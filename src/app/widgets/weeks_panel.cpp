// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/weeks_panel.h"

namespace deft::ui {

WeeksPanel::WeeksPanel(const QString& lastVisit, QWidget* parent) : Panel(tr("Over the weeks"), parent) {
    setAside(tr("filled: %1; shaded: tolerance, with its limits; line: a trend beyond the noise").arg(lastVisit));
}

void WeeksPanel::show(const std::vector<OverTime>& readings, const QString& why) {
    readings_ = readings, why_ = why;
    QStringList told;
    for (const OverTime& o : readings)
        told << QStringLiteral("%1: %2").arg(QString::fromStdString(o.now.name), trendWords(o).whole());
    setAccessibleDescription(told.join(QStringLiteral("; ")));
    update();
}

void WeeksPanel::paintBody(QPainter& p, const QRect& body) {
    if (readings_.empty())
        putText(p, body, why_, Size::Body, colours().ink2, QFont::Normal, Qt::AlignCenter);
    else
        drawWeeks(p, body, readings_);
}

} // namespace deft::ui
