// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/intake_button.h"

#include <QMenu>

namespace deft::ui {
namespace {

std::map<std::string, std::string> namesOf(const SafetyRules& rules) {
    std::map<std::string, std::string> names;
    for (const auto& [id, flag] : rules.flags) names[id] = flag.name;
    return names;
}

} // namespace

IntakeButton::IntakeButton(const SafetyRules& rules, QWidget* parent)
    : ChoicesButton(namesOf(rules), tr("Intake"), tr("nothing that holds an exercise back"), parent) {}

void IntakeButton::setKnown(const std::vector<std::string>& flags) {
    setFlags(flags);
    for (QAction* a : menu()->actions()) a->setEnabled(!a->isChecked());
}

} // namespace deft::ui

#include "moc_intake_button.cpp"
