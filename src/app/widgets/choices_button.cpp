// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/choices_button.h"

#include "app/theme/words.h"
#include <QMenu>
#include <algorithm>

namespace deft::ui {

ChoicesButton::ChoicesButton(const std::map<std::string, std::string>& choices, const QString& what,
                             const QString& none, QWidget* parent)
    : QPushButton(parent), what_(what), none_(none) {
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    setMenu(new QMenu(this));
    for (const auto& [id, name] : choices) {
        QAction* a = menu()->addAction(spoken(name));
        a->setData(QString::fromStdString(id));
        a->setCheckable(true);
        connect(a, &QAction::toggled, this, &ChoicesButton::showNames);
        connect(a, &QAction::triggered, this, &ChoicesButton::ticked);
    }
    showNames();
}

std::vector<std::string> ChoicesButton::chosen() const {
    std::vector<std::string> ids;
    for (const QAction* a : menu()->actions())
        if (a->isChecked()) ids.push_back(a->data().toString().toStdString());
    return ids;
}

void ChoicesButton::setChosen(const std::vector<std::string>& ids) {
    for (QAction* a : menu()->actions())
        a->setChecked(std::find(ids.begin(), ids.end(), a->data().toString().toStdString()) != ids.end());
}

void ChoicesButton::showNames() {
    QStringList names;
    for (const QAction* a : menu()->actions())
        if (a->isChecked()) names << a->text();
    const QString all = names.isEmpty() ? none_ : names.join(QStringLiteral(", "));
    setToolTip(all);
    setAccessibleName(QStringLiteral("%1: %2").arg(what_, all));
    shorten();
}

void ChoicesButton::shorten() {
    constexpr int kFrameAndArrow = 40; // px
    setText(fontMetrics().elidedText(toolTip(), Qt::ElideRight, std::max(0, width() - kFrameAndArrow)));
}

void ChoicesButton::resizeEvent(QResizeEvent* event) {
    QPushButton::resizeEvent(event);
    shorten();
}

QSize ChoicesButton::minimumSizeHint() const { return {64, QPushButton::sizeHint().height()}; }

} // namespace deft::ui

#include "moc_choices_button.cpp"
