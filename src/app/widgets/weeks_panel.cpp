// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/weeks_panel.h"

#include "app/theme/words.h"

namespace deft::ui {

WeeksPanel::WeeksPanel(const QString& lastVisit, QWidget* parent) : Panel(tr("Over the weeks"), parent) {
    signs_ = tr("filled: %1; shaded: tolerance, with its limits; line: a trend beyond the noise").arg(lastVisit);
    setAside(signs_);
}

void WeeksPanel::show(const std::vector<OverTime>& readings, const QString& why, const std::vector<std::string>& pain) {
    readings_ = readings, why_ = why, pain_ = pain;
    setAside(pain.empty() ? signs_ : tr("×: pain told; ") + signs_);
    QStringList told;
    for (const OverTime& o : readings) told << QStringLiteral("%1: %2").arg(said(o.now.name), trendWords(o).whole());
    for (const std::string& day : pain) told << tr("pain told on %1").arg(dayWords(day));
    setAccessibleDescription(told.join(QStringLiteral("; ")));
    update();
}

void WeeksPanel::paintBody(QPainter& p, const QRect& body) {
    if (readings_.empty())
        putText(p, body, why_, Size::Body, colours().ink2, QFont::Normal, Qt::AlignCenter);
    else
        drawWeeks(p, body, readings_, pain_);
}

} // namespace deft::ui

#include "moc_weeks_panel.cpp"
