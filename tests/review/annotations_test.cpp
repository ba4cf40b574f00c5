// SPDX-License-Identifier: GPL-3.0-or-later
// What the coach adds by hand counts as much as what was measured: faults that were seen, drawings, the neutral.
#include "answer/answer.h"
#include "base/json.h"
#include "readings/readings.h"
#include "review/neutral.h"
#include "review/seen_faults.h"
#include "support/catalogue.h"
#include "support/demo_review.h"
#include "support/other_measurement.h"
#include "support/table.h"
#include "support/wrong_entry.h"

#include <QScopeGuard>
#include <QTemporaryDir>
#include <QTest>
#include <random>

using namespace deft;
using namespace deft::test;

class AnnotationsTest : public QObject {
    Q_OBJECT

    static Review with(std::vector<SeenFault> seen, std::map<std::string, bool> agreed = {}) {
        ReviewInputs in = demoInputs();
        in.seen = std::move(seen), in.agreed = std::move(agreed);
        return demoReview(std::move(in));
    }
    static int count(const Review& r, const std::string& id, int rep) {
        return int(std::count_if(r.findings.faults.begin(), r.findings.faults.end(),
                                 [&](const Fault& f) { return f.id == id && f.rep == rep; }));
    }

private slots:
    void thereAndBack() {
        ReviewInputs in = demoInputs();
        in.seen = {{"sinking", 4.25, 5}};
        in.drawings = {{Drawing::Kind::Angle, 3.5, {{1, 2}, {3, 4.25}, {5, 6}}, ""},
                       {Drawing::Kind::Words, 4, {{10, 20}}, "ribs ↓ here"}};
        in.breaths = {{1.5, true}, {3, false}};
        in.spoken = Spoken{"voice.wav", 0.25, 3.5, 7.125, "Look.", {{{{0.5, 0.1, 0.2}, {0.75, 0.3, 0.25}}}, {}}};
        const ReviewInputs again = parseInputs(toJson(in), "f").value();
        QVERIFY(again.breaths == in.breaths);
        QVERIFY(again.seen == in.seen);
        QVERIFY(again.drawings == in.drawings);
        QVERIFY(again.spoken == in.spoken);
        // Reviews from before there were drawings are read as they are.
        Json old = toJson(in);
        old.erase("seen"), old.erase("drawings");
        QVERIFY(parseInputs(old, "f")->drawings.empty());
    }

    void wrong_data() {
        wrongEntryColumns();
        QTest::newRow("ends before it starts") << "/seen/0/end_s"
                                               << "1"
                                               << "/seen/0";
        QTest::newRow("no fault") << "/seen/0/fault"
                                  << "7"
                                  << "/seen/0";
        QTest::newRow("unknown kind") << "/drawings/0/kind"
                                      << "\"spiral\""
                                      << "/drawings/0";
        QTest::newRow("breath sideways") << "/breaths/0/breath"
                                         << "\"sideways\""
                                         << "/breaths/0";
        QTest::newRow("breaths out of order") << "/breaths/1/time_s"
                                              << "0.5"
                                              << "/breaths/1";
        QTest::newRow("spoken without a voice") << "/spoken"
                                                << "{}"
                                                << "/spoken";
        QTest::newRow("drawn backwards") << "/spoken/lines"
                                         << "[[[2,0,0],[1,0,0]]]"
                                         << "/spoken/lines/0";
        QTest::newRow("arrow to nowhere") << "/drawings/0/points"
                                          << "[[1,2]]"
                                          << "/drawings/0";
    }
    void wrong() {
        ReviewInputs in = demoInputs();
        in.seen = {{"sinking", 4, 5}};
        in.drawings = {{Drawing::Kind::Arrow, 3.5, {{1, 2}, {3, 4}}, ""}};
        in.breaths = {{1, true}, {2, false}};
        in.spoken = Spoken{"voice.wav", 0, 1, 2, "", {}};
        verifyWrongEntry(toJson(in), parseInputs);
    }

