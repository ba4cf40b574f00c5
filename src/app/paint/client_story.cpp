// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/paint/client_story.h"

#include "app/paint/strokes.h"
#include "app/paint/weeks.h"
#include "app/theme/target_words.h"
#include "app/theme/words.h"

#include <QObject>
#include <algorithm>

namespace deft::ui {
namespace {

QString text(const std::string& s) { return spoken(s); }

struct Told {
    QString name, unit;
};
/// Name and unit of what a cue is meant for.
Told toldOf(const Exercise& e, const std::string& fault) {
    if (const FaultPlan* f = e.fault(fault)) return {text(f->name), text(f->limit.unit)};
    if (const SetupCheck* c = e.check(fault)) return {text(c->name), text(c->limit.unit)};
    return {text(fault), {}}; // an exercise of the coach's own that has changed since
}

bool isNow(const ClientStory& story, const LadderStep& step) {
    const auto now = story.now();
    return now && step.version == now->version;
}

} // namespace

QString effectWords(const ClientStory& story, const CueSpell& spell) {
    const std::string unit = toldOf(story.exercise, spell.fault).unit.toStdString();
    switch (spell.effect) {
    case CueSpell::Effect::JustSaid:
        return QObject::tr("said last");
    case CueSpell::Effect::Gone:
        return QObject::tr("worked: gone");
    case CueSpell::Effect::Less:
        return QObject::tr("worked: %1 less").arg(reading(spell.change, unit, 1, false));
    case CueSpell::Effect::NoRealChange:
        return QObject::tr("none real: %1 of %2")
            .arg(reading(-spell.change, unit, 1, true), reading(spell.mdc, unit, 1, false));
    case CueSpell::Effect::NotTold:
        break;
    }
    return QObject::tr("still there, not measured");
}

QString ladderWords(const ClientStory& story, const LadderStep& step) {
    const Version& version = story.exercise.ladder[size_t(story.exercise.versionIndex(step.version))];
    if (!step.locks.empty()) return QObject::tr("locked: %1").arg(text(step.locks.front().reason));
    QString done;
    if (step.reviews > 0)
        done = QObject::tr("met cleanly in %1 of %2")
                   .arg(step.met)
                   .arg(counted(step.reviews, QObject::tr("review"), QObject::tr("reviews")));
    if (isNow(story, step)) {
        const QString now = QObject::tr("now: %1").arg(targetWords(story.exercise, *story.now()));
        return done.isEmpty() ? now : QStringLiteral("%1; %2").arg(now, done);
    }
    return done.isEmpty() ? text(version.criterion) : QObject::tr("%1, last %2").arg(done, dayWords(step.last));
}

void drawCues(QPainter& p, const QRectF& body, const ClientStory& story) {
    if (story.cues.empty() || story.reviews.empty()) return;
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    const Palette& c = colours();
    const WeeksColumns columns(body.width());
    const DayAxis days{story.reviews.front().date, story.reviews.back().date, body.left() + columns.name,
                       body.right() - columns.words};
    const size_t fit = size_t(std::max(1.0, body.height() / kCueRow));
    QRectF row(body.left(), body.top(), body.width(), kCueRow);
    for (size_t i = story.cues.size() - std::min(fit, story.cues.size()); i < story.cues.size(); ++i) {
        const CueSpell& cue = story.cues[i];
        const bool helped = cue.effect == CueSpell::Effect::Gone || cue.effect == CueSpell::Effect::Less,
                   now = cue.effect == CueSpell::Effect::JustSaid;
        const double room = columns.name - 16;
        const int version = putText(p, QRectF(row.left(), row.top(), room, kCueRow), said("cue-level." + cue.level),
                                    Size::Small, c.ink2, QFont::Normal, Qt::AlignRight | Qt::AlignVCenter);
        putText(p, QRectF(row.left(), row.top(), room - version - 8, kCueRow), toldOf(story.exercise, cue.fault).name,
                Size::Small, c.ink, QFont::DemiBold);
        // Solid where it worked, ticks where nothing real came of it: never told by colour alone.
        const double y = row.center().y(), from = days.across(story.reviews[cue.first].date),
                     to = days.across(story.reviews[std::min(cue.last + 1, story.reviews.size() - 1)].date);
        QPen pen(now ? c.accent : c.ink, 4, Qt::SolidLine, Qt::FlatCap);
        if (!helped && !now) pen.setDashPattern({0.5, 0.75});
        p.setPen(pen);
        p.drawLine(QPointF(from, y), QPointF(to, y));
        p.setPen(QPen(now ? c.accent : c.ink, 1.5));
        p.setBrush(helped ? c.ink : c.paper);
        for (size_t k = cue.first; k <= cue.last; ++k)
            p.drawEllipse(QPointF(days.across(story.reviews[k].date), y), 4, 4);
        putText(p, QRectF(days.right + 16, row.top(), row.right() - days.right - 16, kCueRow), effectWords(story, cue),
                Size::Small, helped || now ? c.ink : c.ink2, helped ? QFont::DemiBold : QFont::Normal);
        row.translate(0, kCueRow);
    }
    p.restore();
}

void drawLadder(QPainter& p, const QRectF& body, const ClientStory& story) {
    const size_t rungs = story.ladder.size();
    if (rungs == 0) return;
    p.save();
    p.setRenderHint(QPainter::Antialiasing);
    const Palette& c = colours();
    const double height = std::clamp(body.height() / double(rungs), 36.0, 56.0), left = body.left() + 8,
                 right = left + 40;
    QRectF row(body.left(), body.top(), body.width(), height);
    p.setPen(QPen(c.ink2, 2));
    for (const double x : {left, right})
        p.drawLine(QPointF(x, row.top()), QPointF(x, row.top() + height * double(rungs)));
    for (size_t i = rungs; i-- > 0; row.translate(0, height)) { // the hardest on top
        const LadderStep& step = story.ladder[i];
        const bool now = isNow(story, step);
        if (now) p.fillRect(row, c.soft);
        const double y = row.center().y();
        p.setPen(QPen(now ? c.accent : step.reviews > 0 ? c.ink : c.strong, 1));
        p.setBrush(now ? QBrush(c.accent) : step.reviews > 0 ? QBrush(c.ink) : QBrush(c.paper));
        p.drawRect(QRectF(left + 1, y - 2.5, right - left - 2, 5));
        if (now) { // the rails stand before the row's ground
            p.setPen(QPen(c.ink2, 2));
            for (const double x : {left, right}) p.drawLine(QPointF(x, row.top()), QPointF(x, row.bottom()));
        }
        const Version& version = story.exercise.ladder[i];
        const bool roomy = height >= 48; // for what is told to take two lines
        const QRectF words(right + 16, y - (roomy ? 24 : 18), row.right() - right - 20, 18);
        QString name = text(version.name);
        if (!name.isEmpty()) name[0] = name[0].toUpper();
        putText(p, words, name, Size::Small, now ? c.accent : c.ink,
                now || step.reviews > 0 ? QFont::DemiBold : QFont::Medium);
        const QRectF below(words.left(), words.bottom(), words.width(), roomy ? 30 : 18);
        p.setFont(face(Size::Small));
        p.setPen(c.ink2);
        if (roomy)
            p.drawText(below, Qt::TextWordWrap, ladderWords(story, step));
        else
            putText(p, below, ladderWords(story, step), Size::Small, c.ink2);
    }
    p.restore();
}

} // namespace deft::ui
