// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/comparison.h"
#include "app/widgets/panel.h"

namespace deft::ui {

/// Each reading of both sides, the difference with its band, and in words whether it is real.
class DifferenceTable : public Panel {
    Q_OBJECT
public:
    explicit DifferenceTable(Comparison& comparison, QWidget* parent = nullptr);

    /// What is said of one difference; for people and tests.
    static QString verdict(const Difference& difference);

protected:
    void paintBody(QPainter& painter, const QRect& body) override;

private:
    void refresh();
    Comparison& comparison_;
};

} // namespace deft::ui
