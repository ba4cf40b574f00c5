// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/guide.h"

#include "app/theme/palette.h"

#include <QBoxLayout>
#include <QDir>
#include <QFile>
#include <QListWidget>
#include <QTextBrowser>

namespace deft::ui {

Guide::Guide(QWidget* parent) : QDialog(parent) {
    setWindowTitle(tr("Guide"));
    setAttribute(Qt::WA_DeleteOnClose);
    resize(860, 560);
    contents_ = new QListWidget;
    contents_->setFrameShape(QFrame::NoFrame);
    contents_->setAccessibleName(tr("Pages of the guide"));
    page_ = new QTextBrowser;
    page_->setFrameShape(QFrame::NoFrame);
    page_->document()->setDocumentMargin(16);
    const QDir pages(QStringLiteral(":/guide"));
    QStringList names = pages.entryList({QStringLiteral("*.md")}, QDir::Files);
    const auto number = [](const QString& name) { return name.section(QLatin1Char('-'), 0, 0).toInt(); };
    std::sort(names.begin(), names.end(), [&](const QString& a, const QString& b) { return number(a) < number(b); });
    for (const QString& name : names) {
        QFile file(pages.filePath(name));
        if (!file.open(QIODevice::ReadOnly)) continue;
        const QString text = QString::fromUtf8(file.readAll());
        auto* entry = new QListWidgetItem(text.section(QLatin1Char('\n'), 0, 0).mid(2), contents_);
        entry->setData(Qt::UserRole, text);
    }
    contents_->setFixedWidth(contents_->sizeHintForColumn(0) + 16);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(16, 16, 16, 16);
    row->setSpacing(16);
    row->addWidget(contents_);
    row->addWidget(page_, 1);
    connect(contents_, &QListWidget::currentItemChanged, this, [this](QListWidgetItem* item) {
        if (item) page_->setMarkdown(item->data(Qt::UserRole).toString());
    });
    contents_->setCurrentRow(0);
}

} // namespace deft::ui
