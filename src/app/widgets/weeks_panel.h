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
    /// @param pain ISO days on which it was told, with a clip or from home
    void show(const std::vector<OverTime>& readings, const QString& why, const std::vector<std::string>& pain = {});

protected:
    void paintBody(QPainter& painter, const QRect& body) override;

private:
    std::vector<OverTime> readings_;
    QString why_, signs_; ///< the second: what the signs mean
    std::vector<std::string> pain_;
};

} // namespace deft::ui
