// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/guide.h"

#include "app/theme/palette.h"
#include "app/theme/words.h"

#include <QBoxLayout>
#include <QDir>
#include <QFile>
#include <QListWidget>
#include <QPointer>
#include <QRegularExpression>
#include <QTextBrowser>
#include <QTextDocument>
#include <QUrl>

namespace deft::ui {
namespace {

/// A page of the guide; its pictures are as wide as the page.
class GuidePage : public QTextBrowser {
    void resizeEvent(QResizeEvent* event) override {
        QTextBrowser::resizeEvent(event);
        if (!text_.isEmpty()) show(text_);
    }
    QString text_;

public:
    void show(const QString& markdown) {
        text_ = markdown;
        auto* page = new QTextDocument(this); // read before it is laid out, which loads pictures
        page->setDefaultFont(font());
        page->setDocumentMargin(16);
        page->setMarkdown(markdown);
        static const QRegularExpression pictures(QStringLiteral("!\\[[^]]*\\]\\(([^)]+)\\)"));
        for (const auto& match : pictures.globalMatch(markdown)) {
            const QUrl name(match.captured(1));
            QPixmap picture(QStringLiteral(":/screenshots/") + name.fileName());
            const int width = std::max(200, viewport()->width() - 2 * int(page->documentMargin()));
            picture = picture.scaledToWidth(int(width * devicePixelRatioF()), Qt::SmoothTransformation);
            picture.setDevicePixelRatio(devicePixelRatioF());
            page->addResource(QTextDocument::ImageResource, name, picture);
        }
        const QPointer<QTextDocument> before = document();
        setDocument(page); // takes its own first one away
        delete before;
    }
};

} // namespace

Guide::Guide(QWidget* parent) : QDialog(parent) {
    setWindowTitle(tr("Guide"));
    setAttribute(Qt::WA_DeleteOnClose);
    resize(940, 640);
    contents_ = new QListWidget;
    contents_->setFrameShape(QFrame::NoFrame);
    contents_->setAccessibleName(tr("Pages of the guide"));
    auto* page = new GuidePage;
    page_ = page;
    page_->setFrameShape(QFrame::NoFrame);
    page_->setVerticalScrollBarPolicy(
        Qt::ScrollBarAlwaysOn); // else it comes, and with it a new width, while a page is read
    QDir pages(QStringLiteral(":/guide"));
    pages.cd(QString::fromStdString(coachLanguage())); // English stands above
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
    connect(contents_, &QListWidget::currentItemChanged, this, [page](QListWidgetItem* item) {
        if (!item) return;
        page->setAccessibleName(item->text());
        page->show(item->data(Qt::UserRole).toString());
    });
    contents_->setCurrentRow(0);
}

} // namespace deft::ui

#include "moc_guide.cpp"
