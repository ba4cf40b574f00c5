// SPDX-License-Identifier: GPL-3.0-or-later
#include "video/voice.h"

#include <ebur128.h>
#include <memory>

namespace deft {
namespace {

constexpr double kLoudness = -16; // LUFS

/// Of the whole, by EBU R 128. Infinite below what is heard, or shorter than 0.4 s.
double loudness(const Sound& sound) {
    struct End {
        void operator()(ebur128_state* s) const { ebur128_destroy(&s); }
    };
    const std::unique_ptr<ebur128_state, End> state(ebur128_init(1, kSoundRate_Hz, EBUR128_MODE_I));
    double loud = -HUGE_VAL;
    if (state && ebur128_add_frames_float(state.get(), sound.data(), sound.size()) == EBUR128_SUCCESS)
        (void)ebur128_loudness_global(state.get(), &loud);
    return loud;
}

} // namespace

Result<Voice> readyVoice(const Sound& recorded, int rate_Hz) {
    const auto block = size_t(rate_Hz / 50);
    constexpr double kLeast_dB = -60, kLeastContrast_dB = 12, kBefore_s = 0.15, kAfter_s = 0.3;
    std::vector<double> level_dB;
    for (size_t from = 0; from + block <= recorded.size(); from += block) {
        double sum = 1e-12;
        for (size_t i = from; i < from + block; ++i) sum += double(recorded[i]) * recorded[i];
        level_dB.push_back(10 * std::log10(sum / double(block)));
    }
    std::vector<double> sorted = level_dB;
    std::sort(sorted.begin(), sorted.end());
    if (sorted.empty() || sorted[sorted.size() * 95 / 100] < kLeast_dB)
        return fail(Errc::NotFound, "nothing was heard; is the microphone muted?");
    // Half way between the room and the voice. A room as loud as what is said is not cut.
    const double room = sorted[sorted.size() / 10], said = sorted[sorted.size() * 95 / 100];
    size_t first = 0, last = level_dB.size();
    if (said - room >= kLeastContrast_dB) {
        const auto isSaid = [&](double level) { return level > (room + said) / 2; };
        first = size_t(std::find_if(level_dB.begin(), level_dB.end(), isSaid) - level_dB.begin());
        last = size_t(level_dB.rend() - std::find_if(level_dB.rbegin(), level_dB.rend(), isSaid));
    }
    const auto at = [&](size_t number, double more_s) {
        return size_t(std::clamp(double(number * block) + more_s * rate_Hz, 0.0, double(recorded.size())));
    };
    const size_t from = at(first, -kBefore_s), to = at(last, kAfter_s);
    const Sound cut(recorded.begin() + std::ptrdiff_t(from), recorded.begin() + std::ptrdiff_t(to));
    auto plain = filtered(cut, "highpass=f=80", rate_Hz);
    if (!plain) return tl::unexpected(plain.error());
    const double loud = loudness(*plain);
    if (!std::isfinite(loud)) return fail(Errc::NotFound, "nothing was heard; is the microphone muted?");
    const auto gain = float(std::pow(10, (kLoudness - loud) / 20));
    for (float& v : *plain) v *= gain;
    return filtered(*plain, "alimiter=limit=79/100:level=0").map([&](Sound sound) {
        return Voice{std::move(sound), double(from) / rate_Hz};
    });
}

} // namespace deft
