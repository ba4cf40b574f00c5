// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/intake_button.h"

#include <QMenu>
#include <algorithm>

namespace deft::ui {

IntakeButton::IntakeButton(const SafetyRules& rules, QWidget* parent) : QPushButton(parent) {
    setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    setMenu(new QMenu(this));
    for (const auto& [id, flag] : rules.flags) {
        QAction* a = menu()->addAction(QString::fromStdString(flag.name));
        a->setData(QString::fromStdString(id));
        a->setCheckable(true);
        connect(a, &QAction::toggled, this, &IntakeButton::showNames);
    }
    showNames();
}

std::vector<std::string> IntakeButton::flags() const {
    std::vector<std::string> flags;
    for (const QAction* a : menu()->actions())
        if (a->isChecked()) flags.push_back(a->data().toString().toStdString());
    return flags;
}

void IntakeButton::setFlags(const std::vector<std::string>& flags) {
    for (QAction* a : menu()->actions())
        a->setChecked(std::find(flags.begin(), flags.end(), a->data().toString().toStdString()) != flags.end());
}

void IntakeButton::setKnown(const std::vector<std::string>& flags) {
    setFlags(flags);
    for (QAction* a : menu()->actions()) a->setEnabled(!a->isChecked());
}

void IntakeButton::showNames() {
    QStringList names;
    for (const QAction* a : menu()->actions())
        if (a->isChecked()) names << a->text();
    setText(names.isEmpty() ? tr("nothing that holds an exercise back") : names.join(QStringLiteral(", ")));
    setAccessibleName(tr("Intake: %1").arg(text()));
}

} // namespace deft::ui
