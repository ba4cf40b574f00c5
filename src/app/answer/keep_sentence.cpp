// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/answer/keep_sentence.h"

#include "app/theme/palette.h"

#include <QDialogButtonBox>
#include <QFormLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QPushButton>

namespace deft::ui {

KeepSentence::KeepSentence(const QString& text, QWidget* parent) : QDialog(parent) {
    setWindowTitle(tr("A sentence of your own"));
    setAttribute(Qt::WA_DeleteOnClose);
    name_ = new QLineEdit;
    text_ = new QPlainTextEdit(text);
    text_->setTabChangesFocus(true);
    auto* places = new QLabel(tr("The program fills {name}, {exercise}, {target}, {day} of the next clip, and {coach} "
                                 "for each client."));
    complaint_ = new QLabel;
    for (QLabel* label : {places, complaint_}) {
        label->setWordWrap(true);
        label->setTextFormat(Qt::PlainText);
        label->setFont(face(Size::Small));
    }
    complaint_->hide();
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Save | QDialogButtonBox::Cancel);
    auto* form = new QFormLayout(this);
    form->addRow(tr("&Name"), name_);
    form->addRow(tr("&Sentence"), text_);
    form->addRow(places);
    form->addRow(complaint_);
    form->addRow(buttons);
    const auto enable = [this, save = buttons->button(QDialogButtonBox::Save)] {
        save->setEnabled(!name_->text().trimmed().isEmpty() && !text_->toPlainText().trimmed().isEmpty());
    };
    connect(name_, &QLineEdit::textChanged, this, enable);
    connect(text_, &QPlainTextEdit::textChanged, this, enable);
    enable();
    connect(buttons, &QDialogButtonBox::accepted, this,
            [this] { emit wanted(name_->text().simplified(), text_->toPlainText().trimmed()); });
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    resize(480, 320);
    name_->setFocus();
}

void KeepSentence::complain(const QString& why) {
    complaint_->setText(tr("Not kept: %1.").arg(why));
    complaint_->show();
}

} // namespace deft::ui

#include "moc_keep_sentence.cpp"
