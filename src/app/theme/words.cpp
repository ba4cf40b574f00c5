// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/theme/words.h"

#include "base/data_folder.h"

#include <QDate>
#include <QLocale>
#include <algorithm>
#include <cmath>

namespace deft::ui {

static LanguagePtr& chosen() {
    static LanguagePtr language; // null = nobody has; set before the first window, and never while there is one
    return language;
}

static const Language& language() {
    static const LanguagePtr english = Language::load(dataFolder() / "languages", "en").value();
    return chosen() ? *chosen() : *english;
}

const std::string& coachLanguage() { return language().code(); }

void setCoachLanguage(LanguagePtr spoken) { chosen() = std::move(spoken); }

QString spoken(const std::string& english, const std::string& context) {
    return QString::fromStdString(language().text(english, context));
}

QString shortNoun(const std::string& english) {
    return spoken(english, language().texts().count("short|" + english) ? "short" : "noun");
}

QString said(const Message& message) { return QString::fromStdString(language().say(message)); }
QString said(const Error& error) { return said(error.message); }

QString inLine(const QString& name) { return coachLanguage() == "de" ? name : name.toLower(); }

QLocale coachLocale() { return QLocale(QString::fromStdString(coachLanguage())); }

QString quoted(const std::string& somebodysWords) {
    return coachLocale().quoteString(QString::fromStdString(somebodysWords).simplified());
}

QString reading(double value, const std::string& unit, int decimals, bool sign) {
    if (!std::isfinite(value)) return QStringLiteral("–");
    return QString::fromStdString(language().number({value, decimals, unit, sign}));
}

QString band(double u95) { return reading(std::max(u95, 0.01), "", u95 < 0.1 ? 2 : 1, false); }

QString counted(int n, const QString& one, const QString& many) {
    return QStringLiteral("%1 %2").arg(n).arg(n == 1 ? one : many);
}

static QString dayAs(const std::string& iso, const QString& format) {
    const QDate day = QDate::fromString(QString::fromStdString(iso), Qt::ISODate);
    return day.isValid() ? coachLocale().toString(day, format) : QString();
}

QString dayWords(const std::string& iso) { return dayAs(iso, QObject::tr("d MMM", "day of a date")); }
QString dayAndYear(const std::string& iso) { return dayAs(iso, QObject::tr("d MMM yyyy", "date")); }

} // namespace deft::ui
