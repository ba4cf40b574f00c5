// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/comparison.h"
#include "app/widgets/panel.h"

#include <QAbstractTableModel>

namespace deft::ui {

class PlainTable;

/// Each reading of both sides, the difference with its band, and in words whether it is real.
class DifferenceTable : public QAbstractTableModel {
    Q_OBJECT
public:
    enum Column { Name, First, Second, Change, Words, kColumns };
    explicit DifferenceTable(Comparison& comparison, QObject* parent = nullptr);

    int rowCount(const QModelIndex& parent = {}) const override;
    int columnCount(const QModelIndex& parent = {}) const override { return parent.isValid() ? 0 : kColumns; }
    QVariant data(const QModelIndex& index, int role) const override;
    QVariant headerData(int section, Qt::Orientation orientation, int role) const override;

    /// What is said of one difference; for people and tests.
    static QString verdict(const Difference& difference);

private:
    Comparison& comparison_;
};

class DifferencePanel : public Panel {
    Q_OBJECT
public:
    explicit DifferencePanel(Comparison& comparison, QWidget* parent = nullptr);

protected:
    void paintBody(QPainter&, const QRect&) override {}
    void resizeEvent(QResizeEvent* event) override;

private:
    DifferenceTable* table_;
    PlainTable* view_;
};

} // namespace deft::ui
