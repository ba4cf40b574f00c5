// SPDX-License-Identifier: GPL-3.0-or-later
// Angles against worked values in all quadrants (tests/reference/06_geometry, closed forms) and their spread under
// noise against the published formula and 200 000 draws (same folder).
#include "base/json.h"
#include "geometry/angle.h"
#include "geometry/propagate.h"
#include "support/table.h"

#include <QTest>

using namespace deft;
using namespace deft::test;

class AngleTest : public QObject {
    Q_OBJECT

private slots:
    void segments() {
        const Table t = readTable(reference("06_geometry/segment_angles.csv"));
        QVERIFY(t.rows > 8);
        for (size_t i = 0; i < t.rows; ++i) {
            const Point2 p(t["px"][i], t["py"][i]), q(t["qx"][i], t["qy"][i]);
            if (std::isnan(t["direction_deg"][i])) {
                QCOMPARE(directionDeg(p, q).error().code, Errc::Degenerate); // never 0 for a segment without length
                QCOMPARE(slopeDeg(p, q).error().code, Errc::Degenerate);
                continue;
            }
            NEAR(directionDeg(p, q).value(), t["direction_deg"][i], 1e-10);
            NEAR(slopeDeg(p, q).value(), t["tilt_deg"][i], 1e-10);
            NEAR(leanDeg(p, q).value(), t["lean_deg"][i], 1e-10);
        }
    }

    void between() {
        const Table t = readTable(reference("06_geometry/signed_angle_between.csv"));
        for (size_t i = 0; i < t.rows; ++i) {
            if (std::isnan(t["signed_deg"][i])) continue;
            NEAR(signedAngleDeg({t["ux"][i], t["uy"][i]}, {t["vx"][i], t["vy"][i]}).value(), t["signed_deg"][i], 1e-10);
        }
        QCOMPARE(signedAngleDeg({0, 0}, {1, 0}).error().code, Errc::Degenerate);
        QCOMPARE(signedAngleDeg({std::nan(""), 0}, {1, 0}).error().code, Errc::NotFinite);
    }

    void joints() {
        const Table t = readTable(reference("06_geometry/three_point_angles.csv"));
        for (size_t i = 0; i < t.rows; ++i) {
            const Point2 a(t["ax"][i], t["ay"][i]), b(t["bx"][i], t["by"][i]), c(t["cx"][i], t["cy"][i]);
            if (std::isnan(t["inner_deg"][i])) {
                QVERIFY(!includedAngleDeg(a, b, c));
                continue;
            }
            NEAR(includedAngleDeg(a, b, c).value(), t["inner_deg"][i], 1e-10);
            const double turned = t["signed_deg"][i];
            NEAR(wrapDeg(jointAngleDeg(a, b, c, true).value() - turned), 0, 1e-10);
            NEAR(wrapDeg(jointAngleDeg(a, b, c, false).value() + turned), 0, 1e-10);
        }
    }

    void offsets() {
        const Table t = readTable(reference("06_geometry/point_line_offset.csv"));
        for (size_t i = 0; i < t.rows; ++i) {
            if (std::isnan(t["offset"][i])) continue;
            NEAR(lineOffsetPx({t["px"][i], t["py"][i]}, {t["ax"][i], t["ay"][i]}, {t["bx"][i], t["by"][i]}).value(),
                 t["offset"][i], 1e-9);
        }
    }

    void wrapping() {
        NEAR(wrapDeg(180), 180, 0);
        NEAR(wrapDeg(-180), 180, 0);
        NEAR(wrapDeg(540), 180, 0);
        NEAR(wrapDeg(-190), 170, 1e-12);
    }

