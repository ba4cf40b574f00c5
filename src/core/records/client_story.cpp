// SPDX-License-Identifier: GPL-3.0-or-later
#include "records/client_story.h"

#include <algorithm>

namespace deft {
namespace {

/// A reading of the last review, with those of the reviews before it.
OverTime ofReading(const ClientStory& story, const Reading& last) {
    ReadingRow row = toldReading(story.exercise, last.measure, last.stat);
    row.value = last.value, row.u95 = last.u95, row.unit = last.unit;
    const Target& asked = story.reviews.back().past.target;
    if (last.measure == "control_range") row.limit.low = asked.range;
    if (last.measure == "clean_hold") row.limit.low = asked.hold_s;
    std::vector<Visit> earlier;
    for (size_t i = 0; i + 1 < story.reviews.size(); ++i)
        if (const Reading* r = story.reviews[i].find(last.measure, last.stat);
            r && isSameVersion(story.reviews[i].past.version, story.reviews.back().past.version))
            earlier.push_back({story.reviews[i].date, r->value, r->u95});
    return overTime(row, story.reviews.back().date, std::move(earlier));
}

} // namespace

std::vector<PastReview> ClientStory::history() const {
    std::vector<PastReview> past;
    for (const FiledReview& r : reviews) past.push_back(r.past);
    return past;
}

std::optional<Target> ClientStory::now() const {
    if (asked || reviews.empty()) return asked;
    const FiledReview& last = reviews.back();
    return last.next.version.empty() ? last.past.target : last.next;
}

ClientStory tellStory(const Catalogue& catalogue, const Exercise& exercise, std::vector<FiledReview> reviews,
                      const std::vector<std::string>& flags, const std::vector<std::string>& cleared) {
    ClientStory story{exercise, std::move(reviews), {}, {}, {}, {}};
    if (!story.reviews.empty())
        for (const Reading& r : story.reviews.back().readings)
            if (OverTime o = ofReading(story, r); !o.visits.empty()) story.weeks.push_back(std::move(o));
    std::stable_partition(story.weeks.begin(), story.weeks.end(),
                          [](const OverTime& o) { return o.now.stat != "set-up"; });
    story.cues = cueSpells(exercise, story.history());
    story.ladder = ladderStory(catalogue, exercise, story.history(), flags, cleared);
    return story;
}

} // namespace deft
