// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/theme/words.h"

#include "base/data_folder.h"
#include "language/numbers.h"

#include <QDate>
#include <QLocale>
#include <algorithm>
#include <cmath>

namespace deft::ui {

static LanguagePtr& language() {
    static LanguagePtr language; // null = English; set before the first window, and never while there is one
    return language;
}

const std::string& coachLanguage() {
    static const std::string english = "en";
    return language() ? language()->code() : english;
}

void setCoachLanguage(LanguagePtr spoken) { language() = std::move(spoken); }

QString spoken(const std::string& english, const std::string& context) {
    return QString::fromStdString(language() ? language()->text(english, context) : english);
}

QString shortNoun(const std::string& english) {
    const bool has = language() && language()->texts().count("short|" + english);
    return spoken(english, has ? "short" : "noun");
}

QString said(const Message& message) {
    if (language()) return QString::fromStdString(language()->say(message));
    static const auto english = Language::load(dataFolder() / "languages", "en"); // nobody has chosen
    return QString::fromStdString(english ? (*english)->say(message) : message.key);
}

QString inLine(const QString& name) { return coachLanguage() == "de" ? name : name.toLower(); }

QLocale coachLocale() { return QLocale(QString::fromStdString(coachLanguage())); }

QString reading(double value, const std::string& unit, int decimals, bool sign) {
    if (!std::isfinite(value)) return QStringLiteral("–");
    QString text = QString::fromStdString(sign ? signedWords(value, decimals) : numberWords(value, decimals));
    text.replace(QLatin1Char('.'), coachLocale().decimalPoint());
    if (unit == "deg")
        text += QStringLiteral("°");
    else if (!unit.empty())
        text += QStringLiteral(" ") + QString::fromStdString(unit);
    return text;
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
