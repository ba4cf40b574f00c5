// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QTableView>

namespace deft::ui {

/// A table that stands on a page as if it were drawn on it: no frame, no grid, one row chosen, hairlines between rows.
/// Its colours are those of applyStyle(). Tab goes past it as one control; a screen reader has its cells. @param name what it is, for a screen reader
class PlainTable : public QTableView {
    Q_OBJECT
public:
    PlainTable(QAbstractItemModel* model, const QString& name, QWidget* parent = nullptr);
    void setColumnWidths(const std::vector<int>& widths); ///< 0 = takes what the others leave
    QString asText(int row = -1) const;                   ///< cells parted by tabs, with the head; one row alone: without
    void choose(int row);                                 ///< −1 = none; nobody is told

signals:
    void picked(int row); ///< by the coach

protected:
    bool event(QEvent* event) override;             ///< Copy is the chosen row's here
    void keyPressEvent(QKeyEvent* event) override;

private:
    bool choosing_ = false;
};

} // namespace deft::ui
