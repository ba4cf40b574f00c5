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

/// Somebody of a demo's list: name, role, wants, consent.
Result<int64_t> addDemoClient(Library& library, const Json& who, qint64 shift, const QDate& today,
                              const std::string& where);
/// A programme as the program itself proposes it from what is filed by `from`, given on that day.
Result<Programme> giveEarlier(Library& library, int64_t client, const std::string& from, const Json& told);
/// On these days everything in it was done. @param days ISO
Result<void> practisedOn(Library& library, int64_t client, const Programme& programme,
                         const std::vector<std::string>& days);

/// How far the days of a demo's list lie from today. @errors BadFormat
Result<qint64> demoShift(const Json& list, const QDate& today);
/// A day of the list, moved; empty stays empty.
std::string shiftedDay(const std::string& iso, qint64 days);

/// Eight weeks of three members more, as the program itself would have lived through them: what they sent is made from
/// scenes without filming them (figure::followedIn), measured, answered and filed one after the other, with the
/// programmes that were given on the way and the days that came home. The clips are not kept: their numbers are.
/// @errors BadFormat, those of the library
Result<void> fillSeason(Library& library, const QDate& today);

} // namespace deft::ui
