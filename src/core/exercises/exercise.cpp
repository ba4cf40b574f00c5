#include "exercises/exercise.h"

#include "landmarks/names.h"

#include <algorithm>
#include <set>
#include <valijson/adapters/nlohmann_json_adapter.hpp>
#include <valijson/schema.hpp>
#include <valijson/schema_parser.hpp>
#include <valijson/validator.hpp>

namespace deft {
namespace fs = std::filesystem;
namespace {

Result<void> obeysSchema(const Json& document, const std::string& where) {
    const auto schemaFile = dataFolder() / "schemas/exercise.schema.json";
    auto schemaJson = readJsonFile(schemaFile);
    if (!schemaJson) return tl::unexpected(schemaJson.error());
    // valijson's adapter wants the default json type.
    const nlohmann::json schemaPlain = *schemaJson, plain = document;
    valijson::Schema schema;
    valijson::SchemaParser parser;
    parser.populateSchema(valijson::adapters::NlohmannJsonAdapter(schemaPlain), schema);
    valijson::Validator validator;
    valijson::ValidationResults results;
    if (validator.validate(schema, valijson::adapters::NlohmannJsonAdapter(plain), &results)) return {};
    // The deepest complaint is the most exact one.
    valijson::ValidationResults::Error error, deepest;
    size_t depth = 0;
    while (results.popError(error))
        if (error.context.size() >= depth) depth = error.context.size(), deepest = error;
    std::string path;
    for (std::string part : deepest.context) {
        if (part == "<root>") continue;
        if (part.size() > 2 && part.front() == '[') part = part.substr(1, part.size() - 2);
        path += "/" + part;
    }
    return fail(Errc::BadFormat, where + ": " + (path.empty() ? "/" : path) + ": " + deepest.description);
}

Limit readLimit(const Json& j) {
    Limit l;
    l.measure = j.at("measure");
    if (j.contains("low")) l.low = j["low"].get<double>();
    if (j.contains("high")) l.high = j["high"].get<double>();
    l.unit = j.at("unit");
    const std::string origin = j.at("origin");
    l.origin = origin == "common practice" ? Origin::CommonPractice
               : origin == "published"     ? Origin::Published
                                           : Origin::ChosenHere;
    l.source = j.value("source", "");
    return l;
}

std::vector<Cue> readCues(const Json& list) {
    std::vector<Cue> cues;
    for (const Json& c : list) cues.push_back({c.at("rung"), c.at("text")});
    return cues;
}

/// What the schema cannot say about a tolerance.
std::string troubleWith(const Limit& l) {
    const std::string unit = measureUnit(l.measure);
    if (unit.empty()) return "measure \"" + l.measure + "\" is not one of this program";
    if (unit != l.unit) return "unit is \"" + l.unit + "\", but " + l.measure + " is measured in \"" + unit + "\"";
    if (!l.low && !l.high) return "needs a low or a high limit";
    if (l.low && l.high && *l.low >= *l.high)
        return "low (" + Json(*l.low).dump() + ") must be below high (" + Json(*l.high).dump() + ")";
    if (l.origin == Origin::Published && l.source.empty()) return "is published, so it needs a source";
    return {};
}

/// The first circle in "caused by", or empty.
std::string circleIn(const Exercise& e) {
    for (const FaultPlan& start : e.faults) {
        std::vector<const FaultPlan*> open{&start};
        std::set<std::string> seen;
        while (!open.empty()) {
            const FaultPlan* f = open.back();
            open.pop_back();
            for (const std::string& cause : f->causedBy) {
                if (cause == start.id) return start.id + " is in the end caused by itself";
                if (const FaultPlan* up = e.fault(cause); up && seen.insert(cause).second) open.push_back(up);
            }
        }
    }
    return {};
}

} // namespace

const char* originWords(Origin origin) {
    switch (origin) {
    case Origin::CommonPractice:
        return "common practice, no published source";
    case Origin::Published:
        return "published";
    case Origin::ChosenHere:
        break;
    }
    return "chosen here";
}

const School* Exercise::school(const std::string& wanted) const {
    const auto it = std::find_if(schools.begin(), schools.end(), [&](const School& s) { return s.id == wanted; });
    return it == schools.end() ? nullptr : &*it;
}

Limit Exercise::withSchool(Limit limit, const std::string& schoolId) const {
    if (const School* s = school(schoolId))
        for (const Limit& l : s->limits)
            if (l.measure == limit.measure) return l;
    return limit;
}

const FaultPlan* Exercise::fault(const std::string& wanted) const {
    const auto it = std::find_if(faults.begin(), faults.end(), [&](const FaultPlan& f) { return f.id == wanted; });
    return it == faults.end() ? nullptr : &*it;
}

const FaultPlan* Exercise::anchor() const {
    const auto it = std::find_if(faults.begin(), faults.end(), [](const FaultPlan& f) { return f.isAnchor; });
    return it == faults.end() ? nullptr : &*it;
}

const SetupCheck* Exercise::check(const std::string& wanted) const {
    const auto it = std::find_if(setup.begin(), setup.end(), [&](const SetupCheck& f) { return f.id == wanted; });
    return it == setup.end() ? nullptr : &*it;
}

std::vector<std::string> exerciseIds() {
    std::vector<std::string> ids;
    std::error_code ec;
    for (const auto& entry : fs::directory_iterator(dataFolder() / "exercises", ec))
        if (entry.path().extension() == ".json") ids.push_back(entry.path().stem().string());
    std::sort(ids.begin(), ids.end());
    return ids;
}

Result<Exercise> loadExercise(const std::string& id) {
    const auto ids = exerciseIds();
    if (std::find(ids.begin(), ids.end(), id) == ids.end()) {
        std::string known;
        for (const std::string& k : ids) known += (known.empty() ? "" : ", ") + k;
        return fail(Errc::NotFound, "there is no exercise \"" + id + "\"; there are: " + known);
    }
    return readExercise(dataFolder() / "exercises" / (id + ".json"));
}

Result<Exercise> readExercise(const fs::path& path) {
    auto json = readJsonFile(path);
    if (!json) return tl::unexpected(json.error());
    return parseExercise(*json, path.string());
}

Result<Exercise> parseExercise(const Json& json, const std::string& where) {
    if (auto ok = expectFormat(json, "deft-mirror-exercise", 1, where); !ok) return tl::unexpected(ok.error());
    if (auto ok = obeysSchema(json, where); !ok) return tl::unexpected(ok.error());
    auto bad = [&](const std::string& path, const std::string& what) {
        return fail(Errc::BadFormat, where + ": " + path + " " + what);
    };

    Exercise e;
    e.raw = json;
    e.id = json["id"], e.name = json["name"], e.position = json["position"];
    e.views = json["views"].get<std::vector<std::string>>();
    e.otherNames = json.value("other_names", std::vector<std::string>{});
    e.landmarksNeeded = json["landmarks"]["needed"].get<std::vector<std::string>>();
    for (const auto& [name, adds] : json["landmarks"]["optional"].items())
        e.landmarksOptional.emplace_back(name, adds.get<std::string>());
    for (const std::string& name : e.landmarksNeeded)
        if (!isLandmark(name)) return bad("/landmarks/needed", "names \"" + name + "\", which is not a landmark");
    for (const auto& [name, adds] : e.landmarksOptional)
        if (!isLandmark(name)) return bad("/landmarks/optional", "names \"" + name + "\", which is not a landmark");
    e.lineEnd = json.value("line_end", "knee");
    const Json& mover = json["mover"];
    e.moverMeasure = mover["measure"], e.moverWords = mover["words"], e.minExcursion = mover["min_excursion"];
    if (!findMeasure(e.moverMeasure)) return bad("/mover/measure", "\"" + e.moverMeasure + "\" is not a measure");
    const Json& phases = json["phases"];
    e.phaseOut = phases["out"], e.phaseHold = phases["hold"], e.phaseBack = phases["back"],
    e.paceBack_s = phases["back_s"];
    for (size_t i = 0; i < json["setup"].size(); ++i) {
        const Json& c = json["setup"][i];
        SetupCheck check{c["id"],
                         c["name"],
                         readLimit(c),
                         c.value("at", "set-up"),
                         c["good"],
                         c.value("too_low", ""),
                         c.value("too_high", ""),
                         readCues(c["cues"])};
        if (const std::string t = troubleWith(check.limit); !t.empty()) return bad("/setup/" + std::to_string(i), t);
        e.setup.push_back(std::move(check));
    }
    for (size_t i = 0; i < json["faults"].size(); ++i) {
        const Json& f = json["faults"][i];
        FaultPlan plan;
        plan.id = f["id"], plan.name = f["name"], plan.limit = readLimit(f);
        plan.onTheWay = f["on_the_way"], plan.inTheHold = f["in_the_hold"], plan.isAnchor = f.value("anchor", true);
        plan.causedBy = f.value("caused_by", std::vector<std::string>{});
        plan.told = f["told"], plan.cues = readCues(f["cues"]);
        if (const std::string t = troubleWith(plan.limit); !t.empty()) return bad("/faults/" + std::to_string(i), t);
        e.faults.push_back(std::move(plan));
    }
    for (const FaultPlan& f : e.faults)
        for (const std::string& cause : f.causedBy)
            if (!e.fault(cause) && !e.check(cause))
                return bad("/faults",
                           f.id + " is caused by \"" + cause + "\", which is neither a fault nor a set-up check here");
    if (const std::string circle = circleIn(e); !circle.empty()) return bad("/faults", circle);
    e.schoolQuestion = json["schools"]["question"], e.defaultSchool = json["schools"]["default"];
    for (const auto& [id, s] : json["schools"]["choices"].items()) {
        School school{id, s["name"], s["aim"], {}};
        for (const Json& l : s.value("limits", Json::array())) {
            school.limits.push_back(readLimit(l));
            if (const std::string t = troubleWith(school.limits.back()); !t.empty())
                return bad("/schools/choices/" + id, t);
        }
        e.schools.push_back(std::move(school));
    }
    if (!e.school(e.defaultSchool))
        return bad("/schools/default", "\"" + e.defaultSchool + "\" is not among the choices");
    e.readings = json["readings"].get<std::vector<std::string>>();
    for (const std::string& id : e.readings)
        if (measureName(id).empty()) return bad("/readings", "\"" + id + "\" is not a measure");
    const Json& dose = json["dose"];
    e.sets = dose["sets"], e.reps = dose["reps"], e.hold_s = dose["hold_s"], e.daysPerWeek = dose["days_per_week"];
    e.holdCap_s = dose.value("hold_cap_s", 120.0);
    for (const Json& r : json["ladder"]) e.ladder.push_back({r["id"], r["name"], r["criterion"]});
    for (const Json& f : json["felt"])
        e.felt.push_back({f["id"], f["name"], f["means"], f.value("as_intended", false)});
    e.cautions = json["cautions"].get<std::vector<std::string>>();
    e.props = json.value("props", std::vector<std::string>{});
    e.filming = json["filming"].get<std::vector<std::string>>();
    e.stopRule = json["stop_rule"];
    return e;
}

} // namespace deft
