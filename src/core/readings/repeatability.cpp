// SPDX-License-Identifier: GPL-3.0-or-later
#include "readings/repeatability.h"

#include "readings/compare.h"
#include "signal/resample.h"

#include <algorithm>
#include <cmath>

namespace deft {
namespace {

constexpr size_t kLeastClips = 3; // limits of agreement need as many

const ReadingRow* find(const ClipReadings& readings, const ReadingRow& wanted) {
    for (const ReadingRow& row : readings)
        if (row.measure == wanted.measure && row.stat == wanted.stat && std::isfinite(row.value)) return &row;
    return nullptr;
}

/// The clips that have this reading in every marking: a row a clip, a column a marking.
std::vector<std::vector<const ReadingRow*>> gathered(const std::vector<std::vector<ClipReadings>>& markings,
                                                     const ReadingRow& wanted) {
    std::vector<std::vector<const ReadingRow*>> clips;
    for (size_t clip = 0; clip < markings[0].size(); ++clip) {
        std::vector<const ReadingRow*> row;
        for (const auto& marking : markings)
            if (const ReadingRow* r = find(marking[clip], wanted)) row.push_back(r);
        if (row.size() == markings.size()) clips.push_back(std::move(row));
    }
    return clips;
}

Repeatability ofReading(const ReadingRow& reading, const std::vector<std::vector<const ReadingRow*>>& clips) {
    Repeatability out;
    out.name = reading.name, out.measure = reading.measure, out.stat = reading.stat, out.unit = reading.unit;
    out.clips = int(clips.size()), out.markings = int(clips[0].size());
    Repeats values;
    std::vector<double> first, second, bands;
    int pairs = 0, within = 0;
    for (const auto& clip : clips) {
        values.emplace_back();
        for (const ReadingRow* r : clip) values.back().push_back(r->value), bands.push_back(r->u95);
        first.push_back(clip[0]->value), second.push_back(clip[1]->value);
        for (size_t a = 0; a < clip.size(); ++a)
            for (size_t b = a + 1; b < clip.size(); ++b, ++pairs)
                within += !isRealChange(clip[a]->value, changeU95(clip[a]->u95, clip[a]->slideU95), clip[b]->value,
                                        changeU95(clip[b]->u95, clip[b]->slideU95));
    }
    if (const auto agreement = limitsOfAgreement(second, first))
        out.bias = agreement->bias, out.limitLow = agreement->low, out.limitHigh = agreement->high;
    const auto squares = meanSquares(values);
    if (!squares) return out;
    out.sem = semAgreement(*squares);
    out.leastChange = minimalDetectableChange(out.sem);
    if (const auto forms = intraclassCorrelations(*squares))
        for (const IntraclassCorrelation& form : *forms)
            if (form.form == "ICC(2,1)") out.icc = form;
    out.band = medianOf(bands);
    out.explained = double(within) / double(pairs);
    return out;
}

} // namespace

Result<std::vector<Repeatability>> repeatability(const std::vector<std::vector<ClipReadings>>& markings) {
    if (markings.size() < 2) return fail(Errc::TooShort, "repeatability needs the same clips marked at least twice");
    for (const auto& marking : markings)
        if (marking.size() != markings[0].size())
            return fail(Errc::BadFormat, "the markings are not of the same clips");
    if (markings[0].size() < kLeastClips)
        return fail(Errc::TooShort, "repeatability needs at least three clips that were marked twice");
    std::vector<Repeatability> out;
    const auto known = [&](const ReadingRow& r) {
        return std::any_of(out.begin(), out.end(),
                           [&](const Repeatability& o) { return o.measure == r.measure && o.stat == r.stat; });
    };
    for (const ClipReadings& clip : markings[0])
        for (const ReadingRow& reading : clip) {
            if (known(reading)) continue;
            if (const auto clips = gathered(markings, reading); clips.size() >= kLeastClips)
                out.push_back(ofReading(reading, clips));
        }
    return out;
}

} // namespace deft
