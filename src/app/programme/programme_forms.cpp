// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/programme/programme_forms.h"

#include "app/theme/words.h"
#include "app/widgets/choices_button.h"
#include "base/dates.h"
#include "programme/phases.h"

#include <QFormLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QLocale>
#include <QPushButton>
#include <QVBoxLayout>

namespace deft::ui {
namespace {

template <class Spin> Spin* spin(double least, double most, const QString& name, const QString& unit = {}) {
    auto* s = new Spin;
    s->setRange(static_cast<decltype(s->value())>(least), static_cast<decltype(s->value())>(most));
    s->setAccessibleName(name);
    s->setSuffix(unit);
    s->setButtonSymbols(QAbstractSpinBox::NoButtons);
    s->setKeyboardTracking(false); // one change when it is entered, not one for each digit
    return s;
}

} // namespace

WhenForm::WhenForm(ProgrammeDesk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
    from_ = new QDateEdit;
    from_->setCalendarPopup(true);
    from_->setAccessibleName(tr("From"));
    from_->setKeyboardTracking(false);
    again_ = new QDateEdit;
    again_->setCalendarPopup(true);
    again_->setAccessibleName(tr("Look again on"));
    again_->setKeyboardTracking(false);
    weeks_ = spin<QSpinBox>(1, kMostWeeks, tr("Weeks"));
    minutes_ = spin<QSpinBox>(1, kMostMinutes, tr("Minutes a day"), tr(" min"));
    auto* rows = new QFormLayout(this);
    rows->setContentsMargins(0, 0, 0, 0);
    rows->setSpacing(6);
    goals_ = new ChoicesButton(desk.library().catalogue()->goals(), tr("What the programme is for"), tr("no goal"));
    reminder_ = new QLineEdit;
    reminder_->setObjectName(QStringLiteral("reminder"));
    reminder_->setAccessibleName(tr("Reminder, in the client's own words"));
    reminder_->setPlaceholderText(tr("client's words"));
    reminder_->setToolTip(tr("Stands in the calendar in place of “Practice, 12 min”."));
    reminder_->setMaxLength(90);
    rows->addRow(tr("For"), goals_);
    rows->addRow(tr("From"), from_);
    rows->addRow(tr("Weeks"), weeks_);
    rows->addRow(tr("A day"), minutes_);
    rows->addRow(tr("Look again"), again_);
    rows->addRow(tr("Reminder"), reminder_);
    auto* days = new QHBoxLayout;
    days->setSpacing(2);
    for (int day = 1; day <= 7; ++day) {
        auto* b = new QPushButton(coachLocale().dayName(day, QLocale::ShortFormat).left(2));
        b->setObjectName(QStringLiteral("day"));
        b->setAccessibleName(coachLocale().dayName(day));
        b->setToolTip(coachLocale().dayName(day));
        b->setCheckable(true);
        b->setFixedSize(29, 28);
        connect(b, &QPushButton::toggled, this, &WhenForm::keep);
        days->addWidget(b);
        days_.push_back(b);
    }
    days->addStretch(1);
    rows->addRow(days);
    connect(from_, &QDateEdit::dateChanged, this, &WhenForm::keep);
    connect(again_, &QDateEdit::dateChanged, this, &WhenForm::keep);
    connect(goals_, &ChoicesButton::ticked, this, &WhenForm::keep);
    connect(reminder_, &QLineEdit::editingFinished, this, &WhenForm::keep);
    connect(weeks_, &QSpinBox::valueChanged, this, &WhenForm::keep);
    connect(minutes_, &QSpinBox::valueChanged, this, &WhenForm::keep);
    connect(&desk, &ProgrammeDesk::changed, this, &WhenForm::refresh);
}

void WhenForm::refresh() {
    const Programme& p = desk_.programme();
    filling_ = true;
    setEnabled(!p.from.empty());
    from_->setDate(QDate::fromString(QString::fromStdString(p.from), Qt::ISODate));
    again_->setEnabled(p.lookAgain.has_value());
    if (p.lookAgain) again_->setDate(QDate::fromString(QString::fromStdString(p.lookAgain->on), Qt::ISODate));
    goals_->setChosen(p.goals);
    reminder_->setText(QString::fromStdString(p.reminder));
    weeks_->setValue(p.weeks);
    minutes_->setValue(p.minutes);
    for (size_t i = 0; i < days_.size(); ++i)
        days_[i]->setChecked(std::find(p.days.begin(), p.days.end(), std::chrono::weekday(unsigned(i + 1))) !=
                             p.days.end());
    filling_ = false;
}

void WhenForm::keep() {
    if (filling_) return;
    Programme p = desk_.programme();
    p.from = from_->date().toString(Qt::ISODate).toStdString();
    p.weeks = weeks_->value(), p.minutes = minutes_->value();
    p.goals = goals_->chosen(), p.reminder = reminder_->text().simplified().toStdString();
    if (p.lookAgain) p.lookAgain->on = again_->date().toString(Qt::ISODate).toStdString();
    std::vector<std::chrono::weekday> days;
    for (size_t i = 0; i < days_.size(); ++i)
        if (days_[i]->isChecked()) days.emplace_back(unsigned(i + 1));
    if (!days.empty()) p.days = days; // the last day stays: a programme without one is none
    const bool isOfGoals = p.goals != desk_.programme().goals;
    desk_.change(isOfGoals ? tr("goals") : tr("days and weeks"), std::move(p));
    refresh();
    if (isOfGoals) emit desk_.said(tr("R proposes anew, with what serves this."));
}

DoseForm::DoseForm(ProgrammeDesk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
    version_ = new QComboBox;
    version_->setAccessibleName(tr("Version"));
    version_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    side_ = new QComboBox;
    side_->setAccessibleName(tr("Side that begins"));
    side_->addItem(tr("no difference"), QString());
    side_->addItem(tr("left"), QStringLiteral("left"));
    side_->addItem(tr("right"), QStringLiteral("right"));
    sets_ = spin<QSpinBox>(1, 20, tr("Rounds"));
    reps_ = spin<QSpinBox>(0, 100, tr("Repetitions"));
    reps_->setSpecialValueText(tr("one"));
    hold_ = spin<QDoubleSpinBox>(0, 600, tr("Hold"), tr(" s"));
    hold_->setDecimals(0);
    hold_->setSpecialValueText(tr("none"));
    rest_ = spin<QDoubleSpinBox>(0, kMostRest_s, tr("Rest between rounds"), tr(" s"));
    rest_->setDecimals(0);
    days_ = spin<QSpinBox>(1, 7, tr("Days a week"));
    watch_ = new QLineEdit;
    watch_->setAccessibleName(tr("What to watch, to the client"));
    watch_->setMaxLength(300);
    rows_ = new QFormLayout(this);
    rows_->setContentsMargins(0, 0, 0, 0);
    rows_->setSpacing(6);
    rows_->addRow(tr("Version"), version_);
    const auto pair = [](QWidget* a, const QString& between, QWidget* b) {
        auto* row = new QHBoxLayout;
        row->addWidget(a, 1);
        auto* label = new QLabel(between);
        label->setBuddy(b);
        row->addWidget(label);
        row->addWidget(b, 1);
        return row;
    };
    rows_->addRow(tr("Rounds"), pair(sets_, tr("reps"), reps_));
    rows_->addRow(tr("Hold"), pair(hold_, tr("rest"), rest_));
    rows_->addRow(tr("Days"), pair(days_, tr("first"), side_));
    rows_->addRow(tr("Watch"), watch_);
    connect(version_, &QComboBox::activated, this, [this](int index) {
        const ProgrammeItem* item = desk_.item();
        if (!item) return;
        const auto e = desk_.library().catalogue()->exercise(item->exercise);
        if (e) desk_.stepVersion(index - e->versionIndex(item->target.version));
        refresh();
    });
    connect(side_, &QComboBox::activated, this, &DoseForm::keep);
    for (QSpinBox* s : {sets_, reps_, days_}) connect(s, &QSpinBox::valueChanged, this, &DoseForm::keep);
    for (QDoubleSpinBox* s : {hold_, rest_}) connect(s, &QDoubleSpinBox::valueChanged, this, &DoseForm::keep);
    connect(watch_, &QLineEdit::editingFinished, this, &DoseForm::keep);
    connect(&desk, &ProgrammeDesk::changed, this, &DoseForm::refresh);
}

void DoseForm::refresh() {
    const ProgrammeItem* item = desk_.item();
    setEnabled(item != nullptr);
    if (!item) return;
    const auto e = desk_.exercise(*item);
    filling_ = true;
    version_->clear();
    if (e) {
        for (const Version& v : e->ladder) version_->addItem(spoken(v.name));
        version_->setCurrentIndex(e->versionIndex(item->target.version));
        side_->setEnabled(e->eachSide);
    }
    side_->setCurrentIndex(side_->findData(QString::fromStdString(item->target.firstSide)));
    sets_->setValue(item->target.sets);
    reps_->setValue(item->target.reps.value_or(0));
    hold_->setValue(item->target.hold_s.value_or(0));
    rest_->setValue(item->rest_s);
    days_->setValue(item->target.daysPerWeek);
    watch_->setText(spoken(item->watch));
    watch_->setToolTip(watch_->text());
    watch_->setCursorPosition(0);
    filling_ = false;
}

void DoseForm::keep() {
    if (filling_ || !desk_.item()) return;
    ProgrammeItem item = *desk_.item();
    Target& t = item.target;
    t.sets = sets_->value(), t.daysPerWeek = days_->value();
    t.reps = reps_->value() > 0 ? std::optional(reps_->value()) : std::nullopt;
    t.hold_s = hold_->value() > 0 ? std::optional(hold_->value()) : std::nullopt;
    if (!t.reps && !t.hold_s) t.reps = 1;
    t.firstSide = side_->currentData().toString().toStdString();
    item.rest_s = rest_->value();
    if (watch_->text() != spoken(item.watch)) item.watch = watch_->text().toStdString(); // else as its file says it
    if (!(item.target == desk_.item()->target) &&
        std::find(item.because.begin(), item.because.end(), Message("dose changed by the coach")) == item.because.end())
        item.because.push_back("dose changed by the coach");
    desk_.replace(std::move(item));
    refresh();
}

} // namespace deft::ui

#include "moc_programme_forms.cpp"
