// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/queue/coach_form.h"

#include "app/theme/words.h"

#include "app/theme/palette.h"

#include <QFormLayout>
#include <QLabel>

namespace deft::ui {

CoachForm::CoachForm(Library& library, QWidget* parent) : QWidget(parent), library_(library) {
    auto* title = new QLabel(tr("About you"));
    title->setFont(face(Size::Large, QFont::DemiBold));
    auto* why = new QLabel(tr("Answers are signed with your first name. Mails that the program writes for you to send "
                              "come from this address; it may stay empty."));
    why->setWordWrap(true);
    why->setFont(face(Size::Small));
    name_ = new QLineEdit;
    address_ = new QLineEdit;
    auto* form = new QFormLayout;
    form->setLabelAlignment(Qt::AlignLeft);
    form->setVerticalSpacing(8);
    form->addRow(tr("Your &name"), name_);
    form->addRow(tr("E-&mail"), address_);
    auto* go = new KeyButton(tr("Save"), {}, KeyButton::Kind::Primary);
    auto* no = new KeyButton(tr("Cancel"), tr("Esc"), KeyButton::Kind::Plain);
    connect(go, &KeyButton::clicked, this, &CoachForm::keep);
    connect(no, &KeyButton::clicked, this, &CoachForm::left);
    for (QLineEdit* field : {name_, address_}) connect(field, &QLineEdit::returnPressed, this, &CoachForm::keep);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(12);
    column->addWidget(title);
    column->addWidget(why);
    column->addLayout(form);
    column->addWidget(go);
    column->addWidget(no);
    column->addStretch();
}

void CoachForm::begin() {
    const Coach coach = library_.coach();
    name_->setText(QString::fromStdString(coach.name));
    address_->setText(QString::fromStdString(coach.address));
    name_->setFocus();
    name_->selectAll();
}

void CoachForm::keep() {
    const Coach coach{name_->text().trimmed().toStdString(), address_->text().trimmed().toStdString()};
    if (!coach.address.empty() && !isAddress(coach.address)) {
        address_->setFocus();
        emit said(tr("Not saved: “%1” is no e-mail address.").arg(address_->text().trimmed()));
        return;
    }
    if (auto ok = library_.setCoach(coach); !ok) {
        emit said(tr("Not saved: %1.").arg(ui::said(ok.error())));
        return;
    }
    emit said(coach.name.empty() ? QString() : tr("New answers are signed by %1.").arg(name_->text().trimmed()));
    emit left();
}

} // namespace deft::ui

#include "moc_coach_form.cpp"
