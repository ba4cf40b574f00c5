// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/review_session.h"
#include "app/sheet/rep_rows.h"

#include <QAbstractTableModel>

namespace deft::ui {

/// The rep sheet as a table: a row for each rep, a column for each phase.
class RepTable : public QAbstractTableModel {
    Q_OBJECT
public:
    explicit RepTable(const ReviewSession& session, QObject* parent = nullptr)
        : QAbstractTableModel(parent), session_(session) {}

    int rowCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : int(rows_.size()); }
    int columnCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : kPhases; }
    /// What a cell says: its number, what stands beside and under it, and how it lies to its limit.
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

    const std::vector<RepRow>& rows() const { return rows_; }
    void setRows(std::vector<RepRow> rows);

private:
    const ReviewSession& session_;
    std::vector<RepRow> rows_;
};

} // namespace deft::ui
