// SPDX-License-Identifier: GPL-3.0-or-later
// Measured against the truth that made clips carry: the same review is made once from the followed marks and once from
// the projected true points. Limits are those that the product promises with stickers on the client; without stickers
// the numbers are reported as they are. DEFT_LONG=1 adds the clip without stickers.
#include "accuracy/made_case.h"
#include "base/json.h"
#include "support/demo_review.h"

#include <QTemporaryDir>
#include <QTest>

using namespace deft;
using namespace deft::test;

class AccuracyTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;

    static void report(const Review& seen, const Review& truth) {
        for (const char* m : {"tilt", "pelvis_on_trunk", "trunk", "hip_angle", "knee_angle", "hip_height", "sag"}) {
            const Errors e = errorsOf(seen, truth, m);
            qInfo("%-16s RMS %.3f, inside its band %.1f %%, measured in %.1f %% of frames", m, e.rms(),
                  100 * e.coverage(), 100 * e.measured());
        }
    }

    /// What is promised with stickers.
    static void verifyPromise(const Review& seen, const Review& truth) {
        report(seen, truth);
        for (const char* m : {"tilt", "pelvis_on_trunk"}) {
            const Errors e = errorsOf(seen, truth, m);
            QVERIFY2(e.rms() <= 0.7, m);
            QVERIFY2(e.coverage() >= 0.90, m);
            QVERIFY2(e.measured() >= 0.98, m);
        }
        QCOMPARE(seen.events.reps.size(), truth.events.reps.size());
        const double frame = 1 / seen.clip().medianRateHz;
        for (size_t k = 0; k < seen.events.reps.size(); ++k) {
            const Hold &a = seen.events.reps[k].hold, &b = truth.events.reps[k].hold;
            qInfo("rep %zu: hold %.3f s (true %.3f), clean %.3f s (true %.3f)", k + 1, a.duration_s(), b.duration_s(),
                  a.clean_s, b.clean_s);
            NEAR(a.duration_s(), b.duration_s(), 2 * frame);
            QCOMPARE(a.first_break_s.has_value(), b.first_break_s.has_value());
            if (a.first_break_s) NEAR(*a.first_break_s, *b.first_break_s, 0.1);
            const auto &x = seen.events.reps[k].break_s, &y = truth.events.reps[k].break_s;
            QCOMPARE(x.has_value(), y.has_value());
            if (x) NEAR(*x, *y, 0.1);
        }
        for (const Review* r : {&seen, &truth})
            for (const Fault& f : r->findings.faults)
                qInfo("%s rep %d: worst %.2f ± %.2f, limit %.1f", f.id.c_str(), f.rep + 1, f.worst, f.u95, f.limit);
        QCOMPARE(seen.findings.order.act, truth.findings.order.act);
        QCOMPARE(seen.decision.step, truth.decision.step);
    }

