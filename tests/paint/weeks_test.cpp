// SPDX-License-Identifier: GPL-3.0-or-later
// Readings over the weeks: where a day lies, what fits, what is said.
#include "app/paint/weeks.h"

#include <QTest>

using namespace deft;
using namespace deft::ui;

class WeeksTest : public QObject {
    Q_OBJECT

private slots:
    /// All readings share one scale: one that is known only later does not begin at its left end.
    void daysLieWhereTheyAre() {
        const DayAxis days{"2026-03-01", "2026-03-29", 100, 300};
        QCOMPARE(days.across("2026-03-01"), 108.0); // room at both ends
        QCOMPARE(days.across("2026-03-15"), 200.0);
        QCOMPARE(days.across("2026-03-29"), 292.0);
        const DayAxis oneDay{"2026-03-01", "2026-03-01", 100, 300};
        QCOMPARE(oneDay.across("2026-03-01"), 200.0);
        QCOMPARE(DayAxis{}.across("no day"), 0.0);
    }

    void whatFits() {
        QCOMPARE(weeksThatFit(24 + 40 * 3.9, 8), 3);
        QCOMPARE(weeksThatFit(10000, 8), 8);
        QCOMPARE(weeksThatFit(0, 8), 1); // never nothing
        QCOMPARE(weeksThatFit(500, 0), 1);
    }

    void whatIsSaid() {
        OverTime o;
        o.now.unit = "deg", o.now.sign = true;
        o.visits = {{"2026-03-01", 12, 1}, {"2026-03-08", 11, 1}};
        QCOMPARE(trendWords(o).whole(), QStringLiteral("too few visits for a trend"));
        o.visits.push_back({"2026-03-15", 10, 1});
        QCOMPARE(trendWords(o).whole(), QStringLiteral("all of one day")); // enough of them, and still no line
        o.verdict = OverTime::Verdict::Trend, o.perWeek = -1, o.perWeekU95 = 0.4;
        QCOMPARE(trendWords(o).verdict, QStringLiteral("changing"));
        o.better = true;
        QCOMPARE(trendWords(o).whole(), QStringLiteral("getting better, −1° ± 0.4 a week"));
        o.better = false;
        QCOMPARE(trendWords(o).verdict, QStringLiteral("getting worse"));
        o.verdict = OverTime::Verdict::NoTrend;
        QCOMPARE(trendWords(o).verdict, QStringLiteral("no trend"));
    }
};

QTEST_GUILESS_MAIN(WeeksTest)
#include "weeks_test.moc"
