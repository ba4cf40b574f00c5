// SPDX-License-Identifier: GPL-3.0-or-later
// Pose fits against Eigen::umeyama 3.4.0 and scikit-image (tests/reference/06_geometry/similarity_affine.json).
#include "base/json.h"
#include "geometry/rigid_fit.h"
#include "support/table.h"

#include <QTest>

using namespace deft;
using namespace deft::test;

class RigidFitTest : public QObject {
    Q_OBJECT

    Json all_ = referenceJson("06_geometry/similarity_affine.json");

    static std::vector<Point2> points(const Json& j) {
        std::vector<Point2> out;
        for (const Json& p : j) out.emplace_back(p[0].get<double>(), p[1].get<double>());
        return out;
    }
    static void compare(const Pose2& pose, const Json& matrix, double tolerance) {
        const double c = pose.scale * std::cos(pose.angleRad), s = pose.scale * std::sin(pose.angleRad);
        NEAR(c, matrix[0][0].get<double>(), tolerance);
        NEAR(-s, matrix[0][1].get<double>(), tolerance);
        NEAR(s, matrix[1][0].get<double>(), tolerance);
        NEAR(pose.shift.x(), matrix[0][2].get<double>(), 1e3 * tolerance);
        NEAR(pose.shift.y(), matrix[1][2].get<double>(), 1e3 * tolerance);
    }

private slots:
    void similarity() {
        PoseFitOptions o;
        o.withScale = true;
        const auto src = points(all_["src"]);
        compare(fitPose(src, points(all_["dst_noisy"]), std::vector<double>(src.size(), 1), o)->pose,
                referenceJson("06_geometry/eigen_umeyama.json")["similarity"], 1e-10);
        compare(fitPose(src, points(all_["dst_exact"]), std::vector<double>(src.size(), 1), o)->pose,
                all_["true"]["matrix_2x3"], 1e-10);
    }

    void rigid() {
        const auto src = points(all_["src"]);
        compare(fitPose(src, points(all_["dst_noisy"]), std::vector<double>(src.size(), 1))->pose,
                referenceJson("06_geometry/eigen_umeyama.json")["rigid"], 1e-10);
    }

    void twoPointsAreEnough() {
        PoseFitOptions o;
        o.withScale = true;
        const auto src = points(all_["src"]), dst = points(all_["dst_exact"]);
        const auto fit = fitPose({src[0], src[1]}, {dst[0], dst[1]}, {1, 1}, o);
        compare(fit->pose, all_["two_points_exact"]["matrix_2x3"], 1e-10);
        NEAR(fit->rms, 0, 1e-9);
    }

    /// One point has slipped by sixty pixels: the robust fit leaves it out, the plain one does not.
    void slippedPointIsLeftOut() {
        const auto src = points(all_["src"]), dst = points(all_["one_outlier"]["dst"]);
        PoseFitOptions o;
        o.withScale = true;
        const double truth = radians(all_["true"]["rotation_deg"].get<double>());
        const double plain = std::abs(fitPose(src, dst, std::vector<double>(6, 1), o)->pose.angleRad - truth);
        o.tukeyPx = 6;
        const auto robust = fitPose(src, dst, std::vector<double>(6, 1), o);
        QVERIFY(robust->weights[5] == 0);
        QVERIFY(std::abs(robust->pose.angleRad - truth) < radians(0.15));
        QVERIFY(plain > radians(1));
    }

    void weightsCount() {
        // A point with no weight does not matter, wherever it is.
        std::vector<Point2> from = {{0, 0}, {10, 0}, {0, 10}}, to = {{5, 5}, {15, 5}, {500, -300}};
        const auto fit = fitPose(from, to, {1, 1, 0});
        NEAR(fit->pose.angleRad, 0, 1e-12);
        NEAR(fit->pose.shift.x(), 5, 1e-12);
    }

    void thereAndBack() {
        const Point2 p(12, 34);
        for (const Pose2& pose : {Pose2{0.3, 1.2, {4, -7}}, Pose2{0.3, 1.2, {4, -7}, 0.6, {0.8, -0.6}}})
            NEAR((pose.inverse(pose(p)) - p).norm(), 0, 1e-12);
    }

    /// A limb that comes toward the camera: shorter along its axis, not across. A third of the points has slipped.
    void stretchedAlongAnAxis() {
        const Pose2 truth{0.25, 1.03, {40, -12}, 0.7, {0.6, 0.8}};
        std::vector<Point2> from, to;
        for (int i = 0; i < 45; ++i) {
            from.emplace_back(90 * std::sin(1.7 * i) + 100, 110 * std::cos(2.3 * i) + 200);
            to.push_back(truth(from.back()));
        }
        const std::vector<double> same(from.size(), 1);
        const auto exact = fitPose(from, to, same, {.withScale = true, .axis = truth.axis});
        NEAR(exact->pose.stretch, truth.stretch, 1e-4);
        NEAR(exact->pose.scale, truth.scale, 1e-4);
        NEAR((exact->pose(from[7]) - to[7]).norm(), 0, 0.01);

        for (size_t i = 0; i < to.size(); i += 3) to[i] += Vector2(9, 14);
        const Pose2 near{0.23, 1, {42, -10}, 0.73, truth.axis};
        const auto robust = fitPose(from, to, same, {.withScale = true, .tukeyPx = 2, .axis = truth.axis}, &near);
        QCOMPARE(robust->inliers, 30);
        NEAR(robust->pose.stretch, truth.stretch, 1e-3);
        // The same without a stretch of its own is pixels off at the ends.
        const auto rigid = fitPose(from, to, same, {.withScale = true, .tukeyPx = 2}, &near);
        QVERIFY(rigid->inliers < 15);
    }

    /// Two joints tell how long a limb looks, and nothing of its width.
    void stretchedBetweenTwoJoints() {
        const auto fit =
            fitPose({{100, 100}, {100, 300}}, {{150, 120}, {150, 220}}, {1, 1}, {.scalePrior = 1, .axis = {0, 1}});
        NEAR(fit->pose.stretch, 0.5, 1e-9);
        NEAR(fit->pose.scale, 1, 1e-9);
        NEAR((fit->pose({110, 200}) - Point2(160, 170)).norm(), 0, 1e-9);
    }

    void refused() {
        QCOMPARE(fitPose({{1, 1}}, {{2, 2}}, {1}).error().code, Errc::TooShort);
        QCOMPARE(fitPose({{1, 1}, {1, 1}}, {{2, 2}, {3, 3}}, {1, 1}).error().code, Errc::Degenerate);
    }
};

QTEST_GUILESS_MAIN(RigidFitTest)
#include "rigid_fit_test.moc"
