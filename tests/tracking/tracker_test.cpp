// SPDX-License-Identifier: GPL-3.0-or-later
// Marks followed through pictures whose movement is known exactly.
#include "support/moving_cloth.h"
#include "support/table.h"
#include "tracking/tracker.h"

#include <QTest>

using namespace deft;
using namespace deft::test;

class TrackerTest : public QObject {
    Q_OBJECT

private slots:
    /// Half pixels and turns of 20° over a second, to within a few tenths of a pixel, and the band tells the truth.
    void followsTurnsAndShifts() {
        const cv::Mat picture = cloth();
        LandmarkTracker tracker;
        tracker.mark(picture, asMarks(kClothMarks));
        for (const auto& [name, p] : tracker.now()) QCOMPARE(p.state, PointState::ByHand);
        double sum = 0;
        int n = 0, inside = 0;
        for (int i = 1; i <= 30; ++i) {
            const double turn = 0.66 * i;
            const Vector2 by(1.37 * i, -0.71 * i);
            tracker.step(moved(picture, turn, by), 1 / 30.0);
            for (const auto& [name, p] : tracker.now()) {
                QVERIFY2(p.usable(),
                         qPrintable(QStringLiteral("%1 in frame %2").arg(QString::fromStdString(name)).arg(i)));
                const Vector2 off = p.at - movedPoint(kClothMarks.at(name), turn, by);
                sum += off.squaredNorm(), ++n;
                inside += std::abs(off.x()) <= 1.96 * p.sd && std::abs(off.y()) <= 1.96 * p.sd;
            }
        }
        NEAR(std::sqrt(sum / n), 0, 0.25);
        QVERIFY2(inside > 0.85 * n, qPrintable(QStringLiteral("%1 of %2 inside").arg(inside).arg(n)));
    }

    /// Turned away by 15°, out of sight, and back where it was marked: neither the last place nor the last motion leads
    /// there.
    void whoMovesOutComesBack() {
        const cv::Mat body = cloth();
        LandmarkTracker t;
        t.mark(body, asMarks(kClothMarks));
        for (int i = 1; i <= 15; ++i) t.step(moved(body, i, {0, 0}), 1 / 30.0);
        QVERIFY(t.now().at("hip").usable());
        for (int i = 0; i < 10; ++i) t.step(cv::Mat(body.size(), CV_8U, cv::Scalar(90)), 1 / 30.0);
        QCOMPARE(t.now().at("hip").state, PointState::Lost);
        for (int i = 0; i < 6; ++i) t.step(body, 1 / 30.0);
        for (const char* name : {"hip", "asis", "crest", "shoulder"}) {
            const TrackPoint& p = t.now().at(name);
            QVERIFY2(p.usable() && (p.at - kClothMarks.at(name)).norm() < 1, name);
        }
    }

    /// People set marks some pixels off. On a sticker, the sticker is meant, by the nearest mark alone; on cloth the
    /// place stays.
    void marksOnStickersMeanThem() {
        cv::Mat picture = cloth();
        const Point2 sticker(300, 200);
        for (const int turn : {0, 90, 180, 270})
            cv::ellipse(picture, {300, 200}, {10, 10}, turn, 0, 90, turn % 180 ? 245 : 10, cv::FILLED, cv::LINE_AA);
        const Point2 onCloth = kClothMarks.at("shoulder");
        LandmarkTracker t;
        t.mark(picture,
               asMarks({{"shoulder", onCloth}, {"hip", {304, 198}}, {"asis", {293, 205}}, {"crest", {316, 189}}}));
        const Point2 found = t.now().at("hip").at;
        QVERIFY2((found - sticker).norm() < 1, qPrintable(QStringLiteral("%1, %2").arg(found.x()).arg(found.y())));
        QVERIFY(t.now().at("asis").at == Point2(293, 205));
        QVERIFY(t.now().at("crest").at == Point2(316, 189)); // beside it
        QVERIFY(t.now().at("shoulder").at == onCloth);
        t.step(picture, 1 / 30.0);
        t.mark(picture, asMarks({{"hip", sticker + Vector2(-4, 4)}})); // set again where it is followed
        QVERIFY((t.now().at("hip").at - sticker).norm() < 1);
        QCOMPARE(t.now().at("hip").state, PointState::ByHand);
    }