private slots:
    void withStickers_data() {
        QTest::addColumn<QString>("name");
        QTest::newRow("three reps") << "ruta-bridge-may";
        QTest::newRow("the earlier clip") << "ruta-bridge-april";
    }
    void withStickers() {
        QFETCH(QString, name);
        const auto [seen, truth] = measureTwice(demoClip(name.toStdString()), demoInputs(name.toStdString()));
        verifyPromise(seen, truth);
        if (name == QLatin1String("ruta-bridge-may")) {
            // As scripted: the first clean, the second sinks late in the hold, the third bends the back on the way up.
            QVERIFY(seen.events.reps[0].hold.brokenBy.empty());
            QCOMPARE(seen.events.reps[1].hold.brokenBy, std::string("level_loss"));
            QCOMPARE(seen.events.reps[2].brokenBy, std::string("pelvis_on_trunk"));
        }
    }

    /// The tracks that ship with the demo, so that its earlier reviews are there at once, are those that tracking
    /// gives.
    void shippedTracks_data() {
        QTest::addColumn<QString>("name");
        for (const char* name : {"ruta-bridge-march", "ruta-bridge-early-april", "ruta-bridge-april"})
            QTest::newRow(name) << QString::fromLatin1(name);
    }
    void shippedTracks() {
        QFETCH(QString, name);
        auto clip = ClipReader::open(demoClip(name.toStdString())).value();
        const Tracks now = trackClip(clip, demoInputs(name.toStdString()).marks).value();
        for (const auto& [landmark, points] : demoTracks(name.toStdString()).landmark)
            for (size_t i = 0; i < points.size(); ++i)
                NEAR((points[i].at - now.landmark.at(landmark)[i].at).norm(), 0, 0.05);
    }

    /// The corners of the made mat tell where the camera was put.
    void matTellsTheCamera_data() {
        QTest::addColumn<double>("yaw");
        for (const double yaw : {-15.0, 0.0, 6.0}) QTest::addRow("%g°", yaw) << yaw;
    }
    void matTellsTheCamera() {
        QFETCH(double, yaw);
        Json j = readJsonFile(DEFT_TEST_DATA "/accuracy/scenes/bridge-plain.json").value();
        j["camera"]["yaw_deg"] = yaw, j["camera"]["roll_deg"] = 2, j["camera"]["focal_px"] = 1300;
        const auto scene = figure::parseScene(j, "scene").value();
        const auto points = figure::FilmStudio(scene).frame(0).points;
        std::array<Point2, 4> corners;
        for (size_t i = 0; i < 4; ++i) {
            const auto& p = points.at(std::string("mat_") + char('a' + i));
            QVERIFY(p.visible);
            corners[i] = {p.x, p.y};
        }
        const auto view = matView(corners, {180, 64}, Lens::ofPhone(scene.camera.width, scene.camera.height));
        QVERIFY(view);
        NEAR(view->turnDeg, -yaw, 0.2); // walked to the right, the right end is nearer
        NEAR(view->rollDeg, 2, 0.2);
        QVERIFY(view->turnU95 < 3);
    }

    /// Head to the right, mirrored, the camera rolled, at a variable rate, stored lying on its side.
    void turnedEveryWay() {
        const std::filesystem::path clip = dir_.filePath(QStringLiteral("turned.mp4")).toStdString();
        const auto scene = figure::readScene(DEFT_TEST_DATA "/accuracy/scenes/turned.json").value();
        QVERIFY(figure::filmScene(scene, clip));
        ReviewInputs in;
        in.asked = {"both", 1, std::nullopt, 2.0, std::nullopt, 3};
        const auto [seen, truth] = measureTwice(clip, in);
        QCOMPARE(seen.clip().rotationDeg, 90);
        QVERIFY(seen.clip().variableRate);
        verifyPromise(seen, truth);
        NEAR(std::abs(seen.series().context.axes.rollDeg), 4.5, 1.0); // and put right: the mat is the level
        // The back bends by 10° while held up (the scene's own numbers; part of a bend shows in the trunk).
        QCOMPARE(seen.events.reps.size(), size_t(1));
        QCOMPARE(seen.events.reps[0].hold.brokenBy, std::string("pelvis_on_trunk"));
    }

    /// Hips held up for three seconds, once shaking by half a degree at seven a second, once slowly sinking and rising.
    void filmedShaking_data() {
        QTest::addColumn<bool>("shakes");
        QTest::newRow("shakes") << true;
        QTest::newRow("sinks") << false;
    }
    void filmedShaking() {
        QFETCH(bool, shakes);
        Json j = readJsonFile(DEFT_TEST_DATA "/accuracy/scenes/bridge-plain.json").value();
        j["person"]["stickers"] = true;
        j["camera"]["width"] = 640, j["camera"]["height"] = 360, j["camera"]["focal_px"] = 850;
        j["film"]["duration_s"] = 6, j["film"]["room_samples"] = 1;
        Json lift = {{0.5, 0}, {1.5, 26}};
        for (int k = 0; shakes && k < 42; ++k) lift.push_back({1.8 + k / 14.0, k % 2 ? 25.5 : 26.5});
        if (!shakes) lift.push_back({2.5, 26.5}), lift.push_back({3.2, 24.5}), lift.push_back({4.8, 26});
        lift.push_back({5.0, 26}), lift.push_back({5.8, 0});
        j["movement"] = {{"trunk_deg", lift}};
        const std::filesystem::path clip = dir_.filePath(QStringLiteral("shaking.mp4")).toStdString();
        std::filesystem::remove(clip);
        QVERIFY(figure::filmScene(figure::parseScene(j, "scene").value(), clip));
        const auto [seen, truth] = measureTwice(clip, {});
        for (const Review* r : {&seen, &truth}) {
            QCOMPARE(r->events.reps.size(), size_t(1));
            const Hold& hold = r->events.reps[0].hold;
            QVERIFY(hold.tremor && hold.duration_s() > 3.2 && hold.duration_s() < 3.9);
            qInfo("%.1f ± %.1f %% of the movement is shaking", hold.tremor->share, hold.tremor->u95);
            if (shakes)
                QVERIFY(hold.tremor->share - hold.tremor->u95 > 80);
            else
                QVERIFY(hold.tremor->share + hold.tremor->u95 < 20);
        }
    }

    /// A T-shirt and joggers that hang and slide: the landmarks are on the body beneath, and what is told of them holds
    /// it; nothing is called a clear fault that the true points contradict. The whole set: tests/accuracy/loose.
    void looseClothes() {
        Json j = readJsonFile(DEFT_TEST_DATA "/accuracy/loose/scenes/bridge-loose.json").value();
        j["camera"]["width"] = 960, j["camera"]["height"] = 540, j["camera"]["focal_px"] = 1275;
        j["film"]["fps"] = 15, j["film"]["room_samples"] = 1;
        const std::filesystem::path clip = dir_.filePath(QStringLiteral("loose.mp4")).toStdString();
        QVERIFY(figure::filmScene(figure::parseScene(j, "scene").value(), clip));
        const auto [seen, truth] = measureTwice(clip, {});
        report(seen, truth);
        for (const PointState state : {PointState::Seen, PointState::Weak}) {
            size_t inside = 0, all = 0;
            for (const auto& [name, points] : seen.tracks().landmark) {
                const Errors e = errorsOf(seen, truth, name, state);
                all += e.off.size(), inside += size_t(std::lround(e.coverage() * double(e.off.size())));
            }
            qInfo("%s: %zu of %zu inside", stateName(state), inside, all);
            QVERIFY(all > 100 && double(inside) >= 0.9 * double(all));
        }
        for (const char* m :
             {"tilt", "trunk", "knee_angle", "hip_height"}) // 60 to 86 % before bones' lengths were asked
            QVERIFY2(errorsOf(seen, truth, m).coverage() >= 0.9, m);
        for (const Fault& f : seen.findings.faults) {
            const auto& all = truth.findings.faults;
            QVERIFY2(f.certainty != Certainty::Clear ||
                         std::any_of(all.begin(), all.end(), [&](const Fault& t) { return t.id == f.id; }),
                     f.id.c_str());
        }
    }

    /// Plain clothes, and something that passes over the front hip point for half a second: what cannot be seen is not
    /// told as seen, and it comes back by itself. The whole set of scenes is in docs/accuracy.md.
    void plainClothesCovered() {
        auto scene = figure::readScene(DEFT_TEST_DATA "/accuracy/scenes/covered-plain.json").value();
        scene.camera.width = 960, scene.camera.height = 540, scene.camera.focalPx *= 0.75f;
        scene.duration_s = 4;
        const std::filesystem::path clip = dir_.filePath(QStringLiteral("covered.mp4")).toStdString();
        QVERIFY(figure::filmScene(scene, clip));
        const auto [seen, truth] = measureTwice(clip, {});
        report(seen, truth);
        size_t shown = 0, wrong = 0;
        for (const auto& [name, points] : seen.tracks().landmark) {
            const Errors e = errorsOf(seen, truth, name, PointState::Seen);
            shown += e.off.size();
            wrong += size_t(std::count_if(e.off.begin(), e.off.end(), [](double d) { return d > 5; }));
        }
        QVERIFY2(double(wrong) <= 0.01 * double(shown), qPrintable(QStringLiteral("%1 of %2").arg(wrong).arg(shown)));
        QVERIFY(errorsOf(seen, truth, "tilt").rms() <= 1.5);
        QVERIFY(errorsOf(seen, truth, "trunk").rms() <= 1.0);
        for (const char* m : {"tilt", "trunk", "hip_angle", "knee_angle"})
            QVERIFY2(errorsOf(seen, truth, m).coverage() >= 0.93, m);
        const auto& asis = seen.tracks().landmark.at("asis");
        const auto after = size_t(seen.clip().frameAt(scene.covers.front().to_s + 0.3));
        for (size_t i = after; i < asis.size(); ++i) {
            QVERIFY(asis[i].usable());
            QVERIFY((asis[i].at - truth.tracks().landmark.at("asis")[i].at).norm() < 5);
        }
    }

    /// Plain clothes move over the body and have little to hold on to: the demo's own clip of that kind.
    void withoutStickers() {
        if (qEnvironmentVariableIsEmpty("DEFT_LONG")) QSKIP("a long one: ./check --long");
        const auto [seen, truth] = measureTwice(demoClip("oisin-bridge-may"), demoInputs("oisin-bridge-may"));
        report(seen, truth);
        double wrongOfAll = 0;
        for (const auto& [name, points] : seen.tracks().landmark) {
            int usable = 0, wrong = 0;
            for (size_t i = 0; i < points.size(); ++i) {
                usable += points[i].usable();
                wrong += points[i].usable() && (points[i].at - truth.tracks().landmark.at(name)[i].at).norm() >
                                                   std::max(5.0, 3 * points[i].sd);
            }
            qInfo("%-9s usable in %5.1f %%, wrong without saying so in %5.1f %%", name.c_str(),
                  100.0 * usable / double(points.size()), 100.0 * wrong / double(points.size()));
            wrongOfAll += wrong / double(points.size()) / double(seen.tracks().landmark.size());
        }
        QVERIFY2(wrongOfAll < 0.03, qPrintable(QString::number(wrongOfAll))); // 2.2 % were measured, all of the elbow
        // Twice what was measured, and the bands must hold: a wrong number may be missing, but not pass for certain.
        for (const auto& [measure, rms] : {std::pair{"tilt", 1.7},
                                           {"pelvis_on_trunk", 1.7},
                                           {"trunk", 0.4},
                                           {"hip_angle", 1.3},
                                           {"knee_angle", 1.3},
                                           {"hip_height", 1.2}}) {
            const Errors e = errorsOf(seen, truth, measure);
            QVERIFY2(e.rms() < rms && e.coverage() >= 0.90 && e.measured() >= 0.95, measure);
        }
        QCOMPARE(seen.decision.step, truth.decision.step);
    }
};

QTEST_GUILESS_MAIN(AccuracyTest)
#include "accuracy_test.moc"
