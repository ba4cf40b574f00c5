// SPDX-License-Identifier: GPL-3.0-or-later
#include "motions/letters.h"

#include "answer/phrases.h"
#include "support/catalogue.h"
#include "support/foreign_words.h"

#include <QFile>
#include <QRegularExpression>
#include <QStringList>
#include <array>

namespace deft::test {
namespace {

constexpr int kMostWords = 260;
constexpr double kLeastEase = 58; // plain English begins at 60; names of exercises are long

QStringList wordsOf(const QString& text) {
    QStringList words;
    static const QRegularExpression word(QStringLiteral("[\\p{L}'’]+"));
    for (auto it = word.globalMatch(text); it.hasNext();) words << it.next().captured().toLower();
    return words;
}

int syllables(QString word) {
    static const QRegularExpression vowels(QStringLiteral("[aeiouy]+"));
    int n = int(word.count(vowels));
    if (n > 1 && word.endsWith(QLatin1Char('e')) && !word.endsWith(QLatin1String("le"))) --n;
    return std::max(1, n);
}

/// To be read by people: every letter of a run, one after the other, in the file that DEFT_LETTERS names.
void keepForReaders(const Review& r, const QString& body, const char* language = "en") {
    const QString path = qEnvironmentVariable("DEFT_LETTERS");
    QFile file(path);
    if (path.isEmpty() || !file.open(QIODevice::Append)) return;
    QString title = QString::fromStdString("## " + r.inputs.exercise + " " + r.inputs.asked.version + " " +
                                           r.exercise.view + " " + language);
    for (const Fault& f : r.findings.faults)
        title += QStringLiteral(" | %1%2 rep %3")
                     .arg(f.id.c_str(), f.certainty == Certainty::Clear ? "" : "?")
                     .arg(f.rep + 1);
    file.write((title + QStringLiteral("\n\n") + body + QLatin1Char('\n')).toUtf8());
}

} // namespace

double readingEase(const QString& text) {
    const QStringList words = wordsOf(text);
    int sounds = 0;
    for (const QString& w : words) sounds += syllables(w);
    static const QRegularExpression ends(QStringLiteral("[.!?:;]+(\\s|$)"));
    const double sentences = std::max(1, int(text.count(ends))), n = std::max(1, int(words.size()));
    return 206.835 - 1.015 * n / sentences - 84.6 * sounds / n;
}

/// What is wrong with the letter in another language: something left open, or English in it.
static QString troubleInOtherLanguages(const Review& r) {
    static const QRegularExpression english(QStringLiteral("\\b(the|your|and|with|until|you|before|keep|please|of)\\b"),
                                            QRegularExpression::CaseInsensitiveOption);
    static size_t letter = 0; // each in one of them: of some 1600, every language has a third
    const char* code = std::array{"de", "es", "fr"}[letter++ % 3];
    Review told = r;
    told.inputs.language = code;
    const QString text = QString::fromStdString(answerText(composeAnswer(told, "de")));
    keepForReaders(r, text, code);
    QString out;
    if (const auto found = english.match(text); found.hasMatch())
        out += QStringLiteral("%1 says %2; ").arg(QLatin1String(code), found.captured());
    if (text.contains(QLatin1Char('{')) || text.contains(QLatin1Char('|')))
        out += QStringLiteral("%1 leaves something open; ").arg(QLatin1String(code));
    return out;
}

QString troubleWithLetter(const Review& r) {
    const Answer answer = composeAnswer(r);
    QString body, ofThis; // without the cautions, which may name another way to do it
    for (const AnswerPart& part : answer.parts) {
        if (!part.sent) continue;
        body += QString::fromStdString(part.text) + QLatin1Char('\n');
        if (part.id != "cautions") ofThis += QString::fromStdString(part.text) + QLatin1Char('\n');
    }
    keepForReaders(r, body);
    QString out = troubleInOtherLanguages(r);
    const auto expect = [&](bool is, const QString& what) {
        if (!is) out += what + QStringLiteral("; ");
    };
    expect(body.contains(QStringLiteral("I had asked for ")) &&
               (body.contains(QStringLiteral("You showed ")) || body.contains(QStringLiteral("I could make out "))),
           QStringLiteral("not said what was asked and shown"));
    expect(wordsOf(body).size() <= kMostWords, QStringLiteral("%1 words").arg(wordsOf(body).size()));
    expect(readingEase(body) >= kLeastEase, QStringLiteral("reading ease %1").arg(readingEase(body)));
    expect(body.count(QStringLiteral("Stop if you feel pain")) == 1, QStringLiteral("not one stop rule"));
    const QRegularExpression foreign(QString::fromLatin1(kForeignWords.at(r.exercise.position)),
                                     QRegularExpression::CaseInsensitiveOption);
    if (const auto found = foreign.match(ofThis); found.hasMatch())
        expect(false, QStringLiteral("says ") + found.captured());
    static const QRegularExpression oneSeconds(QStringLiteral("(^|[^.\\d])1 seconds"));
    expect(!body.contains(oneSeconds), QStringLiteral("says 1 seconds"));
    static const QRegularExpression noSeconds(QStringLiteral("[( ]0( and|,| seconds)"));
    expect(!body.contains(noSeconds), QStringLiteral("tells a hold of 0 seconds"));
    for (const char* never : {"landmark", "{", "steadiest", "first picture"})
        expect(!body.contains(QLatin1String(never)), QStringLiteral("says ") + QLatin1String(never));
    const QString well = QString::fromStdString(answer.find("well")->text);
    for (const Fault& f : r.findings.faults) {
        const auto praised =
            QString::fromStdString("Your " + said(ordinal(f.rep)) + " " + r.exercise.words.one + " was clean");
        expect(!well.contains(praised) && !well.contains(QStringLiteral("were clean")),
               QStringLiteral("praises a rep with ") + QString::fromStdString(f.id));
    }
    const bool anyClear = std::any_of(r.findings.faults.begin(), r.findings.faults.end(),
                                      [](const Fault& f) { return f.certainty == Certainty::Clear; });
    const bool corrects = std::any_of(answer.parts.begin(), answer.parts.end(), isCorrection);
    if (anyClear && r.decision.step != "stop") expect(corrects, QStringLiteral("nothing to work on is said"));
    if (!corrects)
        expect(!body.contains(QStringLiteral("what stands above")),
               QStringLiteral("points to a correction that is none"));
    return out.isEmpty() ? out : out + QStringLiteral("\n") + body;
}

} // namespace deft::test
