#include "exercises/exercise.h"
#include "exercises/written_out.h"

#include <algorithm>

namespace deft {
namespace {

template <class List> auto* byId(List& list, const std::string& id) {
    const auto it = std::find_if(list.begin(), list.end(), [&](const auto& item) { return item.id == id; });
    return it == list.end() ? nullptr : &*it;
}

/// A wider tolerance: each limit so much farther from 0.
void widen(Limit& limit, double factor) {
    if (limit.low) *limit.low *= factor;
    if (limit.high) *limit.high *= factor;
}

} // namespace

bool Exercise::isOptional(const std::string& measure) const {
    const Measure* m = findMeasure(measure);
    if (!m) return false; // computed from the mover
    auto asked = [&](const std::string& landmark) {
        return std::find(landmarksNeeded.begin(), landmarksNeeded.end(), landmark) != landmarksNeeded.end();
    };
    const auto needed = m->landmarks.begin() + ptrdiff_t(m->needed);
    if (m->needed > 0) return !std::all_of(m->landmarks.begin(), needed, asked);
    return std::none_of(m->landmarks.begin(), m->landmarks.end(), asked);
}

const SchoolsAnswer* Exercise::answerTo(const std::string& question) const {
    const auto it =
        std::find_if(schools.begin(), schools.end(), [&](const SchoolsAnswer& a) { return a.question == question; });
    return it == schools.end() ? nullptr : &*it;
}

Schools Exercise::schoolsFor(const Schools& wanted) const {
    Schools out;
    for (const SchoolsAnswer& a : schools) {
        const auto it = wanted.find(a.question);
        out[a.question] = it == wanted.end() ? a.defaultChoice : it->second;
    }
    return out;
}

Result<Exercise> Exercise::inSchools(const Schools& wanted) const {
    if (auto ok = knownSchools(wanted); !ok) return tl::unexpected(ok.error());
    Exercise e = *this;
    for (const auto& [question, chosen] : schoolsFor(wanted)) {
        const SchoolChoice* effect = findSchoolQuestion(question)->choice(chosen);
        const SchoolsAnswer* answer = answerTo(question);
        const SchoolsAnswer::Choice* own = byId(answer->choices, chosen);
        if (!own && !answer->choices.empty() && chosen != answer->defaultChoice)
            return fail(Errc::NotFound, "there is no school \"" + chosen + "\" for " + name);
        if (own)
            for (const auto& [of, limit] : own->limits) {
                if (FaultPlan* f = byId(e.faults, of)) f->limit = limit;
                if (SetupCheck* c = byId(e.setup, of)) c->limit = limit;
            }
        if (own && !own->startRung.empty()) e.startRung = own->startRung;
        if (effect->holdCap_s) e.dose.holdCap_s = std::min(e.dose.holdCap_s, *effect->holdCap_s);
        if (!effect->insteadOfHold.empty() && dose.hold_s) e.dose.instead = effect->insteadOfHold;
        if (effect->breath_s) e.breath_s = effect->breath_s;
        e.shakingIsTheEnd = e.shakingIsTheEnd || effect->shakingIsTheEnd;
        for (FaultPlan& f : e.faults)
            if (f.isAnchor) widen(f.limit, effect->toleranceFactor);
    }
    const Schools now = schoolsFor(wanted);
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

std::string Exercise::plainRung() const {
    const Json& rungs = raw->at("ladder");
    const size_t n = ladder.size(), first = size_t(std::max(0, rungIndex(startRung)));
    for (size_t k = 0; k < n; ++k) { // then what lies below
        const size_t i = (first + k) % n;
        if (!rungs[i].contains("changes") && (ladder[i].exercise.empty() || ladder[i].exercise == id))
            return ladder[i].id;
    }
    return {};
}

Result<Exercise> Exercise::inVersion(const std::string& wanted) const {
    const int at = rungIndex(wanted);
    if (at < 0 || wanted == version) return *this;
    const Json& rung = raw->at("ladder")[size_t(at)];
    const std::string& other = ladder[size_t(at)].exercise;
    if (version.empty() && !rung.contains("changes") && other.empty()) return *this;
    const std::shared_ptr<const Json> unchanged = base ? base : raw;
    Json whole = *unchanged;
    if (!other.empty() && other != id) {
        const auto elsewhere =
            loadExercise(other).and_then([&](const Exercise& e) { return e.inVersion(ladder[size_t(at)].as); });
        if (!elsewhere) return tl::unexpected(elsewhere.error());
        whole = *elsewhere->raw;
        whole["name"] = ladder[size_t(at)].name;
        for (Json& answer : whole["schools"]) // where to begin is a matter of its own ladder
            if (answer.contains("choices"))
                for (Json& choice : answer["choices"]) choice.erase("start");
        for (const char* own : {"id", "other_names", "ladder", "start_rung"}) {
            whole.erase(own);
            if (unchanged->contains(own)) whole[own] = unchanged->at(own);
        }
    }
    const std::string where = id + ", version " + wanted;
    auto changed = overlaid(std::move(whole), rung.value("changes", Json::object()), where);
    if (!changed) return tl::unexpected(changed.error());
    auto e = parseExercise(*changed, where);
    if (!e) return e;
    e->version = wanted, e->base = unchanged;
    if (inForce.empty()) return e;
    Schools shared; // another exercise may leave other questions open
    for (const SchoolsAnswer& a : e->schools)
        if (const auto it = inForce.find(a.question); it != inForce.end()) shared.insert(*it);
    return e->inSchools(shared);
}

Result<Exercise> Exercise::inView(const std::string& wanted) const {
    if (wanted == view) return *this;
    const Json others = raw->value("other_views", Json::object());
    if (!others.contains(wanted)) {
        std::string known;
        for (const std::string& v : views) known += (known.empty() ? "" : ", ") + v;
        return fail(Errc::NotFound, name + " is not read from the view \"" + wanted + "\"; there are: " + known);
    }
    // What the other view says replaces what the first one says, key by key.
    Json j = *raw;
    for (const auto& [key, value] : others[wanted].items()) j[key] = value;
    j["views"] = raw->at("views");
    j["view"] = wanted;
    auto e = parseExercise(j, id);
    if (e) e->version = version, e->base = base ? base : raw;
    return e;
}

const FaultPlan* Exercise::fault(const std::string& wanted) const { return byId(faults, wanted); }
const SetupCheck* Exercise::check(const std::string& wanted) const { return byId(setup, wanted); }
const Limit* Exercise::limitOf(const std::string& finding) const {
    if (const FaultPlan* f = fault(finding)) return &f->limit;
    const SetupCheck* c = check(finding);
    return c ? &c->limit : nullptr;
}

const FeltPlace* Exercise::feltPlace(const std::string& wanted) const { return byId(felt, wanted); }

const FaultPlan* Exercise::anchor() const {
    const auto it = std::find_if(faults.begin(), faults.end(), [](const FaultPlan& f) { return f.isAnchor; });
    return it == faults.end() ? nullptr : &*it;
}

int Exercise::rungIndex(const std::string& wanted) const {
    const Rung* rung = byId(ladder, wanted);
    return rung ? int(rung - ladder.data()) : -1;
}

Position Exercise::bodyPosition() const {
    if (position == "bridge" || position == "supine") return Position::Supine;
    if (position == "side-lying") return Position::SideLying;
    if (position == "standing" || position == "half-kneeling") return Position::Upright;
    return Position::Prone;
}

} // namespace deft
