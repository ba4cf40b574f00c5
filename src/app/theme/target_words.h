// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "judgement/decision.h"

#include <QString>

namespace deft::ui {

/// "3 × 5 s, lift to 34 %" and the like.
QString targetWords(const Exercise& exercise, const Target& target);
/// "Bridge, both feet: Bridge with longer holds", see nameWithVersion().
QString nameWords(const Exercise& exercise, const std::string& version);
/// "left", "right"; what is neither stays.
QString sideWords(const std::string& side);
/// A step for people: "stay on this version".
QString stepWords(const std::string& step);

} // namespace deft::ui
