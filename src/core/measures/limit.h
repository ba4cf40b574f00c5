// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <cstdint>
#include <optional>
#include <string>
#include <vector>

namespace deft {

/// Where a number comes from.
enum class Origin { CommonPractice, ChosenHere, Published, Coach };
const char* originWords(Origin origin);

/// The phases of a rep in which something counts.
struct Phases {
    bool out = true, hold = true, back = true;
};

/// What a reading with its 95 % band says about a limit.
enum class Verdict { In, Out, CannotTell };

/// The values that a measure should keep to: from `low`, up to `high`, or between both. How far outside a value lies,
/// which of several is the worst and whether that is certain is said here and nowhere else: findings, readings, rep
/// sheet, history and letter all ask this.
struct Limit {
    std::string measure;
    std::optional<double> low{}, high{}; ///< in `unit`
    std::string unit{};
    Origin origin = Origin::ChosenHere;
    std::string source{}; ///< for Published

    bool operator==(const Limit&) const = default;
    bool isSet() const { return low || high; }
    /// How far outside (> 0) or inside (≤ 0) a value is, in its unit. Without limits −∞; NaN for a gap.
    double excess(double value) const;
    /// The end that a value has passed, or would pass first. NaN without limits.
    double endAt(double value) const;
    /// From end to end, or from nought to the only end: what an excess of any measure can be compared with. Never 0.
    double width() const;
    /// Is a value worse than another? A gap is worse than nothing, and everything is worse than a gap.
    bool isWorse(double value, double than) const;
    /// Place of the worst value, the first of equal ones; -1 when all are gaps.
    int64_t worst(const std::vector<double>& values) const;
    /// Out or In only where the limit lies outside of the band: value ± u95. A gap is CannotTell.
    Verdict verdict(double value, double u95) const;
};

} // namespace deft
