// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/widgets/panel.h"

namespace deft::ui {

/// Names and what is known under them, as high as they need.
class FactsPanel : public Panel {
    Q_OBJECT
public:
    struct Fact {
        QString name, value;
        bool strong = false;
    };
    using Panel::Panel;
    void setFacts(const std::vector<Fact>& facts);
    const std::vector<Fact>& facts() const { return facts_; }

protected:
    void paintBody(QPainter& painter, const QRect& body) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    int leftOf(const Fact& fact) const;
    QRect valueBox(const Fact& fact, int top) const;
    void fit();
    std::vector<Fact> facts_;
};

} // namespace deft::ui
