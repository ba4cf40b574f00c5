// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <chrono>
#include <optional>
#include <string>

namespace deft {

/// A day from "2026-05-14"; nothing when it is no such day.
std::optional<std::chrono::sys_days> parseDate(const std::string& iso);
std::string isoDate(std::chrono::sys_days day);
std::string dayInWords(std::chrono::sys_days day); ///< "Thursday 14 May"

} // namespace deft
