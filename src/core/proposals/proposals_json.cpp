#include "proposals/proposals_json.h"

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

Json toJson(const FoundBody& body) {
    Json points = Json::array();
    for (const ScoredPoint& p : body.points)
        points.push_back({rounded(p.place.x(), 2), rounded(p.place.y(), 2), rounded(p.score, 3)});
    return points;
}

FoundBody bodyFrom(const Json& points) {
    FoundBody body;
    for (size_t k = 0; k < kKeypoints; ++k) {
        const Json& p = points.at(k);
        body.points[k] = {{p.at(0).get<double>(), p.at(1).get<double>()}, p.at(2)};
    }
    return body;
}

MarkSource sourceOf(const std::string& name) {
    for (const MarkSource s : {MarkSource::Keypoint, MarkSource::Layout, MarkSource::LastTime})
        if (name == sourceName(s)) return s;
    return MarkSource::Sticker;
}

} // namespace

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
    Json proposed = Json::object(), bodies = Json::array();
    for (const auto& [name, m] : p.marks) {
        marks.set(p.time_s, name, m.at);
        proposed[name] = {
            {"score", rounded(m.score, 3)}, {"u95_px", rounded(kU95 * m.sd, 2)}, {"from", sourceName(m.from)}};
    }
    for (const auto& [frame, body] : p.bodies) bodies.push_back({{"frame", frame}, {"points", toJson(body)}});
    marks.more["proposed"] = proposed;
    marks.more["not_proposed"] = p.empty;
    if (p.facts) marks.more["facts"] = toJson(*p.facts);
    marks.more["bodies"] = bodies;
    if (!p.missing.empty()) marks.more["missing"] = p.missing;
    return marks;
}

Result<Proposals> asProposals(const Marks& marks, const ClipInfo& clip) {
    Proposals p;
    try {
        p.missing = marks.more.value("missing", "");
        p.empty = marks.more.at("not_proposed").get<std::vector<std::string>>();
        if (marks.more.contains("facts")) p.facts = factsFrom(marks.more.at("facts"));
        for (const Json& body : marks.more.at("bodies"))
            p.bodies[body.at("frame").get<int64_t>()] = bodyFrom(body.at("points"));
        if (marks.frames.empty()) return p;
        p.time_s = marks.frames.front().time_s;
        p.frame = clip.frameAt(p.time_s);
        for (const auto& [name, at] : marks.frames.front().points) {
            if (!at) continue;
            const Json& own = marks.more.at("proposed").at(name);
            p.marks[name] = {*at, own.at("u95_px").get<double>() / kU95, own.at("score"), sourceOf(own.at("from"))};
        }
    } catch (const nlohmann::json::exception& e) {
        return fail(Errc::BadFormat, std::string("the marks hold no proposals of this program: ") + e.what());
    }
    return p;
}

} // namespace deft
