// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/paint/weeks.h"
#include "app/widgets/panel.h"

namespace deft::ui {

/// Each reading over the client's visits, with its band and tolerance, and in words whether it goes one way.
class WeeksPanel : public Panel {
    Q_OBJECT
public:
    /// @param lastVisit what the filled point is: "this clip"
    explicit WeeksPanel(const QString& lastVisit, QWidget* parent = nullptr);
    /// @param why said where there are no readings
    void show(const std::vector<OverTime>& readings, const QString& why);

protected:
    void paintBody(QPainter& painter, const QRect& body) override;

private:
    std::vector<OverTime> readings_;
    QString why_;
};

} // namespace deft::ui
