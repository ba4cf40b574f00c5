// SPDX-License-Identifier: GPL-3.0-or-later
#include "records/filed_review.h"

namespace deft {

const Reading* FiledReview::find(const std::string& measure, const std::string& stat) const {
    for (const Reading& r : readings)
        if (r.measure == measure && r.stat == stat) return &r;
    return nullptr;
}

} // namespace deft
