// Marks followed through pictures whose movement is known exactly.
#include "landmarks/track_clip.h"
#include "landmarks/tracker.h"
#include "support/table.h"
#include "video/clip_writer.h"

#include <Eigen/Geometry>
#include <QTemporaryDir>
#include <QTest>
#include <opencv2/imgproc.hpp>

using namespace deft;
using namespace deft::test;

class TrackerTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;

    const std::map<std::string, Point2> start_ = {{"shoulder", {150, 240}}, {"hip", {330, 240}},
                                                  {"asis", {320, 205}},     {"crest", {285, 225}},
                                                  {"knee", {480, 190}},     {"ankle", {520, 330}}};

    /// Cloth: noise smoothed to blobs of a few pixels.
    static cv::Mat cloth() {
        cv::Mat m(480, 640, CV_8U);
        cv::RNG random(5);
        random.fill(m, cv::RNG::NORMAL, 128, 90);
        cv::GaussianBlur(m, m, {}, 2.2);
        cv::normalize(m, m, 20, 235, cv::NORM_MINMAX);
        return m;
    }
    /// The cloth turned about the middle and moved.
    static cv::Mat moved(const cv::Mat& m, double degrees_, const Vector2& by, Point2 (*)(const Point2&) = nullptr) {
        cv::Mat a = cv::getRotationMatrix2D({320, 240}, degrees_, 1), out;
        a.at<double>(0, 2) += by.x(), a.at<double>(1, 2) += by.y();
        cv::warpAffine(m, out, a, m.size(), cv::INTER_CUBIC, cv::BORDER_REFLECT);
        return out;
    }
    static Point2 movedPoint(const Point2& p, double degrees_, const Vector2& by) {
        const double c = std::cos(radians(degrees_)), s = std::sin(radians(degrees_));
        const Vector2 d = p - Point2(320, 240);
        return Point2(320, 240) + Vector2(c * d.x() + s * d.y(), -s * d.x() + c * d.y()) + by;
    }
    static std::map<std::string, std::optional<Point2>> asMarks(const std::map<std::string, Point2>& points) {
        return {points.begin(), points.end()};
    }

    Marks marksAt(double t, double degrees_, const Vector2& by) const {
        Marks m;
        for (const auto& [name, p] : start_) m.set(t, name, movedPoint(p, degrees_, by));
        return m;
    }
    std::filesystem::path writeClip(const char* name, int frames) {
        const std::filesystem::path path = dir_.filePath(QString::fromLatin1(name)).toStdString();
        WriterOptions o;
        o.width = 640, o.height = 480, o.crf = 16;
        auto writer = ClipWriter::create(path, o).value();
        for (int i = 0; i < frames; ++i) {
            cv::Mat colour;
            cv::cvtColor(moved(cloth(), 0.2 * i, {0.9 * i, -0.4 * i}), colour, cv::COLOR_GRAY2BGR);
            (void)writer.add(colour, i / 30.0);
        }
        (void)writer.finish();
        return path;
    }

