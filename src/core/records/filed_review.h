// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "review/review.h"

namespace deft {

struct Reading {
    std::string measure, stat; ///< as in ReadingRow
    double value = 0, u95 = 0;
    std::string unit;
};

/// What is kept of a review that was answered.
struct FiledReview {
    int64_t id = 0, clip = 0;
    std::string date, exercise;
    PastReview past;
    std::vector<Reading> readings;
    std::string answerText;
    /// What was decided; cues and cautions stand in `past` and in the answer.
    std::string step;
    Target next;
    Messages because, arithmetic;                                                   ///< of before: sentences in English
    const Reading* find(const std::string& measure, const std::string& stat) const; ///< null where it has none
};

/// What is filed of a review's readings: those that could be told, with the bands of a change between two clips.
std::vector<Reading> filedReadings(const Review& review);
/// A review as filing it keeps it, but for its number, its clip and its answer's text.
FiledReview asFiled(const Review& review);

} // namespace deft
