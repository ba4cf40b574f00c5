// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/documents/captions.h"

#include <QTextBoundaryFinder>
#include <QTime>
#include <cmath>

namespace deft::ui {

std::string captions(const std::string& text, double length_s) {
    const QString words = QString::fromStdString(text).simplified();
    const auto clock = [&](qsizetype at) {
        const double seconds = length_s * double(at) / double(words.size());
        return QTime(0, 0).addMSecs(int(std::lround(1000 * seconds))).toString(QStringLiteral("mm:ss.zzz"));
    };
    QString out = QStringLiteral("WEBVTT\n");
    QTextBoundaryFinder sentences(QTextBoundaryFinder::Sentence, words);
    for (qsizetype from = 0, to; (to = sentences.toNextBoundary()) > from; from = to) {
        QString sentence = words.mid(from, to - from).trimmed();
        sentence.replace(QLatin1Char('&'), QLatin1String("&amp;")).replace(QLatin1Char('<'), QLatin1String("&lt;"));
        out += QStringLiteral("\n%1 --> %2\n%3\n").arg(clock(from), clock(to), sentence);
    }
    return out.toStdString();
}

} // namespace deft::ui
