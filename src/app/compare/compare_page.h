// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/comparison.h"
#include "app/widgets/page.h"

#include <QWidget>

namespace deft::ui {

class DifferencePanel;
class KeyButton;
class PairPicture;
class PlaceStrip;
class WeeksPanel;

/// Two parts of the client's movement side by side, in one frame of the body and at the same place of the movement,
/// and which of their differences are real; or the readings over the weeks.
class ComparePage : public Page {
    Q_OBJECT
public:
    ComparePage(ReviewSession& session, Library& library, QWidget* parent = nullptr);
    Comparison& comparison() { return comparison_; }
    PairPicture& pictures() { return *pictures_; }
    void step(double places) { comparison_.setPlace(comparison_.place() + places); }
    void stepRep(int reps) { comparison_.setRep(comparison_.rep() + reps); }

protected:
    void showEvent(QShowEvent*) override { comparison_.setActive(true); }
    void hideEvent(QHideEvent*) override { comparison_.setActive(false); }

private:
    void refresh();
    Comparison comparison_;
    PairPicture* pictures_;
    PlaceStrip* place_;
    DifferencePanel* table_;
    WeeksPanel* weeks_;
    std::array<KeyButton*, 4> kinds_;
};

} // namespace deft::ui