    /// Where a sticker passes over another one, neither is told seen at the other's place.
    void crossingStickers() {
        const cv::Mat wall = 0.2 * cloth() + 150;
        const auto places = [](int i) {
            return std::map<std::string, Point2>{
                {"wrist", {240 + 1.5 * i, 260}}, {"elbow", {300, 260}}, {"knee", {420.0 - i, 300}}};
        };
        const auto picture = [&](int i) {
            cv::Mat out = wall.clone();
            for (const char* name : {"elbow", "knee", "wrist"}) {
                const Point2 at = places(i).at(name);
                for (const int turn : {0, 90, 180, 270})
                    cv::ellipse(out, cv::Point(cvRound(at.x()), cvRound(at.y())), {9, 9}, turn, 0, 90,
                                turn % 180 ? 245 : 10, cv::FILLED, cv::LINE_AA);
            }
            return out;
        };
        LandmarkTracker t;
        t.mark(picture(0), asMarks(places(0)));
        for (int i = 1; i <= 80; ++i) {
            t.step(picture(i), 1 / 30.0);
            for (const auto& [name, p] : t.now()) {
                const double off = (p.at - places(i).at(name)).norm();
                QVERIFY2(p.state != PointState::Seen || off < 8,
                         qPrintable(QStringLiteral("%1, frame %2: %3 px off, seen").arg(name.c_str()).arg(i).arg(off)));
            }
        }
        QCOMPARE(t.now().at("wrist").state, PointState::Seen);
    }

    /// A sticker that hangs in the room beside a leg is taken for that of its ankle; as the leg steps aside, it is not
    /// told as the ankle any longer.
    void stickerOfTheRoom() {
        const cv::Mat wall = 0.2 * cloth() + 150, leggings = 0.5 * cloth();
        const std::map<std::string, Point2> places = {{"hip_r", {150, 90}},    {"hip_l", {450, 90}},
                                                      {"knee_r", {150, 250}},  {"knee_l", {450, 250}},
                                                      {"ankle_r", {150, 420}}, {"ankle_l", {450, 420}}};
        const auto stepped = [&](int by) {
            cv::Mat out = wall.clone();
            for (const cv::Rect& leg : {cv::Rect(150, 90, 70, 350), cv::Rect(380, 90, 70, 350)})
                leggings(leg).copyTo(out(leg + cv::Point(by, 0)));
            for (const int turn : {0, 90, 180, 270})
                cv::ellipse(out, {450, 420}, {12, 12}, turn, 0, 90, turn % 180 ? 245 : 10, cv::FILLED, cv::LINE_AA);
            return out;
        };
        LandmarkTracker t;
        t.mark(stepped(0), asMarks(places));
        for (int i = 1; i <= 20; ++i) {
            t.step(stepped(i), 1 / 30.0);
            const TrackPoint& p = t.now().at("ankle_l");
            const double off = (p.at - places.at("ankle_l") - Vector2(i, 0)).norm();
            QVERIFY2(i < 8 || p.state != PointState::Seen || off < 3,
                     qPrintable(QStringLiteral("frame %1: %2 px off, seen").arg(i).arg(off)));
            if (i == 20) QVERIFY(p.usable() && off < 3);
        }
    }

