// SPDX-License-Identifier: GPL-3.0-or-later
// What the distances of two landmarks on one bone tell of cloth that slides.
#include "support/table.h"
#include "tracking/bone_lengths.h"

#include <QTest>
#include <cmath>

using namespace deft;
using namespace deft::test;

class BoneLengthsTest : public QObject {
    Q_OBJECT

    using Places = std::map<std::string, Point2>;
    static Places lying() {
        return {{"shoulder", {0, 0}},  {"hip", {200, 0}},    {"asis", {180, -30}},
                {"crest", {170, -20}}, {"knee", {320, -90}}, {"ankle", {380, 40}}};
    }
    /// A second at 30 frames, marked in the first one; from the half on at other places.
    static Tracks tracks(const Places& start, const Places& then, double sd = 0.4) {
        Tracks t;
        for (int i = 0; i < 30; ++i) {
            t.time_s.push_back(i / 30.0);
            for (const auto& [name, p] : start) {
                const auto moved = then.find(name);
                t.landmark[name].push_back(
                    i == 0 ? TrackPoint{p, 0, PointState::ByHand}
                           : TrackPoint{i < 15 || moved == then.end() ? p : moved->second, sd, PointState::Seen});
            }
        }
        return t;
    }
    static Tracks widened(const Places& then, const std::set<std::string>& stickers = {}) {
        Tracks t = tracks(lying(), then);
        widenBySlip(t, stickers);
        return t;
    }
    static double sdOf(const Tracks& t, const std::string& name, size_t frame = 29) {
        return t.landmark.at(name)[frame].sd;
    }

private slots:
    /// A body that only moves and turns is as sure as it was told.
    void rigidBody() {
        Places turned;
        for (const auto& [name, p] : lying())
            turned[name] = Point2(50 + p.x() * 0.6 - p.y() * 0.8, p.x() * 0.8 + p.y() * 0.6);
        const Tracks t = widened(turned);
        for (const auto& [name, points] : t.landmark) NEAR(points[29].sd, 0.4, 0.001);
    }
    /// Trousers that slide along the thigh by 6 px take the knee's mark along: the knee is told less sure by what
    /// more of its two bones is off by, the ankle by what its one is.
    void clothSlides() {
        const Vector2 along = (lying()["knee"] - lying()["hip"]).normalized();
        const Point2 knee = lying()["knee"] + 6 * along;
        const Tracks t = widened({{"knee", knee}});
        const double shank = std::abs((knee - lying()["ankle"]).norm() - (lying()["knee"] - lying()["ankle"]).norm());
        NEAR(sdOf(t, "knee"), std::hypot(0.4, std::max(6.0, shank)), 0.01);
        NEAR(sdOf(t, "ankle"), std::hypot(0.4, shank), 0.01);
        NEAR(sdOf(t, "shoulder"), 0.4, 0.001);
        NEAR(sdOf(t, "asis"), 0.4, 0.001);
        NEAR(sdOf(t, "knee", 1), 0.4, 0.001); // before it slid …
        QVERIFY(sdOf(t, "knee", 10) > 2);     // … but not just before
        QCOMPARE(sdOf(t, "knee", 0), 0.0);    // a mark stays where it was set
        // One bone alone does not make the hip unsure, which three others hold.
        NEAR(sdOf(t, "hip"), 0.4, 0.2);
    }
    /// What has slid so far is no longer told as seen.
    void farEnoughIsWeak() {
        const Tracks t = widened({{"hip", {200, 25}}});
        QCOMPARE(t.landmark.at("hip")[29].state, PointState::Weak);
        QCOMPARE(t.landmark.at("shoulder")[29].state, PointState::Seen);
    }
    /// A back that curls brings the shoulder nearer to the hip: no bone has changed.
    void aBackIsNoBone() {
        const Tracks t = widened({{"shoulder", {40, -20}}});
        NEAR(sdOf(t, "shoulder"), 0.4, 0.001);
        NEAR(sdOf(t, "hip"), 0.4, 0.2);
    }
    /// A sticker is where its picture is; and from the front a thigh comes out of the picture in every repetition.
    void leftAlone() {
        NEAR(sdOf(widened({{"knee", {330, -99}}}, {"knee"}), "knee"), 0.4, 0.001);
        Tracks front = tracks({{"hip_l", {0, 0}}, {"knee_l", {0, 90}}}, {{"knee_l", {0, 50}}});
        widenBySlip(front, {});
        NEAR(sdOf(front, "knee_l"), 0.4, 0.001);
        Tracks lost = tracks(lying(), {{"knee", {500, 0}}});
        for (TrackPoint& p : lost.landmark["knee"])
            if (p.state == PointState::Seen) p.state = PointState::Lost, p.sd = 50;
        widenBySlip(lost, {});
        QCOMPARE(sdOf(lost, "knee"), 50.0);
        NEAR(sdOf(lost, "ankle"), 0.4, 0.001);
    }
    /// Marked once more where it has slid to, both lengths are right.
    void nearestMark() {
        const Point2 knee(326, -94);
        Tracks t = tracks(lying(), {{"knee", knee}});
        for (auto& [name, points] : t.landmark) points[20] = {points[20].at, 0, PointState::ByHand};
        widenBySlip(t, {});
        NEAR(sdOf(t, "knee"), 0.4, 0.001);
    }
};

QTEST_APPLESS_MAIN(BoneLengthsTest)
#include "bone_lengths_test.moc"