private slots:
    /// Where the coach should look: stretches of weak or lost frames, longest trouble marked.
    void weakPlaces() {
        Tracks t;
        for (int i = 0; i < 40; ++i) t.time_s.push_back(i / 30.0);
        t.landmark["hip"].assign(40, {{1, 1}, 0.5, PointState::Seen});
        t.landmark["knee"] = t.landmark["hip"];
        auto set = [&](const char* name, size_t from, size_t to, PointState state, double sd) {
            for (size_t i = from; i < to; ++i) t.landmark[name][i] = {{1, 1}, sd + double(i) / 100, state};
        };
        set("hip", 20, 30, PointState::Weak, 2);
        set("knee", 5, 7, PointState::Weak, 9);   // two frames are no place to go to
        set("knee", 10, 15, PointState::Weak, 9); // runs into
        set("knee", 15, 18, PointState::Lost, 3); // this one
        set("knee", 38, 40, PointState::Lost, 3);
        const auto places = weakStretches(t);
        QCOMPARE(places.size(), size_t(2));
        QCOMPARE(places[0].landmark, std::string("knee"));
        QVERIFY(places[0].lost && places[0].begin == 10 && places[0].end == 18 && places[0].worst == 17);
        QVERIFY(!places[1].lost && places[1].begin == 20 && places[1].end == 30 && places[1].worst == 29);
        QCOMPARE(weakStretches(t, 1).size(), size_t(4));
    }

    /// Half pixels and turns of 20° over a second, to within a few tenths of a pixel, and the band tells the truth.
    void followsTurnsAndShifts() {
        const cv::Mat picture = cloth();
        LandmarkTracker tracker;
        tracker.mark(picture, asMarks(start_));
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
                const Vector2 off = p.at - movedPoint(start_.at(name), turn, by);
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
        t.mark(body, asMarks(start_));
        for (int i = 1; i <= 15; ++i) t.step(moved(body, i, {0, 0}), 1 / 30.0);
        QVERIFY(t.now().at("hip").usable());
        for (int i = 0; i < 10; ++i) t.step(cv::Mat(body.size(), CV_8U, cv::Scalar(90)), 1 / 30.0);
        QCOMPARE(t.now().at("hip").state, PointState::Lost);
        for (int i = 0; i < 6; ++i) t.step(body, 1 / 30.0);
        for (const char* name : {"hip", "asis", "crest", "shoulder"}) {
            const TrackPoint& p = t.now().at(name);
            QVERIFY2(p.usable() && (p.at - start_.at(name)).norm() < 1, name);
        }
    }

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
            for (const auto& [name, p] : start_) {
                const Point2 q = movedPoint(p, turn, {0, 0});
                cv::circle(now, {int(16 * q.x()), int(16 * q.y())}, 16 * 18, 110, cv::FILLED, cv::LINE_AA, 4);
            }
            now.convertTo(now, CV_32F);
            now = now.mul(light);
            now.convertTo(now, CV_8U);
            return now;
        };
        LandmarkTracker t;
        t.mark(at(0), asMarks(start_));
        std::map<std::string, TrackPoint> first; // after one cycle
        for (int i = 1; i <= 352; ++i) {
            t.step(at(i), 1 / 30.0);
            if (i == 32) first = t.now();
        }
        for (const char* name : {"hip", "asis", "crest", "knee"}) {
            const double drift = (t.now().at(name).at - first.at(name).at).norm();
            QVERIFY2(drift < 0.15, (name + std::to_string(drift)).c_str());
            NEAR((t.now().at(name).at - start_.at(name)).norm(), 0, 0.4);
        }
    }

    /// The front of the hip lies at the crease: as the thigh comes up, a fold with the patch on it slides away. The
    /// pelvis keeps still, and so does its mark.
    void foldSlidesOverThePelvis() {
        const cv::Mat body = cloth();
        const Point2 asis = start_.at("asis");
        const auto slid = [&](double by) {
            cv::Mat out = body.clone(), mask = cv::Mat::zeros(body.size(), CV_8U);
            cv::circle(mask, {int(asis.x() + by), int(asis.y())}, 22, 255, cv::FILLED);
            moved(body, 0, {by, 0}).copyTo(out, mask);
            return out;
        };
        LandmarkTracker t;
        t.mark(body, asMarks(start_));
        for (int i = 1; i <= 30; ++i) {
            t.step(slid(0.3 * i), 1 / 30.0);
            const TrackPoint& p = t.now().at("asis");
            const double off = (p.at - asis).norm();
            QVERIFY2(p.usable() && off < 1, qPrintable(QStringLiteral("frame %1: %2 px off").arg(i).arg(off)));
        }
        NEAR((t.now().at("asis").at - asis).norm(), 0, 2.45 * t.now().at("asis").sd);
    }

    /// Who stands beside the camera has an arm before the trunk. As it swings away, what little the trunk is followed by
    /// goes with it; the hip, which stays, is not told there.
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
        auto marks = start_;
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
        tracker.mark(picture, asMarks(start_));
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
        tracker.mark(picture, asMarks(start_));
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
        a.mark(picture, asMarks(start_));
        for (int i = 1; i <= 5; ++i) a.step(moved(picture, 0.5 * i, {1.0 * i, 0}), 1 / 30.0);
        LandmarkTracker b = a;
        for (int i = 6; i <= 10; ++i)
            a.step(moved(picture, 0.5 * i, {1.0 * i, 0}), 1 / 30.0),
                b.step(moved(picture, 0.5 * i, {1.0 * i, 0}), 1 / 30.0);
        for (const auto& [name, p] : a.now()) QVERIFY(p.at == b.now().at(name).at);
    }

    void wholeClipBothWays() {
        auto clip = ClipReader::open(writeClip("both.mp4", 60)).value();
        // Marked in the middle only: followed to both ends.
        const auto tracks = trackClip(clip, marksAt(30 / 30.0, 6, {27, -12})).value();
        QCOMPARE(tracks.frames(), size_t(60));
        for (const int i : {0, 15, 45, 59})
            for (const auto& [name, p] : start_) {
                const TrackPoint* t = tracks.find(name, size_t(i));
                QVERIFY(t && t->usable());
                NEAR((t->at - movedPoint(p, 0.2 * i, {0.9 * i, -0.4 * i})).norm(), 0, 1.0);
            }
    }

    /// A second mark is kept exactly, and what lies between is drawn toward it.
    void betweenTwoMarks() {
        auto clip = ClipReader::open(writeClip("two.mp4", 40)).value();
        Marks marks = marksAt(0, 0, {0, 0});
        const Point2 truth = movedPoint(start_.at("knee"), 0.2 * 30, {27, -12});
        marks.set(clip.info().time_s[30], "knee", Point2(truth + Vector2(3, 0)));
        const auto tracks = trackClip(clip, marks).value();
        NEAR((tracks.find("knee", 30)->at - truth).x(), 3, 1e-3);
        QCOMPARE(tracks.find("knee", 30)->state, PointState::ByHand);
        const double before =
            (tracks.find("knee", 29)->at - movedPoint(start_.at("knee"), 0.2 * 29, {26.1, -11.6})).x();
        QVERIFY2(before > 2, qPrintable(QString::number(before)));
        NEAR((tracks.find("hip", 30)->at - movedPoint(start_.at("hip"), 6, {27, -12})).norm(), 0,
             1.0); // the others are not moved
    }

    /// With the memory of the last time only what other marks touch is followed, and nothing comes out otherwise.
    void onlyTheTouchedStretch() {
        auto clip = ClipReader::open(writeClip("again.mp4", 120)).value();
        TrackingMemory memory;
        auto follow = [&](const Marks& marks, const char* what, int64_t atMost) {
            int64_t followed = 0;
            const auto tracks = trackClip(
                clip, marks, {}, [&](const Progress& p) { followed = p.done; }, &memory);
            const auto fresh = trackClip(clip, marks);
            QVERIFY2(tracks && fresh && toCsv(*tracks) == toCsv(*fresh), what);
            QVERIFY2(followed <= atMost, qPrintable(QString("%1: %2").arg(what).arg(followed)));
            QVERIFY2(atMost == 0 || followed > 0, what);
        };
        auto kneeAt = [&](int frame, double off) {
            return Point2(movedPoint(start_.at("knee"), 0.2 * frame, {0.9 * frame, -0.4 * frame}) + Vector2(off, 0));
        };
        const auto& time = clip.info().time_s;
        Marks marks = marksAt(0, 0, {0, 0});
        follow(marks, "the first time", 120);
        follow(marks, "nothing changed", 0);
        marks.set(time[70], "knee", kneeAt(70, 2));
        follow(marks, "one mark more: from the last place before it on, and the way back", 59 + 71);
        marks.set(time[70], "knee", kneeAt(70, 3));
        follow(marks, "moved: from the frame before it on", 50 + 71);
        marks.set(time[70], "knee", std::nullopt);
        follow(marks, "not visible", 50 + 71);
        marks.set(time[70], "knee", kneeAt(70, 1));
        for (const auto& [name, p] : start_) marks.set(time[100], name, movedPoint(p, 20, {90, -40}));
        follow(marks, "everything is marked once more", 50 + 101);
        marks.set(time[70], "knee", kneeAt(70, 2));
        follow(marks, "moved between two frames that hold everything", 31 + 90);
        marks.seeds = {{time[110], {{"ankle", Point2(300, 300)}}}};
        follow(marks, "another seed", 29);
        // A landmark that is followed beyond the frame where all others are marked anew, and then is no more.
        marks.set(0, "psis", Point2(345, 260));
        follow(marks, "one landmark more", 120 + 101);
        marks.unset(0, "psis");
        follow(marks, "one landmark less", 120 + 101);
        marks.unset(time[70], "knee");
        marks.frames.pop_back();
        marks.seeds.clear();
        follow(marks, "as at first", 59);
        marks.set(0, "knee", kneeAt(0, 1));
        follow(marks, "the first frame", 120);
    }

    void stopsWhenAsked() {
        auto clip = ClipReader::open(writeClip("stop.mp4", 60)).value();
        std::stop_source source;
        int reports = 0;
        const auto tracks = trackClip(clip, marksAt(0, 0, {0, 0}), source.get_token(), [&](const Progress& p) {
            ++reports;
            QVERIFY(p.done <= p.total);
            if (p.done >= 12) source.request_stop();
        });
        QCOMPARE(tracks.error().code, Errc::Cancelled);
        QVERIFY(reports > 0 && reports < 10);
    }

    void refused() {
        auto clip = ClipReader::open(writeClip("one.mp4", 1)).value();
        QCOMPARE(trackClip(clip, marksAt(0, 0, {0, 0})).error().code, Errc::TooShort);
        auto longer = ClipReader::open(writeClip("five.mp4", 5)).value();
        QCOMPARE(trackClip(longer, Marks{}).error().code, Errc::BadFormat);
    }

    void csv() {
        Tracks t;
        t.time_s = {0, 0.1};
        t.landmark["hip"] = {{{1.5, 2}, 0.25, PointState::ByHand}, {{0, 0}, 0, PointState::Absent}};
        const std::string text = toCsv(t);
        QVERIFY(text.starts_with("frame,time_s,hip_x,hip_y,hip_sd,hip_state\n0,0.000000,1.5"));
        QVERIFY(text.ends_with("1,0.100000,,,,absent\n"));
    }
};

QTEST_GUILESS_MAIN(TrackerTest)
#include "tracker_test.moc"