    /// numpy.unwrap and the smallest signed difference (tests/reference/02_signal_basics/circular.json).
    void unwrapping() {
        const Json all = referenceJson("02_signal_basics/circular.json");
        for (const Json& c : all["unwrap"]) {
            auto series = c["deg"].get<std::vector<double>>();
            unwrapDeg(series);
            for (size_t i = 0; i < series.size(); ++i) NEAR(series[i], c["unwrap_period360"][i].get<double>(), 1e-9);
        }
        for (const Json& c : all["smallest_signed_difference_b_minus_a_in_(-180,180]"])
            NEAR(wrapDeg(c["b"].get<double>() - c["a"].get<double>()), c["diff"].get<double>(), 1e-9);
        std::vector<double> withGap{170, kGap, -175};
        unwrapDeg(withGap);
        QVERIFY(std::isnan(withGap[1]));
        NEAR(withGap[2], 185, 1e-12);
    }

    /// The band that is shown: first-order propagation against the closed form and drawn noise.
    void spreadOfAJoint() {
        const Table t = readTable(reference("06_geometry/noise_joint_angle.csv"));
        int checked = 0;
        for (size_t i = 0; i < t.rows; ++i) {
            const double l1 = t["L1"][i], l2 = t["L2"][i], inner = radians(t["inner_deg"][i]), sigma = t["sigma_px"][i];
            if (sigma / std::min(l1, l2) > 0.05) continue; // beyond, first order no longer holds (said in the table)
            const auto angle = [&](const std::vector<double>& v) {
                return jointAngleDeg({v[0], v[1]}, {v[2], v[3]}, {v[4], v[5]}, false).value_or(kGap);
            };
            const double sd = propagatedSd(angle, {l1, 0, 0, 0, l2 * std::cos(inner), l2 * std::sin(inner)},
                                           std::vector<double>(6, sigma));
            NEAR(sd / t["formula_sd_deg"][i], 1, 0.01);
            NEAR(sd / t["mc_sd_deg"][i], 1, 0.02);
            ++checked;
        }
        QVERIFY(checked >= 10);
    }

    /// Two lines apart, and a point off a line (numpy, formula and drawn noise).
    void spreadOfLinesAndOffsets() {
        const Table t = readTable(reference("06_geometry/noise_other.csv"));
        int checked = 0;
        for (size_t i = 0; i < t.rows; ++i) {
            const std::string what = t.words.at("what")[i];
            const double length = t["L1"][i], other = t["L2_or_f_or_n"][i], sigma = t["sigma_px"][i];
            double sd = 0;
            if (what == "angle_between_two_separate_lines") {
                if (sigma / std::min(length, other) > 0.05) continue;
                const auto angle = [](const std::vector<double>& v) {
                    return signedAngleDeg({v[2] - v[0], v[3] - v[1]}, {v[6] - v[4], v[7] - v[5]}).value_or(kGap);
                };
                sd = propagatedSd(angle, {0, 0, length, 0, 300, 0, 300, other}, std::vector<double>(8, sigma));
            } else if (what.find("offset") != std::string::npos) {
                const auto offset = [](const std::vector<double>& v) {
                    return lineOffsetPx({v[4], v[5]}, {v[0], v[1]}, {v[2], v[3]}).value_or(kGap);
                };
                sd = propagatedSd(offset, {0, 0, length, 0, other * length, 0}, std::vector<double>(6, sigma));
            } else {
                continue;
            }
            NEAR(sd / t["formula_sd"][i], 1, 0.01);
            NEAR(sd / t["mc_sd"][i], 1, 0.02);
            ++checked;
        }
        QVERIFY2(checked >= 4, qPrintable(QString::number(checked)));
    }

    void spreadOfASegment() {
        const Table t = readTable(reference("06_geometry/noise_segment_angle.csv"));
        for (size_t i = 0; i < t.rows; ++i) {
            if (t["sigma_px"][i] / t["L_px"][i] > 0.05) continue;
            const auto direction = [](const std::vector<double>& v) {
                return directionDeg({v[0], v[1]}, {v[2], v[3]}).value_or(kGap);
            };
            NEAR(propagatedSd(direction, {0, 0, t["L_px"][i], 0}, std::vector<double>(4, t["sigma_px"][i])) /
                     t["mc_sd_deg"][i],
                 1, 0.02);
        }
    }
};

QTEST_GUILESS_MAIN(AngleTest)
#include "angle_test.moc"
