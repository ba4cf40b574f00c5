// SPDX-License-Identifier: GPL-3.0-or-later
// Every family of measures beyond the bridge, on points set with a ruler. Each row says how far one mark moves after
// the still start; the reading expected is worked by hand in the comment. Signs: docs/measures.md. The geometry behind
// turns is that of tests/reference/06_geometry (projection of a turned width: cosine).
#include "measures/series.h"
#include "support/table.h"

#include <QTest>
#include <cmath>
#include <set>

using namespace deft;
using namespace deft::test;

using Points = std::map<std::string, Point2>;

/// x to the right, y up, floor at 0; 2 px a unit.
static Tracks filmed(const Points& start, const Points& then, double rollDeg = 0) {
    Tracks t;
    for (int i = 0; i < 120; ++i) {
        t.time_s.push_back(i / 30.0);
        for (const auto& [name, p] : start) {
            const auto moved = then.find(name);
            const Point2 q = i < 60 || moved == then.end() ? p : moved->second;
            const Point2 flat(2 * q.x(), -2 * q.y());
            const double a = radians(-rollDeg); // + right end higher on the screen
            t.landmark[name].push_back({Point2(640 + flat.x() * std::cos(a) - flat.y() * std::sin(a),
                                               500 + flat.x() * std::sin(a) + flat.y() * std::cos(a)),
                                        0.2, i == 0 ? PointState::ByHand : PointState::Seen});
        }
    }
    return t;
}

static const Points kFloor = {{"floor_a", {200, 0}}, {"floor_b", {-200, 0}}};

static Points with(Points a, const Points& b) {
    for (const auto& [name, p] : b) a[name] = p;
    return a;
}

/// Head to the left; on the back, knees bent.
static const Points kSupine = with(kFloor, {{"shoulder", {-50, 8}},
                                            {"hip", {0, 8}},
                                            {"knee", {25, 40}},
                                            {"ankle", {50, 6}},
                                            {"ear", {-67, 8}},
                                            {"asis", {-9, 17}},
                                            {"crest", {-15, 8}},
                                            {"rib", {-30, 17}},
                                            {"back_mid", {-19, 1}},
                                            {"t12", {-30, 1}},
                                            {"sacrum", {-8, 1}},
                                            {"elbow", {-50, 30}},
                                            {"wrist", {-50, 50}}});
/// On all fours, head to the left.
static const Points kFours = with(kFloor, {{"shoulder", {-50, 50}},
                                           {"hip", {0, 50}},
                                           {"knee", {0, 5}},
                                           {"ankle", {40, 5}},
                                           {"ear", {-67, 50}},
                                           {"asis", {-9, 41}},
                                           {"crest", {-15, 50}},
                                           {"elbow", {-50, 27}},
                                           {"wrist", {-50, 2}}});
/// Standing, facing right.
static const Points kStanding = with(kFloor, {{"shoulder", {0, 136}},
                                              {"hip", {0, 86}},
                                              {"knee", {0, 46}},
                                              {"ankle", {0, 6}},
                                              {"ear", {0, 154}},
                                              {"asis", {9, 95}},
                                              {"psis", {-9, 96}},
                                              {"elbow", {0, 112}},
                                              {"wrist", {0, 90}}});
static const Points kWithTheFarLeg = with(kStanding, {{"far_knee", {0, 46}}, {"far_ankle", {0, 6}}});
/// Up on the left elbow, the front toward the camera, head to the left.
static const Points kPropped = with(kFloor, {{"shoulder_l", {-50, 26}},
                                             {"shoulder_r", {-50, 46}},
                                             {"hip_l", {0, 14}},
                                             {"hip_r", {0, 32}},
                                             {"knee_l", {40, 6}},
                                             {"knee_r", {40, 16}},
                                             {"elbow_l", {-50, 2}}});
/// Standing, seen from the front: the client's right is at the left.
static const Points kFront = with(
    kFloor, {{"hip_l", {9, 86}},        {"hip_r", {-9, 86}},        {"asis_l", {7, 94}},    {"asis_r", {-7, 94}},
             {"shoulder_l", {17, 136}}, {"shoulder_r", {-17, 136}}, {"ear_l", {7, 154}},    {"ear_r", {-7, 154}},
             {"knee_l", {9, 46}},       {"knee_r", {-9, 46}},       {"ankle_l", {9, 6}},    {"ankle_r", {-9, 6}},
             {"rib_l", {11, 116}},      {"rib_r", {-11, 116}},      {"crest_l", {9, 101}},  {"crest_r", {-9, 101}},
             {"elbow_r", {-20, 112}},   {"wrist_r", {-14, 100}},    {"elbow_l", {20, 112}}, {"wrist_l", {14, 100}}});

