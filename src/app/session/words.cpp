#include "app/session/words.h"

#include "app/theme/words.h"

#include <QObject>

namespace deft::ui {

QString targetWords(const Exercise& e, const Target& t) {
    QString words = QStringLiteral("%1 × ").arg(t.sets);
    if (t.hold_s)
        words += reading(*t.hold_s, "s", 0, false);
    else
        words += counted(t.reps.value_or(1), QObject::tr("rep"), QObject::tr("reps"));
    if (t.range) words += QObject::tr(", lift to %1").arg(reading(*t.range, measureUnit(e.moverMeasure), 0, false));
    return words;
}

QString stepWords(const std::string& step) {
    if (step == "stop") return QObject::tr("stop and refer");
    if (step == "ask-again") return QObject::tr("ask for the clip again");
    if (step == "back") return QObject::tr("one step back");
    if (step == "up") return QObject::tr("one step up");
    return QObject::tr("stay on this rung");
}

} // namespace deft::ui
