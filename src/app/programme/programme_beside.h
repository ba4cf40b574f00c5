// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/programme/programme_desk.h"

#include <QAbstractTableModel>
#include <QComboBox>
#include <QLabel>
#include <QTableView>

namespace deft::ui {

/// Two programmes, a row for each exercise that is in one of them, then days and minutes.
class BesideTable : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { What, Before, Now, kColumns };
    explicit BesideTable(ProgrammeDesk& desk, QObject* parent = nullptr) : QAbstractTableModel(parent), desk_(desk) {}
    void compare(const QString& name, const Programme& before);

    int rowCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : int(rows_.size()); }
    int columnCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : kColumns; }
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    int differences() const;

private:
    struct Row {
        QString what, before, now;
    };
    ProgrammeDesk& desk_;
    QString name_;
    std::vector<Row> rows_;
};

/// The programme on the desk beside another one: one that was given, or a template.
class ProgrammeBeside : public QWidget {
    Q_OBJECT
public:
    explicit ProgrammeBeside(ProgrammeDesk& desk, QWidget* parent = nullptr);
    BesideTable& table() { return *table_; }
    QComboBox& other() { return *other_; }
    void refresh();

private:
    void compareWith(int index); ///< of the box

    ProgrammeDesk& desk_;
    QComboBox* other_;
    QLabel* told_;
    BesideTable* table_;
    QTableView* view_;
    std::vector<Programme> others_; ///< as in the box
};

} // namespace deft::ui
