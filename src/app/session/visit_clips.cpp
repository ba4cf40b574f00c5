// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/visit_clips.h"

#include "app/session/stored_review.h"

#include <algorithm>

namespace deft::ui {

void VisitClips::show(const std::optional<Clip>& open) {
    job_.stop();
    others_.clear();
    if (open && !open->filed) {
        const CataloguePtr catalogue = library_.catalogue();
        for (Clip& clip : library_.visitOf(*open)) {
            if (clip.id == open->id) continue;
            const auto e = catalogue->exercise(clip.draft.exercise);
            std::string name = e ? e->name : clip.draft.exercise;
            others_.push_back({std::move(clip), std::move(name), nullptr});
        }
    }
    emit changed();
    measureNext();
}

void VisitClips::measureNext() {
    const auto next =
        std::find_if(others_.begin(), others_.end(), [](const Other& o) { return o.clip.draft.ready && !o.review; });
    if (next == others_.end()) return;
    job_.run([&library = library_, inputs = next->clip.draft](
                 StopToken stop, const ProgressFn& progress) { return measureStored(library, inputs, stop, progress); },
             [this, id = next->clip.id](Result<Review> review) {
                 for (Other& o : others_) {
                     if (o.clip.id != id) continue;
                     if (review)
                         o.review = std::make_shared<const Review>(std::move(*review));
                     else
                         o.clip.draft.ready = false; // its film has gone, say: it is to be looked at once more
                 }
                 emit changed();
                 measureNext();
             });
}

bool VisitClips::isComplete() const {
    return std::all_of(others_.begin(), others_.end(), [](const Other& o) { return o.review != nullptr; });
}

int VisitClips::open() const {
    return int(std::count_if(others_.begin(), others_.end(), [](const Other& o) { return !o.clip.draft.ready; }));
}

std::vector<std::shared_ptr<const Review>> VisitClips::reviews(int64_t clip, std::shared_ptr<const Review> own) const {
    std::vector<std::pair<int64_t, std::shared_ptr<const Review>>> all = {{clip, std::move(own)}};
    for (const Other& o : others_)
        if (o.review) all.emplace_back(o.clip.id, o.review);
    std::sort(all.begin(), all.end(), [](const auto& a, const auto& b) { return a.first < b.first; });
    std::vector<std::shared_ptr<const Review>> out;
    for (auto& [id, review] : all) out.push_back(std::move(review));
    return out;
}

} // namespace deft::ui

#include "moc_visit_clips.cpp"
