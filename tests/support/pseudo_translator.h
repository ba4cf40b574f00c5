// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QApplication>
#include <QRegularExpression>
#include <QTranslator>

namespace deft::test {

/// A language that nobody speaks: every sentence of the window, longer by two fifths. What is cut in it will be cut in
/// a real one; what stays as it was is not offered for translation.
class PseudoTranslator : public QTranslator {
public:
    QString translate(const char*, const char* source, const char*, int) const override {
        QString text = QString::fromUtf8(source);
        static const QRegularExpression open(QStringLiteral("[A-Za-z]{3}"));
        if (!text.contains(open) || text.contains(QLatin1String(";;")) || text.startsWith(QLatin1String("Ctrl")))
            return text; // a key, a filter of files
        QString more;
        for (qsizetype i = 0; i < (2 * text.size() + 4) / 5; ++i) more += QLatin1Char(i % 6 == 5 ? ' ' : 'o');
        return text + QStringLiteral(" ") + more;
    }
    bool isEmpty() const override { return false; }
};

/// The window speaks it from now on, and is read from the right.
inline void speakPseudo() {
    static PseudoTranslator pseudo;
    QCoreApplication::installTranslator(&pseudo);
    QApplication::setLayoutDirection(Qt::RightToLeft);
}

} // namespace deft::test
