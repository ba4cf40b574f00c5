// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/documents/programme_files.h"
#include "app/programme/programme_desk.h"
#include "app/widgets/page.h"

#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QStackedWidget>

namespace deft::ui {

class DoseForm;
class FactsPanel;
class KeyButton;
class ProgrammeBeside;
class ProgrammeView;
class WhenForm;

/// What a client practises for some weeks: what it answers and what came home, the exercises in their order and over
/// the weeks, why each is here and in what dose, and how it goes out.
class ProgrammePage : public Page {
    Q_OBJECT
public:
    explicit ProgrammePage(Library& library, QWidget* parent = nullptr);
    ProgrammeDesk& desk() { return desk_; }
    ProgrammeView& table() { return *table_; }
    ProgrammeBeside& beside() { return *beside_; }
    ProgrammeForms forms() const;
    QString heading() const;
    void addExercise();   ///< shows what could be added
    void chooseInstead(); ///< shows what could stand in place of the chosen one
    void editDose();
    void besideAnother(); ///< shows the programme beside another one, or in its order again

signals:
    void givePressed();
    void pageWanted();

private:
    QWidget* left();
    QWidget* middle();
    QWidget* right();
    void refresh();
    void offer(const std::vector<ProgrammeItem>& items, QWidget* at, bool instead);
    QString nameOf(const ProgrammeItem& item) const;

    ProgrammeDesk desk_;
    QComboBox* who_;
    FactsPanel *answers_, *why_, *left_, *changes_;
    ProgrammeView* table_;
    ProgrammeBeside* beside_;
    QWidget* course_;
    QStackedWidget* shown_; ///< the table, or two programmes side by side
    QLabel* minutes_;
    DoseForm* dose_;
    KeyButton *add_, *instead_, *give_, *page_;
    QCheckBox *asPage_, *asSheet_, *asCalendar_;
};

} // namespace deft::ui
