// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/json.h"
#include "exercises/catalogue.h"
#include "exercises/json_schema.h"
#include "exercises/written_out.h"
#include "marks/names.h"

#include <algorithm>
#include <set>

namespace deft {
namespace {

template <class T> std::optional<T> optionalOf(const Json& j, const char* key) {
    const auto it = j.find(key);
    return it == j.end() || it->is_null() ? std::nullopt : std::optional<T>(it->get<T>());
}

Origin originOf(const std::string& words) {
    return words == "common practice" ? Origin::CommonPractice
           : words == "published"     ? Origin::Published
           : words == "coach"         ? Origin::Coach
                                      : Origin::ChosenHere;
}

Limit readLimit(const Json& j) {
    return {j.at("measure"), optionalOf<double>(j, "low"), optionalOf<double>(j, "high"),
            j.at("unit"),    originOf(j.at("origin")),     j.value("source", "")};
}

std::optional<Criterion> criterionOf(const Json& version) {
    const auto needs = version.find("needs");
    if (needs == version.end()) return std::nullopt;
    return Criterion{optionalOf<double>(*needs, "hold_s"), optionalOf<int>(*needs, "reps"), needs->value("reviews", 1)};
}

std::optional<SeriesPlace> seriesOf(const Json& exercise) {
    const auto place = exercise.find("series");
    if (place == exercise.end()) return std::nullopt;
    const std::map<std::string, SeriesPart> parts = {
        {"position", SeriesPart::Position}, {"front", SeriesPart::Front}, {"back", SeriesPart::Back},
        {"side", SeriesPart::Side},         {"whole", SeriesPart::Whole}, {"stretch", SeriesPart::Stretch}};
    return SeriesPlace{parts.at(place->at("part")), place->value("begins", false), place->at("purpose"),
                       place->value("goals", std::vector<std::string>{})};
}

std::vector<Cue> readCues(const Json& list) {
    std::vector<Cue> cues;
    for (const Json& c : list) cues.push_back({c.at("rung"), c.at("text"), c.value("only_in", Schools{})});
    return cues;
}

Sketch readSketch(const Json& j) {
    Sketch s;
    for (const auto& [name, p] : j.items()) s[name] = {p[0].get<double>(), p[1].get<double>()};
    return s;
}

/// What the schema cannot say about a tolerance.
Message troubleWith(const Limit& l) {
    const std::string unit = measureUnit(l.measure);
    if (unit.empty()) return {"measure \"{measure}\" is not one of this program", {{"measure", l.measure}}};
    if (unit != l.unit)
        return {"unit is \"{unit}\", but {measure} is measured in \"{right}\"",
                {{"unit", l.unit}, {"measure", l.measure}, {"right", unit}}};
    if (!l.low && !l.high) return "needs a low or a high limit";
    if (l.low && l.high && *l.low >= *l.high)
        return {"low ({low}) must be below high ({high})", {{"low", *l.low}, {"high", *l.high}}};
    if (l.origin == Origin::Published && l.source.empty()) return "is published, so it needs a source";
    return {};
}

/// The first circle in "caused by", or empty.
Message circleIn(const Exercise& e) {
    for (const FaultPlan& start : e.faults) {
        std::vector<const FaultPlan*> open{&start};
        std::set<std::string> seen;
        while (!open.empty()) {
            const FaultPlan* f = open.back();
            open.pop_back();
            for (const std::string& cause : f->causedBy) {
                if (cause == start.id) return {"{fault} is in the end caused by itself", {{"fault", start.id}}};
                if (const FaultPlan* up = e.fault(cause); up && seen.insert(cause).second) open.push_back(up);
            }
        }
    }
    return {};
}

/// Fills an exercise from a document that obeys the schema; the first complaint wins.
class Filler {
public:
    Filler(const Catalogue& catalogue, const Json& json, const std::string& where)
        : catalogue_(catalogue), j_(json), where_(where) {}

    Result<Exercise> fill() {
        identity();
        landmarks();
        movement();
        checksAndFaults();
        schools();
        doseAndLadder();
        sketches();
        if (!trouble_.empty()) return fail(Errc::BadFormat, inPlace(where_, trouble_));
        return std::move(e_);
    }

private:
    void complain(const std::string& path, Message what) {
        if (trouble_.empty()) trouble_ = {"{where} {what}", {{"where", path}, {"what", std::move(what)}}};
    }

