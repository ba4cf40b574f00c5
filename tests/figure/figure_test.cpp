// SPDX-License-Identifier: GPL-3.0-or-later
// Made clips: the same bytes from the same scene, truth that fits the picture, and scenes that are refused.
#include "base/files.h"
#include "base/json.h"
#include "base/units.h"
#include "figure/cloth.h"
#include "figure/film.h"
#include "figure/positions.h"
#include "support/table.h"
#include "support/wrong_entry.h"

#include <QTemporaryDir>
#include <QTest>
#include <opencv2/imgproc.hpp>

using namespace deft;
using namespace deft::figure;
using namespace deft::test;

class FigureTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;

    static Json small() {
        return Json::parse(
            R"({"format":"deft-mirror-scene","version":1,"position":"bridge","head":"left","room":"rehearsal-room","tremor_deg":0,
            "person":{"height_m":1.7,"stickers":true},
            "camera":{"width":480,"height":270,"focal_px":720,"distance_m":3,"height_m":0.55,"aim_m":0.3,"roll_deg":0},
            "film":{"duration_s":0.1,"fps":30,"grain":0.004,"seed":2,"supersample":1,"room_samples":1},
            "movement":{"trunk_deg":[[0,0],[1,27]],"bend_deg":[[1,0],[2,10]]},"marks":["hip","knee"]})");
    }
    static Scene scene(const Json& j) { return parseScene(j, "scene").value(); }

