// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/programme/programme_table.h"

#include "app/paint/strokes.h"
#include "app/theme/palette.h"
#include "app/theme/target_words.h"
#include "app/theme/words.h"
#include "programme/phases.h"

#include <QDropEvent>
#include <QHeaderView>
#include <QKeyEvent>
#include <QPainter>
#include <cmath>

namespace deft::ui {
namespace {

constexpr int kRow = 54;

/// The first line strong, the second small.
class TwoLines : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* p, const QStyleOptionViewItem& option, const QModelIndex& index) const override {
        const Palette& c = colours();
        p->save();
        const bool chosen = option.state & QStyle::State_Selected;
        if (chosen) p->fillRect(option.rect, c.soft);
        p->fillRect(QRect(option.rect.left(), option.rect.bottom(), option.rect.width(), 1), c.hairline);
        const QStringList lines = index.data().toString().split(QLatin1Char('\n'));
        const bool number = index.column() == ProgrammeTable::Number,
                   minutes = index.column() == ProgrammeTable::Minutes;
        const QRectF box = QRectF(option.rect).adjusted(number ? 8 : 6, 0, -6, 0);
        const Qt::Alignment side = minutes ? Qt::AlignRight : Qt::AlignLeft;
        if (lines.size() < 2) {
            putText(*p, box, lines.value(0), number ? Size::Large : Size::Body, number || !minutes ? c.ink : c.ink2,
                    minutes ? QFont::Normal : QFont::DemiBold, side | Qt::AlignVCenter);
        } else {
            putText(*p, box.adjusted(0, 8, 0, -kRow / 2 + 2), lines[0], Size::Body, c.ink, QFont::DemiBold,
                    side | Qt::AlignVCenter);
            putText(*p, box.adjusted(0, kRow / 2 - 1, 0, -6), lines[1], Size::Small, c.ink2, QFont::Normal,
                    side | Qt::AlignVCenter);
        }
        if (option.state & QStyle::State_HasFocus && number)
            p->fillRect(QRect(option.rect.left(), option.rect.top(), 3, kRow), c.accent);
        p->restore();
    }
    QSize sizeHint(const QStyleOptionViewItem&, const QModelIndex&) const override { return {80, kRow}; }
};

} // namespace

ProgrammeTable::ProgrammeTable(ProgrammeDesk& desk, QObject* parent) : QAbstractTableModel(parent), desk_(desk) {
    connect(&desk, &ProgrammeDesk::changed, this, &ProgrammeTable::refresh);
}

void ProgrammeTable::refresh() {
    std::vector<Row> rows;
    for (const ProgrammeItem& item : desk_.programme().items) {
        const auto e = desk_.exercise(item);
        Row row;
        row.why = item.because.empty() ? QString() : said(item.because.front());
        if (!e) {
            row.what = QString::fromStdString(item.exercise), row.why = tr("its file cannot be read");
        } else {
            row.what = nameWords(*e, item.target.version);
            row.dose = targetWords(*e, item.target);
            if (e->eachSide)
                row.dose += item.target.firstSide.empty()
                                ? tr(" a side")
                                : tr(" a side, %1 first").arg(sideWords(item.target.firstSide));
            row.rest = item.target.sets > 1 ? tr("rest %1 s").arg(std::lround(item.rest_s)) : QString();
            if (item.target.daysPerWeek < int(desk_.programme().days.size()))
                row.rest += (row.rest.isEmpty() ? QString() : QStringLiteral(", ")) +
                            tr("%1 days a week").arg(item.target.daysPerWeek);
            row.minutes = tr("%1 min").arg(int(std::ceil(secondsOf(*e, item) / 60)));
        }
        rows.push_back(std::move(row));
    }
    beginResetModel();
    rows_ = std::move(rows);
    endResetModel();
}

QVariant ProgrammeTable::data(const QModelIndex& index, int role) const {
    const Row& row = rows_[size_t(index.row())];
    if (role != Qt::DisplayRole && role != Qt::AccessibleTextRole && role != Qt::ToolTipRole) return {};
    const auto both = [&](const QString& first, const QString& second) {
        return second.isEmpty()
                   ? first
                   : first + (role == Qt::DisplayRole ? QStringLiteral("\n") : QStringLiteral(", ")) + second;
    };
    switch (index.column()) {
    case Number:
        return QString::number(index.row() + 1);
    case What:
        return both(row.what, row.why);
    case Dose:
        return both(row.dose, row.rest);
    default:
        return row.minutes;
    }
}

/// Rows are dragged to another place; what is dropped stands between or on rows alike.
Qt::ItemFlags ProgrammeTable::flags(const QModelIndex& index) const {
    return QAbstractTableModel::flags(index) | Qt::ItemIsDragEnabled | Qt::ItemIsDropEnabled;
}

QVariant ProgrammeTable::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal || role != Qt::DisplayRole) return {};
    const QString names[] = {tr("Place"), tr("Exercise, and why"), tr("Dose"), tr("Minutes")};
    return names[section];
}

ProgrammeView::ProgrammeView(ProgrammeDesk& desk, QWidget* parent) : QTableView(parent), desk_(desk) {
    setModel(new ProgrammeTable(desk, this));
    setItemDelegate(new TwoLines(this));
    setAccessibleName(tr("Each day, in this order"));
    setSelectionBehavior(SelectRows);
    setSelectionMode(SingleSelection);
    setShowGrid(false);
    setFrameShape(NoFrame);
    setStyleSheet(QStringLiteral("QTableView { background: transparent; }"));
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setTabKeyNavigation(false);
    setDragDropMode(InternalMove);
    setDragDropOverwriteMode(false);
    horizontalHeader()->hide();
    verticalHeader()->hide();
    verticalHeader()->setDefaultSectionSize(kRow);
    horizontalHeader()->setSectionResizeMode(ProgrammeTable::What, QHeaderView::Stretch);
    setColumnWidth(ProgrammeTable::Number, 36);
    setColumnWidth(ProgrammeTable::Dose, 172);
    setColumnWidth(ProgrammeTable::Minutes, 60);
    connect(&desk, &ProgrammeDesk::changed, this, [this] {
        if (desk_.chosen() >= 0) setCurrentIndex(model()->index(desk_.chosen(), ProgrammeTable::What));
    });
    connect(selectionModel(), &QItemSelectionModel::currentRowChanged, this, [this](const QModelIndex& now) {
        if (now.isValid()) desk_.choose(now.row());
    });
}

void ProgrammeView::dropEvent(QDropEvent* event) {
    const QModelIndex at = indexAt(event->position().toPoint());
    event->setDropAction(Qt::CopyAction); // the desk moves it; the view has nothing to take away
    event->accept();
    desk_.moveTo(at.isValid() ? at.row() : model()->rowCount() - 1);
}

/// Keys that are the room's own stay the room's.
void ProgrammeView::keyPressEvent(QKeyEvent* event) {
    if (event->key() == Qt::Key_Up || event->key() == Qt::Key_Down || event->key() == Qt::Key_Home ||
        event->key() == Qt::Key_End)
        QTableView::keyPressEvent(event);
    else
        event->ignore();
}

} // namespace deft::ui

#include "moc_programme_table.cpp"
