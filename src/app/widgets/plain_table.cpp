// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/plain_table.h"

#include "app/theme/palette.h"

#include <QHeaderView>

namespace deft::ui {

PlainTable::PlainTable(QAbstractItemModel* model, const QString& name, QWidget* parent) : QTableView(parent) {
    setModel(model);
    setAccessibleName(name);
    setFrameShape(QFrame::NoFrame);
    setShowGrid(false);
    setWordWrap(false);
    setSelectionBehavior(SelectRows);
    setSelectionMode(SingleSelection);
    setTabKeyNavigation(false);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setFont(face(Size::Small));
    verticalHeader()->hide();
    horizontalHeader()->setMinimumSectionSize(16);
    horizontalHeader()->setSectionsClickable(false);
    horizontalHeader()->setFont(face(Size::Small));
    connect(selectionModel(), &QItemSelectionModel::currentRowChanged, this, [this](const QModelIndex& now) {
        if (!choosing_ && now.isValid()) emit picked(now.row());
    });
}

void PlainTable::setColumnWidths(const std::vector<int>& widths) {
    for (size_t i = 0; i < widths.size(); ++i) {
        horizontalHeader()->setSectionResizeMode(int(i), widths[i] ? QHeaderView::Fixed : QHeaderView::Stretch);
        if (widths[i]) setColumnWidth(int(i), widths[i]);
    }
}

void PlainTable::choose(int row) {
    if (row == currentIndex().row()) return;
    choosing_ = true;
    if (row < 0) clearSelection();
    setCurrentIndex(row < 0 ? QModelIndex() : model()->index(row, 0));
    choosing_ = false;
}

} // namespace deft::ui

#include "moc_plain_table.cpp"