    /// A fault that the coach adds never makes a reading better, whichever, wherever and however long.
    void neverBetter() {
        const Review before = demoReview();
        std::mt19937 random(11);
        std::uniform_real_distribution<double> when(0, before.clip().duration_s), length(0.1, 3);
        for (int k = 0; k < 60; ++k) {
            const auto& faults = before.exercise.faults;
            const double from = when(random);
            const Review r = with({{faults[size_t(k) % faults.size()].id, from, from + length(random)}});
            for (size_t i = 0; i < before.events.reps.size(); ++i) {
                const Rep &was = before.events.reps[i], &is = r.events.reps[i];
                QVERIFY2(is.hold.clean_s <= was.hold.clean_s + 1e-9 && is.controlRange <= was.controlRange + 1e-9,
                         r.inputs.seen[0].id.c_str());
            }
            QVERIFY(r.findings.faults.size() >= before.findings.faults.size() ||
                    count(r, r.inputs.seen[0].id, 0) + count(r, r.inputs.seen[0].id, 1) > 0);
        }
    }

    /// What the coach turns down breaks nothing; what breaks later then counts, and no less than that.
    void refusedBreakGivesWayToTheNext() {
        const Review before = demoReview();
        QCOMPARE(before.events.reps[0].hold.brokenBy, std::string("pelvis_on_trunk"));
        const Review refused = with({}, {{ReviewInputs::momentKey("back-bend", 0), false}});
        const Hold& hold = refused.events.reps[0].hold;
        QVERIFY(hold.clean_s >= before.events.reps[0].hold.clean_s);
        const bool sinks = std::any_of(refused.findings.faults.begin(), refused.findings.faults.end(),
                                       [](const Fault& f) { return f.id == "sinking" && f.rep == 0; });
        QCOMPARE(hold.brokenBy.empty(), !sinks); // sinking is an anchor of this exercise, too
        QCOMPARE(caseOf(refused).holds[0].clean_s, hold.clean_s);
    }

    /// A set-up check that is rejected: it is neither cued nor decided on nor kept for next time.
    void refusedSetUp() {
        // A coach whose own file asks for more than anybody's knees can do: the set-up is poor for certain.
        QTemporaryDir own;
        const std::string check = shipped().exercise("bridge")->setup.front().id;
        QVERIFY(writeFileAtomically(own.filePath(QStringLiteral("bridge.json")).toStdString(),
                                    toText({{"format", "deft-mirror-exercise"},
                                            {"version", 1},
                                            {"extends", "bridge"},
                                            {"limits", {{check, {{"low", 1.0}, {"high", 2.0}}}}}})));
        const CataloguePtr catalogue = Catalogue::load(dataFolder(), own.path().toStdString()).value();
        const Review before = demoReview(demoInputs(), catalogue);
        const auto poor = std::find_if(before.findings.setup.begin(), before.findings.setup.end(),
                                       [](const SetupVerdict& v) { return v.isPoor(); });
        QVERIFY(poor != before.findings.setup.end());
        const auto speaksOf = [&](const Review& r) {
            const auto past = asPast(r).faults;
            return std::any_of(r.decision.cues.begin(), r.decision.cues.end(),
                               [&](const ChosenCue& c) { return c.fault == poor->id; }) ||
                   std::find(past.begin(), past.end(), poor->id) != past.end() ||
                   std::any_of(r.findings.faults.begin(), r.findings.faults.end(),
                               [&](const Fault& f) { return f.causedBy == poor->id; });
        };
        QVERIFY(speaksOf(before));
        ReviewInputs in = demoInputs();
        in.agreed = {{ReviewInputs::momentKey(poor->id, 0), false}};
        const Review refused = demoReview(in, catalogue);
        QVERIFY(!speaksOf(refused));
        for (const auto& [id, verdict] : caseOf(refused).setup)
            if (id == poor->id) QCOMPARE(verdict, std::string("good"));
        QVERIFY(toJson(refused)["setup"].dump().find("\"rejected\":true") != std::string::npos);
    }

    /// Two marks on one spot, or one at the edge, are told and trusted less.
    void doubtfulMarksWidenTheBand() {
        ReviewInputs in = demoInputs();
        QVERIFY(doubtfulMarks(in.marks, 1280, 720).empty());
        const Review before = demoReview(in);
        auto& points = in.marks.frames.front().points;
        points["knee"] = *points["hip"] + Vector2(1, 1);
        const auto doubts = doubtfulMarks(in.marks, 1280, 720);
        QCOMPARE(doubts.size(), size_t(2));
        QVERIFY(inEnglish(doubts[0].why).find("same spot") != std::string::npos);
        const Review after = demoReview(in);
        const auto band = [](const Review& r) { return r.series().find("knee_angle")->u95[30]; };
        QVERIFY(band(after) > 1.5 * band(before));
        points["knee"] = Point2(1278, 300);
        QVERIFY(doubtfulMarks(in.marks, 1280, 720).front().why == Message("lies at the edge of the picture"));
    }

