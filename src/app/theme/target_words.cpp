// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/theme/target_words.h"

#include "app/theme/words.h"

#include <QObject>

namespace deft::ui {

QString targetWords(const Exercise& e, const Target& t) {
    QString words = QStringLiteral("%1 × ").arg(t.sets);
    if (t.reps.value_or(1) > 1 || !t.hold_s)
        words += counted(t.reps.value_or(1), shortNoun(e.words.one), shortNoun(e.words.many));
    if (t.hold_s)
        words += (t.reps.value_or(1) > 1 ? QStringLiteral(" × ") : QString()) + reading(*t.hold_s, "s", 0, false);
    if (t.range) words += QObject::tr(", up to %1").arg(reading(*t.range, measureUnit(e.mover.measure), 0, false));
    return words;
}

QString nameWords(const Exercise& e, const std::string& version) {
    const int at = e.versionIndex(version);
    const QString name = spoken(e.name), own = at < 0 ? QString() : spoken(e.ladder[size_t(at)].name);
    return own.isEmpty() || name.startsWith(own) ? name : QObject::tr("%1: %2").arg(name, own);
}

QString sideWords(const std::string& side) {
    return side == "left" ? QObject::tr("left") : side == "right" ? QObject::tr("right") : QString::fromStdString(side);
}

QString stepWords(const std::string& step) {
    if (step == "stop") return QObject::tr("stop and refer");
    if (step == "ask-again") return QObject::tr("ask for the clip again");
    if (step == "back") return QObject::tr("one step back");
    if (step == "up") return QObject::tr("one step up");
    return QObject::tr("stay on this version");
}

} // namespace deft::ui
