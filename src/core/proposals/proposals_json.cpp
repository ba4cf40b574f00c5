// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposals/proposals_json.h"

#include "base/json.h"

namespace deft {
namespace {

BodyFacts factsFrom(const Json& j) {
    BodyFacts f;
    f.presence = j.at("presence");
    f.anotherPerson = j.at("another_person");
    f.headLeft = j.at("head") == "left";
    f.position = j.at("position"), f.view = j.at("view");
    f.leftNear = j.at("left_near"), f.exchanged = j.at("exchanged");
    f.cutAt = j.at("cut_at").get<std::vector<std::string>>();
    for (const Json& g : j.at("guesses")) f.guesses.emplace_back(g.at("exercise"), g.at("distance"));
    return f;
}

MarkSource sourceOf(const std::string& name) {
    for (const MarkSource s : {MarkSource::Keypoint, MarkSource::Layout, MarkSource::LastTime})
        if (name == sourceName(s)) return s;
    return MarkSource::Sticker;
}

} // namespace

const char* sourceName(MarkSource source) {
    switch (source) {
    case MarkSource::Keypoint:
        return "keypoint";
    case MarkSource::Layout:
        return "layout";
    case MarkSource::LastTime:
        return "last-time";
    case MarkSource::Sticker:
        break;
    }
    return "sticker";
}

Json toJson(const BodyFacts& f) {
    Json guesses = Json::array();
    for (const auto& [id, distance] : f.guesses)
        guesses.push_back({{"exercise", id}, {"distance", rounded(distance, 3)}});
    return {{"presence", rounded(f.presence, 3)},
            {"another_person", f.anotherPerson},
            {"head", f.headLeft ? "left" : "right"},
            {"position", f.position},
            {"view", f.view},
            {"left_near", f.leftNear},
            {"exchanged", f.exchanged},
            {"cut_at", f.cutAt},
            {"guesses", guesses}};
}

Marks asMarks(const Proposals& p, bool mirrored) {
    Marks marks;
    marks.mirrored = mirrored;
    Json proposed = Json::object();
    for (const auto& [name, m] : p.marks) {
        marks.set(p.time_s, name, m.at);
        proposed[name] = {
            {"score", rounded(m.score, 3)}, {"u95_px", rounded(kU95 * m.sd, 2)}, {"from", sourceName(m.from)}};
    }
    if (marks.frames.empty()) marks.frames.push_back({p.time_s, {}}); // a marks file has at least one frame
    marks.seeds = p.seeds;
    marks.keep("proposed", proposed);
    marks.keep("not_proposed", p.empty);
    if (p.facts) marks.keep("facts", toJson(*p.facts));
    if (!p.missing.empty()) marks.keep("missing", p.missing);
    return marks;
}

Result<Proposals> asProposals(const Marks& marks, const ClipInfo& clip) {
    Proposals p;
    try {
        if (const Json missing = marks.kept("missing"); missing.is_string()) p.missing = missing;
        p.empty = marks.kept("not_proposed").get<std::vector<std::string>>();
        if (const Json facts = marks.kept("facts"); !facts.is_null()) p.facts = factsFrom(facts);
        const Json proposed = marks.kept("proposed");
        p.seeds = marks.seeds;
        if (marks.frames.empty()) return p;
        p.time_s = marks.frames.front().time_s;
        p.frame = clip.frameAt(p.time_s);
        for (const auto& [name, at] : marks.frames.front().points) {
            if (!at) continue;
            const Json& own = proposed.at(name);
            p.marks[name] = {*at, own.at("u95_px").get<double>() / kU95, own.at("score"), sourceOf(own.at("from"))};
        }
    } catch (const nlohmann::json::exception& e) {
        return fail(Errc::BadFormat, {"the marks hold no proposals of this program: {why}", {{"why", e.what()}}});
    }
    return p;
}

} // namespace deft