    /// An anchor that was seen to give way ends the clean part of the hold at that time, where its span has been moved.
    void holdEndsWhereSeen() {
        const Review before = demoReview();
        const Rep& rep = before.events.reps[0];
        const double middle = (rep.hold.start_s + rep.hold.end_s) / 2;
        const Review r =
            with({{"back-bend", middle, middle + 0.5, true}}, {{ReviewInputs::momentKey("sinking", 0), false}});
        const Hold& hold = r.events.reps[0].hold;
        QCOMPARE(hold.brokenBy, std::string("pelvis_on_trunk"));
        NEAR(*hold.first_break_s, middle, 1e-9);
        NEAR(hold.clean_s, middle - rep.hold.start_s, 1e-9);
        QCOMPARE(count(r, "back-bend", 0), 1); // instead of what was proposed there
        NEAR(r.events.reps[1].hold.clean_s, before.events.reps[1].hold.clean_s, 1e-9);
        // What stands in the findings is read from the clip, not typed in.
        for (const Fault& f : r.findings.faults)
            if (f.id == "back-bend" && f.rep == 0) {
                QVERIFY(f.byCoach && f.worst_s >= middle && f.worst_s <= middle + 0.5);
                NEAR(f.worst, r.series().find("pelvis_on_trunk")->value[size_t(r.clip().frameAt(f.worst_s))], 1e-9);
            }
    }

    /// On the way out: what was reached until then is what was controlled.
    void rangeEndsWhereSeen() {
        const Rep rep = demoReview().events.reps[1];
        const double at = rep.start_s + 0.6 * (rep.hold.start_s - rep.start_s);
        const Review r = with({{"back-bend", at, at + 0.4}});
        const Rep& now = r.events.reps[1];
        QCOMPARE(now.brokenBy, std::string("pelvis_on_trunk"));
        NEAR(*now.break_s, at, 1e-9);
        const Series* lift = r.series().find("hip_height");
        NEAR(now.controlRange, lift->value[size_t(r.clip().frameAt(at))] - now.baseline, 1e-9);
        QVERIFY(now.controlRange < now.reach);
    }

    /// A fault of the exercise that the program did not see is cued like any other; refused again, it is gone.
    void addedAndRefused() {
        const Review plain = demoReview();
        std::string id;
        for (const FaultPlan& f : plain.exercise.faults)
            if (count(plain, f.id, 0) + count(plain, f.id, 1) == 0) id = f.id;
        QVERIFY(!id.empty());
        const double t = plain.events.reps[0].hold.start_s + 1;
        const Review seen = with({{id, t, t + 1}});
        QCOMPARE(count(seen, id, 0), 1);
        QVERIFY(std::any_of(seen.decision.cues.begin(), seen.decision.cues.end(),
                            [&](const ChosenCue& c) { return c.fault == id; }) ||
                std::any_of(seen.decision.waiting.begin(), seen.decision.waiting.end(),
                            [&](const auto& w) { return w.first == id; }));
        const Review refused = with({{id, t, t + 1}}, {{ReviewInputs::momentKey(id, 0), false}});
        for (const Fault* f : refused.standing()) QVERIFY(f->id != id);
        QCOMPARE(count(with({{"juggling", t, t + 1}}), "juggling", 0), 0); // of another exercise's file
    }

    /// Where nothing was measured the fault stands without a number, and no number is made up for next time.
    void seenWhereNothingIsMeasured() {
        ReviewInputs in = demoInputs();
        Tracks tracks = demoTracks();
        for (auto& [name, points] : tracks.landmark)
            for (size_t i = 100; i < 140; ++i) points[i].state = PointState::Lost;
        const ClipInfo clip = demoClipInfo();
        in.seen = {{"back-bend", clip.time_s[105], clip.time_s[130]}};
        const Review r = measureReview(shippedCatalogue(), in, clip, tracks).value();
        const auto own =
            std::find_if(r.findings.faults.begin(), r.findings.faults.end(), [](const Fault& f) { return f.byCoach; });
        QVERIFY(own != r.findings.faults.end() && std::isnan(own->worst));
        const Json j = toJson(r);
        QVERIFY(!toText(j).empty());
        for (const PastCue& c : asPast(r).cues) QVERIFY(std::isfinite(c.worst));
        const Answer a = composeAnswer(r);
        for (const AnswerPart& p : a.parts)
            for (const std::string& f : p.facts) QVERIFY2(f.find("nan") == std::string::npos, f.c_str());
    }

