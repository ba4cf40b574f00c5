// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/readings_table.h"

#include "app/theme/hard_words.h"
#include "app/theme/palette.h"
#include "app/theme/words.h"
#include "readings/compare.h"

namespace deft::ui {
namespace {

QString verdictWords(Verdict v) {
    return v == Verdict::In    ? ReadingsTable::tr("in tolerance")
           : v == Verdict::Out ? ReadingsTable::tr("out of tolerance")
                               : ReadingsTable::tr("cannot tell whether in tolerance");
}

QString withUnit(double v, const ReadingRow& row) { return reading(v, row.unit, row.decimals, row.sign); }

QString repWords(int rep) { return rep < 0 ? QString() : QString::number(rep + 1); }

} // namespace

ReadingsTable::ReadingsTable(ReviewSession& session, QObject* parent) : QAbstractTableModel(parent), session_(session) {
    for (auto signal : {&ReviewSession::opened, &ReviewSession::reviewChanged})
        connect(&session, signal, this, &ReadingsTable::refresh);
}

void ReadingsTable::refresh() {
    beginResetModel();
    rows_.clear();
    if (session_.review()) rows_ = readingRows(*session_.review());
    endResetModel();
}

const Reading* ReadingsTable::last(const ReadingRow& row) const {
    return session_.earlier().empty() ? nullptr : session_.earlier().back().find(row.measure, row.stat);
}

int ReadingsTable::rowOf(const Moment& m) const {
    for (size_t i = rows_.size(); i-- > 0;)
        if (m.measure == rows_[i].measure && (m.phase == Phase::SetUp) == (rows_[i].stat == "set-up")) return int(i);
    return -1;
}

bool ReadingsTable::isRealSince(const ReadingRow& row) const {
    const Reading* past = last(row);
    return past && isRealChange(past->value, past->u95, row.value, changeU95(row.u95, row.slideU95));
}

QString ReadingsTable::text(const ReadingRow& row, int column) const {
    if (column == Name) {
        const QString name = said(row.name);
        return name.left(1).toUpper() + name.mid(1);
    }
    if (!row.why.empty()) return column == Worst ? said(row.why) : QString();
    switch (column) {
    case Worst:
        return withUnit(row.value, row);
    case Band:
        return QStringLiteral("± ") + band(row.u95);
    case Last:
        // A change that both bands can explain is told in the lighter weight and with "≈".
        if (const Reading* past = last(row))
            return (isRealSince(row) ? QString() : QStringLiteral("≈ ")) + withUnit(past->value, row);
        return {};
    case BestRep:
        return repWords(row.bestRep);
    case WorstRep:
        return repWords(row.worstRep);
    default:
        return {};
    }
}

QVariant ReadingsTable::data(const QModelIndex& index, int role) const {
    const ReadingRow& row = rows_[size_t(index.row())];
    const int column = index.column();
    const bool toRep = column == BestRep || column == WorstRep;
    if (role == Qt::DisplayRole) return text(row, column);
    // The bar is seen; what it tells is heard.
    if (role == Qt::AccessibleTextRole && column == Tolerance)
        return row.why.empty() && row.limit.isSet() ? verdictWords(row.verdict) : QString();
    if (role == Qt::AccessibleTextRole) return text(row, column);
    if (role == Qt::TextAlignmentRole)
        return int((toRep || column == Last || (column == Worst && row.why.empty()) ? Qt::AlignRight : Qt::AlignLeft) |
                   Qt::AlignVCenter);
    if (role == Qt::ForegroundRole)
        return toRep ? colours().accent
               : (!row.why.empty() && column != Name) || column == Band || (column == Last && !isRealSince(row))
                   ? colours().ink2
                   : colours().ink;
    if (role == Qt::FontRole)
        return column == Worst && row.why.empty() ? face(Size::Body, QFont::DemiBold)
               : column == Last && isRealSince(row)
                   ? face(Size::Small, QFont::DemiBold)
                   : face(Size::Small, column == Name || toRep ? QFont::Medium : QFont::Normal);
    if (role == Qt::ToolTipRole || role == Qt::AccessibleDescriptionRole) {
        if (column == Band && row.why.empty()) return explained(HardWord::Band);
        if (row.measure == "control_range") return explained(HardWord::ControlRange);
        if (column == Tolerance && row.limit.isSet() && row.verdict == Verdict::CannotTell)
            return explained(HardWord::CannotTell);
    }
    if (role == Qt::ToolTipRole && toRep && !text(row, column).isEmpty())
        return column == BestRep ? tr("best in rep %1; press to go there").arg(row.bestRep + 1)
                                 : tr("worst in rep %1; press to go there").arg(row.worstRep + 1);
    return {};
}

QVariant ReadingsTable::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal) return {};
    if ((role == Qt::ToolTipRole || role == Qt::AccessibleDescriptionRole) && section == Band)
        return explained(HardWord::Band);
    if (role == Qt::TextAlignmentRole)
        return int((section == Worst || section >= Last ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter);
    if (role == Qt::AccessibleTextRole && section >= BestRep)
        return section == BestRep ? tr("best rep") : tr("worst rep");
    if (role == Qt::AccessibleTextRole && section == Name) return tr("reading");
    if (role != Qt::DisplayRole && role != Qt::AccessibleTextRole) return {};
    switch (section) {
    case Worst:
        return tr("worst");
    case Band:
        return tr("± 95 %");
    case Tolerance:
        return tr("tolerance");
    case Last:
        return session_.earlier().empty() ? QString() : tr("last time");
    case WorstRep:
        return tr("reps");
    default:
        return {};
    }
}

} // namespace deft::ui

#include "moc_readings_table.cpp"
