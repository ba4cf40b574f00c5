// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/proposer.h"

#include "base/json.h"
#include "proposals/check_before.h"
#include "proposals/proposals_json.h"
#include "video/clip_reader.h"

#include <algorithm>

namespace deft::ui {

/// Used by one thread at a time: the job's.
struct Proposer::Network {
    std::optional<Result<KeypointNetwork>> loaded;
    Result<KeypointNetwork>& get() { // tried again when it was not there: it may have been fetched meanwhile
        if (!loaded || !*loaded) loaded.emplace(KeypointNetwork::load(KeypointNetwork::usualPlace()));
        return *loaded;
    }
};

Proposer::Proposer(Library& library, QObject* parent)
    : Backlog(library, "proposing", parent), network_(std::make_shared<Network>()) {}

bool Proposer::needs(const Clip& clip) const {
    if (!clip.draft.marks.frames.empty()) return false;
    const auto kept = library_.cachedProposals(clip.draft);
    std::error_code ec;
    return !kept || (!kept->kept("missing").is_null() && std::filesystem::exists(KeypointNetwork::usualPlace(), ec));
}

void Proposer::start(const Clip& clip) {
    job_.run(
        [clip, context = contextFor(library_, clip), network = network_,
         catalogue = library_.catalogue()](StopToken stop, const ProgressFn& progress) -> Result<Marks> {
            auto reader = ClipReader::open(clip.draft.clipPath, clip.draft.part);
            if (!reader) return tl::unexpected(reader.error());
            const auto exercise = exerciseOf(*catalogue, clip.draft);
            if (!exercise) return tl::unexpected(exercise.error());
            Result<KeypointNetwork>& net = network->get();
            auto proposals = proposeMarks(*catalogue, *reader, net, *exercise, context, stop, progress);
            if (!proposals) return tl::unexpected(proposals.error());
            Marks marks = asMarks(*proposals, context.mirrored);
            if (const auto quality = pictureQuality(*reader, stop))
                marks.keep("check", toJson(checkBefore(reader->info(), *quality, proposals->facts, net.has_value(),
                                                       &*exercise, std::nullopt)));
            return marks;
        },
        [this, clip](const Result<Marks>& marks) {
            if (marks) library_.cacheProposals(clip.draft, *marks);
            done(marks ? Message() : marks.error().message);
        });
}

std::optional<Proposals> Proposer::found(const ReviewInputs& inputs, const ClipInfo& clip) const {
    const auto marks = library_.cachedProposals(inputs);
    if (!marks) return std::nullopt;
    auto proposals = asProposals(*marks, clip);
    return proposals ? std::optional(std::move(*proposals)) : std::nullopt;
}

ProposeContext Proposer::contextFor(const Library& library, const Clip& clip) {
    ProposeContext context;
    context.mirrored = clip.draft.marks.mirrored;
    const CataloguePtr catalogue = library.catalogue();
    int64_t newest = 0;
    for (const Clip& other : library.clipsOf(clip.client)) {
        if (other.id == clip.id || other.draft.marks.frames.empty()) continue;
        const auto exercise = exerciseOf(*catalogue, other.draft);
        if (!exercise) continue;
        context.learn(other.draft.marks, *exercise);
        if (other.draft.exercise != clip.draft.exercise || other.id < newest) continue;
        newest = other.id;
        context.lastTime = other.draft.marks;
        if (const auto reader = ClipReader::open(other.draft.clipPath, other.draft.part))
            context.lastWidth = reader->info().width, context.lastHeight = reader->info().height;
    }
    return context;
}

} // namespace deft::ui

#include "moc_proposer.cpp"
