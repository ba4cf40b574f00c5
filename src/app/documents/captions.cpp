// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/documents/captions.h"

#include <QTextBoundaryFinder>
#include <QTime>
#include <cmath>

namespace deft::ui {

std::vector<Caption> captionsOf(const std::string& text, double length_s) {
    const QString words = QString::fromStdString(text).simplified();
    const auto clock = [&](qsizetype at) { return length_s * double(at) / double(words.size()); };
    std::vector<Caption> captions;
    QTextBoundaryFinder sentences(QTextBoundaryFinder::Sentence, words);
    for (qsizetype from = 0, to; (to = sentences.toNextBoundary()) > from; from = to)
        captions.push_back({clock(from), clock(to), words.mid(from, to - from).trimmed().toStdString()});
    return captions;
}

std::string webVtt(const std::vector<Caption>& captions) {
    const auto clock = [](double seconds) {
        return QTime(0, 0).addMSecs(int(std::lround(1000 * seconds))).toString(QStringLiteral("mm:ss.zzz"));
    };
    QString out = QStringLiteral("WEBVTT\n");
    for (const Caption& c : captions) {
        QString text = QString::fromStdString(c.text);
        text.replace(QLatin1Char('&'), QLatin1String("&amp;")).replace(QLatin1Char('<'), QLatin1String("&lt;"));
        out += QStringLiteral("\n%1 --> %2\n%3\n").arg(clock(c.from_s), clock(c.to_s), text);
    }
    return out.toStdString();
}

} // namespace deft::ui
