// SPDX-License-Identifier: GPL-3.0-or-later
#include "events/breath_sound.h"

#include <algorithm>
#include <cmath>
#include <unsupported/Eigen/FFT>

namespace deft {
namespace {

// All chosen here, on made breaths in room noise (tests/events/breath_sound_test.cpp has what they find and miss).
constexpr double kWindow_s = 0.064, kStep_s = 0.02; // of a spectrum
constexpr double kLow_Hz = 300, kHigh_Hz = 3000;    // where breath is
constexpr double kSmooth_s = 0.2;                   // of the level
constexpr double kFloorShare = 0.2;                 // of the clip that is at most as loud as the room alone
constexpr double kBegins_dB = 5, kEnds_dB = 2;      // over the room
constexpr double kBetween_dB = 6;                   // that it falls and rises between two breaths
constexpr double kShortestBreath_s = 0.35, kLongestBreath_s = 5; // of a breath
constexpr int kBands = 8;                         // of the flatness: a mouth shapes the whole, a pitch each part
constexpr double kLeastFlatness = 0.4;            // of noise 0.56 (of exponentially distributed powers: e^-γ)
constexpr double kPair_s = 1.2, kLouder_dB = 1.5; // a breath in stands before a louder one out

struct Heard {
    double level_dB = 0, flatness = 0;
};

/// Level of the band, and flatness (geometric over arithmetic mean of power) of its parts, of each step.
std::vector<Heard> spectra(const std::vector<float>& samples, double rate) {
    const auto window = size_t(std::lround(kWindow_s * rate)), step = size_t(std::lround(kStep_s * rate));
    std::vector<Heard> out;
    Eigen::FFT<float> fft;
    std::vector<float> piece(window);
    std::vector<std::complex<float>> spectrum;
    const auto low = size_t(kLow_Hz * double(window) / rate), high = size_t(kHigh_Hz * double(window) / rate);
    for (size_t from = 0; from + window <= samples.size(); from += step) {
        for (size_t i = 0; i < window; ++i) // Hann
            piece[i] = samples[from + i] * float(0.5 - 0.5 * std::cos(2 * M_PI * double(i) / double(window)));
        fft.fwd(spectrum, piece);
        double whole = 0, flatness = 0;
        const size_t bins = (high - low) / kBands;
        for (size_t band = 0; band < kBands; ++band) {
            double sum = 0, logs = 0;
            for (size_t k = low + band * bins; k < low + (band + 1) * bins; ++k) {
                const double power = double(std::norm(spectrum[k])) + 1e-12;
                sum += power, logs += std::log(power);
            }
            whole += sum;
            flatness += std::exp(logs / double(bins)) / (sum / double(bins)) / kBands;
        }
        out.push_back({10 * std::log10(whole / double(bins * kBands)), flatness});
    }
    return out;
}

/// First and last step of each swell within a stretch: where it falls and rises again is the end of one.
std::vector<std::pair<size_t, size_t>> swells(const std::vector<double>& level, size_t from, size_t to) {
    std::vector<std::pair<size_t, size_t>> out;
    size_t begin = from, top = from, bottom = from;
    bool falling = false;
    for (size_t i = from; i <= to; ++i) {
        if (!falling) {
            if (level[i] > level[top]) top = i;
            if (level[i] < level[top] - kBetween_dB) falling = true, bottom = i;
        } else {
            if (level[i] < level[bottom]) bottom = i;
            if (level[i] > level[bottom] + kBetween_dB) {
                out.emplace_back(begin, bottom);
                begin = bottom, top = i, falling = false;
            }
        }
    }
    out.emplace_back(begin, to);
    return out;
}

double quantile(std::vector<double> values, double share) {
    const auto at = values.begin() + std::ptrdiff_t(share * double(values.size() - 1));
    std::nth_element(values.begin(), at, values.end());
    return *at;
}

} // namespace

BreathSound hearBreath(const std::vector<float>& samples, double rate) {
    BreathSound out;
    const std::vector<Heard> heard = spectra(samples, rate);
    if (heard.empty()) return out;
    out.rate_Hz = 1 / kStep_s;
    const auto half = std::ptrdiff_t(std::lround(kSmooth_s / kStep_s / 2));
    const auto n = std::ptrdiff_t(heard.size());
    for (std::ptrdiff_t i = 0; i < n; ++i) { // median, so that a knock does not spread
        std::vector<double> near;
        for (std::ptrdiff_t k = std::max<std::ptrdiff_t>(0, i - half); k <= std::min(n - 1, i + half); ++k)
            near.push_back(heard[size_t(k)].level_dB);
        out.level.push_back(quantile(near, 0.5));
    }
    const double room = quantile(out.level, kFloorShare);
    for (double& level : out.level) level = std::max(0.0, level - room);

    struct Breath {
        double start_s, end_s, loud_dB;
    };
    std::vector<Breath> breaths;
    for (size_t i = 0; i < out.level.size(); ++i) {
        if (out.level[i] < kBegins_dB) continue;
        size_t from = i, to = i;
        while (from > 0 && out.level[from - 1] >= kEnds_dB) --from;
        while (to + 1 < out.level.size() && out.level[to + 1] >= kEnds_dB) ++to;
        for (const auto& [first, last] : swells(out.level, from, to)) {
            std::vector<double> flat(last - first + 1);
            for (size_t k = first; k <= last; ++k) flat[k - first] = heard[k].flatness;
            const double length = double(last - first + 1) * kStep_s;
            if (length >= kShortestBreath_s && length <= kLongestBreath_s && quantile(flat, 0.5) >= kLeastFlatness)
                breaths.push_back({double(first) * kStep_s + kWindow_s / 2, double(last) * kStep_s + kWindow_s / 2,
                                   *std::max_element(out.level.begin() + std::ptrdiff_t(first),
                                                     out.level.begin() + std::ptrdiff_t(last) + 1)});
        }
        i = to + 1;
    }
    for (size_t i = 0; i < breaths.size(); ++i) {
        const bool isIn = i + 1 < breaths.size() && breaths[i + 1].start_s - breaths[i].end_s < kPair_s &&
                          breaths[i + 1].loud_dB > breaths[i].loud_dB + kLouder_dB;
        if (!isIn) out.proposed.push_back({breaths[i].start_s, true});
    }
    return out;
}

} // namespace deft
