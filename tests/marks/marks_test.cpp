// SPDX-License-Identifier: GPL-3.0-or-later
// Marks in and out of their file, and every way in which such a file can be wrong.
#include "base/files.h"
#include "base/json.h"
#include "marks/marks.h"
#include "marks/names.h"
#include "marks/tracks.h"
#include "support/schema.h"
#include "support/table.h"
#include "support/wrong_entry.h"

#include <QTemporaryDir>
#include <QTest>

using namespace deft;
using namespace deft::test;

class MarksTest : public QObject {
    Q_OBJECT

    static Json good() {
        return Json::parse(
            R"({"format":"deft-mirror-marks","version":1,"mirrored":true,"scale":{"length_cm":180},"marking_sd_px":2.5,"mat":{"length_cm":200,"width_cm":80},"maker":{"x":1},
            "frames":[{"time_s":0.0,"points":{"hip":[640.25,400],"knee":[800,300]}},{"time_s":2.0,"points":{"knee":null}}],
            "seeds":[{"time_s":1.0,"points":{"knee":[790,310.5]}}]})");
    }
    static ClipInfo clip() {
        ClipInfo c;
        c.width = 1280, c.height = 720, c.medianRateHz = 30, c.duration_s = 3;
        for (int i = 0; i < 90; ++i) c.time_s.push_back(i / 30.0);
        return c;
    }

private slots:
    void thereAndBack() {
        const Marks m = parseMarks(good(), "f").value();
        QVERIFY(m.mirrored);
        NEAR(*m.scaleLengthCm, 180, 0);
        NEAR(*m.markingSd_px, 2.5, 0);
        QCOMPARE(m.mat, std::optional(MatSize{200, 80}));
        QCOMPARE(m.frames.size(), size_t(2));
        NEAR(m.frames[0].points.at("hip")->x(), 640.25, 0);
        QVERIFY(!m.frames[1].points.at("knee").has_value());
        NEAR(m.seeds.at(0).points.at("knee")->y(), 310.5, 0);
        QCOMPARE(toJson(m)["maker"]["x"].get<int>(), 1); // keys of other programs are kept
        QCOMPARE(parseMarks(toJson(m), "f").value(), m);
        QCOMPARE(m.landmarks(), (std::vector<std::string>{"hip", "knee"}));
    }

    void wrong_data() {
        wrongEntryColumns();
        QTest::newRow("other format") << "/format"
                                      << "\"deft-mirror-scene\""
                                      << "/format";
        QTest::newRow("unknown landmark") << "/frames/0/points/elbo"
                                          << "[1,2]"
                                          << "/frames/0/points/elbo";
        QTest::newRow("one number") << "/frames/0/points/hip"
                                    << "[1]"
                                    << "/frames/0/points/hip";
        QTest::newRow("words") << "/frames/0/points/hip"
                               << "[\"a\",\"b\"]"
                               << "/frames/0/points/hip";
        QTest::newRow("seed of nothing") << "/seeds/0/points/elbo"
                                         << "[1,2]"
                                         << "/seeds/0/points/elbo";
        QTest::newRow("seeds that are none") << "/seeds"
                                             << "7"
                                             << "/seeds";
        QTest::newRow("no time") << "/frames/1/time_s"
                                 << "\"soon\""
                                 << "/frames/1/time_s";
        QTest::newRow("no frames") << "/frames"
                                   << "[]"
                                   << "/frames";
        QTest::newRow("scale of nothing") << "/scale/length_cm"
                                          << "0"
                                          << "/scale/length_cm";
        QTest::newRow("scatter of none") << "/marking_sd_px"
                                         << "0"
                                         << "/marking_sd_px";
        QTest::newRow("mat that is wider than long") << "/mat/width_cm"
                                                     << "210"
                                                     << "/mat";
        QTest::newRow("mat without a width") << "/mat"
                                             << "{\"length_cm\":180}"
                                             << "/mat";
        QTest::newRow("mirrored perhaps") << "/mirrored"
                                          << "\"perhaps\""
                                          << "/mirrored";
    }
    void wrong() { verifyWrongEntry(good(), parseMarks); }

    void readAsTheSchemaSays() {
        Json j = good();
        j.erase("mat"); // that its width is the shorter side no schema can say
        verifyReaderObeys(shippedSchema("marks"), j, parseMarks);
        for (const std::string& name : landmarkNames()) j["frames"][0]["points"][name] = {1, 2};
        QVERIFY(shippedSchema("marks").check(j, "every landmark"));
    }

    void newer() {
        Json j = good();
        j["version"] = 2;
        QCOMPARE(parseMarks(j, "f").error().code, Errc::NewerVersion);
    }

    void fitting() {
        Marks m = parseMarks(good(), "f").value();
        m.frames[1].time_s = 2.012; // another program's rounding: the nearest frame is meant
        NEAR(fitToClip(m, clip(), "")->frames[1].time_s, 2.0, 1e-9);
    }

    void outsideThePicture() {
        Marks m = parseMarks(good(), "f").value();
        m.set(0, "asis", Point2(1281, 5));
        const auto f = fitToClip(m, clip(), "");
        QCOMPARE(f.error().code, Errc::OutOfRange);
        QVERIFY(f.error().detail().find("asis") != std::string::npos &&
                f.error().detail().find("1280") != std::string::npos);
    }

    void forAnotherClip() {
        Marks m = parseMarks(good(), "f").value();
        m.set(9, "hip", Point2(1, 1));
        QCOMPARE(fitToClip(m, clip(), "").error().code, Errc::OutOfRange);
        Marks named = parseMarks(good(), "f").value();
        named.keep("clip_sha256", "abc");
        QCOMPARE(fitToClip(named, clip(), "def").error().code, Errc::Conflict);
        QVERIFY(fitToClip(named, clip(), "abc"));
    }

    void settingAndTakingOut() {
        Marks m;
        m.set(1, "hip", Point2(1, 2));
        m.set(0.5, "hip", Point2(3, 4));
        m.set(1, "hip", Point2(5, 6));
        QCOMPARE(m.frames.size(), size_t(2));
        NEAR(m.frames[0].time_s, 0.5, 0);
        NEAR(m.frames[1].points.at("hip")->x(), 5, 0);
        m.unset(1, "hip");
        QCOMPARE(m.frames.size(), size_t(1));
    }

    void names() {
        QVERIFY(isLandmark("hip") && isLandmark("hip_l") && isLandmark("asis_r") && isLandmark("floor_a"));
        QVERIFY(!isLandmark("hip_x") && !isLandmark("floor_a_l") && !isLandmark(""));
        QVERIFY(isSceneLandmark("floor_b") && !isSceneLandmark("wheel"));
        for (const std::string& name : sideLandmarks())
            QVERIFY2(landmarkWords(name) != "" && isLandmark(name), name.c_str());
        QCOMPARE(landmarkWords("asis_l"), std::string("left front hip point"));
    }
};

QTEST_GUILESS_MAIN(MarksTest)
#include "marks_test.moc"
