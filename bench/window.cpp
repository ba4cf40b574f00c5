// SPDX-License-Identifier: GPL-3.0-or-later
// How long the window's thread is away: for each thing that a coach does, the longest time from one turn of the event
// loop to the next, its processor time, and how long the whole took; and how long from a key to the picture, alone and
// while 48 clips come in. Usage: QT_QPA_PLATFORM=offscreen bench_window
#include "support/coachs_turns.h"
#include "support/keys_under_load.h"

#include <cstdio>

int main(int argc, char** argv) {
    QApplication app(argc, argv);
    std::printf("%-34s %12s %12s %12s\n", "", "away, ms", "busy, ms", "whole, ms");
    for (const auto& s : deft::test::CoachsTurns().run())
        std::printf("%-34s %12.1f %12.1f %12lld\n", qPrintable(s.what), s.away_ms, s.busy_ms, s.whole_ms);
    std::printf("%-34s %12s %12s %12s %12s\n", "key to picture", "median, ms", "95 %, ms", "worst, ms", "clips left");
    for (const int clips : {0, 48}) {
        const auto t = deft::test::KeysUnderLoad().run(clips);
        std::printf("%-34s %12.1f %12.1f %12.1f %12d\n", clips ? "while 48 clips come in" : "alone", t.median_ms, t.p95_ms,
                    t.worst_ms, t.clips);
    }
    return 0;
}