    void repOfASpan() {
        Events e;
        for (const double start : {2.0, 10.0}) {
            Rep rep;
            rep.start_s = start, rep.end_s = start + 5;
            e.reps.push_back(rep);
        }
        QCOMPARE(repOfSpan(e, 3, 4), 0);
        QCOMPARE(repOfSpan(e, 6, 12), 1); // longest overlap
        QCOMPARE(repOfSpan(e, 0, 1), 0);  // nearest
        QCOMPARE(repOfSpan(e, 20, 21), 1);
        QCOMPARE(repOfSpan({}, 1, 2), -1);
    }

    /// The frame that the coach calls neutral reads zero from then on, and every tilt moves by the same amount.
    void neutralOfAFrame() {
        const Review before = demoReview();
        const int64_t frame = before.clip().frameAt(before.events.reps[0].hold.start_s + 0.5);
        ReviewInputs in = demoInputs();
        in.neutral = neutralAt(before, frame);
        QVERIFY(in.neutral && in.neutral->source == "coach");
        const Review after = demoReview(in);
        QCOMPARE(after.series().neutral.source, std::string("coach"));
        for (const char* id : {"tilt", "pelvis_on_trunk"}) {
            const Series *a = before.series().find(id), *b = after.series().find(id);
            NEAR(b->value[size_t(frame)], 0, 0.5); // a median around it
            const double shift = b->value[size_t(frame)] - a->value[size_t(frame)];
            NEAR(b->value[40] - a->value[40], shift, 1e-6);
            NEAR(b->value[300] - a->value[300], shift, 1e-6);
        }
        // Judging anew only shifts what is told against neutral: the same as measuring anew, there and back.
        const Review shifted = judgeAgain(before, in).value();
        QCOMPARE(toJson(shifted).dump(), toJson(after).dump());
        QCOMPARE(toJson(judgeAgain(shifted, demoInputs()).value()).dump(), toJson(before).dump());
        NEAR(neutralAt(after, frame)->tilt_raw, in.neutral->tilt_raw, 1e-6); // the same frame, the same neutral
        Review blind = demoReview();
        otherMeasurement(blind).series.beforeNeutral.clear();
        QVERIFY(!neutralAt(blind, frame));
    }

    /// Who arches and flattens before the first rep shows a range of one's own; neutral lies midway. The pelvis of the
    /// demo is turned by ten degrees each way about a place two degrees off, which is then the neutral.
    void neutralBetweenArchAndFlat() {
        const Review before = demoReview();
        QCOMPARE(ownRange(before).error().code, Errc::NotFound); // it keeps still
        Tracks turned = before.tracks();
        QVERIFY(before.events.reps[0].start_s > 1.8);
        for (size_t i = 0; i < turned.frames(); ++i) {
            const double t = turned.time_s[i];
            if (t < 0.2 || t > 1.8) continue;
            const double angle = radians(2 + std::clamp(20 * std::sin(2 * M_PI * (t - 0.2) / 1.6), -10.0, 10.0));
            Point2 middle = Point2::Zero();
            double count = 0;
            for (const std::string& name : kPelvisMarks)
                if (turned.landmark.count(name)) middle += turned.landmark[name][i].at, ++count;
            middle /= count;
            for (const std::string& name : kPelvisMarks)
                if (turned.landmark.count(name)) {
                    Point2& p = turned.landmark[name][i].at;
                    p = middle + Eigen::Rotation2Dd(angle) * (p - middle);
                }
        }
        const Review moved = measureReview(shippedCatalogue(), demoInputs(), before.clip(), turned).value();
        const auto own = ownRange(moved);
        QVERIFY2(own.has_value(), own ? "" : own.error().detail().c_str());
        QVERIFY(own->neutral.source == "clip" && own->neutral.range);
        NEAR(*own->neutral.range, 20, 0.8);
        QVERIFY(std::abs(moved.clip().time_s[size_t(own->arch)] - moved.clip().time_s[size_t(own->flat)]) > 0.3);
        const double still = before.series().neutral.tilt_raw;
        NEAR(std::abs(own->neutral.tilt_raw - still), 2, 0.6);
        ReviewInputs in = demoInputs();
        in.neutral = own->neutral;
        const Review after = judgeAgain(moved, in).value();
        QCOMPARE(after.series().neutral.source, std::string("clip"));
        NEAR(std::abs(after.series().find("tilt")->value[size_t(own->arch)]), 10, 0.6);
        const auto rows = readingRows(after);
        QVERIFY(std::any_of(rows.begin(), rows.end(), [](const auto& r) { return r.measure == "tilt_range"; }));
        QCOMPARE(toJson(parseInputs(toJson(in), "f").value()).dump(), toJson(in).dump());
    }

