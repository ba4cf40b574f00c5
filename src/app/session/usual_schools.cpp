// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/usual_schools.h"

#include <QSettings>

namespace deft::ui {

Schools usualSchools() {
    Schools usual;
    QSettings settings;
    settings.beginGroup(QStringLiteral("schools"));
    for (const QString& question : settings.childKeys())
        usual[question.toStdString()] = settings.value(question).toString().toStdString();
    return usual;
}

void setUsualSchools(const Schools& schools) {
    QSettings settings;
    settings.beginGroup(QStringLiteral("schools"));
    for (const auto& [question, choice] : schools)
        settings.setValue(QString::fromStdString(question), QString::fromStdString(choice));
}

} // namespace deft::ui