    /// Pelvis and thigh are covered but for the sticker on the hip; the trunk, which tells of the hip from afar, bends.
    /// The sticker is not taken for the room's.
    void stickerOnACoveredPelvis() {
        const cv::Mat body = 0.5 * cloth();
        const Point2 shoulder = kClothMarks.at("shoulder"), hip = kClothMarks.at("hip");
        const auto picture = [&](double turnDeg) {
            cv::Mat out = body.clone(), trunk;
            const cv::Point2f joint(float(shoulder.x()), float(shoulder.y()));
            cv::warpAffine(body, trunk, cv::getRotationMatrix2D(joint, turnDeg, 1), body.size(), cv::INTER_CUBIC);
            trunk.copyTo(out);
            if (turnDeg > 0) out.colRange(285, 640) = 90;
            for (const int turn : {0, 90, 180, 270})
                cv::ellipse(out, {int(hip.x()), int(hip.y())}, {12, 12}, turn, 0, 90, turn % 180 ? 245 : 10, cv::FILLED,
                            cv::LINE_AA);
            return out;
        };
        LandmarkTracker t;
        t.mark(picture(0), asMarks(kClothMarks));
        for (int i = 1; i <= 20; ++i) {
            t.step(picture(0.25 * i), 1 / 30.0);
            const TrackPoint& p = t.now().at("hip");
            QVERIFY2(p.state == PointState::Seen && (p.at - hip).norm() < 1, qPrintable(QString::number(i)));
        }
    }

    /// The cloth of a shin fades, and the foot goes on alone. That is believed where a body finder sees the ankle go
    /// along.
    void footAloneIsProvenBySeeds() {
        const cv::Mat body = cloth();
        const Point2 knee(160, 60), ankle(160, 300);
        const auto picture = [&](int i) {
            cv::Mat out(body.size(), CV_8U, cv::Scalar(120));
            const cv::Rect foot(120, 270, 80, 80);
            body(foot).copyTo(out(foot + cv::Point(3 * i, 0)));
            if (i == 0) body(cv::Rect(120, 40, 80, 230)).copyTo(out(cv::Rect(120, 40, 80, 230)));
            return out;
        };
        for (const bool seen : {false, true}) {
            LandmarkTracker t;
            t.mark(picture(0), {{"knee", knee}, {"ankle", ankle}});
            for (int i = 1; i <= 24; ++i) {
                std::map<std::string, Point2> seeds;
                if (seen && (i == 8 || i == 16)) seeds["ankle"] = ankle + Vector2(3 * i + 8, -6);
                t.step(picture(i), 1 / 30.0, seeds);
            }
            const TrackPoint& p = t.now().at("ankle");
            QCOMPARE(p.usable(), seen);
            if (seen) NEAR((p.at - ankle - Vector2(72, 0)).norm(), 0, 1);
        }
    }

    /// Along an edge and on blank skin a patch fits its own surroundings, on a spot of its own it does not.
    void whatAPatchIsWorth() {
        cv::Mat picture(200, 400, CV_8U, cv::Scalar(90));
        picture(cv::Rect(0, 0, 80, 200)) = 160; // an edge at x = 80
        cv::circle(picture, {200, 100}, 6, 30, cv::FILLED);
        cv::GaussianBlur(picture, picture, {5, 5}, 1);
        const auto alike = [&](const Point2& at) {
            return Patch::take(picture, at, 14, 6)->lookalike(picture, at, 8, 24);
        };
        QVERIFY(alike({80, 100}) > 0.99);
        QVERIFY(alike({320, 100}) > 0.99);
        QVERIFY2(alike({200, 100}) < 0.3, qPrintable(QString::number(alike({200, 100}))));
    }

    /// Marks of the mat go where the picture goes, though nothing is stuck to them.
    void sceneMarksGoWithTheCamera() {
        auto marks = kClothMarks;
        marks["floor_a"] = {50, 440}, marks["floor_b"] = {590, 440};
        LandmarkTracker tracker;
        tracker.mark(cloth(), asMarks(marks));
        for (int i = 1; i <= 12; ++i) {
            const Vector2 shake(4 * std::sin(0.9 * i), 3 * std::cos(0.7 * i) - 3);
            tracker.step(moved(cloth(), 0, shake), 1 / 30.0);
            for (const char* name : {"floor_a", "floor_b"})
                NEAR((tracker.now().at(name).at - marks.at(name) - shake).norm(), 0, 0.3);
        }
    }