    /// The neutral of one clip in another: of the client's own clip of two weeks before, whose marks were set anew.
    /// Where a mark was set 4 px beside its place both readings of tilt lie apart, but inside the band.
    void neutralOfAnotherClip() {
        const Review here = demoReview();
        ReviewInputs there = demoInputs("ruta-bridge-march");
        QCOMPARE(neutralOfOther(here, there).error().code, Errc::Unsupported); // it has none
        const Review other =
            measureReview(shippedCatalogue(), there, demoClipInfo("ruta-bridge-march"), demoTracks("ruta-bridge-march"))
                .value();
        there.neutral = neutralAt(other, 20);
        there.neutral->range = 31;
        ReviewInputs in = demoInputs();
        in.neutral = neutralOfOther(here, there).value();
        QCOMPARE(in.neutral->tilt_raw, there.neutral->tilt_raw);
        QVERIFY(in.neutral->source == "coach" && !in.neutral->range && in.neutral->u95 > there.neutral->u95);
        const auto tiltAt = [](const Review& r, size_t i) {
            const Series* s = r.series().find("tilt");
            return std::pair(s->value[i], s->u95[i]);
        };
        const auto [tilt, band] = tiltAt(judgeAgain(here, in).value(), 20);
        NEAR(tilt, tiltAt(here, 20).first, band); // lying still both times
        const std::string mark = pelvisPair(in.marks.landmarks())->to;
        for (MarkedFrame& f : in.marks.frames)
            if (auto& at = f.points.at(mark)) *at += Vector2(3, 3);
        Tracks tracks = here.tracks();
        for (TrackPoint& p : tracks.landmark.at(mark)) p.at += Vector2(3, 3);
        const Review beside = measureReview(shippedCatalogue(), in, here.clip(), tracks).value();
        in.neutral = neutralOfOther(beside, there).value();
        const auto [off, wide] = tiltAt(judgeAgain(beside, in).value(), 20);
        QVERIFY2(std::abs(off - tilt) > 1, qPrintable(QString::number(off - tilt)));
        NEAR(off, tilt, wide);
        ReviewInputs otherMarks = there, otherPosition = there;
        for (MarkedFrame& f : otherMarks.marks.frames) f.points.erase(mark);
        otherPosition.exercise = "hand-plank";
        QCOMPARE(neutralOfOther(here, otherMarks).error().code, Errc::Unsupported);
        QCOMPARE(neutralOfOther(here, otherPosition).error().code, Errc::Unsupported);
    }

    /// What was drawn goes into the answer, one picture a frame, words as its caption.
    void drawingsAreSent() {
        ReviewInputs in = demoInputs();
        QVERIFY(!composeAnswer(demoReview(in)).find("drawings"));
        in.drawings = {{Drawing::Kind::Arrow, 3.5, {{1, 2}, {3, 4}}, "ribs"},
                       {Drawing::Kind::Line, 3.5, {{1, 2}, {3, 4}}, ""},
                       {Drawing::Kind::Words, 6, {{1, 2}}, "good"}};
        const AnswerPart part = *composeAnswer(demoReview(in)).find("drawings");
        QCOMPARE(part.pictures.size(), size_t(2));
        QCOMPARE(part.pictures[0].caption, std::string("ribs"));
        QCOMPARE(part.pictures[1].frame, demoClipInfo().frameAt(6));
        const std::string page = answerHtml(composeAnswer(demoReview(in)), [](const AnswerPicture& p) {
            return PictureData{"image/png", std::to_string(p.frame)};
        });
        QVERIFY(page.find("<figcaption>good</figcaption>") != std::string::npos);
    }
};

QTEST_GUILESS_MAIN(AnnotationsTest)
#include "annotations_test.moc"
