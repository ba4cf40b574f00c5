// SPDX-License-Identifier: GPL-3.0-or-later
#include "measures/limit.h"

#include "support/table.h"

#include <QTest>
#include <limits>
#include <random>

using namespace deft;

class LimitTest : public QObject {
    Q_OBJECT

    static constexpr double kNone = std::numeric_limits<double>::quiet_NaN();
    static Limit limit(std::optional<double> low, std::optional<double> high) { return {"m", low, high, "deg"}; }

private slots:
    void excessAndEnds() {
        const Limit elbow = limit(155, {}), sag = limit({}, 6), both = limit(-8, 6);
        NEAR(elbow.excess(130), 25, 0);
        NEAR(elbow.excess(160), -5, 0);
        NEAR(sag.excess(-20), -26, 0); // far inside, however large
        NEAR(both.excess(-10), 2, 0);
        NEAR(both.excess(-1), -7, 0); // to the nearer end
        NEAR(both.endAt(-3), -8, 0);
        NEAR(both.endAt(7), 6, 0);
        NEAR(elbow.endAt(kNone), 155, 0);
        NEAR(both.width(), 14, 0);
        NEAR(elbow.width(), 155, 0);
        QVERIFY(limit({}, 0).width() > 0); // something is compared with it
        QVERIFY(!limit({}, {}).isSet() && std::isinf(limit({}, {}).excess(3)) && std::isnan(limit({}, {}).endAt(3)));
        QVERIFY(std::isnan(both.excess(kNone)));
    }

    /// An elbow that should stay at least 155° straight: of 150° and 130° the worse is 130°.
    void worst() {
        QCOMPARE(limit(155, {}).worst({150, 130, 154, kNone}), int64_t(1));
        QCOMPARE(limit({}, 6).worst({kNone, 3, 9, 9, -40}), int64_t(2)); // the first of equal ones
        QCOMPARE(limit(-8, 6).worst({-7, 5.5, 0}), int64_t(1));          // the least inside
        QCOMPARE(limit(-8, 6).worst({kNone, kNone}), int64_t(-1));
        QCOMPARE(limit(-8, 6).worst({}), int64_t(-1));
        QVERIFY(limit(-8, 6).isWorse(1, kNone) && !limit(-8, 6).isWorse(kNone, 1) &&
                !limit(-8, 6).isWorse(kNone, kNone));
    }

    void verdict() {
        const Limit sag = limit({}, 6);
        QCOMPARE(sag.verdict(8, 1.9), Verdict::Out);
        QCOMPARE(sag.verdict(8, 2), Verdict::CannotTell); // the limit lies at the band's end
        QCOMPARE(sag.verdict(4, 2), Verdict::CannotTell);
        QCOMPARE(sag.verdict(4, 1.9), Verdict::In);
        QCOMPARE(sag.verdict(kNone, 1), Verdict::CannotTell);
        QCOMPARE(sag.verdict(8, kNone), Verdict::CannotTell); // how sure it is was not told
        QCOMPARE(limit({}, {}).verdict(8, 1), Verdict::In);
    }

    /// Over random limits: worse is an order, the verdict never goes back as a value goes out, a wider band never makes
    /// it surer, and what is mirrored is judged the same.
    void holdsForEveryLimit() {
        std::mt19937 random(7);
        std::uniform_real_distribution<double> any(-50, 50), band(0, 10);
        for (int i = 0; i < 20000; ++i) {
            const double one = any(random), other = one + band(random) + 0.1;
            const Limit l = i % 3 == 0 ? limit(one, {}) : i % 3 == 1 ? limit({}, one) : limit(one, other);
            const Limit mirrored =
                limit(l.high ? std::optional(-*l.high) : std::nullopt, l.low ? std::optional(-*l.low) : std::nullopt);
            const double a = any(random), b = any(random), c = any(random), u = band(random);
            QVERIFY(!(l.isWorse(a, b) && l.isWorse(b, a)));
            QVERIFY(!(l.isWorse(a, b) && l.isWorse(b, c)) || l.isWorse(a, c));
            QCOMPARE(l.isWorse(a, b), mirrored.isWorse(-a, -b));
            QCOMPARE(l.verdict(a, u), mirrored.verdict(-a, u));
            if (l.verdict(a, u) == Verdict::Out && l.isWorse(b, a)) QCOMPARE(l.verdict(b, u), Verdict::Out);
            if (l.verdict(a, u) == Verdict::CannotTell) QCOMPARE(l.verdict(a, u + 1), Verdict::CannotTell);
            const std::vector<double> values{a, kNone, b, c};
            const int64_t at = l.worst(values);
            for (const double v : values) QVERIFY(!l.isWorse(v, values[size_t(at)]));
        }
    }
};

QTEST_GUILESS_MAIN(LimitTest)
#include "limit_test.moc"
