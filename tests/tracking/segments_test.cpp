// SPDX-License-Identifier: GPL-3.0-or-later
// What body segments say of marks that their own patches no longer tell.
#include "support/moving_cloth.h"
#include "support/table.h"
#include "tracking/tracker.h"

#include <Eigen/Geometry>
#include <QTest>

using namespace deft;
using namespace deft::test;

class SegmentsTest : public QObject {
    Q_OBJECT

private slots:
    /// Seen from the front, a leg that is raised grows shorter in the picture: its ends stay at its ends.
    void legThatComesTowardTheCamera() {
        const cv::Mat body = cloth();
        const std::map<std::string, Point2> places = {{"hip_r", {180, 90}},   {"hip_l", {380, 90}},
                                                      {"knee_l", {380, 250}}, {"ankle_l", {380, 420}},
                                                      {"knee_r", {180, 250}}, {"ankle_r", {180, 420}}};
        const auto shortened = [&](double k) {
            cv::Mat out = body.clone(), leg;
            const cv::Rect old(310, 90, 140, 350), now(310, 90, 140, int(std::lround(350 * k)));
            cv::resize(body(old), leg, now.size(), 0, 0, cv::INTER_AREA);
            cv::flip(body(cv::Rect(0, 90, 140, 350)), out(old), 1); // what was behind it
            leg.copyTo(out(now));
            return out;
        };
        LandmarkTracker t;
        t.mark(body, asMarks(places));
        double k = 1;
        for (int i = 1; i <= 30; ++i) t.step(shortened(k = 1 - 0.01 * i), 1 / 30.0);
        for (const char* name : {"knee_l", "ankle_l"}) {
            const TrackPoint& p = t.now().at(name);
            const double y = 90 + k * (places.at(name).y() - 90);
            QVERIFY2(p.usable() && std::abs(p.at.y() - y) < 4, (name + std::to_string(p.at.y() - y)).c_str());
        }
        NEAR(t.now().at("ankle_r").at.y(), 420, 0.5);
    }

    /// Seen from the front both thighs swing to one side under a pelvis that stays level. The skin on the outline is
    /// covered; it may have gone with a thigh or stayed with the pelvis, and both are inside the band.
    void hipBesideItsJoint() {
        const cv::Mat body = cloth();
        const std::map<std::string, Point2> places = {
            {"hip_r", {220, 90}}, {"hip_l", {420, 90}}, {"knee_r", {220, 400}}, {"knee_l", {420, 400}}};
        const auto turned = [](const Point2& p, const Point2& joint, double by) -> Point2 {
            return joint + Eigen::Rotation2Dd(by) * (p - joint);
        };
        const std::map<std::string, Point2> joints = {{"hip_r", {264, 90}}, {"hip_l", {376, 90}}};
        const auto swung = [&](double by) {
            cv::Mat out = body.clone();
            for (const auto& [name, joint] : joints) {
                const cv::Mat a = cv::getRotationMatrix2D({float(joint.x()), float(joint.y())}, -degrees(by), 1);
                cv::Mat leg, mask = cv::Mat::zeros(body.size(), CV_8U);
                cv::rectangle(mask, {int(joint.x()) - 60, 130, 110, 340}, 255, cv::FILLED);
                cv::warpAffine(body, leg, a, body.size(), cv::INTER_CUBIC, cv::BORDER_REFLECT);
                cv::warpAffine(mask, mask, a, body.size(), cv::INTER_NEAREST);
                leg.copyTo(out, mask);
                const Point2& hip = places.at(name);
                cv::circle(out, {int(hip.x()), int(hip.y())}, 34, 120, cv::FILLED);
            }
            return out;
        };
        LandmarkTracker t;
        t.mark(body, asMarks(places));
        double by = 0;
        for (int i = 1; i <= 24; ++i) t.step(swung(by = 0.005 * i), 1 / 30.0);
        for (const auto& [name, joint] : joints) {
            const TrackPoint& p = t.now().at(name);
            const Point2 withPelvis = places.at(name), withThigh = turned(withPelvis, joint, by);
            NEAR((withThigh - withPelvis).norm(), 5.3, 0.1);
            NEAR((p.at - 0.5 * (withPelvis + withThigh)).norm(), 0, 0.7);
            QVERIFY(p.usable() && (p.at - withPelvis).norm() < 2.45 * p.sd && (p.at - withThigh).norm() < 2.45 * p.sd);
            QVERIFY2(p.sd < 5, qPrintable(QString::number(p.sd)));
        }
    }

