// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/exercises/exercise_words.h"

#include "app/theme/palette.h"
#include "app/theme/words.h"
#include "judgement/safety.h"
#include "marks/names.h"

#include <QObject>

namespace deft::ui {
namespace {

QString text(const std::string& s) { return spoken(s).toHtmlEscaped(); }
QString heading(const QString& words) {
    return QStringLiteral("<p style='font-size:14px; font-weight:600; margin:18px 0 4px 0'>%1</p>").arg(words);
}

QString limitWords(const Limit& l) {
    const int decimals = l.unit == "ratio" ? 2 : l.unit == "s" ? 1 : 0;
    const auto end = [&](double v) { return reading(v, l.unit, decimals, l.unit != "s"); };
    if (l.low && l.high) return QObject::tr("%1 to %2").arg(end(*l.low), end(*l.high));
    return l.high ? QObject::tr("up to %1").arg(end(*l.high)) : QObject::tr("from %1").arg(end(*l.low));
}

QString originOf(const Limit& l) { return text(l.source.empty() ? originWords(l.origin) : l.source); }

QString limitRow(const std::string& name, const Limit& l, const QString& when) {
    return QStringLiteral("<tr><td>%1&nbsp;&nbsp;</td><td>%2&nbsp;&nbsp;</td><td>%3&nbsp;&nbsp;</td><td>%4&nbsp;&nbsp;"
                          "</td><td style='color:%5'>%6</td></tr>")
        .arg(text(name), text(measureName(l.measure)), limitWords(l), when, colours().ink2.name(), originOf(l));
}

QString whenCounted(const Phases& p) {
    QStringList when;
    if (p.out) when << QObject::tr("way out");
    if (p.hold) when << QObject::tr("hold");
    if (p.back) when << QObject::tr("way back");
    return when.size() == 3 ? QObject::tr("always") : when.join(QStringLiteral(", "));
}

QString measured(const Exercise& e) {
    QString html = heading(QObject::tr("What is measured")) + QStringLiteral("<table cellspacing='0' cellpadding='2'>");
    for (const SetupCheck& c : e.setup)
        html += limitRow(c.name, c.limit, c.at == "top" ? QObject::tr("when the hold begins") : QObject::tr("set-up"));
    for (const FaultPlan& f : e.faults) html += limitRow(f.name, f.limit, whenCounted(f.counts));
    html += QStringLiteral("</table><p style='margin:6px 0 0 0'>");
    html += QObject::tr("Marks: ");
    QStringList marks;
    for (const std::string& l : e.landmarksNeeded) marks << text(landmarkWords(l));
    return html + marks.join(QStringLiteral(", ")) + QStringLiteral("</p>");
}

QString faultsAndCues(const Exercise& e) {
    QString html = heading(QObject::tr("Faults, what causes them, and what to say"));
    for (const FaultPlan& f : e.faults) {
        html += QStringLiteral("<p style='margin:8px 0 2px 0'><b>%1</b>").arg(text(f.name));
        QStringList causes;
        for (const std::string& id : f.causedBy) causes << inLine(text(e.nameOf(id)));
        if (!causes.isEmpty()) html += QObject::tr(" – follows from %1").arg(causes.join(QStringLiteral(", ")));
        html += QStringLiteral("</p><table cellspacing='0' cellpadding='1'>");
        for (const Cue& c : f.cues)
            html += QStringLiteral("<tr><td style='color:%1'>%2&nbsp;&nbsp;&nbsp;</td><td>%3</td></tr>")
                        .arg(colours().ink2.name(), said("cue-level." + c.level).toHtmlEscaped(), text(c.text));
        html += QStringLiteral("</table>");
    }
    return html;
}

QString ladderAndDose(const Exercise& e) {
    QString html = heading(QObject::tr("Ladder, easiest first")) + QStringLiteral("<ol style='margin:0 0 0 -16px'>");
    for (const Version& r : e.ladder)
        html += QStringLiteral("<li>%1%2: %3</li>")
                    .arg(text(r.name), r.id == e.startVersion ? QObject::tr(" (begins here)") : QString(),
                         text(r.criterion));
    html += QStringLiteral("</ol>") + heading(QObject::tr("Dose"));
    QString dose = counted(e.dose.sets, QObject::tr("round"), QObject::tr("rounds"));
    if (e.dose.reps) dose += QObject::tr(" of %1 to %2").arg(*e.dose.reps).arg(*e.dose.repsMax);
    if (e.dose.hold_s)
        dose += QObject::tr(", held for %1, at most %2")
                    .arg(reading(*e.dose.hold_s, "s", 0, false), reading(e.dose.holdCap_s, "s", 0, false));
    dose +=
        e.dose.daysPerWeek == 7 ? QObject::tr(", every day") : QObject::tr(", %1 days a week").arg(e.dose.daysPerWeek);
    return html + QStringLiteral("<p style='margin:0'>%1</p>").arg(dose);
}

QString list(const QString& title, const std::vector<std::string>& lines) {
    if (lines.empty()) return {};
    QString html = heading(title);
    for (const std::string& l : lines) html += QStringLiteral("<p style='margin:0 0 2px 0'>%1</p>").arg(text(l));
    return html;
}

QString schoolsAndFlags(const Catalogue& catalogue, const Exercise& e) {
    QString html = heading(QObject::tr("Schools"));
    for (const SchoolsAnswer& a : e.schools)
        if (const SchoolQuestion* q = catalogue.schools().find(a.question)) {
            QStringList names;
            for (const SchoolChoice& c : q->choices) {
                const bool has =
                    a.choices.empty() || c.id == a.defaultChoice ||
                    std::any_of(a.choices.begin(), a.choices.end(), [&](const auto& own) { return own.id == c.id; });
                if (has)
                    names << (c.id == a.defaultChoice ? QStringLiteral("<b>%1</b>") : QStringLiteral("%1"))
                                 .arg(inLine(text(c.name)));
            }
            html += QStringLiteral("<p style='margin:0 0 2px 0'>%1: %2</p>")
                        .arg(text(q->name), names.join(QStringLiteral(", ")));
        }
    QStringList locked;
    for (const auto& [id, flag] : catalogue.safety().flags)
        if (!locksOf(catalogue, e, {}, {id}, {}).empty()) locked << text(flag.name);
    if (!locked.isEmpty())
        html += heading(QObject::tr("Waits until its readiness list is confirmed")) +
                QStringLiteral("<p style='margin:0'>%1</p>").arg(locked.join(QStringLiteral(", ")));
    return html;
}

} // namespace

QString exercisePage(const Catalogue& catalogue, const Exercise& e) {
    QString html = measured(e) + list(QObject::tr("For the coach"), e.notes) + ladderAndDose(e) + faultsAndCues(e) +
                   schoolsAndFlags(catalogue, e);
    html += heading(QObject::tr("Felt where"));
    for (const FeltPlace& f : e.felt)
        html += QStringLiteral("<p style='margin:0 0 2px 0'>%1: %2</p>").arg(text(f.name), text(f.means));
    std::vector<std::string> cautions = e.cautions;
    cautions.insert(cautions.begin(), e.stopRule);
    html += list(QObject::tr("Cautions and stop rule"), cautions) + list(QObject::tr("How to film it"), e.filming);
    return html;
}

} // namespace deft::ui
