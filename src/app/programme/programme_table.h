// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/programme/programme_desk.h"

#include <QAbstractTableModel>
#include <QStyledItemDelegate>
#include <QTableView>

namespace deft::ui {

/// The exercises of the programme in their order: what and why, dose, minutes.
class ProgrammeTable : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { Number, What, Dose, Minutes, kColumns };
    explicit ProgrammeTable(ProgrammeDesk& desk, QObject* parent = nullptr);

    int rowCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : int(rows_.size()); }
    int columnCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : kColumns; }
    QVariant data(const QModelIndex& index, int role) const override;
    Qt::ItemFlags flags(const QModelIndex& index) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

private:
    void refresh();
    struct Row {
        QString what, why, dose, rest, minutes;
    };
    ProgrammeDesk& desk_;
    std::vector<Row> rows_;
};

/// The table with its rows of two lines; the chosen row is the desk's.
class ProgrammeView : public QTableView {
    Q_OBJECT
public:
    explicit ProgrammeView(ProgrammeDesk& desk, QWidget* parent = nullptr);

protected:
    void keyPressEvent(QKeyEvent* event) override;
    void dropEvent(QDropEvent* event) override; ///< the dragged row stands where it was dropped

private:
    ProgrammeDesk& desk_;
};

} // namespace deft::ui
