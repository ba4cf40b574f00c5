// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/bench/stage_picture.h"

#include <QAbstractTableModel>

namespace deft::ui {

/// The landmarks of the exercise and how far each has come: placed, proposed, to be placed, not visible.
class MarkTable : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { Sign, Name, State, kColumns };
    MarkTable(ReviewSession& session, StagePicture& stage, QObject* parent = nullptr);

    int rowCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : int(rows_.size()); }
    int columnCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : kColumns; }
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

    QString landmark(int row) const { return rows_[size_t(row)].landmark; }
    int rowOf(const QString& landmark) const; ///< −1 = it is not in the table
    void refresh();

private:
    struct Row {
        QString landmark, sign, name, state;
    };
    ReviewSession& session_;
    StagePicture& stage_;
    std::vector<Row> rows_;
};

} // namespace deft::ui