    /// A body that turns to and fro in a room that is lit in stripes is after eleven cycles where it was after one,
    /// however often new looks were taken on the way. The marks are covered, so that only the cloth around them carries
    /// them.
    void toAndFroDoesNotDrift() {
        const cv::Mat body = cloth();
        cv::Mat light(body.size(), CV_32F);
        for (int y = 0; y < light.rows; ++y)
            for (int x = 0; x < light.cols; ++x) light.at<float>(y, x) = 1 + 0.4f * std::sin(0.06f * float(x + y));
        const auto at = [&](int i) {
            const double turn = 32 * std::sin(i * kPi / 16);
            cv::Mat now = moved(body, turn, {0, 0});
            for (const auto& [name, p] : kClothMarks) {
                const Point2 q = movedPoint(p, turn, {0, 0});
                cv::circle(now, {int(16 * q.x()), int(16 * q.y())}, 16 * 18, 110, cv::FILLED, cv::LINE_AA, 4);
            }
            now.convertTo(now, CV_32F);
            now = now.mul(light);
            now.convertTo(now, CV_8U);
            return now;
        };
        LandmarkTracker t;
        t.mark(at(0), asMarks(kClothMarks));
        std::map<std::string, TrackPoint> first; // after one cycle
        for (int i = 1; i <= 352; ++i) {
            t.step(at(i), 1 / 30.0);
            if (i == 32) first = t.now();
        }
        for (const char* name : {"hip", "asis", "crest", "knee"}) {
            const double drift = (t.now().at(name).at - first.at(name).at).norm();
            QVERIFY2(drift < 0.15, (name + std::to_string(drift)).c_str());
            NEAR((t.now().at(name).at - kClothMarks.at(name)).norm(), 0, 0.5);
        }
    }

    /// The front of the hip lies at the crease: as the thigh comes up, a fold with the patch on it slides away. The
    /// pelvis keeps still, and so does its mark.
    void foldSlidesOverThePelvis() {
        const cv::Mat body = cloth();
        const Point2 asis = kClothMarks.at("asis");
        const auto slid = [&](double by) {
            cv::Mat out = body.clone(), mask = cv::Mat::zeros(body.size(), CV_8U);
            cv::circle(mask, {int(asis.x() + by), int(asis.y())}, 22, 255, cv::FILLED);
            moved(body, 0, {by, 0}).copyTo(out, mask);
            return out;
        };
        LandmarkTracker t;
        t.mark(body, asMarks(kClothMarks));
        for (int i = 1; i <= 30; ++i) {
            t.step(slid(0.3 * i), 1 / 30.0);
            const TrackPoint& p = t.now().at("asis");
            const double off = (p.at - asis).norm();
            QVERIFY2(p.usable() && off < 1, qPrintable(QStringLiteral("frame %1: %2 px off").arg(i).arg(off)));
        }
        NEAR((t.now().at("asis").at - asis).norm(), 0, 2.45 * t.now().at("asis").sd);
    }

    /// Who stands has a hand before the thigh: neither pelvis nor thigh take points there.
    void handBeforeTheThigh() {
        const std::map<std::string, Point2> places = {{"shoulder", {300, 60}}, {"hip", {300, 250}},
                                                      {"asis", {330, 225}},    {"knee", {300, 430}},
                                                      {"elbow", {295, 160}},   {"wrist", {305, 250}}};
        std::vector<std::string> names;
        for (const auto& [name, at] : places) names.push_back(name);
        const cv::Mat image = cloth();
        int asked = 0;
        for (const SegmentPlan& plan : segmentsFor(names)) {
            if (plan.part != BodyPart::Pelvis && plan.part != BodyPart::Thigh) continue;
            const cv::Mat mask = segmentMask(plan, places, image);
            for (const cv::Point hand : {cv::Point(305, 250), cv::Point(310, 290)})
                QCOMPARE(int(mask.at<uchar>(hand)), 0);
            if (plan.part == BodyPart::Thigh) QVERIFY(mask.at<uchar>(cv::Point(300, 370)) > 0);
            ++asked;
        }
        QCOMPARE(asked, 2);
    }

