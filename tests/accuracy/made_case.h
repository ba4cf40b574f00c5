// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// A made clip is measured twice: from the followed marks and from the projected true points.

#include "base/json.h"
#include "figure/film.h"
#include "review/review.h"
#include "support/catalogue.h"
#include "support/table.h"
#include "tracking/track_clip.h"
#include "video/clip_reader.h"

#include <algorithm>

namespace deft::test {

/// One entry of cases.json.
struct MadeCase {
    std::string clip, title, exercise, side;
};
inline std::vector<MadeCase> readCases(const std::filesystem::path& file) {
    std::vector<MadeCase> cases;
    const Json all = readJsonFile(file).value();
    for (const Json& j : all) cases.push_back({j.at("clip"), j.at("title"), j.at("exercise"), j.at("side")});
    return cases;
}

/// The true, projected place of every marked landmark in every frame.
inline Tracks truthTracks(const std::filesystem::path& clip, const Marks& marks, const ClipInfo& info) {
    const Table t = readTable(std::filesystem::path(clip).replace_extension(".truth.csv").string());
    Tracks out;
    out.time_s = info.time_s;
    for (const std::string& name : marks.landmarks())
        for (size_t i = 0; i < t.rows; ++i)
            out.landmark[name].push_back(
                {{t[name + "_x"][i], t[name + "_y"][i]}, 0.02, i == 0 ? PointState::ByHand : PointState::Seen});
    return out;
}

struct TwoReviews {
    Review seen, truth;
};
inline TwoReviews measureTwice(const std::filesystem::path& clip, ReviewInputs in) {
    in.clipPath = clip.string();
    auto reader = ClipReader::open(clip).value();
    in.marks = readMarks(std::filesystem::path(clip).replace_extension(".marks.json")).value();
    Tracks tracks = trackClip(reader, in.marks).value();
    const Tracks truth = truthTracks(clip, in.marks, reader.info());
    return {measureReview(shippedCatalogue(), in, reader.info(), std::move(tracks)).value(),
            measureReview(shippedCatalogue(), in, reader.info(), truth).value()};
}

/// Errors of one kind of thing, gathered from wherever it occurs.
struct Errors {
    std::vector<double> off;
    size_t inside = 0, asked = 0;

    void add(double error, bool insideBand) { off.push_back(error), inside += insideBand, ++asked; }
    void missed() { ++asked; } ///< not measured
    void add(const Errors& e) {
        off.insert(off.end(), e.off.begin(), e.off.end());
        inside += e.inside, asked += e.asked;
    }
    double rms() const {
        double sum = 0;
        for (const double v : off) sum += v * v;
        return std::sqrt(sum / double(std::max<size_t>(1, off.size())));
    }
    double bias() const {
        double sum = 0;
        for (const double v : off) sum += v;
        return sum / double(std::max<size_t>(1, off.size()));
    }
    double p95() const {
        std::vector<double> a;
        for (const double v : off) a.push_back(std::abs(v));
        if (a.empty()) return std::nan("");
        std::sort(a.begin(), a.end());
        return a[size_t(0.95 * double(a.size() - 1))];
    }
    double coverage() const { return double(inside) / double(std::max<size_t>(1, off.size())); }
    double measured() const { return double(off.size()) / double(std::max<size_t>(1, asked)); }
};

inline Errors errorsOf(const Series& seen, const Series& truth) {
    Errors e;
    for (size_t i = 0; i < seen.value.size(); ++i) {
        if (!std::isfinite(truth.value[i])) continue;
        if (!std::isfinite(seen.value[i])) {
            e.missed();
            continue;
        }
        const double off = seen.value[i] - truth.value[i], shortest = seen.unit == "deg" ? wrapDeg(off) : off;
        e.add(shortest, std::abs(shortest) <= seen.u95[i]);
    }
    return e;
}

inline Errors errorsOf(const Review& seen, const Review& truth, const std::string& measure) {
    const Series *s = seen.series().find(measure), *t = truth.series().find(measure);
    return s && t ? errorsOf(*s, *t) : Errors{};
}

/// Distances of a landmark from its true place while it is told to be in a state; inside the 95 % circle of its band
/// (2.448 standard deviations: two axes, the same in each).
inline Errors errorsOf(const Review& seen, const Review& truth, const std::string& landmark, PointState state) {
    Errors e;
    const auto &s = seen.tracks().landmark.at(landmark), &t = truth.tracks().landmark.at(landmark);
    for (size_t i = 0; i < s.size(); ++i) {
        if (s[i].state != state) continue;
        const double off = (s[i].at - t[i].at).norm();
        e.add(off, off <= 2.448 * s[i].sd);
    }
    return e;
}

} // namespace deft::test
