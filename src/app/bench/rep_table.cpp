// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/rep_table.h"

#include "app/theme/hard_words.h"
#include "app/theme/words.h"

namespace deft::ui {

void RepTable::setRows(std::vector<RepRow> rows) {
    beginResetModel();
    rows_ = std::move(rows);
    endResetModel();
}

QVariant RepTable::data(const QModelIndex& index, int role) const {
    const RepCell& cell = rows_[size_t(index.row())].cells[size_t(index.column())];
    if (role == Qt::AccessibleDescriptionRole)
        return cell.number == QObject::tr("cannot tell") ? explained(HardWord::CannotTell) : QVariant();
    if (role == Qt::ToolTipRole)
        return tr("%1 at %2 s")
            .arg(spoken(measureName(cell.measure)))
            .arg(coachLocale().toString(session_.clip().time_s[size_t(cell.frame)], 'f', 2));
    if (role != Qt::DisplayRole) return {};
    QStringList words{cell.number, cell.beside, cell.under};
    if (cell.edge == Verdict::Out) words << tr("out of tolerance");
    words.removeAll(QString());
    return words.join(QLatin1Char(' '));
}

QVariant RepTable::headerData(int section, Qt::Orientation orientation, int role) const {
    if (role != Qt::DisplayRole) return {};
    if (orientation == Qt::Vertical) return tr("Rep %1").arg(section + 1);
    return session_.isOpen() ? QVariant(repColumns(session_.exercise())[size_t(section)].first) : QVariant();
}

} // namespace deft::ui

#include "moc_rep_table.cpp"