    void outlineBeforeALine_data() {
        QTest::addColumn<Vector2>("pace");
        QTest::newRow("up along its own outline") << Vector2(0.3, -1.5);
        QTest::newRow("across") << Vector2(1.5, 0);
    }
    /// A bare shin whose outline passes before the edge of a mat: the corner of both slides while the shin goes. That
    /// is not told as the ankle for longer than a quarter of a second.
    void outlineBeforeALine() {
        QFETCH(Vector2, pace);
        auto picture = [&](int i) {
            cv::Mat m(480, 640, CV_8UC1, cv::Scalar(185));
            m.rowRange(300, 480).setTo(45);
            const Vector2 by = i * pace;
            std::vector<cv::Point> leg;
            for (const auto& [x, y] : {std::pair{250, -400}, {320, 460}, {400, 460}, {440, -400}})
                leg.emplace_back(int(std::lround(16 * (x + by.x()))), int(std::lround(16 * (y + by.y()))));
            cv::fillPoly(m, std::vector<std::vector<cv::Point>>{leg}, cv::Scalar(210), cv::LINE_AA, 4);
            cv::RNG random(uint64_t(i + 1));
            cv::Mat noise(m.size(), CV_8S);
            random.fill(noise, cv::RNG::NORMAL, 0, 2);
            cv::add(m, noise, m, cv::noArray(), CV_8U);
            return m;
        };
        const Point2 ankle(307, 298), knee(340, 60);
        LandmarkTracker tracker;
        tracker.mark(picture(0), {{"ankle", ankle}, {"knee", knee}});
        for (int i = 1; i <= 30; ++i) {
            tracker.step(picture(i), 1 / 30.0);
            const TrackPoint& now = tracker.now().at("ankle");
            const double off = (now.at - ankle - i * pace).norm();
            QVERIFY2(i < 8 || now.state != PointState::Seen || off < 5,
                     qPrintable(QStringLiteral("frame %1: %2 px off, seen").arg(i).arg(off)));
        }
    }

    void coveredMarkIsNotInvented() {
        const cv::Mat picture = cloth();
        LandmarkTracker tracker;
        tracker.mark(picture, asMarks(kClothMarks));
        for (int i = 1; i <= 12; ++i) {
            cv::Mat next = moved(picture, 0, {1.0 * i, 0});
            cv::rectangle(next, cv::Rect(440, 150, 120, 90), cv::Scalar(60), cv::FILLED); // over the knee
            tracker.step(next, 1 / 30.0);
        }
        QVERIFY(tracker.now().at("knee").state != PointState::Seen);
        QCOMPARE(tracker.now().at("shoulder").state, PointState::Seen);
    }

    void markedAsNotVisible() {
        const cv::Mat picture = cloth();
        LandmarkTracker tracker;
        tracker.mark(picture, asMarks(kClothMarks));
        tracker.mark(picture, {{"knee", std::nullopt}});
        tracker.step(moved(picture, 0, {1, 0}), 1 / 30.0);
        QCOMPARE(tracker.now().at("knee").state, PointState::Absent);
        tracker.mark(moved(picture, 0, {1, 0}), {{"knee", Point2(481, 190)}}); // and found again
        QCOMPARE(tracker.now().at("knee").state, PointState::ByHand);
    }

    /// A tracker is a value: a copy goes on from the same place to the same result.
    void copiesGoTheSameWay() {
        const cv::Mat picture = cloth();
        LandmarkTracker a;
        a.mark(picture, asMarks(kClothMarks));
        for (int i = 1; i <= 5; ++i) a.step(moved(picture, 0.5 * i, {1.0 * i, 0}), 1 / 30.0);
        LandmarkTracker b = a;
        for (int i = 6; i <= 10; ++i)
            a.step(moved(picture, 0.5 * i, {1.0 * i, 0}), 1 / 30.0),
                b.step(moved(picture, 0.5 * i, {1.0 * i, 0}), 1 / 30.0);
        for (const auto& [name, p] : a.now()) QVERIFY(p.at == b.now().at(name).at);
    }
};

QTEST_GUILESS_MAIN(TrackerTest)
#include "tracker_test.moc"
