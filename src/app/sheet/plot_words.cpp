// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/sheet/plot_words.h"

#include "app/theme/words.h"

#include <QObject>

namespace deft::ui {
namespace {

QString tenths(double s) { return coachLocale().toString(s, 'f', 1); }
QString repInWords(size_t i) { return QObject::tr("rep %1").arg(i + 1); }
QString inMover(const Review& r, double value) {
    return reading(value, measureUnit(r.exercise.mover.measure), 0, false);
}

} // namespace

QString giveWayInWords(const Review& r) {
    QStringList reps;
    for (size_t i = 0; i < r.events.reps.size(); ++i) {
        const Rep& rep = r.events.reps[i];
        reps << (rep.unsure() ? QObject::tr("%1: cannot tell").arg(repInWords(i))
                 : r.exercise.mover.isWindow()
                     ? QObject::tr("%1: clean for %2 of %3 s")
                           .arg(repInWords(i), tenths(rep.hold.clean_s), tenths(rep.hold.duration_s()))
                     : QObject::tr("%1: in control up to %2 of %3")
                           .arg(repInWords(i), inMover(r, rep.controlRange), inMover(r, rep.reach)));
    }
    return reps.isEmpty() ? QObject::tr("No repetition was found.") : reps.join(QStringLiteral("; "));
}

QString timePlotsInWords(const Review& r) {
    QStringList parts;
    for (size_t i = 0; i < r.events.reps.size(); ++i)
        parts << QObject::tr("%1 from %2 to %3 s")
                     .arg(repInWords(i), tenths(r.events.reps[i].start_s), tenths(r.events.reps[i].end_s));
    for (const Fault& f : r.findings.faults)
        if (!f.rejected)
            parts << QObject::tr("%1 from %2 to %3 s")
                         .arg(spoken(r.exercise.nameOf(f.id)), tenths(f.start_s), tenths(f.end_s));
    return parts.isEmpty() ? QObject::tr("No repetition was found.") : parts.join(QStringLiteral("; "));
}

QString plotsAsText(const Review& r) {
    QStringList lines{QStringList{QObject::tr("rep"), QObject::tr("begins (s)"), QObject::tr("hold begins (s)"),
                                  QObject::tr("hold ends (s)"), QObject::tr("ends (s)"), QObject::tr("clean (s)"),
                                  QObject::tr("reach"), QObject::tr("control range")}
                          .join(QLatin1Char('\t'))};
    for (size_t i = 0; i < r.events.reps.size(); ++i) {
        const Rep& rep = r.events.reps[i];
        lines << QStringList{QString::number(i + 1),       tenths(rep.start_s),       tenths(rep.top_s),
                             tenths(rep.holdEnd_s),       tenths(rep.end_s),         tenths(rep.hold.clean_s),
                             inMover(r, rep.reach), inMover(r, rep.controlRange)}
                     .join(QLatin1Char('\t'));
    }
    return lines.join(QLatin1Char('\n'));
}

} // namespace deft::ui
