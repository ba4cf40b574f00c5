// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/client/client_form.h"

#include "app/theme/palette.h"
#include "app/theme/words.h"
#include "judgement/safety.h"

#include <QFormLayout>
#include <QHBoxLayout>

namespace deft::ui {
namespace {

constexpr int kKeptForMonths = 6; // proposed for a first consent; chosen here

QDate dayOf(const std::string& iso) { return QDate::fromString(QString::fromStdString(iso), Qt::ISODate); }
std::string isoOf(const QDate& day) { return day.toString(Qt::ISODate).toStdString(); }

QDateEdit* dayField() {
    auto* field = new QDateEdit;
    field->setDisplayFormat(QObject::tr("d MMM yyyy", "date"));
    field->setLocale(coachLocale());
    field->setFixedWidth(120);
    field->setButtonSymbols(QAbstractSpinBox::NoButtons);
    return field;
}

} // namespace

ClientForm::ClientForm(ClientRecord& record, QWidget* parent) : QWidget(parent), record_(record) {
    title_ = new QLabel;
    title_->setFont(face(Size::Large, QFont::DemiBold));
    title_->setTextFormat(Qt::PlainText);
    name_ = new QLineEdit;
    same_ = new QComboBox;
    wants_ = new QPlainTextEdit;
    wants_->setTabChangesFocus(true);
    wants_->setMaximumHeight(72);
    address_ = new QLineEdit;
    address_->setPlaceholderText(tr("where answers go; may stay empty"));
    language_ = new QComboBox;
    language_->setToolTip(
        tr("Letters, sheets and practice pages are written in it; words of your own stay as they are"));
    for (const std::string& code : record.library().catalogue()->languages())
        language_->addItem(QString::fromStdString(record.library().catalogue()->language(code)->name()),
                           QString::fromStdString(code == "en" ? std::string() : code));
    intake_ = new IntakeButton(record.library().catalogue()->safety());
    given_ = dayField(), until_ = dayField();
    limited_ = new QCheckBox(tr("videos are kept until"));
    until_->setAccessibleName(limited_->text());
    auto* form = new QFormLayout;
    form->setLabelAlignment(Qt::AlignLeft);
    form->setVerticalSpacing(8);
    form->addRow(tr("&Name"), name_);
    form->addRow(tr("Same &person as"), same_);
    form->addRow(tr("&Wants"), wants_);
    form->addRow(tr("E-&mail"), address_);
    form->addRow(tr("&Language"), language_);
    form->addRow(tr("&Intake"), intake_);
    form->addRow(tr("&Consent of"), given_);
    for (const auto& [id, name] : record.library().catalogue()->safety().consent) {
        scopes_.push_back({id, new QCheckBox(spoken(name))});
        form->addRow(QString(), scopes_.back().second);
    }
    auto* until = new QHBoxLayout;
    until->setSpacing(8);
    until->addWidget(limited_);
    until->addWidget(until_);
    until->addStretch();
    form->addRow(QString(), until);
    auto* why = new QLabel(
        tr("Each consent is recorded beside the ones before it. Without a tick it is withdrawn; the "
           "videos can be erased then. Ask in the way your local rules ask for. Two records of the same person "
           "become one for good; their flags add up. Nothing of the library is encrypted: whoever can "
           "use your account or your disk can read it, so use a password of your own and an "
           "encrypted disk."));
    why->setWordWrap(true);
    why->setFont(face(Size::Small));
    auto* go = new KeyButton(tr("Save"), {}, KeyButton::Kind::Primary);
    auto* no = new KeyButton(tr("Cancel"), tr("Esc"), KeyButton::Kind::Plain);
    connect(go, &KeyButton::clicked, this, &ClientForm::keep);
    connect(no, &KeyButton::clicked, this, &ClientForm::left);
    connect(limited_, &QCheckBox::toggled, until_, &QWidget::setEnabled);
    auto* buttons = new QHBoxLayout;
    buttons->addWidget(go);
    buttons->addWidget(no);
    buttons->addStretch();
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(12);
    column->addWidget(title_);
    column->addLayout(form);
    column->addWidget(why);
    column->addLayout(buttons);
    column->addStretch();
}

void ClientForm::begin() {
    const Client& c = record_.client();
    title_->setText(tr("About %1").arg(QString::fromStdString(c.name)));
    name_->setText(QString::fromStdString(c.name));
    same_->clear();
    same_->addItem(tr("nobody else on record"), qlonglong(0));
    for (const Client& other : record_.clients())
        if (other.id != c.id)
            same_->addItem(QString::fromStdString(other.role.empty() ? other.name : other.name + ", " + other.role),
                           qlonglong(other.id));
    wants_->setPlainText(QString::fromStdString(c.wants));
    address_->setText(QString::fromStdString(c.address));
    language_->setCurrentIndex(std::max(0, language_->findData(QString::fromStdString(c.language))));
    intake_->setFlags(c.flags);
    const QDate today = QDate::currentDate();
    given_->setDate(c.consent ? dayOf(c.consent->given) : today);
    const bool limited = c.consent ? !c.consent->until.empty() : true;
    limited_->setChecked(limited);
    until_->setEnabled(limited);
    until_->setDate(c.consent && limited ? dayOf(c.consent->until) : today.addMonths(kKeptForMonths));
    for (const auto& [id, box] : scopes_) box->setChecked(c.consent && c.consent->covers(id));
    wants_->setFocus();
}

/// Nothing where none is on record and nothing has been ticked: then nobody was asked.
std::optional<Consent> ClientForm::consent() const {
    Consent consent{isoOf(given_->date()), limited_->isChecked() ? isoOf(until_->date()) : std::string(), {}};
    for (const auto& [id, box] : scopes_)
        if (box->isChecked()) consent.scopes.push_back(id);
    if (consent.scopes.empty()) {
        const auto& before = record_.client().consent;
        if (!before || before->scopes.empty()) return std::nullopt;
        consent.given = isoOf(QDate::currentDate()); // withdrawn today, whenever it was given
        consent.until.clear();
    }
    return consent;
}

void ClientForm::keep() {
    const std::string address = address_->text().trimmed().toStdString();
    if (!address.empty() && !isAddress(address)) {
        address_->setFocus();
        emit failed(tr("Not saved: “%1” is no e-mail address.").arg(address_->text().trimmed()));
        return;
    }
    if (auto ok = record_.keep({name_->text().simplified().toStdString(), wants_->toPlainText().trimmed().toStdString(),
                                address, language_->currentData().toString().toStdString(), intake_->flags(), consent(),
                                same_->currentData().toLongLong()});
        !ok) {
        emit failed(tr("Not saved: %1.").arg(said(ok.error())));
        return;
    }
    emit left();
}

} // namespace deft::ui

#include "moc_client_form.cpp"
