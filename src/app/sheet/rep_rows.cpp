#include "app/sheet/rep_rows.h"

#include "app/theme/words.h"
#include "review/readings.h"

#include <QObject>
#include <cmath>

namespace deft::ui {
namespace {

std::string anchorOf(const Exercise& e) { return e.anchor() ? e.anchor()->limit.measure : e.mover.measure; }

QString seconds(double s) { return reading(s, "s", 1, false); }

/// Where the anchor is at a moment.
RepCell anchorCell(const Review& r, double time_s, const std::string& anchor) {
    RepCell c(r.clip.frameAt(std::max(0.0, time_s)), anchor);
    const Series* s = r.series.find(anchor);
    const auto limit = limitOf(r.exercise, anchor);
    const double value = s ? s->value[size_t(c.frame)] : kGap;
    if (!std::isfinite(value) || !limit) {
        c.number = QObject::tr("cannot tell");
        return c;
    }
    c.number = reading(value, limit->unit, 1, toldWithSign(*limit));
    // Certain only when the limit lies outside the band, as for every finding.
    const double excess = limit->excess(value);
    c.edge = std::abs(excess) <= s->u95[size_t(c.frame)] ? Edge::CannotTell : excess > 0 ? Edge::Out : Edge::In;
    c.beside = c.edge == Edge::CannotTell ? QObject::tr("near") : excess > 0 ? QObject::tr("out") : QObject::tr("in");
    return c;
}

/// A position that is only held has no way out and back; its columns show the hold early and late (shares chosen here).
constexpr double kEarly = 1 / 6.0, kLate = 5 / 6.0;
RepCell heldCell(const Review& r, const Rep& rep, double share) {
    return anchorCell(r, rep.hold.start_s + share * rep.hold.duration_s(), anchorOf(r.exercise));
}

RepCell outCell(const Review& r, const Rep& rep) {
    if (r.exercise.mover.isWindow()) return heldCell(r, rep, kEarly);
    RepCell c(r.clip.frameAt(rep.break_s.value_or((rep.start_s + rep.top_s) / 2)), r.exercise.mover.measure);
    if (rep.brokenBy.empty()) {
        c.edge = Edge::In;
        c.number = reading(rep.reach, measureUnit(r.exercise.mover.measure), 0, false);
        c.beside = QObject::tr("all in");
        return c;
    }
    c.measure = rep.brokenBy;
    c.edge = Edge::Out;
    c.number = QObject::tr("after %1").arg(reading(rep.controlRange, measureUnit(r.exercise.mover.measure), 0, false));
    c.under = QObject::tr("gave way");
    c.notch = std::clamp((*rep.break_s - rep.start_s) / std::max(0.01, rep.top_s - rep.start_s), 0.08, 0.92);
    return c;
}

RepCell holdCell(const Review& r, const Rep& rep, const std::string& anchor) {
    const Hold& h = rep.hold;
    RepCell c(r.clip.frameAt((h.start_s + h.end_s) / 2), h.brokenBy.empty() ? anchor : h.brokenBy);
    if (h.brokenBy.empty()) {
        c.edge = Edge::In;
        c.number = seconds(h.clean_s);
        c.beside = r.inputs.asked.hold_s ? QObject::tr("of %1").arg(reading(*r.inputs.asked.hold_s, "", 0, false))
                                         : QObject::tr("clean");
        return c;
    }
    c.edge = Edge::Out;
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
    RepCell c(r.clip.frameAt((rep.holdEnd_s + rep.end_s) / 2), r.exercise.mover.measure);
    if (!rep.finished) {
        c.number = QObject::tr("cannot tell");
        c.under = QObject::tr("clip ends first");
        return c;
    }
    c.number = seconds(rep.back_s());
    c.edge = rep.back_s() >= r.exercise.paceBack_s - rep.backU95_s() ? Edge::In : Edge::Out;
    c.beside = QObject::tr("asked %1").arg(reading(r.exercise.paceBack_s, "", 0, false));
    if (c.edge == Edge::Out) c.under = QObject::tr("short");
    return c;
}

RepCell worstCell(const Review& r, const Rep& rep) {
    const WorstOfRep w = worstOfRep(r, rep);
    RepCell c(w.frame, w.measure);
    if (!std::isfinite(w.value)) {
        c.number = QObject::tr("cannot tell");
        return c;
    }
    const std::string unit = measureUnit(w.measure);
    const auto limit = limitOf(r.exercise, w.measure);
    c.number = reading(w.value, unit, 1, !limit || toldWithSign(*limit));
    c.edge = !w.out() ? Edge::In : std::abs(w.value - w.limit) > w.u95 ? Edge::Out : Edge::CannotTell;
    if (w.out())
        c.under = QObject::tr("out by %1").arg(reading(std::abs(w.value - w.limit), unit, 1, false));
    else
        c.beside = QObject::tr("in");
    if (w.out() && c.edge == Edge::CannotTell) c.under = QObject::tr("cannot tell");
    return c;
}

} // namespace

WorstOfRep worstOfRep(const Review& r, const Rep& rep) {
    WorstOfRep worst;
    double share = -1;
    for (const FaultPlan& f : r.exercise.faults) {
        if (!f.isAnchor) continue;
        const Limit& limit = f.limit;
        const Series* s = r.series.find(limit.measure);
        if (!s) continue;
        const auto far = [&](std::optional<double> low, std::optional<double> high) {
            const int64_t at = worstFrame(r, rep, f.onTheWay, *s, {limit.measure, low, high});
            const double end = low ? *low : *high;
            if (at >= 0 && s->value[size_t(at)] / end > share)
                share = s->value[size_t(at)] / end,
                worst = {limit.measure, at, s->value[size_t(at)], s->u95[size_t(at)], end};
        };
        if (limit.low) far(limit.low, std::nullopt);
        if (limit.high) far(std::nullopt, limit.high);
    }
    return worst;
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
                if (cell.edge != Edge::In) continue; // a break that was seen stays one
                cell.edge = Edge::CannotTell;
                cell.number = QObject::tr("cannot tell");
                cell.beside.clear();
                cell.under = QObject::tr("lost for %1").arg(seconds(rep.lost_s));
            }
        row.wholeClean = true;
        for (const Phase phase : {Phase::SetUp, Phase::Out, Phase::Hold, Phase::Back, Phase::Worst}) {
            // Near its limit early or late takes nothing from a hold that is clean.
            const bool passing = r.exercise.mover.isWindow() && (phase == Phase::Out || phase == Phase::Back);
            const Edge edge = row.cells[size_t(phase)].edge;
            row.wholeClean &= edge == Edge::In || (passing && edge == Edge::CannotTell);
        }
        rows.push_back(std::move(row));
    }
    return rows;
}

std::array<std::pair<QString, QString>, kPhases> repColumns(const Exercise& e) {
    auto sentence = [](const std::string& s) {
        QString q = QString::fromStdString(s);
        if (!q.isEmpty()) q[0] = q[0].toUpper();
        return q;
    };
    const QString anchor = QString::fromStdString(measureName(anchorOf(e))).section(QLatin1Char(' '), 0, 0).toLower();
    const bool held = e.mover.isWindow();
    return {{{QObject::tr("Set-up"), anchor},
             held ? std::pair(QObject::tr("Early"), anchor)
                  : std::pair(sentence(e.phaseOut), QString::fromStdString(e.words.one)),
             {sentence(e.phaseHold), QObject::tr("clean")},
             held ? std::pair(QObject::tr("Late"), anchor) : std::pair(sentence(e.phaseBack), QObject::tr("pace")),
             {QObject::tr("Worst"), QObject::tr("anchor")}}};
}

} // namespace deft::ui
