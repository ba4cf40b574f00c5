// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/overrule_form.h"

#include "app/theme/target_words.h"
#include "app/theme/words.h"

#include <QFormLayout>
#include <QKeyEvent>
#include <QLabel>

namespace deft::ui {
namespace {

constexpr const char* kSteps[] = {"back", "stay", "up", "ask-again"};

QSpinBox* box(int low, int high) {
    auto* b = new QSpinBox;
    b->setRange(low, high);
    b->setButtonSymbols(QAbstractSpinBox::NoButtons);
    return b;
}

} // namespace

OverruleForm::OverruleForm(ReviewSession& session, QWidget* parent) : QWidget(parent), session_(session) {
    setAutoFillBackground(true);
    step_ = new QComboBox;
    for (const char* s : kSteps) step_->addItem(stepWords(s), QString::fromLatin1(s));
    version_ = new QComboBox;
    sets_ = box(1, 20), reps_ = box(1, 100), hold_ = box(0, 600);
    hold_->setSpecialValueText(tr("none"));
    hold_->setSuffix(tr(" s"));
    why_ = new QLineEdit;
    why_->setPlaceholderText(tr("your reason, for the record"));
    use_ = new KeyButton(tr("Use mine"), {}, KeyButton::Kind::Primary);
    propose_ = new KeyButton(tr("As proposed"), {}, KeyButton::Kind::Plain);
    fields_ = new QWidget;
    auto* form = new QFormLayout(fields_);
    form->setContentsMargins(0, 0, 0, 0);
    form->setVerticalSpacing(3);
    form->addRow(tr("&Step"), step_);
    form->addRow(tr("&Version"), version_);
    auto* dose = new QHBoxLayout;
    for (QSpinBox* b : {sets_, reps_, hold_}) dose->addWidget(b);
    sets_->setAccessibleName(tr("Rounds")), reps_->setAccessibleName(tr("Reps")), hold_->setAccessibleName(tr("Hold"));
    sets_->setToolTip(tr("Rounds")), reps_->setToolTip(tr("Reps")), hold_->setToolTip(tr("Hold"));
    form->addRow(tr("Dose"), dose);
    form->addRow(tr("&Why"), why_);
    auto* buttons = new QHBoxLayout;
    buttons->addWidget(use_);
    buttons->addWidget(propose_);
    form->addRow(buttons);
    locks_ = new QWidget;
    lockColumn_ = new QVBoxLayout(locks_);
    lockColumn_->setContentsMargins(0, 0, 0, 0);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->addWidget(fields_);
    column->addWidget(locks_);
    column->addStretch();
    connect(use_, &KeyButton::clicked, this, &OverruleForm::use);
    connect(propose_, &KeyButton::clicked, this, &OverruleForm::propose);
    connect(why_, &QLineEdit::returnPressed, this, &OverruleForm::use);
}

bool OverruleForm::event(QEvent* e) {
    // While the form is in use, the bench's own keys are letters and arrows of its fields.
    if (e->type() == QEvent::ShortcutOverride && !(static_cast<QKeyEvent*>(e)->modifiers() & Qt::ControlModifier))
        e->accept();
    return QWidget::event(e);
}

void OverruleForm::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Escape)
        emit left();
    else
        QWidget::keyPressEvent(e);
}

void OverruleForm::begin() {
    const Review* r = session_.review();
    if (!r) return;
    const auto locks = locksOf(*r->catalogue, r->exercise, r->inputs.asked.version, r->inputs.flags, r->inputs.cleared);
    const bool stopped = r->decision.step == "stop";
    fields_->setVisible(!stopped);
    locks_->setVisible(stopped);
    showLocks(locks);
    const Target& t = r->decision.target;
    step_->setCurrentIndex(std::max(0, step_->findData(QString::fromStdString(r->decision.step))));
    version_->clear();
    for (const Version& version : r->exercise.ladder)
        version_->addItem(spoken(version.name), QString::fromStdString(version.id));
    version_->setCurrentIndex(std::max(0, r->exercise.versionIndex(t.version)));
    sets_->setValue(t.sets), reps_->setValue(t.reps.value_or(1)), hold_->setValue(int(t.hold_s.value_or(0)));
    why_->setText(QString::fromStdString(r->inputs.overruledWhy));
    propose_->setEnabled(r->inputs.overruled.has_value() || !r->inputs.overruledStep.empty());
    if (!stopped) step_->setFocus();
}

void OverruleForm::showLocks(const std::vector<Lock>& locks) {
    while (QLayoutItem* item = lockColumn_->takeAt(0)) {
        delete item->widget();
        delete item;
    }
    points_.clear(), lockedBy_.clear();
    auto say = [&](const QString& words) {
        auto* label = new QLabel(words);
        label->setTextFormat(Qt::PlainText);
        label->setWordWrap(true);
        lockColumn_->addWidget(label);
    };
    if (locks.empty()) say(tr("A stop rule cannot be overridden here: speak with the client first."));
    for (const Lock& lock : locks) {
        say(QString::fromStdString(lock.name + ": " + lock.reason + "."));
        lockedBy_.push_back(lock.flag);
        for (const std::string& point : lock.readiness) {
            auto* check = new QCheckBox(QString::fromStdString(point));
            check->setToolTip(check->text());
            lockColumn_->addWidget(check);
            points_.push_back(check);
            connect(check, &QCheckBox::toggled, this, &OverruleForm::confirm);
        }
    }
    auto* leave = new KeyButton(tr("Keep it locked"), {}, KeyButton::Kind::Plain);
    leave->setVisible(!locks.empty());
    connect(leave, &KeyButton::clicked, this, &OverruleForm::left);
    lockColumn_->addWidget(leave);
}

void OverruleForm::confirm() {
    if (!std::all_of(points_.begin(), points_.end(), [](const QCheckBox* c) { return c->isChecked(); })) return;
    session_.edit(tr("readiness list confirmed"),
                  [&](ReviewInputs& in) { in.cleared.insert(in.cleared.end(), lockedBy_.begin(), lockedBy_.end()); });
    emit left();
}

void OverruleForm::use() {
    Target t = session_.review()->decision.target;
    t.version = version_->currentData().toString().toStdString();
    t.sets = sets_->value();
    t.reps = reps_->value() > 1 ? std::optional(reps_->value()) : std::nullopt;
    t.hold_s = hold_->value() > 0 ? std::optional<double>(hold_->value()) : std::nullopt;
    session_.edit(tr("target overridden"), [&](ReviewInputs& in) {
        in.overruled = t;
        in.overruledStep = step_->currentData().toString().toStdString();
        in.overruledWhy = why_->text().trimmed().toStdString();
    });
    emit left();
}

void OverruleForm::propose() {
    session_.edit(tr("target as proposed"), [&](ReviewInputs& in) {
        in.overruled.reset();
        in.overruledStep.clear(), in.overruledWhy.clear();
    });
    emit left();
}

} // namespace deft::ui

#include "moc_overrule_form.cpp"
