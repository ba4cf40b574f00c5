// SPDX-License-Identifier: GPL-3.0-or-later
// A whole review: what it says, its file, and reading it again.
#include "accuracy/made_case.h"
#include "analysis/analyse.h"
#include "base/files.h"
#include "base/json.h"
#include "readings/readings.h"
#include "signal/resample.h"
#include "support/catalogue.h"
#include "support/demo_review.h"
#include "support/table.h"

#include <QTemporaryDir>
#include <QTest>

using namespace deft;
using namespace deft::test;

class ReviewTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;
    std::filesystem::path at(const char* name) const { return dir_.filePath(QString::fromLatin1(name)).toStdString(); }

private slots:
    /// Marks that nobody has looked at prove nothing.
    void nothingIsClearOnUnconfirmedMarks() {
        const auto clear = [](const Review& r) {
            return std::count_if(r.findings.faults.begin(), r.findings.faults.end(),
                                 [](const Fault& f) { return f.certainty == Certainty::Clear; });
        };
        const Review confirmed = demoReview();
        QVERIFY(clear(confirmed) > 0);
        ReviewInputs in = confirmed.inputs;
        in.marks.keep("proposed", Json{{"hip", "keypoint"}});
        const Review proposed = judgeAgain(confirmed, in).value();
        QCOMPARE(clear(proposed), decltype(clear(proposed))(0));
        QCOMPARE(proposed.findings.faults.size(), confirmed.findings.faults.size()); // still worth a look
        QVERIFY(proposed.decision.cues.empty());
        // And what gave way there is no reason to go back, or to go less far.
        const auto toldBroken = [](const Review& r) {
            const Case c = caseOf(r);
            return std::count_if(c.holds.begin(), c.holds.end(),
                                 [](const Case::Hold& h) { return h.isTold && !h.brokenBy.empty(); }) +
                   std::count_if(c.reps.begin(), c.reps.end(),
                                 [](const Case::Rep& rep) { return rep.isTold && !rep.brokenBy.empty(); });
        };
        QVERIFY(toldBroken(confirmed) > 0);
        QCOMPARE(toldBroken(proposed), decltype(toldBroken(proposed))(0));
        QVERIFY(!proposed.decision.target.range);
    }

    /// What an edit makes anew, and no more: what was measured is shared as long as nothing that it hangs on changes,
    /// whether the change comes from the coach or from the coach's own file of the exercise.
    void onlyWhatHangsOnAChangeIsAnew() {
        const ReviewInputs in = demoInputs();
        ReviewInputs words = in, agreed = in, marks = in;
        words.words["well"] = "Fine.", words.parts["felt"] = false;
        agreed.agreed["back-bend@1"] = false;
        marks.marks.frames.front().points.begin()->second->x() += 1;
        QCOMPARE(changeBetween(in, in), Change::None);
        QCOMPARE(changeBetween(in, words), Change::Answer);
        QCOMPARE(changeBetween(in, agreed), Change::Judgement);
        QCOMPARE(changeBetween(in, marks), Change::Tracks);

        const Review before = demoReview();
        const auto sharesWith = [&](const ReviewInputs& other, const CataloguePtr& catalogue = {}) {
            return judgeAgain(before, other, catalogue).value().measurement == before.measurement;
        };
        ReviewInputs school = before.inputs, side = before.inputs, noise = before.inputs;
        school.schools["bridge"] = "flat-first";
        side.side = "left";
        noise.marks.markingSd_px = 4;
        QVERIFY(sharesWith(agreed) && sharesWith(school));
        QVERIFY(!sharesWith(side) && !sharesWith(noise));

        const QTemporaryDir own;
        const auto withOwn = [&](const char* change) {
            const std::string file =
                R"({"format":"deft-mirror-exercise","version":1,"id":"bridge","extends":"bridge",)";
            if (!writeFileAtomically(own.filePath("bridge.json").toStdString(), file + change + "}"))
                return CataloguePtr();
            return Catalogue::load(dataFolder(), own.path().toStdString()).value();
        };
        QVERIFY(sharesWith(before.inputs, withOwn(R"("limits":{"back-bend":{"high":9}})")));
        QVERIFY(!sharesWith(before.inputs, withOwn(R"("sides":"each")")));
        QVERIFY(!sharesWith(before.inputs, withOwn(R"("line_end":"ankle")")));
        QVERIFY(!sharesWith(before.inputs, withOwn(R"("in_position":[{"measure":"knee_angle","low":20}])")));
    }

    /// A camera that stands far off square is asked for in the clip check, and every angle's band is wider.
    void cameraOffSquare() {
        const auto in = demoInputs("ruta-bridge-may");
        const ClipInfo clip = ClipReader::open(in.clipPath).value().info();
        const Tracks tracks = truthTracks(in.clipPath, in.marks, clip);
        Tracks turned = tracks;
        for (auto& [name, points] : turned.landmark)
            for (TrackPoint& p : points) p.at.x() = 640 + (p.at.x() - 640) * std::cos(radians(25));
        const Review square = measureReview(shippedCatalogue(), in, clip, tracks).value(),
                     off = measureReview(shippedCatalogue(), in, clip, turned).value();
        const auto checkOf = [](const Review& r) {
            const auto c = std::find_if(r.check.begin(), r.check.end(),
                                        [](const ClipCheck& k) { return k.id == "camera-square"; });
            return c == r.check.end() ? ClipCheck{} : *c;
        };
        QCOMPARE(checkOf(square).verdict, std::string("good"));
        QCOMPARE(checkOf(off).verdict, std::string("poor"));
        QVERIFY2(std::abs(checkOf(off).value - 25) < 3, qPrintable(QString::number(checkOf(off).value)));
        QVERIFY(!checkOf(off).ask.empty());
        QVERIFY(off.series().find("trunk")->u95[200] > 2 * square.series().find("trunk")->u95[200]);
    }

    /// Where the mover was lost no rep is found; what else is told against the start is told against its beginning, not
    /// against the whole clip.
    void startWithoutReps() {
        const auto in = demoInputs("ruta-bridge-may");
        const ClipInfo clip = ClipReader::open(in.clipPath).value().info();
        Tracks tracks = truthTracks(in.clipPath, in.marks, clip);
        for (size_t i = 0; i < tracks.frames(); ++i)
            if (tracks.time_s[i] > 2.2) tracks.landmark["hip"][i].state = PointState::Lost;
        const Review r = measureReview(shippedCatalogue(), in, clip, tracks).value();
        QVERIFY(r.events.reps.empty());
        const Series& knee = *r.series().find("knee_rise");
        NEAR(knee.value[10], 0, 0.3);
        QVERIFY(*std::max_element(knee.value.begin(), knee.value.end()) > 3);
        // The client is told what hid it, or the next clip is the same one again.
        const auto kept =
            std::find_if(r.check.begin(), r.check.end(), [](const ClipCheck& c) { return c.id == "marks-kept"; });
        QVERIFY(kept != r.check.end() && kept->verdict == "unusable" && kept->ask.find("clothes") != std::string::npos);
    }

    /// The earlier demo clip was made with feet 540 mm from the upper back and two lifts that bend the back.
    void saysWhatWasFilmed() {
        const Review r = demoReview();
        QCOMPARE(r.events.reps.size(), size_t(2));
        QCOMPARE(r.findings.order.act, (std::vector<std::string>{"back-bend", "sinking"}));
        for (const Rep& rep : r.events.reps) QCOMPARE(rep.brokenBy, std::string("pelvis_on_trunk"));
        QVERIFY(!r.allClean());
        QVERIFY(r.missing.empty());
        QCOMPARE(r.series().neutral.source, std::string("set-up"));
    }

    void contractKeys() {
        const Json j = toJson(demoReview());
        QCOMPARE(j["format"].get<std::string>(), std::string("deft-mirror-review"));
        QCOMPARE(j["version"].get<int>(), 1);
        auto has = [](const Json& o, std::initializer_list<const char*> keys) {
            for (const char* k : keys) QVERIFY2(o.contains(k), k);
        };
        has(j, {"clip", "exercise", "view", "side", "schools", "neutral", "summary", "reps", "holds", "faults", "setup",
                "decision", "cues", "cautions"});
        has(j["clip"],
            {"file", "sha256", "width", "height", "frames", "duration_s", "rotation_deg", "variable_rate", "check"});
        has(j["clip"]["check"][0], {"id", "verdict", "value", "unit", "ask"});
        has(j["summary"]["tilt"], {"min", "min_at_s", "max", "max_at_s", "mean", "u95", "unit"});
        has(j["reps"][0],
            {"side", "start_s", "top_s", "end_s", "out_s", "hold_s", "back_s", "reach", "control_range", "broken_by"});
        has(j["holds"][0],
            {"side", "start_s", "end_s", "duration_s", "clean_s", "first_break_s", "broken_by", "u95_s"});
        has(j["faults"][0], {"id", "measure", "side", "start_s", "end_s", "worst_s", "worst", "limit", "u95",
                             "certainty", "caused_by", "rank"});
        has(j["setup"][0], {"id", "verdict", "value", "u95"});
        has(j["decision"], {"step", "because", "target", "arithmetic"});
        has(j["decision"]["target"], {"rung", "sets", "reps", "hold_s", "range", "days_per_week"});
        has(j["cues"][0], {"fault", "rung", "text"});
        for (const char* id :
             {"tilt_raw", "tilt", "pelvis_on_trunk", "trunk", "hip_height", "sag", "hip_angle", "knee_angle"})
            QVERIFY2(j["summary"].contains(id), id);
    }

    void folderThereAndBack() {
        const Review r = demoReview();
        QVERIFY(writeFolder(r, at("out")));
        const auto again = readFolder(shippedCatalogue(), at("out"));
        QVERIFY2(again.has_value(), again ? "" : again.error().detail().c_str());
        QVERIFY(writeFolder(*again, at("again")));
        for (const char* file : {"review.json", "series.csv", "tracks.csv"})
            QVERIFY2(readFile(at("out") / file).value() == readFile(at("again") / file).value(), file);
    }

    void inputsThereAndBack() {
        ReviewInputs in = demoInputs();
        in.agreed[ReviewInputs::momentKey("back-bend", 1)] = false;
        in.words["well"] = "Schön — “yes”";
        in.parts["next"] = false;
        in.note = {true, false, {"dizziness"}, {"low-back"}, {"doming"}, "hm"};
        in.overruledStep = "stay", in.overruledWhy = "a hard week", in.overruled = in.asked;
        in.cueRecord = {{"back-bend", "image", 4, 3}};
        in.cleared = {"low-back-pain"};
        in.neutral = Neutral{8, 0, 1, "coach"};
        in.pictures["back-bend"] = {std::nullopt, 4.25};
        in.history = {{"2026-01-01", "pad", in.asked, true, false, {"back-bend"}, {{"back-bend", "image", 8, 1}}}};
        const Json j = toJson(in);
        QCOMPARE(toJson(parseInputs(j, "f").value()).dump(), j.dump());
    }

    void damagedFolders() {
        QCOMPARE(readFolder(shippedCatalogue(), at("none")).error().code, Errc::NotFound);
        QVERIFY(writeFolder(demoReview(), at("bad")));
        std::string tracks = readFile(at("bad") / "tracks.csv").value();
        QVERIFY(writeFileAtomically(at("bad") / "tracks.csv", tracks.substr(0, tracks.size() / 2)));
        QVERIFY(!readFolder(shippedCatalogue(), at("bad"))); // half the tracks: wrong cells or another number of frames
        Json j = readJsonFile(at("bad") / "review.json").value();
        j["version"] = 9;
        QVERIFY(writeFileAtomically(at("bad") / "review.json", toText(j)));
        QCOMPARE(readFolder(shippedCatalogue(), at("bad")).error().code, Errc::NewerVersion);
    }

    void brokenTracks_data() {
        QTest::addColumn<QByteArray>("csv");
        QTest::newRow("empty") << QByteArray();
        QTest::newRow("another table") << QByteArray("a,b\n1,2\n");
        QTest::newRow("a cell short") << QByteArray("frame,time_s,hip_x,hip_y,hip_sd,hip_state\n0,0.0,1,2,0.1\n");
        QTest::newRow("unknown state") << QByteArray(
            "frame,time_s,hip_x,hip_y,hip_sd,hip_state\n0,0.0,1,2,0.1,guessed\n");
        QTest::newRow("no frames") << QByteArray("frame,time_s,hip_x,hip_y,hip_sd,hip_state\n");
    }
    void brokenTracks() {
        QFETCH(QByteArray, csv);
        const auto t = parseTracks(csv.toStdString(), "t.csv");
        QVERIFY(!t);
        QCOMPARE(t.error().code, Errc::BadFormat);
    }

    /// A fault that the coach turns down counts no more: the decision follows.
    void notSo() {
        ReviewInputs in = demoInputs();
        const Review before = demoReview(in);
        for (const Fault& f : before.findings.faults) in.agreed[ReviewInputs::momentKey(f.id, f.rep)] = false;
        const Review after = demoReview(in);
        QVERIFY(after.standing().empty());
        QVERIFY(caseOf(after).faults.empty());
        for (const auto& h : caseOf(after).holds) QVERIFY(h.brokenBy.empty());
        for (const ChosenCue& c : after.decision.cues) QVERIFY(after.exercise.fault(c.fault) == nullptr);
    }

    /// The coach's own step and target count, the proposal stays among the reasons; a stop rule cannot be overruled.
    void overruled() {
        ReviewInputs in = demoInputs();
        const Decision proposed = demoReview(in).decision;
        in.overruledStep = "back", in.overruledWhy = "long drive before the clip";
        in.overruled = proposed.target;
        in.overruled->version = "pad";
        const Decision d = demoReview(in).decision;
        QCOMPARE(d.step, std::string("back"));
        QCOMPARE(d.target.version, std::string("pad"));
        QCOMPARE(said(d.because.front()),
                 "overruled by the coach: proposed was " + proposed.step + "; long drive before the clip");
        in.note.pain = true;
        QCOMPARE(demoReview(in).decision.step, std::string("stop"));
    }

    /// Which of the exercise's views a clip shows follows from its marks.
    void viewFollowsFromTheMarks() {
        ReviewInputs in;
        in.exercise = "bridge";
        QCOMPARE(exerciseOf(shipped(), in)->view, std::string("side"));
        auto& points = in.marks.frames.emplace_back().points;
        for (const char* name : {"asis_l", "asis_r", "hip_l", "hip_r", "knee_l", "knee_r", "shoulder_l", "shoulder_r"})
            points[name] = Point2(10, 10);
        QCOMPARE(exerciseOf(shipped(), in)->view, std::string("foot-end"));
        QCOMPARE(exerciseOf(shipped(), in)->mover.measure, std::string("hips_rise"));
        in.view = "above";
        QVERIFY(exerciseOf(shipped(), in).error().detail().find("foot-end") != std::string::npos);
    }

    void framePairsComeFromTheSameMeasure() {
        const Review r = demoReview();
        const auto pair = r.framePair("back-bend").value();
        const Series& s = *r.series().find("pelvis_on_trunk");
        QVERIFY(s.value[size_t(pair.worst)] > s.value[size_t(pair.best)]);
        NEAR(s.value[size_t(pair.worst)], summaryOf(r.series(), "pelvis_on_trunk").max, 0.5);
        QVERIFY(!r.framePair("no-such-fault"));
    }

    void readings() {
        const Review r = demoReview();
        const auto rows = readingRows(r);
        auto find = [&](const char* measure) {
            return *std::find_if(rows.begin(), rows.end(), [&](const ReadingRow& x) { return x.measure == measure; });
        };
        QCOMPARE(find("pelvis_on_trunk").verdict, Verdict::Out);
        NEAR(find("clean_hold").value, medianOf({r.events.reps[0].hold.clean_s, r.events.reps[1].hold.clean_s}), 1e-12);
        NEAR(find("control_range").value, std::min(r.events.reps[0].controlRange, r.events.reps[1].controlRange),
             1e-12);
        for (const ReadingRow& row : rows)
            QVERIFY2(row.why.empty() ? std::isfinite(row.u95) && !row.unit.empty() : std::isnan(row.value),
                     row.measure.c_str());
    }

    void withoutOptionalMarks() {
        Tracks t = demoTracks();
        t.landmark.erase("heel");
        t.landmark.erase("toe");
        t.landmark.erase("asis");
        const Review r = measureReview(shippedCatalogue(), demoInputs(), demoClipInfo(), t).value();
        QCOMPARE(r.missing, std::vector<std::string>{"asis"});
        for (const SetupVerdict& v : r.findings.setup)
            if (v.id == "feet-flat") QCOMPARE(v.verdict, std::string("cannot-tell"));
    }

    /// Marks lost for most of the lifts: no verdict, no numbers of holds, and the clip is asked for again.
    void lostMarksDecideNothing() {
        Tracks t = demoTracks();
        for (auto& [name, points] : t.landmark)
            if (name == "shoulder")
                for (size_t i = 0; i < points.size(); ++i)
                    if (t.time_s[i] > 3.5 && t.time_s[i] < 15.5) points[i].state = PointState::Lost;
        const Review r = measureReview(shippedCatalogue(), demoInputs(), demoClipInfo(), t).value();
        QVERIFY(!r.events.reps.empty());
        for (const Rep& rep : r.events.reps) QVERIFY(rep.unsure());
        QCOMPARE(r.decision.step, std::string("ask-again"));
        QVERIFY(!r.metTarget() && !r.allClean());
        for (const ReadingRow& row : readingRows(r))
            if (row.measure == "clean_hold") QCOMPARE(row.why.key, std::string("reading.lost"));
        const Json j = toJson(r);
        QCOMPARE(j["holds"][0]["certain"].get<bool>(), false);
    }

    void unknownSchool() {
        ReviewInputs in = demoInputs();
        in.schools["bridge"] = "my-own";
        QCOMPARE(measureReview(shippedCatalogue(), in, demoClipInfo(), demoTracks()).error().code, Errc::NotFound);
    }
};

QTEST_GUILESS_MAIN(ReviewTest)
#include "review_test.moc"
