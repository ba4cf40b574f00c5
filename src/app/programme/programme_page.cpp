// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/programme/programme_page.h"

#include "app/programme/programme_beside.h"
#include "app/programme/programme_forms.h"
#include "app/programme/programme_panels.h"
#include "app/programme/programme_table.h"
#include "app/theme/target_words.h"
#include "app/theme/words.h"
#include "app/widgets/facts_panel.h"
#include "app/widgets/key_button.h"
#include "app/widgets/page_stack.h"
#include "programme/phases.h"

#include <QHBoxLayout>
#include <QMenu>
#include <QScrollArea>
#include <algorithm>
#include <cmath>

namespace deft::ui {
namespace {

QString text(const std::string& s) { return spoken(s); }

QVBoxLayout* columnIn(QWidget* widget, int spacing = 16) {
    auto* column = new QVBoxLayout(widget);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(spacing);
    return column;
}

QScrollArea* scrolled(QWidget* widget) {
    auto* area = new QScrollArea;
    area->setWidgetResizable(true);
    area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    area->setFrameShape(QFrame::NoFrame);
    area->setFocusPolicy(Qt::NoFocus);
    area->setWidget(widget);
    area->viewport()->setAutoFillBackground(false);
    widget->setAutoFillBackground(false);
    return area;
}

} // namespace

ProgrammePage::ProgrammePage(Library& library, QWidget* parent) : Page(tr("Programme"), parent), desk_(library) {
    auto* page = new QHBoxLayout(this);
    page->setContentsMargins(16, 16, 16, 16);
    page->setSpacing(20);
    page->addWidget(left());
    page->addWidget(middle(), 1);
    page->addWidget(right());
    connect(&desk_, &ProgrammeDesk::changed, this, &ProgrammePage::refresh);
}

QWidget* ProgrammePage::left() {
    who_ = new QComboBox;
    who_->setAccessibleName(tr("Client"));
    who_->setFocusPolicy(Qt::TabFocus);
    connect(who_, &QComboBox::activated, this, [this](int index) { desk_.show(desk_.clients()[size_t(index)].id); });
    answers_ = new FactsPanel(tr("What it answers"));
    left_ = new FactsPanel(tr("Left out"));
    changes_ = new FactsPanel(tr("Against the one before"));
    auto* known = new QWidget;
    auto* facts = columnIn(known);
    facts->addWidget(answers_);
    auto* when = new WhenForm(desk_);
    facts->addWidget(when);
    facts->addWidget(new DonePanel(desk_));
    facts->addWidget(changes_);
    facts->addWidget(left_);
    facts->addStretch(1);
    auto* side = new QWidget;
    side->setFixedWidth(std::clamp(when->minimumSizeHint().width() + 12, 228, 320)); // as its longest words
    auto* column = columnIn(side);
    column->addWidget(who_);
    column->addWidget(scrolled(known), 1);
    return side;
}

QWidget* ProgrammePage::middle() {
    table_ = new ProgrammeView(desk_);
    beside_ = new ProgrammeBeside(desk_);
    shown_ = new PageStack;
    shown_->addWidget(table_);
    shown_->addWidget(beside_);
    minutes_ = new QLabel;
    minutes_->setFont(face(Size::Body, QFont::DemiBold));
    add_ = new KeyButton(tr("Add…"), tr("Ins"));
    auto* up = new KeyButton(tr("Earlier"), tr("Alt+↑"));
    auto* down = new KeyButton(tr("Later"), tr("Alt+↓"));
    auto* out = new KeyButton(tr("Leave out"), tr("Del"));
    connect(add_, &KeyButton::clicked, this, &ProgrammePage::addExercise);
    connect(up, &KeyButton::clicked, this, [this] { desk_.move(-1); });
    connect(down, &KeyButton::clicked, this, [this] { desk_.move(1); });
    connect(out, &KeyButton::clicked, this, [this] { desk_.remove(); });
    auto* row = new QHBoxLayout;
    row->setSpacing(4);
    auto* side = new KeyButton(tr("Compare"), QStringLiteral("C"));
    connect(side, &KeyButton::clicked, this, &ProgrammePage::besideAnother);
    for (QWidget* w : {add_, up, down, out, side}) {
        w->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed); // their keys go first where it is narrow
        row->addWidget(w);
    }
    row->addStretch(1);
    course_ = new CoursePanel(desk_);
    course_->setMinimumHeight(150);
    auto* whole = new QWidget;
    auto* column = columnIn(whole, 10);
    column->addWidget(shown_, 3);
    column->addWidget(minutes_, 0, Qt::AlignTrailing);
    column->addLayout(row);
    column->addWidget(course_, 2);
    return whole;
}

