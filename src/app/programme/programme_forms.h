// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/programme/programme_desk.h"

#include <QAbstractButton>
#include <QComboBox>
#include <QDateEdit>
#include <QLineEdit>
#include <QSpinBox>

class QFormLayout;

namespace deft::ui {

class ChoicesButton;

/// What it is for, from which day, how many weeks, on which days, how many minutes, and what reminds of it.
class WhenForm : public QWidget {
    Q_OBJECT
public:
    explicit WhenForm(ProgrammeDesk& desk, QWidget* parent = nullptr);

private:
    void refresh();
    void keep();
    ProgrammeDesk& desk_;
    bool filling_ = false;
    ChoicesButton* goals_;
    QLineEdit* reminder_;
    QDateEdit *from_, *again_; ///< the second: when it is looked at again
    QSpinBox *weeks_, *minutes_;
    std::vector<QAbstractButton*> days_; ///< Monday first
};

/// Version and dose of the chosen exercise, and what to watch.
class DoseForm : public QWidget {
    Q_OBJECT
public:
    explicit DoseForm(ProgrammeDesk& desk, QWidget* parent = nullptr);
    QWidget& first() const { return *sets_; }
    QComboBox& version() const { return *version_; }

private:
    void refresh();
    void keep();
    ProgrammeDesk& desk_;
    bool filling_ = false;
    QComboBox *version_, *side_;
    QSpinBox *sets_, *reps_, *days_;
    QDoubleSpinBox *hold_, *rest_;
    QLineEdit* watch_;
    QFormLayout* rows_;
};

} // namespace deft::ui
