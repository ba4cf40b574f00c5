// SPDX-License-Identifier: GPL-3.0-or-later
// The forms of an exercise: its versions, views and schools are put over it once, so that all else reads plain limits.
#include "base/json.h"
#include "exercises/by_id.h"
#include "exercises/catalogue.h"
#include "exercises/written_out.h"

#include <algorithm>

namespace deft {
namespace {

/// A wider tolerance: each limit so much farther from what is even, 0 or, of a ratio, 1.
void widen(Limit& limit, double factor) {
    const double even = limit.unit == "ratio" ? 1 : 0;
    for (auto* end : {&limit.low, &limit.high})
        if (*end) **end = even + (**end - even) * factor;
}

} // namespace

Result<Exercise> Catalogue::inSchools(const Exercise& from, const Schools& wanted) const {
    if (auto ok = schools_.know(wanted); !ok) return tl::unexpected(ok.error());
    Exercise e = from;
    const Schools now = from.schoolsFor(wanted);
    for (const auto& [question, chosen] : now) {
        const SchoolChoice* effect = schools_.find(question)->choice(chosen);
        const SchoolsAnswer* answer = from.answerTo(question);
        const SchoolsAnswer::Choice* own = byId(answer->choices, chosen);
        if (!own && !answer->choices.empty() && chosen != answer->defaultChoice)
            return fail(Errc::NotFound, {"there is no school \"{chosen}\" for {name}",
                                         {{"chosen", chosen}, {"name", Message(from.name)}}});
        if (own)
            for (const auto& [of, limit] : own->limits) {
                if (FaultPlan* f = byId(e.faults, of)) f->limit = limit;
                if (SetupCheck* c = byId(e.setup, of)) c->limit = limit;
            }
        if (own && !own->startVersion.empty()) e.startVersion = own->startVersion;
        if (effect->holdCap_s) e.dose.holdCap_s = std::min(e.dose.holdCap_s, *effect->holdCap_s);
        if (!effect->insteadOfHold.empty() && from.dose.hold_s) e.dose.instead = effect->insteadOfHold;
        if (effect->breath_s) e.breath_s = effect->breath_s;
        e.tremorIsTheEnd = e.tremorIsTheEnd || effect->tremorIsTheEnd;
        for (FaultPlan& f : e.faults)
            if (f.isAnchor) widen(f.limit, effect->toleranceFactor);
    }
    const auto isOfAnother = [&](const auto& item) {
        return std::any_of(item.onlyIn.begin(), item.onlyIn.end(), [&](const auto& only) {
            const auto it = now.find(only.first);
            return it == now.end() || it->second != only.second;
        });
    };
    std::erase_if(e.faults, isOfAnother);
    std::erase_if(e.setup, isOfAnother);
    e.inForce = now;
    for (FaultPlan& f : e.faults) std::erase_if(f.cues, isOfAnother);
    for (SetupCheck& c : e.setup) std::erase_if(c.cues, isOfAnother);
    return e;
}

Result<Exercise> Catalogue::inVersion(const Exercise& from, const std::string& wanted) const {
    const int at = from.versionIndex(wanted);
    if (at < 0 || wanted == from.version) return from;
    const Version& version = from.ladder[size_t(at)];
    const Json& written = from.raw->at("ladder")[size_t(at)];
    const std::string& other = version.exercise;
    if (from.version.empty() && !written.contains("changes") && other.empty()) return from;
    const std::shared_ptr<const Json> unchanged = from.base ? from.base : from.raw;
    Json whole = *unchanged;
    if (!other.empty() && other != from.id) {
        const auto elsewhere = form({other, version.as});
        if (!elsewhere) return tl::unexpected(elsewhere.error());
        whole = *elsewhere->raw;
        whole["name"] = version.name;
        for (Json& answer : whole["schools"]) // where to begin is a matter of its own ladder
            if (answer.contains("choices"))
                for (Json& choice : answer["choices"]) choice.erase("start");
        for (const char* own : {"id", "other_names", "ladder", "start_rung"}) {
            whole.erase(own);
            if (unchanged->contains(own)) whole[own] = unchanged->at(own);
        }
    }
    const std::string where = from.id + ", version " + wanted;
    auto changed = overlaid(std::move(whole), written.value("changes", Json::object()), where);
    if (!changed) return tl::unexpected(changed.error());
    auto e = parse(*changed, where);
    if (!e) return e;
    e->version = wanted, e->base = unchanged;
    return from.inForce.empty() ? e : inSchools(*e, from.inForce);
}

Result<Exercise> Catalogue::inView(const Exercise& from, const std::string& wanted) const {
    if (wanted == from.view) return from;
    const Json others = from.raw->value("other_views", Json::object());
    if (!others.contains(wanted)) {
        std::string known;
        for (const std::string& v : from.views) known += (known.empty() ? "" : ", ") + v;
        return fail(Errc::NotFound, {"{name} is not read from the view \"{wanted}\"; there are: {known}",
                                     {{"name", Message(from.name)}, {"wanted", wanted}, {"known", known}}});
    }
    // What the other view says replaces what the first one says, key by key.
    Json j = *from.raw;
    for (const auto& [key, value] : others[wanted].items()) j[key] = value;
    j["views"] = from.raw->at("views");
    j["view"] = wanted;
    auto e = parse(j, from.id);
    if (e) e->version = from.version, e->base = from.base ? from.base : from.raw;
    return e;
}

} // namespace deft
