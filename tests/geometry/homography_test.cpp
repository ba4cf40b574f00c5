// SPDX-License-Identifier: GPL-3.0-or-later
// A plane seen on another, against numpy, OpenCV 4.6 and scikit-image 0.19 (tests/reference/06_geometry).
#include "base/json.h"
#include "geometry/homography.h"
#include "support/table.h"

#include <QTest>

using namespace deft;
using namespace deft::test;

class HomographyTest : public QObject {
    Q_OBJECT

    const Json floor_ = referenceJson("06_geometry/homography_floor.json");
    static std::array<Point2, 4> four(const Json& list) {
        const auto p = points(list);
        return {p[0], p[1], p[2], p[3]};
    }
    static std::vector<Point2> points(const Json& list) {
        std::vector<Point2> out;
        for (const Json& p : list) out.emplace_back(p[0].get<double>(), p[1].get<double>());
        return out;
    }

private slots:
    void floorRectangle() {
        const auto h = fitHomography(four(floor_.at("image_points")), four(floor_.at("floor_mm"))).value();
        const auto seen = points(floor_.at("check_image_points")), mapped = points(floor_.at("check_floor_mm_mapped")),
                   truth = points(floor_.at("check_floor_mm_true"));
        QVERIFY(seen.size() >= 5);
        for (size_t i = 0; i < seen.size(); ++i) {
            QVERIFY((h(seen[i]) - mapped[i]).norm() < 1e-6);
            QVERIFY((h(seen[i]) - truth[i]).norm() < 0.05);
            QVERIFY((h.inverse()(h(seen[i])) - seen[i]).norm() < 1e-9);
        }
    }

    /// Lines on the floor: what they seem to be in the picture, and what they are.
    void footLines() {
        const auto h = fitHomography(four(floor_.at("image_points")), four(floor_.at("floor_mm"))).value();
        for (const Json& line : floor_.at("foot_line_angle").at("cases")) {
            const auto a = points({line.at("image_a"), line.at("image_b")});
            const Vector2 d = h(a[1]) - h(a[0]);
            NEAR(wrapDeg(degrees(std::atan2(d.y(), d.x())) - line.at("true_deg_ccw_from_x_with_y_away").get<double>()),
                 0, 0.01);
        }
    }

    void refused() {
        const std::array<Point2, 4> square{Point2(0, 0), Point2(1, 0), Point2(1, 1), Point2(0, 1)};
        QCOMPARE(fitHomography(four(floor_.at("collinear_example").at("image")), square).error().code,
                 Errc::Degenerate);
        auto three = square;
        three[1] = {0, 0.5}; // on the line of two others
        QCOMPARE(fitHomography(three, square).error().code, Errc::Degenerate);
        three[1] = {std::nan(""), 0};
        QCOMPARE(fitHomography(three, square).error().code, Errc::NotFinite);
    }
};

QTEST_APPLESS_MAIN(HomographyTest)
#include "homography_test.moc"
