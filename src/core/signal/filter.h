// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Zero-lag smoothing of evenly sampled signals.

#include "base/result.h"

#include <vector>

namespace deft {

/// Second-order section, a0 = 1, with its steady start (direct form II transposed).
struct Biquad {
    double b0, b1, b2, a1, a2;
    double z0, z1; ///< filter state after an endless input of 1
};

/// Low-pass by the bilinear transformation; a Butterworth filter of any even order is a chain of them.
/// @param w tan(π fc/fs) of the cutoff @param q of the pair of poles: √½ alone is Butterworth's second order
Biquad lowPassSection(double w, double q);

/// Second-order Butterworth low-pass for two passes (forward and backward): −3 dB lies at `cutoffHz` after BOTH.
/// The correction divides tan(π fc/fs) by (√2−1)^¼ = 0.8022 as in Winter, Biomechanics and Motor Control of Human
/// Movement, 4th ed. 2009, ch. 3 (0.802 there); dividing the frequency in hertz over-corrects near the Nyquist
/// frequency.
/// @errors OutOfRange (cutoff not between 0 and half the sample rate)
Result<Biquad> dualPassButterworth(double cutoffHz, double sampleRateHz);

/// Number of samples that the filter pads at each end, by odd reflection about the end sample.
constexpr size_t kFilterPadding = 9;

/// Forward and backward pass. @errors TooShort (needs more than kFilterPadding samples), NotFinite (a gap)
Result<std::vector<double>> filterBothWays(const Biquad& filter, const std::vector<double>& x);

/// Winter's residual analysis: RMS residual at each cutoff, a straight line through the residuals from `lineFromHz` up,
/// and the cutoff at which the residual first equals the line's intercept. Returned within [minHz, maxHz].
/// @errors TooShort, NotFinite
struct ResidualOptions {
    double lineFromHz = 12, lineToHz = 25, stepHz = 0.5;
    double minHz = 3, maxHz = 10;
};
Result<double> residualCutoffHz(const std::vector<double>& x, double sampleRateHz, const ResidualOptions& options = {});

/// Smooths an unevenly sampled series with gaps: every stretch between gaps is brought to an even time base of its own
/// median step, filtered there and read back at its own times. Gaps stay gaps; a stretch too short to filter is kept.
/// @param time_s rising; @param x NaN = gap; @param cutoffHz 0 = by residual analysis of the longest stretch
std::vector<double> smoothed(const std::vector<double>& time_s, const std::vector<double>& x, double cutoffHz = 0);

} // namespace deft
