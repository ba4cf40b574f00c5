// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "store/library.h"

#include <QDate>

namespace deft::ui {

/// Where the demo's clips and its list lie. Empty when they are not installed.
std::filesystem::path demoFolder();

/// Fills an empty library from demo/library.json: clients, clips that wait, and reviews filed before.
/// @param today the days of the list are moved so that its own "today" falls on this one
Result<void> fillDemo(Library& library, const QDate& today);

/// How far the days of a demo's list lie from today. @errors BadFormat
Result<qint64> demoShift(const Json& list, const QDate& today);
/// A day of the list, moved; empty stays empty.
std::string shiftedDay(const std::string& iso, qint64 days);

} // namespace deft::ui
