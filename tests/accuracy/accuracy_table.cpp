// SPDX-License-Identifier: GPL-3.0-or-later
// Not a test: films the scenes, measures each clip twice and writes the tables of docs/accuracy.md.
// accuracy_table CLIPS [--only CLIP] [--cases FILE] [--forget] [DOCUMENT]
// Clips that are there already are not filmed again; --forget keeps none.
#include "accuracy/made_case.h"
#include "base/files.h"

#include <cstdio>
#include <map>
#include <optional>

using namespace deft;
using namespace deft::test;

namespace {

/// Pooled over clips, apart with and without stickers.
struct Pool {
    std::map<std::string, Errors> byMeasure[2];
    std::map<std::string, Errors> whereSeen; ///< without stickers, in frames in which no mark of theirs is weak
    std::map<PointState, Errors> byState[2];
    std::map<std::string, Errors> byEvent[2];
    std::map<std::string, Errors> bones, bonesWhereSeen; ///< without stickers
    size_t seen[2] = {}, wrong[2] = {};
    int wrongFindings = 0, clearFindings = 0, needlessDoubts = 0, doubts = 0;
    std::string clips; ///< rows of the first table
};

std::string number(double v, int decimals) {
    char t[32];
    std::snprintf(t, sizeof t, "%.*f", decimals, v);
    return std::isfinite(v) ? t : "–";
}

/// The scene of a clip, which is filmed unless it is there. Nothing, and the trouble told, when that fails.
std::optional<figure::Scene> filmedScene(const std::filesystem::path& clip, const std::filesystem::path& file) {
    const auto scene = figure::readScene(file);
    if (!scene) {
        std::fprintf(stderr, "%s\n", scene.error().detail().c_str());
        return std::nullopt;
    }
    if (std::filesystem::exists(clip)) return *scene;
    const auto filmed = figure::filmScene(*scene, clip);
    if (filmed) return *scene;
    std::fprintf(stderr, "%s\n", filmed.error().detail().c_str());
    return std::nullopt;
}

/// Errors of the times of reps, in seconds, by kind of event; nothing when the two found other reps.
std::map<std::string, Errors> eventErrors(const Review& seen, const Review& truth) {
    std::map<std::string, Errors> errors;
    const auto &a = seen.events.reps, &b = truth.events.reps;
    if (a.size() != b.size()) return errors;
    const bool window = seen.exercise.mover.isWindow();
    const double last_s = seen.clip().time_s.back();
    for (size_t i = 0; i < a.size(); ++i) {
        if (a[i].unsure()) continue; // it says itself that it cannot tell
        auto add = [&](const char* event, double at_s, double true_s, double u95_s) {
            if (true_s > 0.05 && true_s < last_s - 0.05) // else the clip's own start or end
                errors[event].add(at_s - true_s, std::abs(at_s - true_s) <= u95_s);
        };
        if (!window) {
            add("rep begins", a[i].start_s, b[i].start_s, a[i].startU95_s);
            add("rep ends", a[i].end_s, b[i].end_s, a[i].endU95_s);
        }
        add("hold begins", a[i].hold.start_s, b[i].hold.start_s, a[i].hold.startU95_s);
        add("hold ends", a[i].hold.end_s, b[i].hold.end_s, a[i].hold.endU95_s);
        if (a[i].brokenBy != b[i].brokenBy || a[i].hold.brokenBy != b[i].hold.brokenBy) continue;
        if (a[i].break_s)
            add("breaks on the way", *a[i].break_s, *b[i].break_s, a[i].breakU95_s);
        else if (a[i].hold.first_break_s)
            add("hold breaks", *a[i].hold.first_break_s, *b[i].hold.first_break_s, a[i].hold.breakU95_s);
    }
    return errors;
}

/// Largest error of starts and ends of reps, of holds, of breaks, in milliseconds.
std::string largestOf(const std::map<std::string, Errors>& events, const Review& seen, const Review& truth) {
    if (seen.events.reps.size() != truth.events.reps.size())
        return "reps " + std::to_string(seen.events.reps.size()) + " / " + std::to_string(truth.events.reps.size());
    std::string cell;
    for (const auto& kinds : {std::vector<std::string>{"rep begins", "rep ends"},
                              {"hold begins", "hold ends"},
                              {"breaks on the way", "hold breaks"}}) {
        double worst = kGap;
        for (const std::string& kind : kinds)
            if (const auto e = events.find(kind); e != events.end())
                for (const double off : e->second.off) worst = std::fmax(worst, std::abs(off));
        cell += (cell.empty() ? "" : " / ") + number(1000 * worst, 0);
    }
    return cell + " ms";
}

/// Findings called clear that the true points contradict, of all that are called clear. The same finding at the same
/// time is the same, whatever number its rep has: a rep that was lost moves the numbers of those after it.
std::pair<int, int> contradicted(const Review& seen, const Review& truth) {
    int clear = 0, wrong = 0;
    for (const Fault& f : seen.findings.faults) {
        if (f.certainty != Certainty::Clear) continue;
        ++clear;
        const auto& all = truth.findings.faults;
        if (std::any_of(all.begin(), all.end(),
                        [&](const Fault& t) { return t.id == f.id && t.start_s <= f.end_s && f.start_s <= t.end_s; }))
            continue;
        ++wrong;
        std::printf("  contradicted: %s, %.2f s to %.2f s, %s %.2f ± %.2f, limit %.2f\n", f.id.c_str(), f.start_s,
                    f.end_s, f.measure.c_str(), f.worst, f.u95, f.limit);
    }
    return {wrong, clear};
}

/// Findings that "cannot be told" though the true points are farther from the limit than 1.5 half-widths, of all that
/// cannot be told.
std::pair<int, int> doubted(const Review& seen, const Review& truth) {
    int all = 0, needless = 0;
    for (const Fault& f : seen.findings.faults) {
        const Series* s = truth.series().find(f.measure);
        if (f.certainty != Certainty::CannotTell || !s) continue;
        const double real = s->value[size_t(seen.clip().frameAt(f.worst_s))];
        ++all, needless += std::abs(real - f.limit) > 1.5 * f.u95;
    }
    return {needless, all};
}

/// The measure without the frames in which a mark that it uses is weak.
Series onSeenMarks(const Review& seen, const Measure& measure) {
    Series s = *seen.series().find(measure.id);
    for (const std::string& name : measure.landmarks) {
        const auto points = seen.tracks().landmark.find(name);
        for (size_t i = 0; points != seen.tracks().landmark.end() && i < s.value.size(); ++i)
            if (points->second[i].state == PointState::Weak) s.value[i] = kGap;
    }
    return s;
}

/// The turn of bones since the start, against that of the followed marks (degrees). Bones tell a joint without its
/// side. @param shown the measure in the frames that count
Errors againstBones(const Review& seen, const Table& truth, const std::string& measure, const Series& shown) {
    Errors e;
    const Series* s = seen.series().find(measure);
    const auto column = truth.column.find("bone_" + measure);
    if (column == truth.column.end()) return e;
    std::vector<double> start;
    const bool joint = measure.ends_with("_angle");
    const auto told = [&](size_t i) { return std::isfinite(s->value[i]) && !(joint && column->second[i] > 160); };
    for (size_t i = 0; i < s->value.size(); ++i)
        if (told(i) && seen.clip().time_s[i] < 1) start.push_back(s->value[i] - column->second[i]);
    if (start.empty()) return e;
    std::sort(start.begin(), start.end());
    for (size_t i = 0; i < s->value.size(); ++i)
        if (told(i) && std::isfinite(shown.value[i])) {
            const double off = s->value[i] - column->second[i] - start[start.size() / 2];
            e.add(off, std::abs(off) <= s->u95[i]);
        }
    return e;
}

std::string percent(double share) { return number(100 * share, share > 0.9995 || share == 0 ? 0 : 1); }

/// Of all that was asked for; "–" when nothing was.
std::string measuredCell(const Errors& e) { return e.asked == 0 ? "–" : percent(e.measured()) + " %"; }

std::string cell(const Errors& e, int decimals, double times = 1) {
    if (e.off.empty()) return "–";
    return number(times * e.rms(), decimals) + ", " + number(times * e.p95(), decimals) + ", " +
           number(times * e.bias(), decimals) + ", " + percent(e.coverage()) + " %";
}

const Errors& of(const std::map<std::string, Errors>& pool, const std::string& key) {
    static const Errors none;
    const auto it = pool.find(key);
    return it == pool.end() ? none : it->second;
}

struct MarkErrors {
    Errors shown;               ///< seen or weak
    size_t seen = 0, wrong = 0; ///< told as seen; of these more than 5 px off
};

MarkErrors markErrors(Pool& pool, const Review& seen, const Review& truth, bool stickers) {
    MarkErrors marks;
    for (const auto& [name, points] : seen.tracks().landmark) {
        std::string line;
        for (const PointState state : {PointState::Seen, PointState::Weak, PointState::Lost}) {
            const Errors e = errorsOf(seen, truth, name, state);
            pool.byState[stickers][state].add(e);
            line += std::string("  ") + stateName(state) + " " + std::to_string(e.off.size()) + " rms " +
                    number(e.rms(), 2) + " in " + percent(e.coverage());
            if (state != PointState::Lost) marks.shown.add(e);
            if (state != PointState::Seen) continue;
            const auto n = size_t(std::count_if(e.off.begin(), e.off.end(), [](double d) { return d > 5; }));
            marks.seen += e.off.size(), marks.wrong += n;
            line += " wrong " + std::to_string(n);
        }
        std::printf("  %-11s%s\n", name.c_str(), line.c_str());
    }
    pool.seen[stickers] += marks.seen, pool.wrong[stickers] += marks.wrong;
    return marks;
}

/// Measures one clip twice, tells its own figures and adds them to the pool. False: it could not be filmed.
bool addClip(Pool& pool, const MadeCase& c, const std::filesystem::path& scenes, const std::filesystem::path& folder) {
    const auto clip = folder / (c.clip + ".mp4");
    const auto scene = filmedScene(clip, scenes / (c.clip + ".json"));
    if (!scene) return false;
    const bool stickers = scene->stickers;
    ReviewInputs in;
    in.exercise = c.exercise, in.side = c.side;
    const auto [seen, truth] = measureTwice(clip, in);
    std::printf("\n%s\n", c.clip.c_str());
    Errors angles;
    const MarkErrors marks = markErrors(pool, seen, truth, stickers);
    // Without a rep the start is the first second, else what was before it: the two cannot be compared.
    const bool otherStart = seen.events.reps.empty() != truth.events.reps.empty();
    for (const Series& s : truth.series().series) {
        const Measure* m = findMeasure(s.id);
        if (otherStart && m && (m->zero == Zero::Start || m->zero == Zero::StartRatio)) continue;
        const Errors e = errorsOf(seen, truth, s.id);
        if (e.asked == 0) continue;
        pool.byMeasure[stickers][s.id].add(e);
        if (m && !stickers) pool.whereSeen[s.id].add(errorsOf(onSeenMarks(seen, *m), s));
        if (s.unit == "deg") angles.add(e);
        std::printf("  %-18s %-3s RMS %7s  p95 %7s  bias %7s  in %6s  measured %6s\n", s.id.c_str(), s.unit.c_str(),
                    number(e.rms(), 3).c_str(), number(e.p95(), 3).c_str(), number(e.bias(), 3).c_str(),
                    percent(e.coverage()).c_str(), percent(e.measured()).c_str());
    }
    const auto [w, all] = contradicted(seen, truth);
    pool.wrongFindings += w, pool.clearFindings += all;
    const auto [needless, doubts] = doubted(seen, truth);
    pool.needlessDoubts += needless, pool.doubts += doubts;
    const Table table = readTable(std::filesystem::path(clip).replace_extension(".truth.csv").string());
    if (!stickers)
        for (const char* m : {"tilt", "pelvis_on_trunk", "trunk", "hip_angle", "knee_angle"}) {
            const Series* shown = seen.series().find(m);
            if (!shown) continue;
            const Errors e = againstBones(seen, table, m, *shown);
            if (e.off.empty()) continue;
            pool.bones[m].add(e);
            pool.bonesWhereSeen[m].add(againstBones(seen, table, m, onSeenMarks(seen, *findMeasure(m))));
            std::printf("  bones %-16s RMS %s\n", m, number(e.rms(), 2).c_str());
        }
    const auto events = eventErrors(seen, truth);
    for (const auto& [kind, e] : events) {
        pool.byEvent[stickers][kind].add(e);
        std::printf("  %-18s ms %s\n", kind.c_str(), cell(e, 0, 1000).c_str());
    }
    const std::string largest = largestOf(events, seen, truth);
    std::printf("  %s; clear %d, contradicted %d\n", largest.c_str(), all, w);
    pool.clips += "| " + c.title + " | " + number(marks.shown.rms(), 2) + " px | " +
                  percent(double(marks.wrong) / double(std::max<size_t>(1, marks.seen))) + " % | " +
                  number(angles.rms(), 2) + "° | " + percent(angles.coverage()) + " % | " + percent(angles.measured()) +
                  " % | " + largest + " |\n";
    std::fflush(stdout);
    return true;
}

/// The measures whose bands hold less than they should, with or without stickers.
std::string narrowBands(const Pool& pool) {
    constexpr double kLeast = 0.92;
    std::string named;
    for (const bool stickers : {true, false})
        for (const auto& [id, e] : pool.byMeasure[stickers])
            if (!e.off.empty() && e.coverage() < kLeast)
                named += (named.empty() ? "" : ", ") + measureName(id) + (stickers ? " with stickers" : "") + " (" +
                         percent(e.coverage()) + " %)";
    return "\nInside their band in less than 92 % of frames: " + (named.empty() ? "none" : named) + ".\n";
}

std::string tablesOf(const Pool& pool) {
    std::string states = "| | with stickers: frames, RMS, inside the band | without |\n|---|---|---|\n";
    for (const PointState state : {PointState::Seen, PointState::Weak, PointState::Lost}) {
        states += std::string("| ") + stateName(state);
        for (const int k : {1, 0}) {
            const auto it = pool.byState[k].find(state);
            const Errors e = it == pool.byState[k].end() ? Errors{} : it->second;
            states += " | " + std::to_string(e.off.size()) + ", " + number(e.rms(), 2) + " px, " +
                      percent(e.coverage()) + " %";
        }
        states += " |\n";
    }
    states += "| more than 5 px wrong, told as seen";
    for (const int k : {1, 0})
        states += " | " + percent(double(pool.wrong[k]) / double(std::max<size_t>(1, pool.seen[k]))) + " %";
    states += " |\n";
    std::string measures = "| measure | with stickers: RMS, 95th percentile, bias, inside the band | without | "
                           "measured, without | without, no mark of it weak | that is |\n|---|---|---|---|---|---|\n";
    for (const auto& [id, e] : pool.byMeasure[0])
        measures += "| " + measureName(id) + " (" + unitSign(measureUnit(id)) + ") | " +
                    cell(of(pool.byMeasure[1], id), 2) + " | " + cell(e, 2) + " | " + measuredCell(e) + " | " +
                    cell(of(pool.whereSeen, id), 2) + " | " + measuredCell(of(pool.whereSeen, id)) + " |\n";
    std::string events =
        "| time of an event (ms) | with stickers: number; RMS, 95th percentile, bias, inside the band | "
        "without |\n|---|---|---|\n";
    for (const auto& [kind, e] : pool.byEvent[0]) {
        const Errors& with = of(pool.byEvent[1], kind);
        events += "| " + kind + " | " + std::to_string(with.off.size()) + "; " + cell(with, 0, 1000) + " | " +
                  std::to_string(e.off.size()) + "; " + cell(e, 0, 1000) + " |\n";
    }
    std::string threeD =
        "| against the bones, plain clothes, change since the start | RMS, 95th percentile | no mark of it weak "
        "|\n|---|---|---|\n";
    for (const auto& [id, e] : pool.bones) {
        const Errors& where = of(pool.bonesWhereSeen, id);
        threeD += "| " + measureName(id) + " | " + number(e.rms(), 2) + "°, " + number(e.p95(), 2) + "° | " +
                  number(where.rms(), 2) + "°, " + number(where.p95(), 2) + "° |\n";
    }
    return "| clip | marks, RMS | wrong as seen | angles, RMS | inside the band | measured | times of reps / holds / "
           "breaks |\n|---|---|---|---|---|---|---|\n" +
           pool.clips + "\n" + states + "\n" + measures + "\n" + events + "\n" + threeD + narrowBands(pool) +
           "\nFindings called clear that the true points contradict: " + std::to_string(pool.wrongFindings) + " of " +
           std::to_string(pool.clearFindings) +
           ".\nFindings that cannot be told though the true points are more than 1.5 half-widths from the limit: " +
           std::to_string(pool.needlessDoubts) + " of " + std::to_string(pool.doubts) + ".\n";
}

} // namespace

