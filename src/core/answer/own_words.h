// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json_fwd.h"
#include "review/review.h"

namespace deft {

/// A sentence that the coach uses again, as a pattern: {name} (the client's first name), {exercise}, {target}, {day}
/// (of the next clip) and {coach} are filled in where it is used.
struct OwnSentence {
    std::string name, text;
    bool operator==(const OwnSentence&) const = default;
};

/// What the coach has brought to the words of letters.
struct OwnWords {
    std::vector<OwnSentence> sentences; ///< no two of the same name
    std::vector<std::string> spelling;  ///< words that are spelt right, whatever a dictionary says
    bool operator==(const OwnWords&) const = default;
};

/// File format `deft-mirror-own-words` 1 (docs/formats.md).
Json toJson(const OwnWords& words);
/// @errors BadFormat, NewerVersion; those of checkOwnSentence
Result<OwnWords> parseOwnWords(const Json& json, const std::string& where);

/// Can it be filled? @errors BadFormat naming the place that is none, or what is wrong with a brace
Result<void> checkOwnSentence(const std::string& text);
/// The sentence to this review's client, in the client's language. @pre checkOwnSentence()
std::string filledSentence(const std::string& text, const Review& review);
/// A text of a letter as a sentence for all clients: the name of this one becomes {name}, the coach's {coach}.
std::string forEverybody(const std::string& text, const ReviewInputs& inputs);

} // namespace deft
