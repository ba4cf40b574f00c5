// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/theme/words.h"

#include "language/numbers.h"

#include <QDate>
#include <QLocale>
#include <algorithm>
#include <cmath>

namespace deft::ui {

static std::string& language() {
    static std::string code = "en"; // set before the first window, and never while there is one
    return code;
}

const std::string& coachLanguage() { return language(); }
void setCoachLanguage(const std::string& code) { language() = code; }

QString reading(double value, const std::string& unit, int decimals, bool sign) {
    if (!std::isfinite(value)) return QStringLiteral("–");
    QString text = QString::fromStdString(sign ? signedWords(value, decimals) : numberWords(value, decimals));
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
    return day.isValid() ? QLocale(QLocale::English).toString(day, format) : QString();
}

QString dayWords(const std::string& iso) { return dayAs(iso, QStringLiteral("d MMM")); }
QString dayAndYear(const std::string& iso) { return dayAs(iso, QStringLiteral("d MMM yyyy")); }

} // namespace deft::ui
