// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/keys_sheet.h"

#include "app/theme/palette.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QScrollArea>

namespace deft::ui {

namespace {
constexpr int kColumns = 3, kWidth = 360;
} // namespace

KeysSheet::KeysSheet(const std::vector<std::pair<QString, QList<QAction*>>>& groups, QWidget* parent)
    : QDialog(parent) {
    setWindowTitle(tr("All keys"));
    setAttribute(Qt::WA_DeleteOnClose);
    // Three columns that fit the smallest screen; what is longer scrolls.
    resize(QSize(1180, 700).boundedTo(parent ? parent->window()->size() : QSize(1024, 700)));
    auto* sheet = new QWidget;
    auto* row = new QHBoxLayout(sheet);
    row->setSpacing(24);
    auto* scroll = new QScrollArea;
    scroll->setAccessibleName(windowTitle());
    scroll->setWidget(sheet);
    scroll->setWidgetResizable(true);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    auto* whole = new QVBoxLayout(this);
    whole->setContentsMargins(0, 0, 0, 0);
    whole->addWidget(scroll);
    qsizetype all = 0;
    for (const auto& [title, actions] : groups) all += actions.size() + 2;
    const int most = int(all) / kColumns + 2;
    QVBoxLayout* column = nullptr;
    int lines = 1000;
    for (const auto& [title, actions] : groups) {
        QString rows;
        int count = 2;
        for (const QAction* a : actions) {
            QStringList keys;
            for (const QKeySequence& k : a->shortcuts())
                if (const QString text = k.toString(QKeySequence::NativeText); !keys.contains(text)) keys << text;
            if (keys.isEmpty()) continue;
            rows += QStringLiteral("<tr><td style='padding:1px 14px 1px 0'><b>%1</b></td><td>%2</td></tr>")
                        .arg(keys.join(QStringLiteral(", ")).toHtmlEscaped(),
                             a->text().remove(QLatin1Char('&')).toHtmlEscaped());
            ++count;
        }
        if (rows.isEmpty()) continue;
        if (lines > most - count / 2) {
            column = new QVBoxLayout;
            column->setAlignment(Qt::AlignTop);
            row->addLayout(column);
            lines = 0;
        }
        auto* label =
            new QLabel(QStringLiteral("<p style='margin-bottom:4px'><b>%1</b></p><table cellspacing='0'>%2</table>")
                           .arg(title.toHtmlEscaped(), rows));
        label->setFont(face(Size::Small));
        label->setWordWrap(true);
        label->setFixedWidth(kWidth);
        column->addWidget(label);
        lines += count;
    }
}

} // namespace deft::ui

#include "moc_keys_sheet.cpp"
