// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/theme/consent_words.h"

#include "app/theme/words.h"

#include <QObject>
#include <QStringList>

namespace deft::ui {

QString consentWords(const SafetyRules& rules, const std::optional<Consent>& consent) {
    if (!consent) return QObject::tr("none on record");
    if (consent->scopes.empty()) return QObject::tr("withdrawn %1").arg(dayAndYear(consent->given));
    QStringList names;
    for (const auto& [id, name] : rules.consent)
        if (consent->covers(id)) names << spoken(name);
    return QObject::tr("%1: %2").arg(dayAndYear(consent->given), names.join(QStringLiteral("; ")));
}

QString keptWords(const std::optional<Consent>& consent, const std::string& today) {
    const QString day = consent ? dayAndYear(consent->until) : QString();
    if (day.isEmpty()) return QObject::tr("no day set");
    return consent->isOver(today) ? QObject::tr("kept until %1: that day is over, erase them").arg(day)
                                  : QObject::tr("kept until %1").arg(day);
}

QString consentTrouble(const std::optional<Consent>& consent, const std::string& today) {
    if (!consent) return QObject::tr("No consent is on record.");
    if (!consent->covers("coaching"))
        return consent->scopes.empty() ? QObject::tr("Consent was withdrawn.")
                                       : QObject::tr("There is no consent to keeping and measuring clips.");
    return consent->isOver(today) ? QObject::tr("Videos were to be kept until %1.").arg(dayAndYear(consent->until))
                                  : QString();
}

} // namespace deft::ui
