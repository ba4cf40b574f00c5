// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/sheet/rep_rows.h"

#include "app/theme/words.h"
#include "readings/readings.h"
#include "review/seen_faults.h"

#include <QObject>
#include <algorithm>
#include <cmath>
#include <functional>
#include <limits>

namespace deft::ui {
namespace {

std::string anchorOf(const Exercise& e) { return e.anchor() ? e.anchor()->limit.measure : e.mover.measure; }

QString seconds(double s) { return reading(s, "s", 1, false); }

QString besideWords(Verdict v) {
    return v == Verdict::In ? QObject::tr("in") : v == Verdict::Out ? QObject::tr("out") : QObject::tr("near");
}

int placeOfRep(const Review& r, const Rep& rep) { return repOfSpan(r.events, rep.start_s, rep.end_s); }

/// Of a phase in which a measure gave way: as sure as its finding.
Verdict ofBreak(const Review& r, const Rep& rep, const std::string& measure) {
    return asFound(Verdict::Out, isClearIn(r, measure, placeOfRep(r, rep)));
}

/// Where the anchor is at a moment.
RepCell anchorCell(const Review& r, double time_s, const std::string& anchor) {
    RepCell c(r.clip().frameAt(std::max(0.0, time_s)), anchor);
    const Series* s = r.series().find(anchor);
    const auto limit = limitOf(r.exercise, anchor);
    const double value = s ? s->value[size_t(c.frame)] : kGap;
    if (!std::isfinite(value) || !limit) {
        c.number = QObject::tr("cannot tell");
        return c;
    }
    c.number = reading(value, limit->unit, 1, toldWithSign(*limit));
    c.edge = limit->verdict(value, s->u95[size_t(c.frame)]);
    c.beside = besideWords(c.edge);
    return c;
}

/// A position that is only held has no way out and back; its columns show the hold early and late (shares chosen here).
constexpr double kEarly = 1 / 6.0, kLate = 5 / 6.0;
RepCell heldCell(const Review& r, const Rep& rep, double share) {
    return anchorCell(r, rep.hold.start_s + share * rep.hold.duration_s(), anchorOf(r.exercise));
}

RepCell outCell(const Review& r, const Rep& rep) {
    if (r.exercise.mover.isWindow()) return heldCell(r, rep, kEarly);
    RepCell c(r.clip().frameAt(rep.break_s.value_or((rep.start_s + rep.top_s) / 2)), r.exercise.mover.measure);
    if (rep.brokenBy.empty()) {
        c.edge = Verdict::In;
        c.number = reading(rep.reach, measureUnit(r.exercise.mover.measure), 0, false);
        c.beside = QObject::tr("all in");
        return c;
    }
    c.measure = rep.brokenBy;
    c.edge = ofBreak(r, rep, rep.brokenBy);
    c.number = QObject::tr("after %1").arg(reading(rep.controlRange, measureUnit(r.exercise.mover.measure), 0, false));
    c.under = QObject::tr("gave way");
    c.notch = std::clamp((*rep.break_s - rep.start_s) / std::max(0.01, rep.top_s - rep.start_s), 0.08, 0.92);
    return c;
}

RepCell holdCell(const Review& r, const Rep& rep, const std::string& anchor) {
    const Hold& h = rep.hold;
    RepCell c(r.clip().frameAt((h.start_s + h.end_s) / 2), h.brokenBy.empty() ? anchor : h.brokenBy);
    if (h.brokenBy.empty()) {
        c.edge = Verdict::In;
        c.number = seconds(h.clean_s);
        c.beside = r.inputs.asked.hold_s ? QObject::tr("of %1").arg(reading(*r.inputs.asked.hold_s, "", 0, false))
                                         : QObject::tr("clean");
        return c;
    }
    c.edge = ofBreak(r, rep, h.brokenBy);
    if (h.clean_s <= 0) {
        c.number = seconds(0);
        c.beside = QObject::tr("of %1").arg(reading(h.duration_s(), "", 1, false));
        c.under = QObject::tr("already out");
        return c;
    }
    c.number = QObject::tr("after %1").arg(seconds(h.clean_s));
    c.under = QObject::tr("gave way");
    c.notch = std::clamp(h.clean_s / std::max(0.01, h.duration_s()), 0.08, 0.92);
    return c;
}

RepCell backCell(const Review& r, const Rep& rep) {
    if (r.exercise.mover.isWindow()) return heldCell(r, rep, kLate);
    RepCell c(r.clip().frameAt((rep.holdEnd_s + rep.end_s) / 2), r.exercise.mover.measure);
    if (!rep.finished) {
        c.number = QObject::tr("cannot tell");
        c.under = QObject::tr("clip ends first");
        return c;
    }
    if (rep.breakBack_s) {
        c.frame = r.clip().frameAt(*rep.breakBack_s), c.measure = rep.brokenBackBy;
        c.edge = ofBreak(r, rep, rep.brokenBackBy);
        c.number = QObject::tr("at %1").arg(reading(rep.controlRange, measureUnit(r.exercise.mover.measure), 0, false));
        c.under = QObject::tr("gave way");
        c.notch = std::clamp((*rep.breakBack_s - rep.holdEnd_s) / std::max(0.01, rep.back_s()), 0.08, 0.92);
        return c;
    }
    c.number = seconds(rep.back_s());
    c.edge = asFound(toldReading(r.exercise, "pace_back", "median").limit.verdict(rep.back_s(), rep.backU95_s()),
                     isClearIn(r, "pace_back", placeOfRep(r, rep)));
    c.beside = QObject::tr("asked %1").arg(reading(r.exercise.tempoBack_s, "", 0, false));
    if (c.edge == Verdict::Out) c.under = QObject::tr("short");
    return c;
}

/// The anchor that lies farthest outside of those that `isMeant` names.
WorstOfRep worstOf(const Review& r, const Rep& rep, const std::function<bool(const FaultPlan&)>& isMeant) {
    WorstOfRep worst;
    double widths = -std::numeric_limits<double>::infinity();
    for (const FaultPlan& f : r.exercise.faults) {
        const Series* s = f.isAnchor && isMeant(f) ? r.series().find(f.limit.measure) : nullptr;
        const int64_t at = s ? worstFrame(r, countedIn(rep, f.counts), *s, f.limit) : -1;
        if (at < 0) continue;
        const double value = s->value[size_t(at)], own = f.limit.excess(value) / f.limit.width();
        if (own > widths) widths = own, worst = {f.limit, at, value, s->u95[size_t(at)]};
    }
    return worst;
}

/// What was found comes before what merely lies far out.
RepCell worstCell(const Review& r, const Rep& rep) {
    const int k = placeOfRep(r, rep);
    const auto isFound = [&](const FaultPlan& f) { return isClearIn(r, f.limit.measure, k); };
    WorstOfRep w = worstOf(r, rep, isFound);
    const bool clear = std::isfinite(w.value);
    if (!clear) w = worstOfRep(r, rep);
    RepCell c(w.frame, w.limit.measure);
    if (!std::isfinite(w.value)) {
        c.number = QObject::tr("cannot tell");
        return c;
    }
    const auto limit = limitOf(r.exercise, w.limit.measure);
    c.number = reading(w.value, w.limit.unit, 1, toldWithSign(*limit));
    c.edge = asFound(w.limit.verdict(w.value, w.u95), clear);
    if (const double excess = w.limit.excess(w.value); c.edge == Verdict::Out && excess > 0)
        c.under = QObject::tr("out by %1").arg(reading(excess, w.limit.unit, 1, false));
    else
        c.beside = besideWords(c.edge);
    return c;
}

} // namespace

WorstOfRep worstOfRep(const Review& r, const Rep& rep) {
    return worstOf(r, rep, [](const FaultPlan&) { return true; });
}

std::vector<RepRow> repRows(const Review& r) {
    std::vector<RepRow> rows;
    const std::string anchor = anchorOf(r.exercise);
    for (const Rep& rep : r.events.reps) {
        RepRow row;
        row.clean = rep.unsure() ? QObject::tr("?") : seconds(rep.hold.clean_s);
        row.cells = {anchorCell(r, rep.start_s - 0.2, anchor), outCell(r, rep), holdCell(r, rep, anchor),
                     backCell(r, rep), worstCell(r, rep)};
        if (rep.unsure())
            for (const Phase phase : {Phase::Out, Phase::Hold}) {
                RepCell& cell = row.cells[size_t(phase)];
                if (cell.edge != Verdict::In) continue; // a break that was seen stays one
                cell.edge = Verdict::CannotTell;
                cell.number = QObject::tr("cannot tell");
                cell.beside.clear();
                cell.under = QObject::tr("lost for %1").arg(seconds(rep.lost_s));
            }
        // Near a limit takes nothing from a rep that is clean.
        row.wholeClean =
            !rep.unsure() && rep.brokenBy.empty() && rep.hold.brokenBy.empty() && rep.brokenBackBy.empty() &&
            std::none_of(row.cells.begin(), row.cells.end(), [](const RepCell& c) { return c.edge == Verdict::Out; });
        rows.push_back(std::move(row));
    }
    return rows;
}

std::array<std::pair<QString, QString>, kPhases> repColumns(const Exercise& e) {
    auto sentence = [](const std::string& s) {
        QString q = spoken(s);
        if (!q.isEmpty()) q[0] = q[0].toUpper();
        return q;
    };
    const QString anchor = inLine(spoken(measureName(anchorOf(e))).section(QLatin1Char(' '), 0, 0));
    const bool held = e.mover.isWindow();
    return {{{QObject::tr("Set-up"), anchor},
             held ? std::pair(QObject::tr("Early"), anchor) : std::pair(sentence(e.phaseOut), shortNoun(e.words.one)),
             {sentence(e.phaseHold), QObject::tr("clean")},
             held ? std::pair(QObject::tr("Late"), anchor) : std::pair(sentence(e.phaseBack), QObject::tr("tempo")),
             {QObject::tr("Worst"), QObject::tr("anchor")}}};
}

} // namespace deft::ui
