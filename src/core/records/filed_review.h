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
    std::vector<std::string> because, arithmetic;
    const Reading* find(const std::string& measure, const std::string& stat) const; ///< null where it has none
};

} // namespace deft
