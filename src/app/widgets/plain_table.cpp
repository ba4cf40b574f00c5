// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/plain_table.h"

#include "app/theme/palette.h"
#include "app/widgets/plain_header.h"

#include <QClipboard>
#include <QGuiApplication>
#include <QKeyEvent>

namespace deft::ui {

PlainTable::PlainTable(QAbstractItemModel* model, const QString& name, QWidget* parent) : QTableView(parent) {
    setModel(model);
    setAccessibleName(name);
    setFrameShape(QFrame::NoFrame);
    setShowGrid(false);
    setLayoutDirection(Qt::LeftToRight); // as what is painted; and a number's sign and unit keep their side
    setWordWrap(false);
    setSelectionBehavior(SelectRows);
    setSelectionMode(SingleSelection);
    setTabKeyNavigation(false);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setFont(face(Size::Small));
    verticalHeader()->hide();
    setHorizontalHeader(new PlainHeader(this));
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

QString PlainTable::asText(int row) const {
    QStringList lines, cells;
    const auto line = [&](const auto& cell) {
        cells.clear();
        for (int c = 0; c < model()->columnCount(); ++c) cells << cell(c).toString().simplified();
        lines << cells.join(QLatin1Char('\t'));
    };
    if (row < 0) line([&](int c) { return model()->headerData(c, Qt::Horizontal, Qt::AccessibleTextRole); });
    for (int r = 0; r < model()->rowCount(); ++r)
        if (row < 0 || r == row) line([&](int c) { return model()->index(r, c).data(Qt::AccessibleTextRole); });
    return lines.join(QLatin1Char('\n'));
}

bool PlainTable::event(QEvent* e) {
    if (e->type() == QEvent::ShortcutOverride && currentIndex().isValid() &&
        static_cast<QKeyEvent*>(e)->matches(QKeySequence::Copy))
        e->accept();
    return QTableView::event(e);
}

void PlainTable::keyPressEvent(QKeyEvent* e) {
    if (e->matches(QKeySequence::Copy) && currentIndex().isValid())
        QGuiApplication::clipboard()->setText(asText(currentIndex().row()));
    else
        QTableView::keyPressEvent(e);
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
