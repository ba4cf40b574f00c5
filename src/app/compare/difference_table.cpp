// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/compare/difference_table.h"

#include "app/theme/words.h"
#include "app/widgets/plain_table.h"

#include <QHeaderView>
#include <cmath>

namespace deft::ui {
namespace {

constexpr int kRow = 22, kName = 256, kNumber = 136, kWords = 200;

QString number(const ReadingRow& row) {
    if (!row.why.empty()) return DifferenceTable::tr("cannot tell");
    return DifferenceTable::tr("%1 ± %2").arg(reading(row.value, row.unit, row.decimals, row.sign), band(row.u95));
}

} // namespace

DifferenceTable::DifferenceTable(Comparison& comparison, QObject* parent)
    : QAbstractTableModel(parent), comparison_(comparison) {
    connect(&comparison, &Comparison::changed, this, [this] {
        beginResetModel();
        endResetModel();
    });
}

QString DifferenceTable::verdict(const Difference& d) {
    switch (d.verdict) {
    case Difference::Verdict::CannotTell:
        return tr("cannot tell");
    case Difference::Verdict::WithinBand:
        return tr("no real difference");
    case Difference::Verdict::WithinReps:
        return tr("reps differ as much");
    case Difference::Verdict::Real:
        break;
    }
    return !d.better ? tr("really different") : *d.better ? tr("really better") : tr("really worse");
}

int DifferenceTable::rowCount(const QModelIndex& parent) const {
    return parent.isValid() || !comparison_.side(0) ? 0 : int(comparison_.table().size());
}

QVariant DifferenceTable::data(const QModelIndex& index, int role) const {
    const Difference& d = comparison_.table()[size_t(index.row())];
    const bool real = d.verdict == Difference::Verdict::Real;
    if (role == Qt::ForegroundRole) return real ? colours().ink : colours().ink2;
    if (role == Qt::FontRole) return face(Size::Small, real ? QFont::DemiBold : QFont::Normal);
    if (role == Qt::TextAlignmentRole)
        return int((index.column() == Name || index.column() == Words ? Qt::AlignLeft : Qt::AlignRight) |
                   Qt::AlignVCenter);
    if (role != Qt::DisplayRole) return {};
    switch (index.column()) {
    case Name: {
        const QString name = said(d.a.name);
        return name.left(1).toUpper() + name.mid(1);
    }
    case First:
        return number(d.a);
    case Second:
        return number(d.b);
    case Change:
        return std::isfinite(d.change) ? tr("%1 ± %2").arg(reading(d.change, d.a.unit, d.a.decimals, true), band(d.u95))
                                       : QStringLiteral("–");
    default:
        return QString(4, QChar(QChar::Nbsp)) + verdict(d); // away from the number on its left
    }
}

QVariant DifferenceTable::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal) return {};
    if (role == Qt::TextAlignmentRole) return int(Qt::AlignRight | Qt::AlignVCenter);
    if (role == Qt::AccessibleTextRole && section == Name) return tr("reading");
    if (role == Qt::AccessibleTextRole && section == Words) return tr("is it real");
    if (role != Qt::DisplayRole && role != Qt::AccessibleTextRole) return {};
    if (section == Change) return tr("difference");
    const Comparison::Side* side = section == First    ? comparison_.side(0)
                                   : section == Second ? comparison_.side(1)
                                                       : nullptr;
    return side ? side->title.section(QLatin1Char(','), 0, 0) : QString();
}

DifferencePanel::DifferencePanel(Comparison& comparison, QWidget* parent) : Panel(tr("What differs"), parent) {
    setAside(tr("real = outside the band in which change is only noise, and more than reps differ"));
    table_ = new DifferenceTable(comparison, this);
    view_ = new PlainTable(table_, tr("What differs"), this);
    view_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    view_->horizontalHeader()->setFixedHeight(kRow);
    view_->verticalHeader()->setDefaultSectionSize(kRow);
    setFocusProxy(view_);
    const auto grow = [this] { setFixedHeight(kHead + kRow * (table_->rowCount() + 1) + 4); };
    connect(table_, &QAbstractItemModel::modelReset, this, grow);
    grow();
}

void DifferencePanel::resizeEvent(QResizeEvent*) {
    view_->setGeometry(body());
    view_->setColumnWidths({std::min(kName, body().width() - kWords - 3 * kNumber), kNumber, kNumber, kNumber, 0});
}

} // namespace deft::ui

#include "moc_difference_table.cpp"
