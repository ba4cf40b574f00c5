// SPDX-License-Identifier: GPL-3.0-or-later
#include "review/review_json.h"

#include "base/files.h"
#include "base/json.h"
#include "base/numbers.h"
#include "base/parallel.h"
#include "judgement/sides.h"
#include "marks/names.h"
#include "review/data_package.h"

#include <cmath>

namespace deft {
namespace {

double r3(double v) { return rounded(v, 3); }
Json value(double v) { return std::isfinite(v) ? Json(r3(v)) : Json(nullptr); }
Json words(const std::string& s) { return s.empty() ? Json(nullptr) : Json(s); }

Json toJson(const std::vector<CueRecord>& record) {
    Json list = Json::array();
    for (const CueRecord& r : record)
        list.push_back({{"fault", r.fault}, {"rung", r.level}, {"tried", r.tried}, {"helped", r.helped}});
    return list;
}

Json toJson(const Sway& s, double u95) {
    return {{"unit", "%"},
            {"rms", r3(s.rms)},
            {"rms_u95", value(u95)},
            {"path_per_s", r3(s.pathPerSecond)},
            {"ellipse_semi_axes", {r3(s.semiMajor), r3(s.semiMinor)}}};
}

} // namespace

Json toJson(const ReviewInputs& in) {
    Json neutral = nullptr;
    if (in.neutral)
        neutral = {{"tilt_raw", in.neutral->tilt_raw},
                   {"pelvis_on_trunk_raw", in.neutral->pelvis_on_trunk_raw},
                   {"u95", in.neutral->u95},
                   {"source", in.neutral->source},
                   {"range", in.neutral->range ? Json(*in.neutral->range) : Json(nullptr)},
                   {"range_u95", in.neutral->rangeU95}};
    Json overruled = nullptr;
    if (in.overruled || !in.overruledStep.empty())
        overruled = {{"step", in.overruledStep},
                     {"why", in.overruledWhy},
                     {"target", in.overruled ? toJson(*in.overruled) : Json(nullptr)}};
    Json j = {{"clip", in.clipPath},
              {"clip_sha256", in.clipSha256},
              {"marks", toJson(in.marks)},
              {"exercise", in.exercise},
              {"view", in.view},
              {"side", in.side},
              {"schools", in.schools},
              {"neutral", neutral},
              {"client", in.client},
              {"client_role", in.clientRole},
              {"coach", in.coach},
              {"date", in.date},
              {"answer_by", in.answerBy},
              {"answered", in.answered},
              {"asked", toJson(in.asked)},
              {"note", toJson(in.note)},
              {"flags", in.flags},
              {"cleared", in.cleared},
              {"history", toJson(in.history)},
              {"cue_record", toJson(in.cueRecord)},
              {"agreed", in.agreed},
              {"seen", toJson(in.seen)},
              {"drawings", toJson(in.drawings)},
              {"breaths", toJson(in.breaths)},
              {"words", in.words},
              {"words_on", in.wordsOn},
              {"pictures", toJson(in.pictures)},
              {"parts", in.parts},
              {"overruled", overruled}};
    if (!in.nextClip.empty()) j["next_clip"] = in.nextClip;
    if (!in.language.empty()) j["language"] = in.language;
    if (in.practice) j["practice"] = toJson(*in.practice);
    if (in.part) j["part"] = toJson(*in.part);
    if (in.ready) j["ready"] = true;
    if (!in.order.empty()) j["order"] = in.order;
    if (in.spoken) j["spoken"] = toJson(*in.spoken);
    return j;
}

Result<Neutral> parseNeutral(const Json& json, const std::string& where, double usualU95) {
    constexpr double kMostTilt_deg = 360, kMostBand_deg = 180;
    return readMembers(where, [&]() -> Result<Neutral> {
        if (!json.is_object() || !json.contains("tilt_raw") || !json["tilt_raw"].is_number())
            return fail(Errc::BadFormat, {"{where}: /tilt_raw should be an angle in degrees", {{"where", where}}});
        Neutral n{json["tilt_raw"], json.value("pelvis_on_trunk_raw", 0.0), json.value("u95", usualU95),
                  json.value("source", "coach")};
        if (const Json range = json.value("range", Json(nullptr)); !range.is_null())
            n.range = range.get<double>(), n.rangeU95 = json.value("range_u95", 0.0);
        for (const double angle : {n.tilt_raw, n.pelvis_on_trunk_raw, n.range.value_or(0)})
            if (std::abs(angle) > kMostTilt_deg)
                return fail(Errc::OutOfRange,
                            {"{where}: an angle should lie between -360 and 360 degrees", {{"where", where}}});
        for (const double band : {n.u95, n.rangeU95})
            if (band < 0 || band > kMostBand_deg)
                return fail(Errc::OutOfRange,
                            {"{where}: a band should lie between 0 and 180 degrees", {{"where", where}}});
        return n;
    });
}

Result<ReviewInputs> parseInputs(const Json& j, const std::string& where) {
    ReviewInputs in;
    try {
        in.clipPath = j.at("clip"), in.clipSha256 = j.value("clip_sha256", "");
        auto marks = parseMarks(j.at("marks"), where + ": /marks");
        if (marks)
            in.marks = *marks;
        else if (!j["marks"].value("frames", Json::array()).empty())
            return tl::unexpected(marks.error());
        else
            in.marks.mirrored = j["marks"].value("mirrored", false); // a review whose marks are still to be set
        in.exercise = j.value("exercise", "bridge"), in.view = j.value("view", ""), in.side = j.value("side", "both"),
        in.schools = j.value("schools", Schools{});
        if (j.contains("neutral") && !j["neutral"].is_null()) {
            auto neutral = parseNeutral(j["neutral"], where + ": /neutral", 0);
            if (!neutral) return tl::unexpected(neutral.error());
            in.neutral = std::move(*neutral);
        }
        in.client = j.value("client", ""), in.clientRole = j.value("client_role", ""), in.coach = j.value("coach", ""),
        in.language = j.value("language", ""), in.date = j.value("date", ""), in.answerBy = j.value("answer_by", ""),
        in.answered = j.value("answered", "");
        auto target = [&](const Json& t) {
            auto parsed = parseTarget(t, where);
            if (!parsed) throw std::invalid_argument(parsed.error().detail());
            return *parsed;
        };
        if (j.contains("asked")) in.asked = target(j["asked"]);
        const Json note = j.value("note", Json::object());
        in.note = {note.value("pain", false),
                   note.value("shaking", false),
                   note.value("red_flags", std::vector<std::string>{}),
                   note.value("felt", std::vector<std::string>{}),
                   note.value("signs", std::vector<std::string>{}),
                   note.value("words", "")};
        in.nextClip = j.value("next_clip", "");
        in.ready = j.value("ready", false);
        if (j.contains("part")) {
            const auto part = parsePart(j["part"], where + ": /part");
            if (!part) return tl::unexpected(part.error());
            in.part = *part;
        }
        if (j.contains("practice")) {
            auto practice = parsePractice(j["practice"], where);
            if (!practice) return tl::unexpected(practice.error());
            in.practice = *practice;
        }
        in.flags = j.value("flags", std::vector<std::string>{});
        in.cleared = j.value("cleared", std::vector<std::string>{});
        for (const Json& c : j.value("cue_record", Json::array()))
            in.cueRecord.push_back({c.at("fault"), c.at("rung"), c.value("tried", 0), c.value("helped", 0)});
        auto history = parseHistory(j.value("history", Json::array()), where);
        if (!history) return tl::unexpected(history.error());
        in.history = *history;
        in.agreed = j.value("agreed", std::map<std::string, bool>{});
        auto seen = parseSeen(j.value("seen", Json::array()), where);
        if (!seen) return tl::unexpected(seen.error());
        in.seen = *seen;
        auto drawings = parseDrawings(j.value("drawings", Json::array()), where);
        if (!drawings) return tl::unexpected(drawings.error());
        in.drawings = *drawings;
        auto breaths = parseBreaths(j.value("breaths", Json::array()), where);
        if (!breaths) return tl::unexpected(breaths.error());
        in.breaths = *breaths;
        in.words = j.value("words", std::map<std::string, std::string>{});
        in.wordsOn = j.value("words_on", std::map<std::string, std::string>{});
        auto pictures = parsePictures(j.value("pictures", Json::object()), where);
        if (!pictures) return tl::unexpected(pictures.error());
        in.pictures = *pictures;
        in.parts = j.value("parts", std::map<std::string, bool>{});
        in.order = j.value("order", std::vector<std::string>{});
        if (j.contains("spoken")) {
            auto spoken = parseSpoken(j["spoken"], where + ": /spoken");
            if (!spoken) return tl::unexpected(spoken.error());
            in.spoken = std::move(*spoken);
        }
        if (j.contains("overruled") && !j["overruled"].is_null()) {
            const Json& o = j["overruled"];
            in.overruledStep = o.value("step", ""), in.overruledWhy = o.value("why", "");
            if (o.contains("target") && !o["target"].is_null()) in.overruled = target(o["target"]);
        }
    } catch (const std::exception& e) {
        return fail(Errc::BadFormat,
                    {"{where}: the review's inputs are not complete ({why})", {{"where", where}, {"why", e.what()}}});
    }
    return in;
}

Json toJson(const Review& r) {
    Json summary = Json::object();
    for (const Series& s : r.series().series) {
        const Summary m = summaryOf(r.series(), s.id);
        if (!std::isfinite(m.min)) continue;
        summary[s.id] = {
            {"min", r3(m.min)},   {"min_at_s", r3(m.minAt_s)}, {"max", r3(m.max)}, {"max_at_s", r3(m.maxAt_s)},
            {"mean", r3(m.mean)}, {"u95", r3(m.u95)},          {"unit", s.unit}};
    }
    Json reps = Json::array(), holds = Json::array(), faults = Json::array(), setup = Json::array(),
         between = Json::array();
    for (const Rep& rep : r.events.reps) {
        reps.push_back({{"side", rep.side},
                        {"start_s", r3(rep.start_s)},
                        {"top_s", r3(rep.top_s)},
                        {"end_s", r3(rep.end_s)},
                        {"start_u95_s", r3(rep.startU95_s)},
                        {"end_u95_s", r3(rep.endU95_s)},
                        {"break_s", rep.break_s ? Json(r3(*rep.break_s)) : Json(nullptr)},
                        {"break_u95_s", rep.break_s ? Json(r3(rep.breakU95_s)) : Json(nullptr)},
                        {"out_s", r3(rep.out_s())},
                        {"hold_s", r3(rep.hold.duration_s())},
                        {"back_s", r3(rep.back_s())},
                        {"reach", r3(rep.reach)},
                        {"control_range", r3(rep.controlRange)},
                        {"broken_by", words(rep.brokenBy)},
                        {"break_back_s", rep.breakBack_s ? Json(r3(*rep.breakBack_s)) : Json(nullptr)},
                        {"broken_back_by", words(rep.brokenBackBy)},
                        {"shoulders_lead_s", rep.shouldersLead ? Json(r3(rep.shouldersLead->s)) : Json(nullptr)},
                        {"shoulders_lead_u95_s", rep.shouldersLead ? Json(r3(rep.shouldersLead->u95)) : Json(nullptr)},
                        {"finished", rep.finished},
                        {"lost_s", r3(rep.lost_s)}});
        const Hold& h = rep.hold;
        holds.push_back({{"side", h.side},
                         {"start_s", r3(h.start_s)},
                         {"end_s", r3(h.end_s)},
                         {"duration_s", r3(h.duration_s())},
                         {"clean_s", r3(h.clean_s)},
                         {"first_break_s", h.first_break_s ? Json(r3(*h.first_break_s)) : Json(nullptr)},
                         {"broken_by", words(h.brokenBy)},
                         {"u95_s", r3(h.u95_s)},
                         {"start_u95_s", r3(h.startU95_s)},
                         {"end_u95_s", r3(h.endU95_s)},
                         {"first_break_u95_s", h.first_break_s ? Json(r3(h.breakU95_s)) : Json(nullptr)},
                         {"tremor_share", h.tremor ? Json(r3(h.tremor->share)) : Json(nullptr)},
                         {"tremor_share_u95", h.tremor ? Json(r3(h.tremor->u95)) : Json(nullptr)},
                         {"sway", h.sway ? toJson(*h.sway, h.swayU95) : Json(nullptr)},
                         {"certain", !rep.unsure()}});
    }
    for (const Fault& f : r.findings.between)
        between.push_back({{"id", f.id},
                           {"measure", f.measure},
                           {"start_s", r3(f.start_s)},
                           {"end_s", r3(f.end_s)},
                           {"worst", r3(f.worst)},
                           {"u95", r3(f.u95)}});
    for (const Fault& f : r.findings.faults)
        faults.push_back({{"id", f.id},
                          {"measure", f.measure},
                          {"side", f.side},
                          {"rep", f.rep + 1},
                          {"start_s", r3(f.start_s)},
                          {"end_s", r3(f.end_s)},
                          {"worst_s", r3(f.worst_s)},
                          {"worst", value(f.worst)},
                          {"limit", value(f.limit)},
                          {"u95", value(f.u95)},
                          {"by_coach", f.byCoach},
                          {"rejected", f.rejected},
                          {"certainty", f.certainty == Certainty::Clear ? "clear" : "cannot-tell"},
                          {"caused_by", words(f.causedBy)},
                          {"rank", f.rank}});
    for (const SetupVerdict& v : r.findings.setup)
        setup.push_back({{"id", v.id},
                         {"verdict", v.verdict},
                         {"value", value(v.value)},
                         {"u95", value(v.u95)},
                         {"rejected", v.rejected}});
    // The contract has cues and cautions beside the decision.
    Json decision = toJson(r.decision, *r.catalogue->language("en"));
    const Json cues = decision["cues"], cautions = decision["cautions"];
    decision.erase("cues"), decision.erase("cautions");
    const Neutral& n = r.series().neutral;
    return {{"format", "deft-mirror-review"},
            {"version", 1},
            {"clip",
             {{"file", r.inputs.clipPath},
              {"sha256", r.inputs.clipSha256},
              {"width", r.clip().width},
              {"height", r.clip().height},
              {"frames", r.clip().frames()},
              {"duration_s", r3(r.clip().duration_s)},
              {"rotation_deg", r.clip().rotationDeg},
              {"variable_rate", r.clip().variableRate},
              {"part", r.inputs.part ? toJson(*r.inputs.part) : Json(nullptr)},
              {"check", toJson(r.check)},
              {"damaged_frames", r.tracks().damagedFrames}}},
            {"marks_confirmed", !areUnconfirmed(r.inputs.marks)},
            {"exercise", r.inputs.exercise},
            {"view", r.inputs.view},
            {"side", r.inputs.side},
            {"schools", r.inputs.schools},
            {"neutral",
             {{"tilt_raw", value(n.tilt_raw)},
              {"u95", value(n.u95)},
              {"source", n.source},
              {"range", n.range ? Json(r3(*n.range)) : Json(nullptr)},
              {"pelvis_on_trunk_raw", value(n.pelvis_on_trunk_raw)}}},
            {"summary", summary},
            {"reps", reps},
            {"holds", holds},
            {"faults", faults},
            {"between", between},
            {"setup", setup},
            {"decision", decision},
            {"cues", cues},
            {"cautions", cautions},
            {"missing_landmarks", r.missing},
            {"inputs", toJson(r.inputs)}};
}

PastReview asPast(const Review& r) {
    PastReview p;
    p.date = r.inputs.date;
    p.version = r.inputs.asked.version;
    p.target = r.inputs.asked;
    p.met = r.metTarget();
    p.clean = r.allClean();
    if (r.exercise.eachSide)
        for (const std::string& side : sidesShown(r.exercise, caseOf(r))) p.sides.push_back(side);
    for (const SetupVerdict& v : r.findings.setup)
        if (v.isPoor()) p.faults.push_back(v.id);
    for (const Fault* f : r.standing())
        if (f->certainty == Certainty::Clear && std::find(p.faults.begin(), p.faults.end(), f->id) == p.faults.end())
            p.faults.push_back(f->id);
    for (const ChosenCue& c : r.decision.cues) {
        PastCue cue{c.fault, c.level, 0, 0};
        bool read = false; // what was only seen cannot be compared with a reading next time
        for (const Fault* f : r.standing())
            if (f->id == c.fault && r.exercise.fault(f->id)->limit.isWorse(f->worst, read ? cue.worst : kGap))
                cue.worst = f->worst, cue.mdc = f->u95OfChange() * std::sqrt(2.0), read = true;
        for (const SetupVerdict& v : r.findings.setup)
            if (v.id == c.fault) cue.worst = v.value, cue.mdc = v.u95 * std::sqrt(2.0), read = true;
        if (read) p.cues.push_back(cue);
    }
    return p;
}

Result<void> writeFolder(const Review& r, const std::filesystem::path& folder) {
    std::error_code ec;
    std::filesystem::create_directories(folder, ec);
    if (ec)
        return fail(Errc::WriteFailed, {"{folder}: the folder cannot be made ({why}); choose another place for --out",
                                        {{"folder", folder.string()}, {"why", ec.message()}}});
    const std::pair<const char*, std::function<std::string()>> files[] = {
        {"review.json", [&] { return toText(toJson(r)); }},
        {"series.csv", [&] { return toCsv(r.series()); }},
        {"tracks.csv", [&] { return toCsv(r.tracks()); }},
        {"datapackage.json", [&] { return toText(dataPackage(r)); }}};
    Result<void> written[std::size(files)];
    inParallel(std::size(files), [&](size_t i) {
        written[i] = writeFileAtomically(folder / files[i].first, files[i].second(), Sync::No);
    });
    for (const auto& ok : written)
        if (!ok) return ok;
    return {};
}

} // namespace deft