/// Lying on the left side, seen from the head end: the front is on the right of the picture.
static const Points kFromTheHead = with(kFloor, {{"hip_l", {0, 3}},
                                                 {"hip_r", {0, 21}},
                                                 {"asis_l", {9, 2}},
                                                 {"asis_r", {9, 22}},
                                                 {"shoulder_l", {0, 2}},
                                                 {"shoulder_r", {0, 30}},
                                                 {"knee_l", {40, 6}},
                                                 {"knee_r", {40, 18}}});

class FamiliesTest : public QObject {
    Q_OBJECT

    struct Row {
        const char *name, *measure;
        const Points& body;
        Position position;
        View view;
        const char *side, *stance;
        Points moved;
        double expected;
    };
    static const std::vector<Row>& rows() {
        static const double d = 180 / M_PI;
        static const std::vector<Row> all = {
            // On the back. The trunk is 50 long.
            {"daylight 2 of 50", "gap", kSupine, Position::Supine, View::Side, "", "", {{"back_mid", {-19, 3}}}, 4},
            // back_mid 4 up over 11 to each neighbour: atan(4/11) on both sides.
            {"low back arches",
             "curve",
             kSupine,
             Position::Supine,
             View::Side,
             "",
             "",
             {{"back_mid", {-19, 5}}},
             2 * std::atan2(4, 11) * d},
            // rib–asis 21 long at the start, 23.1 after.
            {"ribs pop up", "ribs", kSupine, Position::Supine, View::Side, "", "", {{"rib", {-32.1, 17}}}, 10},
            // shoulder→hip is level; shoulder→rib was atan(9/20) above it, then atan(13/20).
            {"ribs turn up",
             "rib_angle",
             kSupine,
             Position::Supine,
             View::Side,
             "",
             "",
             {{"rib", {-30, 21}}},
             (std::atan2(13, 20) - std::atan2(9, 20)) * d},
            {"chest curls up",
             "trunk",
             kSupine,
             Position::Supine,
             View::Side,
             "",
             "",
             {{"shoulder", {-50 * std::cos(0.3), 8 + 50 * std::sin(0.3)}}},
             0.3 * d},
            {"head nods",
             "neck",
             kSupine,
             Position::Supine,
             View::Side,
             "",
             "",
             {{"ear", {-50 - 17 * std::cos(0.4), 8 + 17 * std::sin(0.4)}}},
             0.4 * d},
            {"thigh upright", "thigh", kSupine, Position::Supine, View::Side, "", "", {{"knee", {0, 48}}}, 90},
            {"knee past the hip",
             "thigh",
             kSupine,
             Position::Supine,
             View::Side,
             "",
             "",
             {{"knee", {-40 * std::sin(0.2), 8 + 40 * std::cos(0.2)}}},
             90 + 0.2 * d},
            {"leg at 45°", "leg", kSupine, Position::Supine, View::Side, "", "", {{"ankle", {40, 48}}}, 45},
            {"arms upright", "arm", kSupine, Position::Supine, View::Side, "", "", {}, 90},
            {"arms overhead", "arm", kSupine, Position::Supine, View::Side, "", "", {{"wrist", {-92, 8}}}, 0},
            {"foot slides out", "foot_out", kSupine, Position::Supine, View::Side, "", "", {{"ankle", {60, 6}}}, 20},
            {"hips lift", "hip_rise", kSupine, Position::Supine, View::Side, "", "", {{"hip", {0, 18}}}, 20},
            // All fours: the front is below.
            {"head drops",
             "neck",
             kFours,
             Position::Prone,
             View::Side,
             "",
             "",
             {{"ear", {-50 - 17 * std::cos(0.5), 50 - 17 * std::sin(0.5)}}},
             0.5 * d},
            {"head thrown back",
             "neck",
             kFours,
             Position::Prone,
             View::Side,
             "",
             "",
             {{"ear", {-50 - 17 * std::cos(0.5), 50 + 17 * std::sin(0.5)}}},
             -0.5 * d},
            {"leg level with the back", "leg", kFours, Position::Prone, View::Side, "", "", {{"ankle", {80, 50}}}, 0},
            {"leg above it",
             "leg",
             kFours,
             Position::Prone,
             View::Side,
             "",
             "",
             {{"ankle", {80, 64}}},
             std::atan2(14, 80) * d},
            {"shoulders in front of the wrists",
             "stack_wrist",
             kFours,
             Position::Prone,
             View::Side,
             "",
             "",
             {{"wrist", {-14, 2}}},
             100 * 36 / 60.0},
            {"hips behind the knees",
             "stack_knee",
             kFours,
             Position::Prone,
             View::Side,
             "",
             "",
             {{"knee", {-28, 5}}},
             -100 * 28 / std::hypot(28, 45)},
            {"chest hangs",
             "shoulder_rise",
             kFours,
             Position::Prone,
             View::Side,
             "",
             "",
             {{"shoulder", {-50, 45}}},
             -10},
            {"trunk, shoulders higher",
             "trunk",
             kFours,
             Position::Prone,
             View::Side,
             "",
             "",
             {{"hip", {0, 40}}},
             std::atan2(10, 50) * d},
            {"hand reaches out", "hand_out", kFours, Position::Prone, View::Side, "", "", {{"wrist", {-75, 2}}}, 50},
            {"hips go back", "hip_forward", kFours, Position::Prone, View::Side, "", "", {{"hip", {5, 50}}}, -10},
            {"arm forward",
             "shoulder_angle",
             kStanding,
             Position::Upright,
             View::Side,
             "",
             "",
             {{"elbow", {24, 136}}},
             90},
            {"arm behind",
             "shoulder_angle",
             kStanding,
             Position::Upright,
             View::Side,
             "",
             "",
             {{"elbow", {-12, 136 - 12 * std::sqrt(3.0)}}},
             -30},
            {"elbow square", "elbow_angle", kFours, Position::Prone, View::Side, "", "", {{"wrist", {-75, 27}}}, 90},
            // Upright.
            {"leaning forward",
             "trunk",
             kStanding,
             Position::Upright,
             View::Side,
             "",
             "",
             {{"shoulder", {50 * std::sin(0.2), 86 + 50 * std::cos(0.2)}}},
             0.2 * d},
            {"head carried forward",
             "stack_head",
             kStanding,
             Position::Upright,
             View::Side,
             "",
             "",
             {{"ear", {9, 148}}},
             100 * 9 / 15.0},
            {"pelvis in front of the ankles",
             "stack_leg",
             kStanding,
             Position::Upright,
             View::Side,
             "",
             "",
             {{"hip", {18, 86}}},
             100 * 18 / 82.0 * 82.0 / std::hypot(18, 80)},
            {"knee locked back",
             "knee_angle",
             kStanding,
             Position::Upright,
             View::Side,
             "",
             "",
             {{"knee", {-4, 46}}},
             180 + 2 * std::atan2(4, 40) * d},
            {"the far knee at a right angle, 60 degrees in front",
             "far_knee_angle",
             kWithTheFarLeg,
             Position::Upright,
             View::Side,
             "",
             "",
             {{"far_knee", {40 * std::sin(60 / d), 86 - 40 * std::cos(60 / d)}},
              {"far_ankle",
               {40 * std::sin(60 / d) - 40 * std::cos(60 / d), 86 - 40 * std::cos(60 / d) - 40 * std::sin(60 / d)}}},
             90},
            {"arm forward", "arm", kStanding, Position::Upright, View::Side, "", "", {{"wrist", {46, 136}}}, 90},
            {"pelvis goes forward",
             "pelvis_forward",
             kStanding,
             Position::Upright,
             View::Side,
             "",
             "",
             {{"hip", {5, 86}}},
             10},
            // From the front. Standing on the right leg: the left side is free.
            {"left side lower, standing right",
             "drop",
             kFront,
             Position::Upright,
             View::Front,
             "left",
             "right",
             {{"asis_l", {7, 90}}},
             std::atan2(4, 14) * d},
            {"left side lower, standing left",
             "drop",
             kFront,
             Position::Upright,
             View::Front,
             "right",
             "left",
             {{"asis_l", {7, 90}}},
             -std::atan2(4, 14) * d},
            {"left side lower, nobody stands",
             "drop",
             kFront,
             Position::Upright,
             View::Front,
             "",
             "",
             {{"asis_l", {7, 90}}},
             -std::atan2(4, 14) * d},
            {"twist against the start",
             "twist",
             kFront,
             Position::Upright,
             View::Front,
             "",
             "",
             {{"asis_r", {-7, 91}}},
             std::atan2(3, 14) * d},
            {"leaning to the right over a right leg",
             "lean",
             kFront,
             Position::Upright,
             View::Front,
             "left",
             "right",
             {{"shoulder_l", {9, 136}}, {"shoulder_r", {-25, 136}}},
             std::atan2(8, 42) * d},
            {"the same over a left leg",
             "lean",
             kFront,
             Position::Upright,
             View::Front,
             "right",
             "left",
             {{"shoulder_l", {9, 136}}, {"shoulder_r", {-25, 136}}},
             -std::atan2(8, 42) * d},
            // Hip points 14 apart; both hips 7 to the client's right.
            {"hips shift right",
             "shift",
             kFront,
             Position::Upright,
             View::Front,
             "",
             "",
             {{"hip_l", {2, 86}}, {"hip_r", {-16, 86}}},
             50},
            {"pelvis turned 60°",
             "roll",
             kFront,
             Position::Upright,
             View::Front,
             "",
             "",
             {{"asis_l", {3.5, 94}}, {"asis_r", {-3.5, 94}}},
             60},
            {"shoulders 60°, pelvis 0°",
             "dissociation",
             kFront,
             Position::Upright,
             View::Front,
             "",
             "",
             {{"shoulder_l", {8.5, 136}}, {"shoulder_r", {-8.5, 136}}},
             60},
            {"right hip hikes",
             "hike",
             kFront,
             Position::Upright,
             View::Front,
             "right",
             "left",
             {{"crest_r", {-9, 104}}},
             100 * (std::hypot(2, 12) / std::hypot(2, 15) - 1)},
            {"right shoulder creeps up",
             "shoulder_hike",
             kFront,
             Position::Upright,
             View::Front,
             "right",
             "left",
             {{"shoulder_r", {-17, 141}}},
             100 * (std::hypot(10, 13) / std::hypot(10, 18) - 1)},
            // Trunk, shoulder to hip: hypot(8, 50).
            {"right hand turns out",
             "wrist_away",
             kFront,
             Position::Upright,
             View::Front,
             "right",
             "left",
             {{"wrist_r", {-24, 100}}},
             100 * 10 / std::hypot(8, 50)},
            {"right elbow leaves the side",
             "elbow_away",
             kFront,
             Position::Upright,
             View::Front,
             "right",
             "left",
             {{"elbow_r", {-25, 112}}},
             100 * 5 / std::hypot(8, 50)},
            {"left foot lifts off",
             "free_foot",
             kFront,
             Position::Upright,
             View::Front,
             "left",
             "right",
             {{"ankle_l", {9, 26}}},
             100 * 20 / std::hypot(8, 50)},
            {"waist shorter on the right",
             "waist",
             kFront,
             Position::Upright,
             View::Front,
             "",
             "",
             {{"shoulder_r", {-17, 126}}},
             std::hypot(8, 40) / std::hypot(8, 50)},
            {"knees 8 farther apart",
             "knees_apart",
             kFront,
             Position::Upright,
             View::Front,
             "",
             "",
             {{"knee_l", {17, 46}}},
             100 * 8 / std::hypot(8, 50)},
            {"propped up, the elbow 6 nearer to the feet",
             "stack_carrying",
             kPropped,
             Position::SideLying,
             View::Front,
             "",
             "",
             {{"elbow_l", {-44, 2}}},
             100 * 6 / std::hypot(6, 24)},
            {"seen along the body, the upper knee 5 behind the lower one, hip points 20 apart",
             "knee_ahead",
             kFromTheHead,
             Position::SideLying,
             View::HeadEnd,
             "",
             "",
             {{"knee_r", {35, 18}}},
             -100 * 5.0 / 20},
            {"the free left knee 10 below its hip",
             "free_knee",
             kFront,
             Position::Upright,
             View::Front,
             "left",
             "right",
             {{"knee_l", {12, 76}}},
             -100 * 10 / std::hypot(8, 50)},
            {"right leg out to the side",
             "leg_out",
             kFront,
             Position::Upright,
             View::Front,
             "right",
             "left",
             {{"ankle_r", {-89, 86}}},
             90},
        };
        return all;
    }
    static SeriesSet read(const Row& r, double rollDeg) {
        SeriesOptions o;
        o.position = r.position, o.view = r.view, o.side = r.side, o.stance = r.stance, o.cutoffHz = 10;
        o.setupEnd_s = 1.5;
        return computeSeries(filmed(r.body, r.moved, rollDeg), o).value();
    }

private slots:
    void byHand_data() {
        QTest::addColumn<int>("row");
        for (size_t i = 0; i < rows().size(); ++i) QTest::addRow("%s: %s", rows()[i].measure, rows()[i].name) << int(i);
    }
    void byHand() {
        QFETCH(int, row);
        const Row& r = rows()[size_t(row)];
        for (const double roll : {0.0, 4.0}) { // the mat line is marked, so a rolled camera changes nothing
            const SeriesSet set = read(r, roll);
            const Series* s = set.find(r.measure);
            QVERIFY(s);
            NEAR(s->value[110], r.expected, 0.02);
            QVERIFY(s->u95[110] > 0 && std::isfinite(s->u95[110]));
        }
    }

