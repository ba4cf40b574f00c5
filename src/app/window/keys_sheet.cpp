#include "app/window/keys_sheet.h"

#include "app/theme/palette.h"

#include <QHBoxLayout>
#include <QLabel>

namespace deft::ui {

KeysSheet::KeysSheet(const std::vector<std::pair<QString, QList<QAction*>>>& groups, QWidget* parent)
    : QDialog(parent) {
    setWindowTitle(tr("All keys"));
    setAttribute(Qt::WA_DeleteOnClose);
    auto* row = new QHBoxLayout(this);
    row->setSpacing(32);
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
        if (lines + count > 26) {
            column = new QVBoxLayout;
            column->setAlignment(Qt::AlignTop);
            row->addLayout(column);
            lines = 0;
        }
        auto* label =
            new QLabel(QStringLiteral("<p style='margin-bottom:4px'><b>%1</b></p><table cellspacing='0'>%2</table>")
                           .arg(title.toHtmlEscaped(), rows));
        label->setFont(face(Size::Small));
        column->addWidget(label);
        lines += count;
    }
}

} // namespace deft::ui
