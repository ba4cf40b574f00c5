#include "app/session/proposer.h"

#include "checks/clip_check.h"
#include "proposals/proposals_json.h"

#include <algorithm>

namespace deft::ui {

/// Used by one thread at a time: the job's.
struct Proposer::Network {
    std::optional<Result<KeypointNetwork>> loaded;
    KeypointNetwork* get() {
        if (!loaded) loaded.emplace(KeypointNetwork::load(KeypointNetwork::usualPlace()));
        return *loaded ? &**loaded : nullptr;
    }
};

Proposer::Proposer(Library& library, QObject* parent)
    : Backlog(library, parent), network_(std::make_shared<Network>()) {}

bool Proposer::needs(const Clip& clip) const {
    if (!clip.draft.marks.frames.empty()) return false;
    const auto kept = library_.cachedProposals(clip.draft);
    std::error_code ec;
    return !kept || (kept->more.contains("missing") && std::filesystem::exists(KeypointNetwork::usualPlace(), ec));
}

void Proposer::start(const Clip& clip) {
    job_.run(
        [clip, context = contextFor(library_, clip), network = network_](StopToken stop,
                                                                         const ProgressFn& progress) -> Result<Marks> {
            auto reader = ClipReader::open(clip.draft.clipPath);
            if (!reader) return tl::unexpected(reader.error());
            const auto exercise = exerciseOf(clip.draft);
            if (!exercise) return tl::unexpected(exercise.error());
            KeypointNetwork* net = network->get();
            auto proposals = proposeMarks(*reader, net, *exercise, context, stop, progress);
            if (!proposals) return tl::unexpected(proposals.error());
            if (!net) proposals->missing = network->loaded->error().detail;
            Marks marks = asMarks(*proposals, context.mirrored);
            if (const auto quality = pictureQuality(*reader, stop))
                marks.more["check"] = toJson(
                    checkBefore(reader->info(), *quality, proposals->facts, net != nullptr, &*exercise, std::nullopt));
            return marks;
        },
        [this, clip](const Result<Marks>& marks) {
            // A clip that cannot be read says so when it is opened; the others are not held up.
            if (marks) library_.cacheProposals(clip.draft, *marks);
            done();
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
    int64_t newest = 0;
    for (const Clip& other : library.clips()) {
        if (other.client != clip.client || other.id == clip.id || other.draft.marks.frames.empty()) continue;
        const auto exercise = exerciseOf(other.draft);
        if (!exercise) continue;
        std::map<std::string, Point2> marks;
        for (const auto& [name, at] : other.draft.marks.frames.front().points)
            if (at) marks[name] = *at;
        const bool side = exercise->view == "side";
        if (const auto turn = side ? frontTurn(marks, exercise->bodyPosition()) : std::optional(1))
            context.layout.learn(marks, exercise->view, *turn);
        if (other.draft.exercise != clip.draft.exercise || other.id < newest) continue;
        newest = other.id;
        context.lastTime = other.draft.marks;
        if (const auto reader = ClipReader::open(other.draft.clipPath))
            context.lastWidth = reader->info().width, context.lastHeight = reader->info().height;
    }
    return context;
}

} // namespace deft::ui