    /// A thigh that comes out of the picture takes the skin of its hip point along, and the band says so: 1 % of the
    /// trunk a radian, here 60 degrees, over hip points 14 apart.
    void skinSlidesFromTheFront() {
        const auto band = [](const Point2& knee) {
            const Row r{"", "twist", kFront, Position::Upright, View::Front, "right", "left", {{"knee_r", knee}}, 0};
            return read(r, 0).find("twist")->u95[110];
        };
        const double still = band({-9, 46}), lifted = band({-9, 66});
        const double slide = 1.96 * degrees(0.01 * std::hypot(8, 50) * std::acos(0.5) / 14);
        NEAR(std::sqrt(lifted * lifted - still * still), slide, 0.15 * slide);
    }

    /// Every measure is read in some row here or in the bridge's own test.
    void noneIsForgotten() {
        std::set<std::string> seen = {"tilt_raw", "tilt", "pelvis_on_trunk", "hip_height", "sag",       "hip_angle",
                                      "shank",    "foot", "gap_cm",          "drop_cm",    "wheel_out", "hand_rise"};
        for (const Row& r : rows()) seen.insert(r.measure);
        int drawn = 0; // the others are read from the exercise files' own drawings
        for (const Measure& m : measures()) drawn += !seen.count(m.id);
        QVERIFY2(drawn < 40, qPrintable(QString::number(drawn)));
    }