    void identity() {
        e_.raw = std::make_shared<const Json>(j_);
        e_.id = j_["id"], e_.name = j_["name"], e_.position = j_["position"];
        e_.views = j_["views"].get<std::vector<std::string>>();
        e_.view = j_.value("view", e_.views.front());
        for (const std::string& v : e_.views)
            if (v != e_.views.front() && !j_.value("other_views", Json::object()).contains(v))
                complain("/views", {"names \"{view}\", for which /other_views says nothing", {{"view", v}}});
        e_.otherNames = j_.value("other_names", std::vector<std::string>{});
        e_.eachSide = j_.value("sides", "both") == "each";
        e_.sideIsStance = j_.value("side_means", "working") == "stance";
        e_.loads = j_.value("loads", std::vector<std::string>{});
        e_.cautions = j_["cautions"].get<std::vector<std::string>>();
        e_.props = j_.value("props", std::vector<std::string>{});
        e_.notes = j_.value("notes", std::vector<std::string>{});
        e_.unseen = j_.value("unseen", std::vector<std::string>{});
        e_.filming = j_["filming"].get<std::vector<std::string>>();
        e_.stopRule = j_["stop_rule"];
    }

    void landmarks() {
        e_.landmarksNeeded = j_["landmarks"]["needed"].get<std::vector<std::string>>();
        for (const auto& [name, adds] : j_["landmarks"]["optional"].items())
            e_.landmarksOptional.emplace_back(name, adds.get<std::string>());
        for (const std::string& name : e_.landmarksNeeded)
            if (!isLandmark(name))
                complain("/landmarks/needed", {"names \"{name}\", which is not a landmark", {{"name", name}}});
        for (const auto& [name, adds] : e_.landmarksOptional)
            if (!isLandmark(name))
                complain("/landmarks/optional", {"names \"{name}\", which is not a landmark", {{"name", name}}});
        e_.lineEnd = j_.value("line_end", "knee");
    }

    /// A measure of this exercise must be computable from the marks that it asks for.
    void measurable(const std::string& path, const std::string& id) {
        const Measure* m = findMeasure(id);
        if (!m) return;
        for (size_t i = 0; i < m->needed; ++i) {
            const std::string& name = m->landmarks[i];
            const bool asked =
                std::find(e_.landmarksNeeded.begin(), e_.landmarksNeeded.end(), name) != e_.landmarksNeeded.end() ||
                std::any_of(e_.landmarksOptional.begin(), e_.landmarksOptional.end(),
                            [&](const auto& o) { return o.first == name; });
            if (!asked)
                complain(path, {"needs the landmark \"{name}\" for {id}, which is not asked for",
                                {{"name", name}, {"id", id}}});
        }
    }

    void movement() {
        const Json& mover = j_["mover"];
        e_.mover = {mover["measure"],
                    mover["words"],
                    mover["min_excursion"],
                    mover.value("direction", "up") == "down",
                    optionalOf<double>(mover, "low"),
                    optionalOf<double>(mover, "high")};
        if (!findMeasure(e_.mover.measure))
            complain("/mover/measure", {"\"{id}\" is not a measure", {{"id", e_.mover.measure}}});
        measurable("/mover/measure", e_.mover.measure);
        const Json position = j_.value("in_position", Json::array());
        for (size_t i = 0; i < position.size(); ++i) {
            const Json& p = position[i];
            const std::string path = "/in_position/" + std::to_string(i), measure = p["measure"];
            const Measure* m = findMeasure(measure);
            if (!m || m->zero != Zero::None)
                complain(path + "/measure",
                         {"\"{id}\" is not a measure that is told against nothing else", {{"id", measure}}});
            e_.inPosition.push_back(
                {measure, optionalOf<double>(p, "low"), optionalOf<double>(p, "high"), measureUnit(measure)});
            if (!e_.inPosition.back().isSet()) complain(path, "needs a low or a high limit");
        }
        const Json& words = j_["words"];
        e_.words = {words["one"], words["many"], words["anchor"], words.value("range", ""), words["start"]};
        e_.words.isRep = e_.words.one == "rep";
        const Json& phases = j_["phases"];
        e_.phaseOut = phases["out"], e_.phaseHold = phases["hold"], e_.phaseBack = phases["back"],
        e_.tempoBack_s = phases["back_s"], e_.tempoOut_s = optionalOf<double>(phases, "out_s");
    }

    Limit limitAt(const Json& j, const std::string& path) {
        const Limit limit = readLimit(j);
        if (const Message t = troubleWith(limit); !t.empty()) complain(path, t);
        measurable(path, limit.measure);
        return limit;
    }

