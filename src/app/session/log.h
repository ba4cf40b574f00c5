// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QLoggingCategory>
#include <exception>
#include <filesystem>

namespace deft::ui {

/// What went wrong inside of the program, for whoever looks after it; no names and nothing of anybody's health.
Q_DECLARE_LOGGING_CATEGORY(lcWork)

/// What was thrown, as it may be logged: its kind alone, since its words may quote a client's file.
const char* kindOf(const std::exception& e);

/// The log of this user, in the state folder ($XDG_STATE_HOME, else ~/.local/state); error messages point to it.
std::filesystem::path logFile();
/// From now on what is logged under lcWork goes into that file, too, with its time (UTC). It keeps at most kLogBytes,
/// and as much again of what came before in logFile().1. A folder that cannot be written stops nothing.
void keepLog();
constexpr qint64 kLogBytes = 256 * 1024;

} // namespace deft::ui