    void lengthsInCentimetres() {
        Points body = with(kSupine, {{"scale_a", {-100, 0}}, {"scale_b", {0, 0}}});
        SeriesOptions o;
        o.scaleLength_cm = 180; // 100 units
        const auto set = computeSeries(filmed(body, {{"back_mid", {-19, 3}}}), o).value();
        NEAR(set.find("gap_cm")->value[110], 3.6, 0.01);
        o.scaleLength_cm = 0;
        QVERIFY(!computeSeries(filmed(body, {}), o)->find("gap_cm")); // no known length: no centimetres
    }

    /// A turned width says little while the turn is small, and says so: the band grows.
    void smallTurnsAreBlunt() {
        const auto row = [](double width) {
            return Row{"",
                       "roll",
                       kFront,
                       Position::Upright,
                       View::Front,
                       "",
                       "",
                       {{"asis_l", {width / 2, 94}}, {"asis_r", {-width / 2, 94}}},
                       0};
        };
        const Row little = row(13.6), much = row(5);
        const double blunt = read(little, 0).find("roll")->u95[110], sharp = read(much, 0).find("roll")->u95[110];
        QVERIFY2(blunt > sharp && blunt > 8, qPrintable(QStringLiteral("%1 %2").arg(blunt).arg(sharp)));
    }

    /// A level from plumb marks serves where the floor cannot be seen.
    void plumbInsteadOfFloor() {
        Points body = kFront;
        body.erase("floor_a"), body.erase("floor_b");
        body["plumb_a"] = {60, 150}, body["plumb_b"] = {60, 0};
        SeriesOptions o;
        o.position = Position::Upright, o.view = View::Front;
        const auto set = computeSeries(filmed(body, {{"asis_r", {-7, 90}}}, 6), o).value();
        NEAR(set.find("drop")->value[110], std::atan2(4, 14) * 180 / M_PI, 0.02);
        NEAR(set.context.axes.rollDeg, 6, 1e-6);
    }

    void wrongMarksForTheView() {
        SeriesOptions o;
        o.view = View::Front;
        QVERIFY(computeSeries(filmed(kSupine, {}), o).error().detail().find("left and a right hip point") !=
                std::string::npos);
    }
};

QTEST_GUILESS_MAIN(FamiliesTest)
#include "families_test.moc"
