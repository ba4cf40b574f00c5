// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/theme/window_language.h"

#include "app/theme/words.h"

#include <QCoreApplication>
#include <QLibraryInfo>
#include <QLocale>
#include <QSettings>
#include <QTranslator>

namespace deft::ui {
namespace {

const QString kSetting = QStringLiteral("language");

QString ofTheDesktop() {
    const QStringList known = windowLanguages();
    for (const QString& wanted : QLocale::system().uiLanguages())
        if (const QString code = wanted.section(QLatin1Char('-'), 0, 0); known.contains(code)) return code;
    return QStringLiteral("en");
}

void install(const QString& file, const QString& folder) {
    auto* translator = new QTranslator(QCoreApplication::instance());
    if (translator->load(file, folder)) QCoreApplication::installTranslator(translator);
}

} // namespace

QStringList windowLanguages() { return {QStringLiteral("en"), QStringLiteral("de")}; }

QString chosenLanguage() { return QSettings().value(kSetting).toString(); }

void chooseLanguage(const QString& code) { QSettings().setValue(kSetting, code); }

void speakToCoach(const Catalogue& catalogue, const QString& wanted) {
    QString code = wanted.isEmpty() ? chosenLanguage() : wanted;
    if (!windowLanguages().contains(code)) code = ofTheDesktop();
    setCoachLanguage(catalogue.language(code.toStdString()));
    QLocale::setDefault(coachLocale()); // of fields that numbers and days are typed into
    if (code == QLatin1String("en")) return;
    install(QStringLiteral("qtbase_") + code, QLibraryInfo::path(QLibraryInfo::TranslationsPath));
    install(QStringLiteral("deft-mirror_") + code, QStringLiteral(":/translations"));
}

} // namespace deft::ui