    void checksAndFaults() {
        std::set<std::string> ids;
        for (size_t i = 0; i < j_["setup"].size(); ++i) {
            const Json& c = j_["setup"][i];
            const std::string path = "/setup/" + std::to_string(i);
            e_.setup.push_back({c["id"], c["name"], limitAt(c, path), c.value("at", "set-up"), c["good"],
                                c.value("too_low", ""), c.value("too_high", ""), readCues(c["cues"]),
                                c.value("only_in", Schools{})});
            if (auto ok = catalogue_.schools().know(e_.setup.back().onlyIn); !ok)
                complain(path + "/only_in", ok.error().message);
            if (!ids.insert(e_.setup.back().id).second) complain(path + "/id", "is there twice");
        }
        for (size_t i = 0; i < j_["faults"].size(); ++i) {
            const Json& f = j_["faults"][i];
            const std::string path = "/faults/" + std::to_string(i);
            e_.faults.push_back({f["id"],
                                 f["name"],
                                 limitAt(f, path),
                                 {f["on_the_way"], f["in_the_hold"], f.value("on_the_way_back", f["on_the_way"])},
                                 f.value("anchor", true),
                                 f.value("caused_by", std::vector<std::string>{}),
                                 f["told"],
                                 readCues(f["cues"]),
                                 {},
                                 f.value("answered_by", std::vector<std::string>{})});
            for (const std::string& id : e_.faults.back().answeredBy)
                if (!catalogue_.hasExercise(id))
                    complain(path + "/answered_by", {"\"{id}\" is not an exercise", {{"id", id}}});
            if (!ids.insert(e_.faults.back().id).second) complain(path + "/id", "is there twice");
            if (f.contains("only_in")) e_.faults.back().onlyIn = f["only_in"].get<Schools>();
            if (auto ok = catalogue_.schools().know(e_.faults.back().onlyIn); !ok)
                complain(path + "/only_in", ok.error().message);
            if (f.contains("looks")) e_.wrong[e_.faults.back().id] = readSketch(f["looks"]);
        }
        for (const FaultPlan& f : e_.faults)
            for (const std::string& cause : f.causedBy)
                if (!ids.count(cause))
                    complain("/faults",
                             {"{id} is caused by \"{cause}\", which is neither a fault nor a set-up check here",
                              {{"id", f.id}, {"cause", cause}}});
        if (const Message circle = circleIn(e_); !circle.empty()) complain("/faults", circle);
        e_.readings = j_["readings"].get<std::vector<std::string>>();
        for (const std::string& id : e_.readings)
            if (measureName(id).empty()) complain("/readings", {"\"{id}\" is not a measure", {{"id", id}}});
    }

    void schools() {
        for (const auto& [question, s] : j_["schools"].items()) {
            const std::string path = "/schools/" + question;
            const SchoolQuestion* known = catalogue_.schools().find(question);
            if (!known) return complain(path, "is not a question of schools.json");
            SchoolsAnswer answer{question, s["default"], {}};
            if (!known->choice(answer.defaultChoice))
                complain(path + "/default",
                         {"\"{choice}\" is not among the choices", {{"choice", answer.defaultChoice}}});
            const Json choices = s.value("choices", Json::object());
            for (const auto& [id, c] : choices.items()) {
                if (!known->choice(id)) complain(path + "/choices/" + id, "is not a choice of schools.json");
                SchoolsAnswer::Choice choice{id, {}, c.value("start", "")};
                const Json limits = c.value("limits", Json::object());
                for (const auto& [of, l] : limits.items())
                    schoolLimit(choice, of, l, path + "/choices/" + id + "/limits/" + of);
                answer.choices.push_back(std::move(choice));
            }
            e_.schools.push_back(std::move(answer));
        }
    }

    /// A school says only what differs; measure and unit are those of the fault or check that it changes.
    void schoolLimit(SchoolsAnswer::Choice& choice, const std::string& of, const Json& l, const std::string& path) {
        const FaultPlan* f = e_.fault(of);
        const SetupCheck* c = e_.check(of);
        if (!f && !c) return complain(path, "is neither a fault nor a set-up check here");
        Limit limit = f ? f->limit : c->limit;
        limit.low = optionalOf<double>(l, "low"), limit.high = optionalOf<double>(l, "high");
        limit.origin = originOf(l["origin"]), limit.source = l.value("source", "");
        if (const Message t = troubleWith(limit); !t.empty()) complain(path, t);
        choice.limits[of] = limit;
    }

