// SPDX-License-Identifier: GPL-3.0-or-later
#include "records/filed_review.h"

#include "readings/readings.h"
#include "review/review_json.h"

#include <cmath>

namespace deft {

const Reading* FiledReview::find(const std::string& measure, const std::string& stat) const {
    for (const Reading& r : readings)
        if (r.measure == measure && r.stat == stat) return &r;
    return nullptr;
}

std::vector<Reading> filedReadings(const Review& review) {
    std::vector<Reading> out;
    for (const ReadingRow& m : readingRows(review))
        if (std::isfinite(m.value)) out.push_back({m.measure, m.stat, m.value, changeU95(m.u95, m.slideU95), m.unit});
    return out;
}

FiledReview asFiled(const Review& review) {
    FiledReview r;
    r.date = review.inputs.date, r.exercise = review.inputs.exercise, r.past = asPast(review);
    r.readings = filedReadings(review);
    r.step = review.decision.step, r.next = review.decision.target;
    r.because = review.decision.because, r.arithmetic = review.decision.arithmetic;
    return r;
}

} // namespace deft
