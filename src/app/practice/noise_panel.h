// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/practice/practice_round.h"
#include "app/widgets/panel.h"

namespace deft::ui {

/// How the marks of a round scatter: one row a landmark, then what all of them say.
class NoisePanel : public Panel {
    Q_OBJECT
public:
    explicit NoisePanel(PracticeRound& round, QWidget* parent = nullptr);
    /// "1.2 % toward the head", or that it is nothing to speak of. @param habit as PlacedMark::off
    static QString habitWords(const std::string& landmark, const Vector2& habit, double sd, int marks);
    /// What the round says as a whole; empty before its end.
    QString sentence() const;

protected:
    void paintBody(QPainter& painter, const QRect& body) override;

private:
    void paintMeanwhile(QPainter& painter, const QRectF& body) const;
    double paintTable(QPainter& painter, const QRectF& body, const MarkingNoise& noise) const;
    PracticeRound& round_;
};

} // namespace deft::ui
