// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/widgets/key_button.h"
#include "store/library.h"

#include <QLineEdit>

namespace deft::ui {

/// Who the coach is: the name that answers are signed with, and the address that mails come from.
class CoachForm : public QWidget {
    Q_OBJECT
public:
    explicit CoachForm(Library& library, QWidget* parent = nullptr);
    void begin();
    QLineEdit& name() { return *name_; }
    QLineEdit& address() { return *address_; }
    void keep();

signals:
    void left();
    void said(const QString& sentence);

private:
    Library& library_;
    QLineEdit *name_, *address_;
};

} // namespace deft::ui
