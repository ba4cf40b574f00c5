// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/programme/programme_beside.h"

#include "app/theme/palette.h"
#include "app/theme/target_words.h"
#include "app/theme/words.h"
#include "programme/phases.h"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QLocale>
#include <QVBoxLayout>
#include <cmath>

namespace deft::ui {
namespace {

QString nameOf(const ProgrammeDesk& desk, const std::string& exercise) {
    const auto e = desk.library().catalogue()->exercise(exercise);
    return spoken(e ? e->name : exercise);
}

/// Version, dose and side of an item; a stroke where it is not in the programme.
QString wordsOf(const ProgrammeDesk& desk, const ProgrammeItem* item) {
    if (!item) return QStringLiteral("–");
    const auto e = desk.exercise(*item);
    if (!e) return QObject::tr("its file cannot be read");
    const int version = e->versionIndex(item->target.version);
    QString words = targetWords(*e, item->target);
    if (!item->target.firstSide.empty()) words += QObject::tr(", %1 first").arg(sideWords(item->target.firstSide));
    if (item->target.sets > 1) words += QObject::tr(", rest %1 s").arg(std::lround(item->rest_s));
    return version < 0 ? words : spoken(e->ladder[size_t(version)].name) + QLatin1Char('\n') + words;
}

QString daysOf(const Programme& p) {
    QStringList days;
    for (const auto day : p.days) days << coachLocale().dayName(int(day.iso_encoding()), QLocale::ShortFormat);
    return days.join(QStringLiteral(", "));
}

QString minutesOf(const ProgrammeDesk& desk, const Programme& p) {
    const int minutes = int(std::ceil(secondsOf(*desk.library().catalogue(), p) / 60));
    return QObject::tr("%1 of %2 min").arg(minutes).arg(p.minutes);
}

} // namespace

void BesideTable::compare(const QString& name, const Programme& before) {
    const Programme& now = desk_.programme();
    beginResetModel();
    name_ = name;
    rows_.clear();
    for (const ProgrammeItem& item : now.items)
        rows_.push_back(
            {nameOf(desk_, item.exercise), wordsOf(desk_, before.find(item.exercise)), wordsOf(desk_, &item)});
    for (const ProgrammeItem& item : before.items)
        if (!now.find(item.exercise))
            rows_.push_back({nameOf(desk_, item.exercise), wordsOf(desk_, &item), wordsOf(desk_, nullptr)});
    rows_.push_back({tr("Days"), daysOf(before), daysOf(now)});
    rows_.push_back({tr("A day"), minutesOf(desk_, before), minutesOf(desk_, now)});
    endResetModel();
    emit headerDataChanged(Qt::Horizontal, 0, kColumns - 1);
}

int BesideTable::differences() const {
    return int(std::count_if(rows_.begin(), rows_.end(), [](const Row& r) { return r.before != r.now; }));
}

QVariant BesideTable::data(const QModelIndex& index, int role) const {
    const Row& row = rows_[size_t(index.row())];
    const QString& cell = index.column() == What ? row.what : index.column() == Before ? row.before : row.now;
    const bool differs = row.before != row.now;
    switch (role) {
    case Qt::DisplayRole:
    case Qt::ToolTipRole:
        return cell;
    case Qt::AccessibleTextRole: {
        QString said =
            cell == QStringLiteral("–") ? tr("not in it") : QString(cell).replace('\n', QStringLiteral(", "));
        return index.column() == Now && differs ? tr("%1, changed").arg(said) : said;
    }
    case Qt::FontRole: // what differs is strong in the newer one
        return face(Size::Body,
                    index.column() == What || (index.column() == Now && differs) ? QFont::DemiBold : QFont::Normal);
    case Qt::ForegroundRole:
        return index.column() == Before ? colours().ink2 : colours().ink;
    case Qt::BackgroundRole:
        return differs ? QVariant(colours().zone) : QVariant();
    default:
        return {};
    }
}

QVariant BesideTable::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal || role != Qt::DisplayRole) return {};
    return section == What     ? tr("Exercise")
           : section == Before ? name_
                               : tr("On the desk, from %1").arg(dayWords(desk_.programme().from));
}

ProgrammeBeside::ProgrammeBeside(ProgrammeDesk& desk, QWidget* parent) : QWidget(parent), desk_(desk) {
    other_ = new QComboBox;
    other_->setAccessibleName(tr("Compare with"));
    other_->setMinimumWidth(240);
    told_ = new QLabel;
    auto* label = new QLabel(tr("Beside"));
    label->setBuddy(other_);
    auto* head = new QHBoxLayout;
    head->addWidget(label);
    head->addWidget(other_);
    head->addStretch(1);
    head->addWidget(told_);
    table_ = new BesideTable(desk, this);
    view_ = new QTableView;
    view_->setModel(table_);
    view_->setAccessibleName(tr("Two programmes side by side"));
    view_->setSelectionMode(QAbstractItemView::SingleSelection);
    view_->setSelectionBehavior(QAbstractItemView::SelectRows);
    view_->setShowGrid(false);
    view_->setFrameShape(QFrame::NoFrame);
    view_->setWordWrap(true);
    view_->setTabKeyNavigation(false);
    view_->verticalHeader()->hide();
    view_->verticalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
    view_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    view_->setStyleSheet(QStringLiteral("QTableView { background: transparent; } QTableView::item { padding: 6px; }"
                                        "QHeaderView::section { background: transparent; border: 0; padding: 6px; }"));
    view_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    view_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(8);
    column->addLayout(head);
    column->addWidget(view_, 1);
    setFocusProxy(view_);
    connect(other_, &QComboBox::activated, this, &ProgrammeBeside::compareWith);
    connect(&desk, &ProgrammeDesk::changed, this, [this] {
        if (isVisible()) refresh();
    });
}

void ProgrammeBeside::refresh() {
    const QString before = other_->currentText();
    other_->clear();
    others_.clear();
    for (auto given = desk_.given().rbegin(); given != desk_.given().rend(); ++given) {
        others_.push_back(given->programme);
        other_->addItem(tr("given, from %1").arg(dayWords(given->programme.from)));
    }
    for (const std::string& name : desk_.library().templates())
        if (auto kept = desk_.library().programmeTemplate(name)) {
            others_.push_back(std::move(*kept));
            other_->addItem(tr("template %1").arg(QString::fromStdString(name)));
        }
    other_->setEnabled(!others_.empty());
    if (others_.empty()) other_->addItem(tr("nothing was given yet, and there is no template"));
    compareWith(std::max(0, other_->findText(before)));
}

void ProgrammeBeside::compareWith(int index) {
    other_->setCurrentIndex(index);
    table_->compare(other_->currentText(), size_t(index) < others_.size() ? others_[size_t(index)] : Programme());
    const int different = table_->differences();
    told_->setText(others_.empty()  ? QString()
                   : different == 0 ? tr("the same")
                                    : counted(different, tr("difference"), tr("differences")));
}

} // namespace deft::ui

#include "moc_programme_beside.cpp"
