// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/review_session.h"
#include "readings/readings.h"

#include <QAbstractTableModel>

namespace deft::ui {

/// The readings of the open review: value with its band, tolerance, last time's value, best and worst rep.
class ReadingsTable : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { Name, Worst, Band, Tolerance, Last, BestRep, WorstRep, kColumns };
    explicit ReadingsTable(ReviewSession& session, QObject* parent = nullptr);

    int rowCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : int(rows_.size()); }
    int columnCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : kColumns; }
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

    const std::vector<ReadingRow>& rows() const { return rows_; }
    /// Last time's value of a row. Null when there is none.
    const Reading* last(const ReadingRow& row) const;
    /// The row that a moment is about; −1 = none.
    int rowOf(const Moment& moment) const;
    void refresh();

private:
    QString text(const ReadingRow& row, int column) const;
    bool isRealSince(const ReadingRow& row) const; ///< since last time, beyond both bands

    ReviewSession& session_;
    std::vector<ReadingRow> rows_;
};

} // namespace deft::ui
