// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "store/library.h"

#include <QAbstractTableModel>
#include <QTableView>

namespace deft::ui {

/// The mails that were made, newest first: to whom, about what, when, and whether the coach has sent them.
class MailTable : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { To, About, Made, Sent, kColumns };
    explicit MailTable(Library& library, QObject* parent = nullptr) : QAbstractTableModel(parent), library_(library) {}
    void refresh();
    const MadeLetter& letter(int row) const { return letters_[size_t(row)]; }

    int rowCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : int(letters_.size()); }
    int columnCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : kColumns; }
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

private:
    Library& library_;
    std::vector<MadeLetter> letters_;
};

class MailList : public QTableView {
    Q_OBJECT
public:
    explicit MailList(Library& library, QWidget* parent = nullptr);
    void refresh();
    const MadeLetter* chosen() const; ///< null = none
    void toggleSent();

signals:
    void said(const QString& sentence);

private:
    Library& library_;
    MailTable* table_;
};

} // namespace deft::ui
