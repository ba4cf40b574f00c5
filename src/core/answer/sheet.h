// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"

namespace deft {

/// Whom a sheet is for; everything may be empty.
struct SheetReader {
    std::string client, coach;
    std::vector<std::string> flags, cleared; ///< from intake; those whose readiness list is confirmed
    std::string language{};                  ///< the client's; empty = English
};

/// Frame numbers under which the pictures of a sheet ask for the exercise's drawings.
constexpr int64_t kSheetStart = 0, kSheetEnd = 1;

struct Sheet {
    Answer letter;
    Exercise exercise; ///< whose drawings go with it
};

/// What a client needs who has not done an exercise, or this version of it, before: how it begins and goes, how often,
/// where it should be felt, how to film it, when to stop. In the form of an answer, so that it goes out the same ways.
/// A version that has an exercise file of its own is told from that one, with the target that one begins with.
/// @param exercise in the client's schools @errors Unsupported: an intake flag locks it (naming the reason)
Result<Sheet> exerciseSheet(const Catalogue& catalogue, const Exercise& exercise, const Target& target,
                            const SheetReader& reader);

} // namespace deft
