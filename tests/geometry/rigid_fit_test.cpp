// Pose fits against Eigen::umeyama 3.4.0 and scikit-image (tests/reference/06_geometry/similarity_affine.json).
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
        const Pose2 pose{0.3, 1.2, {4, -7}};
        const Point2 p(12, 34);
        NEAR((pose.inverse(pose(p)) - p).norm(), 0, 1e-12);
    }

    void refused() {
        QCOMPARE(fitPose({{1, 1}}, {{2, 2}}, {1}).error().code, Errc::TooShort);
        QCOMPARE(fitPose({{1, 1}, {1, 1}}, {{2, 2}, {3, 3}}, {1, 1}).error().code, Errc::Degenerate);
    }
};

QTEST_GUILESS_MAIN(RigidFitTest)
#include "rigid_fit_test.moc"