    void doseAndLadder() {
        const Json& d = j_["dose"];
        e_.dose.sets = d["sets"], e_.dose.daysPerWeek = d["days_per_week"];
        e_.dose.setsMax = d.value("sets_max", 5);
        e_.dose.hold_s = optionalOf<double>(d, "hold_s");
        e_.dose.holdCap_s = d.value("hold_cap_s", 120.0);
        if (d.contains("reps")) e_.dose.reps = d["reps"][0].get<int>(), e_.dose.repsMax = d["reps"][1].get<int>();
        if (e_.dose.reps && *e_.dose.reps > *e_.dose.repsMax) complain("/dose/reps", "should go from low to high");
        if (!e_.dose.reps && !e_.dose.hold_s) complain("/dose", "needs reps or hold_s");
        e_.dose.instead = d.value("instead", e_.dose.instead);
        for (const Json& r : j_["ladder"])
            e_.ladder.push_back({r["id"], r["name"], r["criterion"], criterionOf(r), r.value("exercise", ""),
                                 r.value("as", ""), optionalOf<std::vector<std::string>>(r, "loads")});
        for (size_t i = 0; i < e_.ladder.size(); ++i) {
            const std::string path = "/ladder/" + std::to_string(i);
            if (e_.versionIndex(e_.ladder[i].id) != int(i)) complain(path + "/id", "is there twice");
            const std::string& to = e_.ladder[i].exercise;
            if (!to.empty() && to != e_.id && !catalogue_.hasExercise(to))
                complain(path + "/exercise", {"points to \"{to}\", which is not an exercise", {{"to", to}}});
        }
        e_.startVersion = j_.value("start_rung", e_.ladder.front().id);
        if (e_.versionIndex(e_.startVersion) < 0)
            complain("/start_rung", {"\"{id}\" is not on the ladder", {{"id", e_.startVersion}}});
        for (const SchoolsAnswer& a : e_.schools)
            for (const auto& c : a.choices)
                if (!c.startVersion.empty() && e_.versionIndex(c.startVersion) < 0)
                    complain("/schools/" + a.question + "/choices/" + c.id + "/start",
                             {"\"{id}\" is not on the ladder", {{"id", c.startVersion}}});
        e_.series = seriesOf(j_);
        for (const std::string& goal : e_.series ? e_.series->goals : std::vector<std::string>{})
            if (!catalogue_.goals().count(goal))
                complain("/series/goals", {"names \"{goal}\", which is no goal", {{"goal", goal}}});
        for (const Json& f : j_["felt"])
            e_.felt.push_back({f["id"], f["name"], f["means"], f.value("as_intended", false)});
    }

    void sketches() {
        const Json drawn = j_.value("drawn", Json::object());
        e_.start = readSketch(drawn.value("start", Json::object()));
        e_.end = e_.start;
        for (const auto& [name, p] : readSketch(drawn.value("end", Json::object()))) e_.end[name] = p;
        for (const auto& [name, p] : e_.start)
            if (!isLandmark(name) && !isLandmark(name.substr(std::min<size_t>(name.size(), 4))))
                complain("/drawn/start/" + name, "is not a landmark");
    }

    const Catalogue& catalogue_;
    const Json& j_;
    const std::string& where_;
    Message trouble_;
    Exercise e_;
};

} // namespace

Result<Exercise> Catalogue::parse(const Json& json, const std::string& where) const {
    if (auto ok = expectFormat(json, "deft-mirror-exercise", 1, where); !ok) return tl::unexpected(ok.error());
    return readMembers(where, [&]() -> Result<Exercise> {
        Result<Json> whole = json;
        if (const auto of = json.find("extends"); of != json.end()) {
            auto base = shippedDocument(of->is_string() ? of->get<std::string>() : "");
            if (!base)
                return fail(Errc::BadFormat,
                            {"{where}: /extends names {what}", {{"where", where}, {"what", base.error().message}}});
            whole = extended(std::move(*base), json, where);
        }
        whole = whole.and_then([&](const Json& j) { return withSharedEntries(j, *shared_, where); });
        if (!whole) return tl::unexpected(whole.error());
        if (auto ok = schema_->check(*whole, where); !ok) return tl::unexpected(ok.error());
        return Filler(*this, *whole, where).fill();
    });
}

} // namespace deft