    /// A bare arm that hangs before leggings is not followed by them when it swings off.
    void bareArmBeforeLeggings() {
        const cv::Mat leggings = cloth();
        const auto picture = [&](double by) {
            cv::Mat out = leggings.clone();
            const cv::Point a(int(std::lround(320 + by / 3)), 60), b(int(std::lround(320 + by)), 330);
            cv::line(out, a, b, 70, 15, cv::LINE_AA);
            cv::circle(out, b, 12, 70, cv::FILLED, cv::LINE_AA);
            return out;
        };
        LandmarkTracker t;
        t.mark(picture(0), asMarks({{"shoulder", {320, 70}}, {"elbow", {320, 190}}, {"wrist", {320, 310}}}));
        for (int i = 1; i <= 40; ++i) {
            t.step(picture(1.5 * i), 1 / 30.0);
            const TrackPoint& wrist = t.now().at("wrist");
            const double off = (wrist.at - Point2(320 + 1.4 * i, 310)).norm();
            QVERIFY2(!wrist.usable() || off < 6, qPrintable(QStringLiteral("frame %1: %2 px off").arg(i).arg(off)));
        }
    }

    /// Who stands beside the camera has an arm before the trunk. As it swings away, what little the trunk is followed
    /// by goes with it; the hip, which stays, is not told there.
    void armThatHangsBeforeTheTrunk() {
        const cv::Mat wall(480, 640, CV_8U, cv::Scalar(150)), sleeve = cloth();
        const auto picture = [&](double by) {
            cv::Mat out = wall.clone();
            const cv::Rect arm(315, 80, 10, 85);
            sleeve(arm).copyTo(out(arm + cv::Point(-int(std::lround(by)), 0)));
            return out;
        };
        const std::map<std::string, Point2> places = {{"shoulder", {320, 60}},
                                                      {"hip", {320, 250}},
                                                      {"asis", {300, 225}},
                                                      {"crest", {320, 205}},
                                                      {"knee", {320, 400}}};
        LandmarkTracker t;
        t.mark(picture(0), asMarks(places));
        for (int i = 1; i <= 20; ++i) t.step(picture(1.5 * i), 1 / 30.0);
        const TrackPoint& hip = t.now().at("hip");
        const double off = (hip.at - places.at("hip")).norm();
        QVERIFY2(!hip.usable() || off < 2.45 * hip.sd,
                 qPrintable(QStringLiteral("%1 px off, %2 told").arg(off).arg(hip.sd)));
        QVERIFY(2.45 * hip.sd < 100); // and it is not said of it that it may be anywhere
    }

    /// Trunk and sleeve slide by 8 px under a shoulder that stays: its own patch is believed, though both segments
    /// agree.
    void shoulderAgainstTrunkAndArm() {
        const cv::Mat body = cloth(), skin = moved(cloth(), 90, {0, 0});
        const std::map<std::string, Point2> places = {
            {"shoulder", {150, 240}}, {"hip", {390, 240}}, {"elbow", {150, 420}}};
        const auto picture = [&](double by) {
            cv::Mat out = moved(body, 0, {by, 0});
            const cv::Rect shoulder(125, 215, 50, 50);
            skin(shoulder).copyTo(out(shoulder));
            return out;
        };
        LandmarkTracker t;
        t.mark(picture(0), asMarks(places));
        for (int i = 1; i <= 24; ++i) t.step(picture(i / 3.0), 1 / 30.0);
        const TrackPoint& p = t.now().at("shoulder");
        QVERIFY2(p.usable() && (p.at - places.at("shoulder")).norm() < 1,
                 qPrintable(QString::number((p.at - places.at("shoulder")).norm())));
        NEAR((t.now().at("hip").at - places.at("hip") - Vector2(8, 0)).norm(), 0, 0.5);
    }

