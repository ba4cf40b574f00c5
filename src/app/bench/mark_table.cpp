// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/mark_table.h"

#include "app/theme/words.h"
#include "marks/names.h"

#include <cmath>

namespace deft::ui {
namespace {

QString sourceWords(MarkSource source) {
    switch (source) {
    case MarkSource::Keypoint:
        return MarkTable::tr("body");
    case MarkSource::Layout:
        return MarkTable::tr("layout");
    case MarkSource::LastTime:
        return MarkTable::tr("last time");
    case MarkSource::Sticker:
        return MarkTable::tr("sticker");
    }
    return {};
}

} // namespace

MarkTable::MarkTable(ReviewSession& session, StagePicture& stage, QObject* parent)
    : QAbstractTableModel(parent), session_(session), stage_(stage) {
    for (auto signal : {&ReviewSession::opened, &ReviewSession::reviewChanged, &ReviewSession::marksChanged})
        connect(&session, signal, this, &MarkTable::refresh);
    connect(&session.offered(), &OfferedMarks::changed, this, &MarkTable::refresh);
    connect(&session.place(), &Place::changed, this, &MarkTable::refresh);
    connect(&stage, &StagePicture::stateChanged, this, &MarkTable::refresh);
}

void MarkTable::refresh() {
    std::vector<Row> rows;
    if (session_.isOpen()) {
        const Exercise& e = session_.exercise();
        std::vector<std::string> names = e.landmarksNeeded;
        for (const auto& [name, why] : e.landmarksOptional) names.push_back(name);
        const auto placed = session_.inputs().marks.landmarks();
        const auto ghosts = stage_.ghosts();
        for (const std::string& name : names) {
            const QString id = QString::fromStdString(name);
            Row row{id, {}, spoken(landmarkWords(name)), {}};
            if (std::binary_search(placed.begin(), placed.end(), name)) {
                row.sign = QStringLiteral("●"), row.state = tr("placed");
            } else if (const auto ghost = ghosts.find(id); ghost != ghosts.end()) {
                row.sign = QStringLiteral("+");
                row.state =
                    tr("%1, ± %2 px")
                        .arg(sourceWords(ghost->second.from), QString::number(std::ceil(1.96 * ghost->second.sd)));
            } else if (stage_.toPlace().contains(id)) {
                const bool needed =
                    std::find(e.landmarksNeeded.begin(), e.landmarksNeeded.end(), name) != e.landmarksNeeded.end();
                row.sign = QStringLiteral("○"), row.state = needed ? tr("to place") : tr("if seen");
            } else {
                row.sign = QStringLiteral("–"), row.state = tr("not visible");
            }
            rows.push_back(std::move(row));
        }
    }
    const bool same = std::equal(rows.begin(), rows.end(), rows_.begin(), rows_.end(),
                                 [](const Row& a, const Row& b) { return a.landmark == b.landmark; });
    if (!same) beginResetModel();
    rows_ = std::move(rows);
    if (!same)
        endResetModel();
    else if (!rows_.empty())
        emit dataChanged(index(0, 0), index(int(rows_.size()) - 1, kColumns - 1));
}

int MarkTable::rowOf(const QString& landmark) const {
    for (size_t i = 0; i < rows_.size(); ++i)
        if (rows_[i].landmark == landmark) return int(i);
    return -1;
}

QVariant MarkTable::data(const QModelIndex& index, int role) const {
    const Row& row = rows_[size_t(index.row())];
    if (role == Qt::DisplayRole)
        return index.column() == Sign ? row.sign : index.column() == Name ? row.name : row.state;
    // The sign alone says nothing to somebody who hears it.
    if (role == Qt::AccessibleTextRole) return index.column() == Name ? row.name : row.state;
    if (role == Qt::TextAlignmentRole && index.column() == State) return int(Qt::AlignRight | Qt::AlignVCenter);
    if (role == Qt::ToolTipRole) return tr("%1: %2").arg(row.name, row.state);
    return {};
}

QVariant MarkTable::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal || role != Qt::DisplayRole) return {};
    return section == Sign ? tr("Sign") : section == Name ? tr("Landmark") : tr("State");
}

} // namespace deft::ui

#include "moc_mark_table.cpp"
