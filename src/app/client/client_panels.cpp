// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/client/client_panels.h"

#include "app/paint/client_story.h"
#include "app/theme/target_words.h"
#include "app/theme/words.h"

#include <QMouseEvent>

namespace deft::ui {
namespace {

constexpr int kExerciseRow = 48, kExercisesShown = 4, kCuesShown = 7;

QString reviewsWords(const ClientRecord::Practised& p) {
    QString words = counted(p.reviews, QObject::tr("review"), QObject::tr("reviews"));
    if (p.waiting) words += QObject::tr(", %1 waits").arg(p.waiting);
    return words;
}

/// The first of the rows that are shown, so that the chosen one is among them.
int firstShown(const ClientRecord& record) { return std::max(0, record.exerciseIndex() - kExercisesShown + 1); }

} // namespace

RecordPanel::RecordPanel(const QString& title, ClientRecord& record, QWidget* parent)
    : Panel(title, parent), record_(record) {
    connect(&record, &ClientRecord::changed, this, &RecordPanel::refresh);
}

PractisedPanel::PractisedPanel(ClientRecord& record, QWidget* parent) : RecordPanel(tr("Exercises"), record, parent) {}

void PractisedPanel::refresh() {
    const int rows = std::clamp(int(record_.exercises().size()), 1, kExercisesShown);
    setFixedHeight(kHead + rows * kExerciseRow);
    setAside(int(record_.exercises().size()) > rows ? tr("↑ ↓ for all %1").arg(record_.exercises().size()) : QString());
    if (const int i = record_.exerciseIndex(); i >= 0)
        setAccessibleDescription(
            tr("%1, %2").arg(record_.exercises()[size_t(i)].name, reviewsWords(record_.exercises()[size_t(i)])));
    update();
}

void PractisedPanel::paintBody(QPainter& p, const QRect& body) {
    const Palette& c = colours();
    if (record_.exercises().empty()) {
        putText(p, QRect(body.left(), body.top(), body.width(), 20), tr("No clip yet."), Size::Small, c.ink2);
        return;
    }
    QRectF row(0, body.top(), body.width(), kExerciseRow);
    for (int i = firstShown(record_); i < int(record_.exercises().size()) && row.bottom() <= body.bottom() + 1;
         ++i, row.translate(0, kExerciseRow)) {
        const auto& e = record_.exercises()[size_t(i)];
        const bool chosen = i == record_.exerciseIndex();
        if (chosen) {
            p.fillRect(row, c.soft);
            p.fillRect(QRectF(row.left(), row.top(), 2.5, row.height()), c.accent);
        }
        const QRectF first = row.adjusted(8, 5, -4, -23), second = row.adjusted(8, 24, -4, -4);
        const int day =
            putText(p, first, dayWords(e.last), Size::Small, c.ink2, QFont::Normal, Qt::AlignRight | Qt::AlignVCenter);
        putText(p, first.adjusted(0, 0, -day - 8, 0), e.name, Size::Body, c.ink,
                chosen ? QFont::DemiBold : QFont::Medium);
        putText(p, second, reviewsWords(e), Size::Small, c.ink2);
    }
}

void PractisedPanel::mousePressEvent(QMouseEvent* event) {
    const int at = int(event->position().y()) - body().top();
    if (at >= 0) record_.chooseExercise(firstShown(record_) + at / kExerciseRow);
}

CuesPanel::CuesPanel(ClientRecord& record, QWidget* parent) : RecordPanel(tr("Cues given"), record, parent) {}

void CuesPanel::refresh() {
    const ClientStory* story = record_.story();
    const size_t cues = story ? story->cues.size() : 0;
    setFixedHeight(kHead + int(kCueRow) * int(std::clamp<size_t>(cues, 1, kCuesShown)));
    setAside(cues > kCuesShown ? tr("the last %1 of %2").arg(kCuesShown).arg(cues)
                               : tr("solid: it worked; ticks: nothing real came of it"));
    QStringList told;
    for (size_t i = 0; i < cues; ++i)
        told << QStringLiteral("%1, %2: %3")
                    .arg(QString::fromStdString(story->cues[i].fault), QString::fromStdString(story->cues[i].level),
                         effectWords(*story, story->cues[i]));
    setAccessibleDescription(told.join(QStringLiteral("; ")));
    update();
}

void CuesPanel::paintBody(QPainter& p, const QRect& body) {
    const ClientStory* story = record_.story();
    if (story && !story->cues.empty())
        drawCues(p, body, *story);
    else
        putText(p, QRect(body.left(), body.top(), body.width(), 20), tr("None yet for this exercise."), Size::Small,
                colours().ink2);
}

LadderPanel::LadderPanel(ClientRecord& record, QWidget* parent) : RecordPanel(tr("Ladder"), record, parent) {}

void LadderPanel::refresh() {
    const ClientStory* story = record_.story();
    setAside(story ? spoken(story->exercise.name) : QString());
    QStringList told;
    if (story)
        for (const LadderStep& step : story->ladder)
            told << QStringLiteral("%1: %2").arg(
                spoken(story->exercise.ladder[size_t(story->exercise.versionIndex(step.version))].name),
                ladderWords(*story, step));
    setAccessibleDescription(told.join(QStringLiteral("; ")));
    update();
}

void LadderPanel::paintBody(QPainter& p, const QRect& body) {
    if (const ClientStory* story = record_.story()) drawLadder(p, body, *story);
}

DecidedPanel::DecidedPanel(ClientRecord& record, QWidget* parent) : RecordPanel(tr("Decided"), record, parent) {}

void DecidedPanel::refresh() {
    const FiledReview* r = record_.chosenReview();
    setAside(r ? tr("%1, review %2 of %3")
                     .arg(dayWords(r->date))
                     .arg(record_.review() + 1)
                     .arg(record_.story()->reviews.size())
               : QString());
    setAccessibleDescription(r ? tr("%1: %2").arg(stepWords(r->step), targetWords(record_.story()->exercise, r->next))
                               : QString());
    update();
}

void DecidedPanel::paintBody(QPainter& p, const QRect& body) {
    const Palette& c = colours();
    const FiledReview* r = record_.chosenReview();
    int y = body.top();
    const auto line = [&](const QString& words, Size size, const QColor& colour, QFont::Weight weight) {
        const QFont font = face(size, weight);
        const int high = QFontMetrics(font).boundingRect(QRect(0, 0, width(), 400), Qt::TextWordWrap, words).height();
        if (y + high > body.bottom()) return;
        p.setFont(font);
        p.setPen(colour);
        p.drawText(QRect(0, y, width(), high), Qt::TextWordWrap, words);
        y += high + 2;
    };
    if (!r) return line(tr("No review of this exercise has been filed yet."), Size::Small, c.ink2, QFont::Normal);
    line(stepWords(r->step), Size::Body, c.ink, QFont::DemiBold);
    if (r->step != "stop" && r->step != "ask-again")
        line(targetWords(record_.story()->exercise, r->next), Size::Large, c.ink, QFont::DemiBold);
    for (const Message& m : r->arithmetic) line(said(m), Size::Small, c.ink, QFont::Medium);
    for (const Message& m : r->because) line(said(m), Size::Small, c.ink2, QFont::Normal);
}

} // namespace deft::ui

#include "moc_client_panels.cpp"