QWidget* ProgrammePage::right() {
    why_ = new FactsPanel(tr("Why it is here"));
    dose_ = new DoseForm(desk_);
    instead_ = new KeyButton(tr("Another one instead…"), QStringLiteral("V"));
    connect(instead_, &KeyButton::clicked, this, &ProgrammePage::chooseInstead);
    asPage_ = new QCheckBox(tr("practice page for the phone"));
    asSheet_ = new QCheckBox(tr("printed sheet"));
    asCalendar_ = new QCheckBox(tr("calendar"));
    for (QCheckBox* box : {asPage_, asSheet_, asCalendar_}) box->setChecked(true);
    page_ = new KeyButton(tr("Page as the client sees it"), QStringLiteral("P"));
    give_ = new KeyButton(tr("Give it"), tr("Ctrl+Enter"), KeyButton::Kind::Primary);
    connect(page_, &KeyButton::clicked, this, &ProgrammePage::pageWanted);
    connect(give_, &KeyButton::clicked, this, &ProgrammePage::givePressed);
    auto* side = new QWidget;
    side->setFixedWidth(std::clamp(asPage_->sizeHint().width(), 288, 380)); // as its longest words
    auto* column = columnIn(side, 12);
    auto* told = new QWidget;
    auto* facts = columnIn(told);
    facts->addWidget(why_);
    facts->addStretch(1);
    column->addWidget(scrolled(told), 1);
    column->addWidget(dose_);
    column->addWidget(instead_);
    auto* goes = new QLabel(tr("Goes out as"));
    goes->setFont(face(Size::Body, QFont::DemiBold));
    column->addSpacing(4);
    for (QWidget* w : {static_cast<QWidget*>(goes), static_cast<QWidget*>(asPage_), static_cast<QWidget*>(asSheet_),
                       static_cast<QWidget*>(asCalendar_), static_cast<QWidget*>(page_), static_cast<QWidget*>(give_)})
        column->addWidget(w);
    return side;
}

ProgrammeForms ProgrammePage::forms() const {
    return {asPage_->isChecked(), asSheet_->isChecked(), asCalendar_->isChecked()};
}

QString ProgrammePage::heading() const {
    if (desk_.isEmpty()) return tr("Nobody is on record yet");
    const Programme& p = desk_.programme();
    const QString who = text(desk_.client().name);
    if (p.items.empty()) return who;
    return tr("%1, %2 from %3, %4")
        .arg(who, counted(p.weeks, tr("week"), tr("weeks")), dayWords(p.from),
             desk_.isGiven()   ? tr("given")
             : desk_.running() ? tr("to follow the one of %1").arg(dayWords(desk_.running()->programme.from))
                               : tr("not given yet"));
}

QString ProgrammePage::nameOf(const ProgrammeItem& item) const {
    const auto e = desk_.exercise(item);
    if (!e) return text(item.exercise);
    return tr("%1, %2").arg(nameWords(*e, item.target.version), targetWords(*e, item.target));
}

void ProgrammePage::offer(const std::vector<ProgrammeItem>& items, QWidget* at, bool instead) {
    QMenu menu(this);
    for (const ProgrammeItem& item : items)
        connect(menu.addAction(nameOf(item)), &QAction::triggered, this,
                [this, item, instead] { instead ? desk_.replace(item) : desk_.add(item); });
    if (items.empty()) menu.addAction(tr("Nothing that is open"))->setEnabled(false);
    menu.exec(at->mapToGlobal(QPoint(0, at->height())));
}

void ProgrammePage::addExercise() { offer(desk_.more(), add_, false); }
void ProgrammePage::chooseInstead() { offer(desk_.instead(), instead_, true); }
void ProgrammePage::besideAnother() {
    const bool compare = shown_->currentWidget() == table_;
    shown_->setCurrentWidget(compare ? static_cast<QWidget*>(beside_) : table_);
    course_->setVisible(!compare);
    beside_->refresh();
    shown_->currentWidget()->setFocus();
}
void ProgrammePage::editDose() { dose_->first().setFocus(); }

