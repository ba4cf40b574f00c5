// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/queue/mail_list.h"

#include "app/theme/words.h"

#include <QHeaderView>

namespace deft::ui {
namespace {

constexpr int kNewest = 100;

QString dayOf(const std::string& time) { return time.empty() ? QString() : dayWords(time.substr(0, 10)); }

} // namespace

void MailTable::refresh() {
    beginResetModel();
    letters_ = library_.letters(kNewest);
    endResetModel();
}

QVariant MailTable::data(const QModelIndex& index, int role) const {
    if (role != Qt::DisplayRole && role != Qt::AccessibleTextRole && role != Qt::ToolTipRole) return {};
    const MadeLetter& l = letter(index.row());
    if (role == Qt::ToolTipRole) return QString::fromStdString(l.mail.file.string());
    switch (index.column()) {
    case To:
        return QString::fromStdString(l.client);
    case About: {
        QStringList names;
        const CataloguePtr catalogue = library_.catalogue();
        for (const std::string& id : l.exercises) {
            const auto e = catalogue->exercise(id);
            names << spoken(e ? e->name : id);
        }
        return names.join(QStringLiteral("; "));
    }
    case Made:
        return dayOf(l.mail.made);
    default:
        return l.mail.sent.empty() ? tr("not yet") : dayOf(l.mail.sent);
    }
}

QVariant MailTable::headerData(int section, Qt::Orientation orientation, int role) const {
    if (orientation != Qt::Horizontal || role != Qt::DisplayRole) return {};
    const QString names[] = {tr("To"), tr("About"), tr("Made"), tr("Sent")};
    return names[section];
}

MailList::MailList(Library& library, QWidget* parent) : QTableView(parent), library_(library) {
    table_ = new MailTable(library, this);
    setModel(table_);
    setAccessibleName(tr("Mails made and sent"));
    setSelectionBehavior(SelectRows);
    setSelectionMode(SingleSelection);
    setShowGrid(false);
    setWordWrap(false);
    verticalHeader()->hide();
    horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
    horizontalHeader()->setSectionResizeMode(MailTable::About, QHeaderView::Stretch);
}

void MailList::refresh() {
    const int row = std::max(0, currentIndex().row());
    table_->refresh();
    if (table_->rowCount() > 0) setCurrentIndex(table_->index(std::min(row, table_->rowCount() - 1), 0));
}

const MadeLetter* MailList::chosen() const {
    const int row = currentIndex().row();
    return row >= 0 && row < table_->rowCount() ? &table_->letter(row) : nullptr;
}

void MailList::toggleSent() {
    const MadeLetter* l = chosen();
    if (!l) return;
    if (const auto ok = library_.setMailSent(l->review, l->mail.sent.empty()); !ok)
        emit said(tr("Not changed: %1.").arg(ui::said(ok.error())));
    refresh();
}

} // namespace deft::ui

#include "moc_mail_list.cpp"
