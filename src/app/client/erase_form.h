// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/client/client_record.h"
#include "app/widgets/key_button.h"

#include <QLabel>
#include <QRadioButton>

namespace deft::ui {

/// Erasing a client's videos, or everything of a client: what would go is told before anything does.
class EraseForm : public QWidget {
    Q_OBJECT
public:
    EraseForm(ClientRecord& record, Library& library, QWidget* parent = nullptr);
    void begin();
    QRadioButton& everything() { return *everything_; }
    KeyButton& go() { return *go_; }
    /// What the chosen erasure takes, in words.
    QString words() const { return details_->text(); }

signals:
    void left();
    void wanted(qint64 client, deft::Erasing what);

private:
    Erasing chosen() const;
    void tell();
    ClientRecord& record_;
    Library& library_;
    QLabel *title_, *details_;
    QRadioButton *videos_, *everything_;
    KeyButton* go_;
};

} // namespace deft::ui