void ProgrammePage::refresh() {
    who_->clear();
    for (const Client& c : desk_.clients()) {
        who_->addItem(text(c.name));
        if (c.id == desk_.client().id) who_->setCurrentIndex(who_->count() - 1);
    }
    const Client& client = desk_.client();
    const Programme& p = desk_.programme();
    QStringList found, flags;
    for (const Reviewed& r : desk_.need().record) {
        const auto e = desk_.library().catalogue()->exercise(r.reviews.back().exercise);
        for (const std::string& id : r.reviews.back().past.faults)
            if (const FaultPlan* fault = e ? e->fault(id) : nullptr) found << text(fault->name);
    }
    found.removeDuplicates();
    const SafetyRules& rules = desk_.library().catalogue()->safety();
    for (const std::string& id : client.flags) flags << text(rules.flags.count(id) ? rules.flags.at(id).name : id);
    std::vector<FactsPanel::Fact> known = {
        {tr("Wants"), client.wants.empty() ? tr("not written down") : text(client.wants)},
        {tr("Found"), found.isEmpty() ? tr("nothing that is clear") : found.join(QStringLiteral("; "))},
        {tr("Flags"), flags.isEmpty() ? tr("none") : flags.join(QStringLiteral(", ")), !flags.isEmpty()}};
    if (desk_.need().practice)
        known.push_back(
            {tr("Kept"),
             tr("%1 of %2 days in two weeks").arg(desk_.need().practice->done).arg(desk_.need().practice->asked)});
    if (p.lookAgain) {
        QStringList names;
        for (const std::string& id : p.lookAgain->exercises)
            if (const auto e = desk_.library().catalogue()->exercise(id)) names << text(e->name);
        known.push_back({tr("Again"), tr("%1: %2").arg(dayWords(p.lookAgain->on), names.join(QStringLiteral("; ")))});
    }
    if (!desk_.trouble().isEmpty()) known.push_back({tr("Stop"), desk_.trouble(), true});
    answers_->setFacts(known);
    std::vector<FactsPanel::Fact> out;
    for (const LeftOut& l : desk_.leftOut())
        out.push_back({QString(), text(l.name) + QStringLiteral(": ") + said(l.why)});
    left_->setFacts(out);
    left_->setVisible(!out.empty());
    std::vector<FactsPanel::Fact> other;
    if (!desk_.given().empty() && !desk_.isGiven())
        for (const QString& change : differencesBetween(desk_, desk_.given().back().programme, p))
            other.push_back({QString(), change});
    changes_->setFacts(other);
    changes_->setVisible(!other.empty());

    std::vector<FactsPanel::Fact> why;
    if (const ProgrammeItem* item = desk_.item()) {
        const auto e = desk_.exercise(*item);
        why_->setTitle(e ? text(e->name) : tr("Why it is here"));
        if (e && e->series) why.push_back({tr("For"), text(e->series->purpose)});
        for (const Message& line : item->because) why.push_back({why.size() == 1 ? tr("Why") : QString(), said(line)});
        if (desk_.isLookedAtAgain(item->exercise))
            why.push_back({tr("Again"), tr("filmed again on %1").arg(dayWords(desk_.programme().lookAgain->on))});
    }
    why_->setFacts(why);
    const double seconds = secondsOf(*desk_.library().catalogue(), p);
    const int minutes = int(std::ceil(seconds / 60));
    minutes_->setText(p.items.empty() ? QString() : tr("%1 of %2 min").arg(minutes).arg(p.minutes));
    minutes_->setStyleSheet(seconds > 60.0 * p.minutes ? QStringLiteral("text-decoration: underline") : QString());
    minutes_->setAccessibleName(seconds > 60.0 * p.minutes ? tr("%1, longer than there is time").arg(minutes_->text())
                                                           : minutes_->text());
    give_->setEnabled(!p.items.empty());
    give_->setKind(desk_.isGiven() ? KeyButton::Kind::Plain : KeyButton::Kind::Primary);
    give_->setText(desk_.isGiven() ? tr("Make its mail again")
                                   : tr("Give it to %1").arg(text(client.name).section(QLatin1Char(' '), 0, 0)));
    page_->setEnabled(!p.items.empty());
    for (KeyButton* b : {instead_}) b->setEnabled(desk_.item() != nullptr);
}

} // namespace deft::ui

#include "moc_programme_page.cpp"
