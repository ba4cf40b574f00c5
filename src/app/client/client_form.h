// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/client/client_record.h"
#include "app/widgets/intake_button.h"
#include "app/widgets/key_button.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDateEdit>
#include <QLabel>
#include <QLineEdit>
#include <QPlainTextEdit>

namespace deft::ui {

/// What the coach writes down about a client: the name, another record of the same person, what they want, intake
/// flags, and what they have agreed to.
class ClientForm : public QWidget {
    Q_OBJECT
public:
    explicit ClientForm(ClientRecord& record, QWidget* parent = nullptr);
    void begin(); ///< as the record has it now
    QLineEdit& name() { return *name_; }
    QComboBox& samePerson() { return *same_; }
    QPlainTextEdit& wants() { return *wants_; }
    QLineEdit& address() { return *address_; }
    QComboBox& language() { return *language_; }
    IntakeButton& intake() { return *intake_; }
    QCheckBox& scope(size_t index) { return *scopes_[index].second; }
    QDateEdit& given() { return *given_; }
    void keep();

signals:
    void left();
    void failed(const QString& sentence);

private:
    std::optional<Consent> consent() const;
    ClientRecord& record_;
    QLabel* title_;
    QPlainTextEdit* wants_;
    QLineEdit *name_, *address_;
    QComboBox* language_;
    QComboBox* same_; ///< another record of the same person
    IntakeButton* intake_;
    std::vector<std::pair<std::string, QCheckBox*>> scopes_; ///< in the order of data/safety.json
    QDateEdit *given_, *until_;
    QCheckBox* limited_; ///< videos are kept up to a day
};

} // namespace deft::ui