    void bandsOfSegmentsInTrouble_data() {
        QTest::addColumn<QStringList>("names");
        QTest::addColumn<QList<QPointF>>("places");
        QTest::addColumn<QString>("mark");
        QTest::addColumn<QRect>("covered");
        QTest::addColumn<bool>("fromTheStart");
        QTest::addColumn<double>("wider"); // px, at least
        QTest::newRow("a head with few points")
            << QStringList{"ear", "chin", "nose"} << QList<QPointF>{{260, 180}, {330, 290}, {370, 200}} << "ear"
            << QRect(220, 140, 200, 122) << true << 0.5;
        QTest::newRow("a bare foot that shows another side")
            << QStringList{"ankle", "heel", "toe"} << QList<QPointF>{{200, 200}, {180, 330}, {420, 330}} << "toe"
            << QRect(365, 150, 195, 250) << false << 0.5;
        QTest::newRow("a trunk of which little is left")
            << QStringList{"shoulder", "hip", "rib"} << QList<QPointF>{{120, 240}, {520, 240}, {300, 240}} << "rib"
            << QRect(190, 150, 162, 180) << false << 1.5;
        QTest::newRow("a pelvis that rolls") << QStringList{"hip_r", "hip_l", "asis_r", "asis_l"}
                                             << QList<QPointF>{{160, 300}, {440, 300}, {200, 180}, {400, 180}}
                                             << "asis_l" << QRect(370, 215, 100, 30) << false << 1.0;
    }
    /// What only a segment carries has a band that grows with what the segment lacks. The pictures move evenly, so that
    /// nothing else is wrong; twice, with all of the cloth in sight and with a part of it gone.
    void bandsOfSegmentsInTrouble() {
        QFETCH(QStringList, names);
        QFETCH(QList<QPointF>, places);
        QFETCH(QString, mark);
        QFETCH(QRect, covered);
        QFETCH(bool, fromTheStart);
        QFETCH(double, wider);
        const cv::Mat body = cloth();
        double sd[2] = {};
        for (const bool trouble : {false, true}) {
            const auto at = [&](int i) {
                cv::Mat now = body.clone();
                if (trouble && (i > 0 || fromTheStart))
                    now(cv::Rect(covered.x(), covered.y(), covered.width(), covered.height())) = 120;
                for (const QPointF& p : places)
                    if (i > 0) cv::circle(now, {int(p.x()), int(p.y())}, 24, 120, cv::FILLED);
                return moved(now, 0, {0.8 * i, 0});
            };
            std::map<std::string, std::optional<Point2>> marks;
            for (int k = 0; k < names.size(); ++k) marks[names[k].toStdString()] = Point2(places[k].x(), places[k].y());
            LandmarkTracker t;
            t.mark(at(0), marks);
            for (int i = 1; i <= 10; ++i) t.step(at(i), 1 / 30.0);
            const TrackPoint& p = t.now().at(mark.toStdString());
            const Point2 place = *marks.at(mark.toStdString()) + Vector2(8, 0);
            QVERIFY(p.usable() && (p.at - place).norm() < 2.45 * p.sd);
            sd[trouble] = p.sd;
        }
        QVERIFY2(sd[1] > sd[0] + wider, qPrintable(QStringLiteral("%1 %2").arg(sd[0]).arg(sd[1])));
    }

    void legsSeenFromTheFront_data() {
        QTest::addColumn<double>("inward");
        QTest::newRow("marked on the outline") << 0.0;
        QTest::newRow("marked in the middle") << 18.0;
    }
    /// Slim legs that step aside before a wall with a pattern. Knees and ankles are covered, so it is for the legs' own
    /// cloth to carry them: none of it may be the wall's.
    void legsSeenFromTheFront() {
        QFETCH(double, inward);
        const cv::Mat wall = 0.6 * cloth() + 90, leggings = 0.2 * cloth();
        const auto stepped = [&](double by) {
            cv::Mat out = wall.clone();
            for (const int left : {200, 400}) {
                const cv::Mat leg = moved(leggings, 0, {by, 0});
                const cv::Rect now(left + int(by), 90, 36, 350);
                leg(now).copyTo(out(now));
            }
            if (by > 0)
                for (const double x : {200 + inward, 436 - inward})
                    for (const int y : {250, 420}) cv::circle(out, {int(x + by), y}, 22, 90, cv::FILLED);
            return out;
        };
        const std::map<std::string, Point2> places = {{"hip_r", {200, 90}},
                                                      {"hip_l", {436, 90}},
                                                      {"knee_r", {200 + inward, 250}},
                                                      {"knee_l", {436 - inward, 250}},
                                                      {"ankle_r", {200 + inward, 420}},
                                                      {"ankle_l", {436 - inward, 420}}};
        LandmarkTracker t;
        t.mark(stepped(0), asMarks(places));
        for (int i = 1; i <= 24; ++i) t.step(stepped(i), 1 / 30.0);
        for (const char* name : {"ankle_l", "ankle_r"}) {
            const TrackPoint& p = t.now().at(name);
            const Vector2 off = p.at - places.at(name) - Vector2(24, 0);
            QVERIFY2(p.usable() && off.norm() < 2, (name + std::to_string(off.norm())).c_str());
        }
    }
};

QTEST_GUILESS_MAIN(SegmentsTest)
#include "segments_test.moc"