int main(int argc, char** argv) {
    if (argc < 2)
        return std::fprintf(stderr, "accuracy_table CLIPS [--only CLIP] [--cases FILE] [--forget] [DOCUMENT]\n"
                                    "FILE: another cases.json, with its scenes in the folder scenes beside it\n"),
               2;
    const std::filesystem::path folder = argv[1];
    std::filesystem::create_directories(folder);
    std::string only, document;
    bool forget = false;
    std::filesystem::path cases = DEFT_TEST_DATA "/accuracy/cases.json";
    for (int i = 2; i < argc; ++i) {
        if (std::string(argv[i]) == "--only" && i + 1 < argc)
            only = argv[++i];
        else if (std::string(argv[i]) == "--cases" && i + 1 < argc)
            cases = argv[++i];
        else if (std::string(argv[i]) == "--forget")
            forget = true;
        else
            document = argv[i];
    }
    Pool pool;
    for (const MadeCase& c : readCases(cases)) {
        if (c.clip.find(only) == std::string::npos) continue;
        if (!addClip(pool, c, cases.parent_path() / "scenes", folder)) return 1;
        for (const char* kind : {".mp4", ".marks.json", ".truth.csv"})
            if (forget) std::filesystem::remove(folder / (c.clip + kind));
    }
    const std::string text = tablesOf(pool);
    std::printf("\n%s", text.c_str());
    if (document.empty()) return 0;
    const std::string from = "<!-- tables from here -->\n", to = "<!-- tables to here -->";
    auto old = readFile(document);
    const size_t a = old ? old->find(from) : std::string::npos, b = old ? old->find(to) : std::string::npos;
    if (a == std::string::npos || b == std::string::npos)
        return std::fprintf(stderr, "%s has no place for the tables\n", document.c_str()), 1;
    return writeFileAtomically(document, old->substr(0, a + from.size()) + "\n" + text + "\n" + old->substr(b)) ? 0 : 1;
}
