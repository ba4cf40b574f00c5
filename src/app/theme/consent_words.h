// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "records/consent.h"

#include <QString>
#include <optional>

namespace deft::ui {

/// What a client has agreed to and when: "12 Mar 2026: clips are kept …", "none on record", "withdrawn 1 May 2026".
QString consentWords(const SafetyRules& rules, const std::optional<Consent>& consent);
/// How long videos are kept: "kept until 12 Sep 2026", "no day set". @param today ISO
QString keptWords(const std::optional<Consent>& consent, const std::string& today);
/// What the coach has to see to; empty when there is nothing. @param today ISO
QString consentTrouble(const std::optional<Consent>& consent, const std::string& today);

} // namespace deft::ui