private slots:
    /// The scripted angles are those of the bones, seen in the truth beside the clip.
    void truthFollowsTheScript() {
        const FilmStudio studio(scene(small()));
        const FilmedFrame flat = studio.frame(0), up = studio.frame(1), bent = studio.frame(2);
        NEAR(flat.body.trunk_deg - up.body.trunk_deg, 27, 1.0);
        NEAR(up.body.pelvis_on_trunk_deg - flat.body.pelvis_on_trunk_deg, 0, 0.5);
        // A bend is shared out along the spine, so the straight line from hip to shoulder takes up part of it.
        const double bend = bent.body.pelvis_on_trunk_deg - up.body.pelvis_on_trunk_deg;
        QVERIFY2(bend > 5 && bend < 10, qPrintable(QString::number(bend)));
        QVERIFY(up.body.hip_deg > flat.body.hip_deg + 30);
        QVERIFY(up.points.at("hip").y < flat.points.at("hip").y - 20); // the hips rise on the screen
        NEAR(up.points.at("ankle").x, flat.points.at("ankle").x, 1.0); // the feet stay
        NEAR(up.points.at("ankle").y, flat.points.at("ankle").y, 1.0);
        NEAR(up.points.at("floor_a").y, flat.points.at("floor_a").y, 1e-6);
    }

    /// Loose clothes hang on the same body: the landmarks stay where they are, what is seen there is cloth, which has
    /// slid when the hips are up, and is the same however the frames are asked for.
    void looseClothes() {
        Json j = small();
        const FilmStudio close(scene(j));
        j["person"]["loose"] = 1;
        const FilmStudio loose(scene(j)), again(scene(j));
        const FilmedFrame flat = loose.frame(0), up = loose.frame(1);
        for (const auto& [name, p] : close.frame(1).points) {
            NEAR(up.points.at(name).x, p.x, 1e-6);
            NEAR(up.points.at(name).y, p.y, 1e-6);
        }
        const auto differs = [](const cv::Mat& a, const cv::Mat& b) {
            return cv::norm(a, b, cv::NORM_L1) / double(a.total());
        };
        QVERIFY(differs(up.picture, close.frame(1).picture) > 1);
        (void)again.frame(0.5);
        QVERIFY(differs(up.picture, again.frame(1).picture) == 0);   // through other frames on the way
        QVERIFY(differs(flat.picture, again.frame(0).picture) == 0); // and back
        j["person"]["loose"] = 3;
        const auto refused = parseScene(j, "scene");
        QVERIFY(!refused && refused.error().detail().find("/person/loose") != std::string::npos);
    }

    /// Cloth lies over the skin, not in it, and slides over it by centimetres when the body moves.
    void clothKeepsOut() {
        const Mesh mesh = buildBodyMesh(5.2f);
        const Skin skin(mesh);
        const Scene s = scene(small());
        const auto at = [&](double t) { return skin.posed(poseAt(s, t), 0); };
        Cloth cloth(mesh, 1, at);
        const auto rest = cloth.worn(0, at(0));
        const auto before = at(0), after = at(1);
        const auto worn = cloth.worn(1, after);
        const auto normals = vertexNormals(mesh, after);
        int inside = 0, dressed = 0;
        double farthest = 0;
        for (size_t i = 0; i < worn.size(); i += 7) {
            const Material m = materialAt(mesh.rest[i]);
            if (m != Material::Shirt && m != Material::Leggings) {
                QVERIFY((worn[i] - after[i]).norm() < 1e-6f);
                continue;
            }
            ++dressed;
            float nearest = 1e9f, depth = 0;
            for (size_t k = 0; k < after.size(); ++k)
                if (const float d = (after[k] - worn[i]).squaredNorm(); d < nearest)
                    nearest = d, depth = (after[k] - worn[i]).dot(normals[k]);
            inside += depth > 4; // mH
            const Vec3 slid = (worn[i] - after[i]) - (rest[i] - before[i]);
            farthest = std::max(farthest, double(slid.norm()));
            QVERIFY(std::isfinite(worn[i].sum()) && worn[i].y() > -2);
        }
        qInfo("%d of %d in the skin; slid by up to %.1f thousandths of the height", inside, dressed, farthest);
        QVERIFY(inside < dressed / 50);
        QVERIFY(farthest > 15 && farthest < 150);
    }

    /// A film of 24 frames a second, whose frames lie between the steps: what hangs still goes on to hang still.
    void clothHangsStillAtAnyRate() {
        const Mesh mesh = buildBodyMesh(5.2f);
        const Skin skin(mesh);
        const Scene s = scene(small());
        const auto still = skin.posed(poseAt(s, 0), 0);
        Cloth cloth(mesh, 1.8f, [&](double) { return still; });
        const auto first = cloth.worn(0, still);
        std::vector<Vec3> last;
        for (int frame = 1; frame <= 24; ++frame) last = cloth.worn(frame / 24.0, still);
        std::vector<float> moved;
        for (size_t i = 0; i < first.size(); ++i)
            if (const Material m = materialAt(mesh.rest[i]); m == Material::Shirt || m == Material::Leggings)
                moved.push_back((last[i] - first[i]).norm());
        std::sort(moved.begin(), moved.end());
        const float most = moved[moved.size() * 9 / 10]; // folds in armpits and between the legs never rest
        qInfo("nine in ten moved by less than %.2f thousandths of the height", double(most));
        QVERIFY(most < 5);
    }

    /// Every position from every view it can be filmed from: the body is in the picture, on the floor and hardly deeper
    /// (flesh gives), and moves no farther than a person does from one moment to the next.
    void everyPositionFromEveryView() {
        for (const std::string& position : positionNames())
            for (const std::string& view : viewNames(position)) {
                Json j = small();
                const bool high = position == "standing" || position == "at-wall" || position == "half-kneeling";
                j["position"] = position, j["view"] = view;
                j["camera"] = {{"width", 160},    {"height", 120},   {"focal_px", 130},
                               {"distance_m", 3}, {"height_m", 0.8}, {"aim_m", high ? 0.8 : 0.3}};
                j["movement"] = Json::object();
                for (const std::string& curve : curveNames(position)) j["movement"][curve] = {{0, 0}, {1, 12}};
                const Scene s = scene(j);
                const QString what = QString::fromStdString(position + ", " + view);
                const FilmedFrame f = FilmStudio(s).frame(0);
                for (const auto& [name, p] : f.joints)
                    QVERIFY2(p.x > 0 && p.x < 159 && p.y > 0 && p.y < 119, qPrintable(what + ": " + name.c_str()));
                QCOMPARE(f.points.count("hip") + f.points.count("hip_l"), size_t(1));
                Posed before = poseAt(s, 0);
                for (double t = 0.05; t <= 1; t += 0.05) {
                    const Posed now = poseAt(s, t);
                    for (size_t b = 0; b < kBones; ++b) {
                        QVERIFY2(
                            now.joint[b].y() > -20,
                            qPrintable(what +
                                       QStringLiteral(": %1 at %2").arg(restBones()[b].name).arg(now.joint[b].y())));
                        QVERIFY2((now.joint[b] - before.joint[b]).norm() < 90,
                                 qPrintable(what + ": " + restBones()[b].name));
                    }
                    before = now;
                }
            }
    }

    /// Arms that carry the body are straight, the elbow's own little bend apart.
    void armsThatCarryAreStraight() {
        for (const char* position : {"all-fours", "hand-plank", "reverse-plank", "rollout"}) {
            Json j = small();
            j["position"] = position, j["movement"] = Json::object();
            const Posed p = poseAt(scene(j), 0);
            const Vec3 upper = p.joint[UpperArmLeft] - p.joint[ForearmLeft],
                       lower = p.joint[HandLeft] - p.joint[ForearmLeft];
            const double elbow = degrees(std::atan2(upper.cross(lower).norm(), upper.dot(lower)));
            QVERIFY2(elbow > 160, qPrintable(QString("%1: %2").arg(position).arg(elbow)));
        }
    }

    /// What a client works with is in the picture, goes along, and hides what is behind it.
    void ballWheelAndBand() {
        const auto redAndBlue = [](const FilmedFrame& f, double x, double y) {
            const auto c = f.picture.at<cv::Vec3b>(int(std::lround(y)), int(std::lround(x)));
            return std::pair(int(c[2]) - int(c[1]), int(c[0]) - int(c[1]));
        };
        Json j = small();
        j["position"] = "all-fours", j["camera"]["focal_px"] = 520;
        j["movement"] = Json::parse(R"({"press_deg":[[0,0],[1,8]]})");
        const FilmStudio pushes(scene(j));
        const FilmedFrame rest = pushes.frame(0), pressed = pushes.frame(1);
        const TruePoint ball = rest.points.at("ball");
        QVERIFY(redAndBlue(rest, ball.x, ball.y).second > 25);
        NEAR(pressed.points.at("ball").x, ball.x, 0.01);
        QVERIFY(std::abs(pressed.points.at("hip").x - ball.x) < std::abs(rest.points.at("hip").x - ball.x) - 3);
        for (const char* stays : {"knee", "wrist"}) NEAR(pressed.points.at(stays).x, rest.points.at(stays).x, 1.5);

        j["position"] = "rollout", j["movement"] = Json::parse(R"({"out_deg":[[0,0],[1,20]]})");
        const FilmStudio rolls(scene(j));
        const FilmedFrame near = rolls.frame(0), far = rolls.frame(1);
        NEAR(far.points.at("wheel").x - near.points.at("wheel").x, far.points.at("wrist").x - near.points.at("wrist").x,
             4);
        NEAR(far.points.at("wheel").y, near.points.at("wheel").y, 2); // it rolls on the mat

        j["position"] = "standing", j["view"] = "front", j["camera"]["aim_m"] = 0.9, j["camera"]["focal_px"] = 420;
        j["movement"] = Json::parse(R"({"band_left_deg":[[0,0],[1,40]],"band_right_deg":[[0,0],[1,40]]})");
        const FilmedFrame held = FilmStudio(scene(j)).frame(1);
        const TruePoint l = held.joints.at("wrist_l"), r = held.joints.at("wrist_r");
        int red = 0; // between the hands, a thin line
        for (double y = std::min(l.y, r.y) - 25; y < std::max(l.y, r.y) + 25; ++y)
            red += redAndBlue(held, (l.x + r.x) / 2 - 3, y).first > 60;
        QVERIFY2(red >= 1 && red < 9, qPrintable(QString::number(red)));
    }

    /// Stickers are white with a black pattern, at the true points.
    void stickersLieOnTheLandmarks() {
        const FilmStudio studio(scene(small()));
        const FilmedFrame f = studio.frame(0);
        cv::Mat grey;
        cv::cvtColor(f.picture, grey, cv::COLOR_BGR2GRAY);
        for (const char* name : {"knee", "hip", "asis"}) {
            const TruePoint& p = f.points.at(name);
            QVERIFY2(p.visible, name);
            const cv::Rect around = cv::Rect(int(p.x) - 5, int(p.y) - 5, 11, 11) & cv::Rect(0, 0, grey.cols, grey.rows);
            double low, high;
            cv::minMaxLoc(grey(around), &low, &high);
            QVERIFY2(high - low > 60, name);
        }
    }

    void mirrored() {
        Json j = small();
        const FilmedFrame plain = FilmStudio(scene(j)).frame(0);
        j["film"]["mirrored"] = true;
        const FilmedFrame turned = FilmStudio(scene(j)).frame(0);
        NEAR(turned.points.at("knee").x, 479 - plain.points.at("knee").x, 1e-6);
        cv::Mat flipped;
        cv::flip(plain.picture, flipped, 1);
        QCOMPARE(cv::norm(flipped, turned.picture, cv::NORM_INF), 0.0);
    }

    void headRight() {
        Json j = small();
        j["head"] = "right";
        const FilmedFrame f = FilmStudio(scene(j)).frame(0.8);
        QVERIFY(f.points.at("ear").x > f.points.at("hip").x && f.points.at("hip").x > f.points.at("knee").x);
    }

    /// A hand or foot that leaves the floor does not jump, and neither does what hangs on it.
    void limbsLeaveTheFloorEvenly() {
        Json j = small();
        j["position"] = "all-fours", j["camera"]["aim_m"] = 0.45;
        j["movement"] = Json::parse(R"({"arm_left_deg":[[0,0],[1.6,75]],"arm_right_deg":[[0,0],[1.6,75]]})");
        const FilmStudio studio(scene(j));
        FilmedFrame before = studio.frame(0);
        for (int i = 1; i <= 16; ++i) {
            const FilmedFrame now = studio.frame(i / 30.0);
            for (const char* name : {"shoulder", "elbow", "wrist"})
                QVERIFY2(std::hypot(now.points.at(name).x - before.points.at(name).x,
                                    now.points.at(name).y - before.points.at(name).y) < 12,
                         qPrintable(QStringLiteral("%1 at frame %2").arg(QLatin1String(name)).arg(i)));
            before = now;
        }
    }

    void sameSceneSameBytes() {
        const auto a = dir_.filePath(QStringLiteral("a.mp4")).toStdString(),
                   b = dir_.filePath(QStringLiteral("b.mp4")).toStdString();
        QVERIFY(filmScene(scene(small()), a));
        QVERIFY(filmScene(scene(small()), b));
        for (const char* ending : {".mp4", ".truth.csv", ".marks.json"})
            QCOMPARE(readFile(std::filesystem::path(a).replace_extension(ending)).value(),
                     readFile(std::filesystem::path(b).replace_extension(ending)).value());
        const Table t = readTable(dir_.filePath(QStringLiteral("a.truth.csv")).toStdString());
        QCOMPARE(t.rows, size_t(3));
        QCOMPARE(readJsonFile(dir_.filePath(QStringLiteral("a.marks.json")).toStdString())
                     .value()["frames"][0]["points"]
                     .size(),
                 size_t(2));
    }

    void stopped() {
        std::stop_source stop;
        stop.request_stop();
        const std::filesystem::path path = dir_.filePath(QStringLiteral("s.mp4")).toStdString();
        QCOMPARE(filmScene(scene(small()), path, stop.get_token()).error().code, Errc::Cancelled);
        QVERIFY(!std::filesystem::exists(path));
    }

    void wrongScenes_data() {
        wrongEntryColumns();
        QTest::newRow("a giant") << "/person/height_m"
                                 << "4"
                                 << "/person/height_m";
        QTest::newRow("no colour") << "/person/skin"
                                   << "\"pinkish\""
                                   << "/person/skin";
        QTest::newRow("no such room") << "/room"
                                      << "\"castle\""
                                      << "/room";
        QTest::newRow("a word for a number") << "/camera/focal_px"
                                             << "\"long\""
                                             << "/camera/focal_px";
        QTest::newRow("another format") << "/format"
                                        << "\"deft-mirror-marks\""
                                        << "/format";
        QTest::newRow("no such position") << "/position"
                                          << "\"headstand\""
                                          << "/position";
        QTest::newRow("lying askew") << "/film/rotation_deg"
                                     << "45"
                                     << "/film/rotation_deg";
    }
    void wrongScenes() { verifyWrongEntry(small(), parseScene); }

    void minimumJerk() {
        const Curve c{{{1, 0}, {2, 10}, {4, 10}}};
        NEAR(c.at(0), 0, 0);
        NEAR(c.at(1.5), 5, 1e-9);
        NEAR(c.at(1.25), 10 * (10 * std::pow(0.25, 3) - 15 * std::pow(0.25, 4) + 6 * std::pow(0.25, 5)),
             1e-9); // Flash and Hogan 1985, eq. 4
        NEAR(c.at(3), 10, 1e-12);
        NEAR(c.at(9), 10, 0);
    }
};

QTEST_GUILESS_MAIN(FigureTest)
#include "figure_test.moc"
