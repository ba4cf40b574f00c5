// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/programme/programme_desk.h"
#include "app/widgets/panel.h"

namespace deft::ui {

/// Week by week a square for each day that was asked for, filled where it was done.
class DonePanel : public Panel {
    Q_OBJECT
public:
    explicit DonePanel(ProgrammeDesk& desk, QWidget* parent = nullptr);

protected:
    void paintBody(QPainter& painter, const QRect& body) override;

private:
    void refresh();
    struct Week {
        WeekDone done;
        QString words;
    };
    ProgrammeDesk& desk_;
    std::vector<Week> weeks_; ///< the last that there is room for
};

/// Each exercise over the weeks: what was given as a line with its doses, what is being made dashed.
class CoursePanel : public Panel {
    Q_OBJECT
public:
    explicit CoursePanel(ProgrammeDesk& desk, QWidget* parent = nullptr);

protected:
    void paintBody(QPainter& painter, const QRect& body) override;

private:
    void refresh();
    ProgrammeDesk& desk_;
};

/// What changes from one programme to another, a sentence each: what is new, what goes, whose dose is another.
QStringList differencesBetween(const ProgrammeDesk& desk, const Programme& before, const Programme& after);

} // namespace deft::ui
