// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/facts_panel.h"

namespace deft::ui {
namespace {
constexpr int kName = 60, kGap = 4;
} // namespace

void FactsPanel::setFacts(const std::vector<Fact>& facts) {
    facts_ = facts;
    QStringList told;
    for (const Fact& f : facts) told << QStringLiteral("%1: %2").arg(f.name, f.value);
    setAccessibleDescription(told.join(QStringLiteral("; ")));
    fit();
    update();
}

/// A value without a name has the whole width.
int FactsPanel::leftOf(const Fact& fact) const { return fact.name.isEmpty() ? 0 : kName; }

QRect FactsPanel::valueBox(const Fact& fact, int top) const {
    const QFontMetrics font(face(Size::Small, fact.strong ? QFont::DemiBold : QFont::Normal));
    return font.boundingRect(QRect(leftOf(fact), top, width() - leftOf(fact), 400), Qt::TextWordWrap, fact.value);
}

/// Panels below move up or down with it.
void FactsPanel::fit() {
    int y = kHead;
    for (const Fact& f : facts_) y += valueBox(f, y).height() + kGap;
    if (y != height()) setFixedHeight(y);
}

void FactsPanel::resizeEvent(QResizeEvent*) { fit(); }

void FactsPanel::paintBody(QPainter& p, const QRect& body) {
    const Palette& c = colours();
    int y = body.top();
    for (const Fact& f : facts_) {
        const QRect box = valueBox(f, y);
        putText(p, QRectF(0, y, kName - 4, QFontMetrics(face(Size::Small)).height()), f.name, Size::Small, c.ink3);
        p.setFont(face(Size::Small, f.strong ? QFont::DemiBold : QFont::Normal));
        p.setPen(c.ink);
        p.drawText(QRect(leftOf(f), y, width() - leftOf(f), box.height()), Qt::TextWordWrap, f.value);
        y += box.height() + kGap;
    }
}

} // namespace deft::ui

#include "moc_facts_panel.cpp"
