// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/client/client_record.h"

#include "app/theme/words.h"
#include <algorithm>

namespace deft::ui {

void ClientRecord::show(int64_t client, const std::string& exercise) {
    clients_ = library_.clients();
    const auto is = [&](const Client& c) { return c.id == client; };
    auto found = std::find_if(clients_.begin(), clients_.end(), is);
    if (found == clients_.end()) found = clients_.begin();
    client_ = found == clients_.end() ? Client() : *found;
    clips_ = isEmpty() ? std::vector<Clip>() : library_.clipsOf(client_.id);
    exercises_.clear();
    for (const Clip& c : clips_) {
        auto it = std::find_if(exercises_.begin(), exercises_.end(),
                               [&](const Practised& p) { return p.id == c.draft.exercise; });
        if (it == exercises_.end()) {
            const auto e = library_.catalogue()->exercise(c.draft.exercise);
            it = exercises_.insert(exercises_.end(),
                                   {c.draft.exercise, spoken(e ? e->name : c.draft.exercise), 0, 0, {}});
        }
        ++(c.filed ? it->reviews : it->waiting);
        it->last = std::max(it->last, c.received);
    }
    std::stable_sort(exercises_.begin(), exercises_.end(),
                     [](const Practised& a, const Practised& b) { return a.last > b.last; });
    exercise_ = exercise;
    if (exerciseIndex() < 0) exercise_ = exercises_.empty() ? std::string() : exercises_.front().id;
    tell();
}

void ClientRecord::tell() {
    story_.reset();
    review_ = -1;
    if (const Clip* newest = newestClip()) {
        // As the last review read it; one that waits may have other schools, but is not told of here yet.
        const Clip* read = newest;
        for (const Clip& c : clips_)
            if (c.filed && c.draft.exercise == exercise_ && (!read->filed || c.id > read->id)) read = &c;
        const CataloguePtr catalogue = library_.catalogue();
        if (auto exercise = exerciseOf(*catalogue, read->draft))
            story_ = tellStory(*catalogue, *exercise, library_.filed(client_.id, exercise_), client_.flags,
                               read->draft.cleared);
    }
    if (const Clip* newest = newestClip(); story_ && newest && !newest->filed) story_->asked = newest->draft.asked;
    if (story_) review_ = int(story_->reviews.size()) - 1;
    emit changed();
}

int ClientRecord::exerciseIndex() const {
    for (size_t i = 0; i < exercises_.size(); ++i)
        if (exercises_[i].id == exercise_) return int(i);
    return -1;
}

void ClientRecord::chooseExercise(int index) {
    if (index < 0 || index >= int(exercises_.size()) || index == exerciseIndex()) return;
    exercise_ = exercises_[size_t(index)].id;
    tell();
}

void ClientRecord::stepExercise(int by) { chooseExercise(exerciseIndex() + by); }

void ClientRecord::stepClient(int by) {
    for (size_t i = 0; i < clients_.size(); ++i)
        if (clients_[i].id == client_.id) {
            const int next = int(i) + by;
            if (next >= 0 && next < int(clients_.size())) show(clients_[size_t(next)].id);
            return;
        }
}

void ClientRecord::chooseReview(int index) {
    if (!story_ || index < 0 || index >= int(story_->reviews.size())) return;
    review_ = index;
    emit changed();
}

const FiledReview* ClientRecord::chosenReview() const {
    return story_ && review_ >= 0 ? &story_->reviews[size_t(review_)] : nullptr;
}

const Clip* ClientRecord::newestClip() const {
    const Clip* newest = nullptr;
    for (const Clip& c : clips_)
        if (c.draft.exercise == exercise_ && (!newest || c.id > newest->id)) newest = &c;
    return newest;
}

std::string ClientRecord::since() const {
    std::string first;
    for (const Clip& c : clips_)
        if (first.empty() || c.received < first) first = c.received;
    return first;
}

Result<void> ClientRecord::keep(const Written& written) {
    if (!written.name.empty() && written.name != client_.name)
        if (auto ok = library_.rename(client_.id, written.name); !ok) return ok;
    if (written.wants != client_.wants || written.address != client_.address)
        if (auto ok = library_.setAbout(client_.id, written.wants, written.address); !ok) return ok;
    if (auto ok = library_.setLanguage(client_.id, written.language); !ok) return ok;
    if (auto ok = library_.setFlags(client_.id, written.flags); !ok) return ok;
    if (written.consent)
        if (auto ok = library_.recordConsent(client_.id, *written.consent); !ok) return ok;
    if (written.samePerson != 0) {
        if (auto ok = library_.merge(client_.id, written.samePerson); !ok) return ok;
        show(written.samePerson, exercise_);
        return {};
    }
    refresh();
    return {};
}

} // namespace deft::ui

#include "moc_client_record.cpp"
