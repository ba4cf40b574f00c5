// SPDX-License-Identifier: GPL-3.0-or-later
// Breaths that are heard: made ones, in and out, in a room that hums, with knocks and a voice.
#include "events/breath_sound.h"

#include <QTest>
#include <cmath>
#include <random>

using namespace deft;

class BreathSoundTest : public QObject {
    Q_OBJECT

    static constexpr double kRate = 16000;
    using Samples = std::vector<float>;

    struct Made {
        Samples samples;
        std::vector<double> outs_s; ///< where breaths out begin
    };

    std::mt19937 random_{7};
    double noise() { return std::normal_distribution<double>()(random_); }
    double between(double a, double b) { return std::uniform_real_distribution<double>(a, b)(random_); }

    /// Noise through a resonance, swelling and dying away. @param gain of its loudest moment
    void breath(Samples& to, double start_s, double length_s, double centre_Hz, double gain) {
        const double r = 0.85, w = 2 * M_PI * centre_Hz / kRate;
        double y1 = 0, y2 = 0;
        const auto n = size_t(length_s * kRate), from = size_t(start_s * kRate);
        for (size_t i = 0; i < n && from + i < to.size(); ++i) {
            const double y = noise() + 2 * r * std::cos(w) * y1 - r * r * y2;
            y2 = y1, y1 = y;
            to[from + i] += float(gain * std::sin(M_PI * double(i) / double(n)) * y * 0.25);
        }
    }
    /// A room: hiss, and mains hum with its harmonics.
    Samples room(double seconds, double hiss) {
        Samples s(size_t(seconds * kRate));
        for (size_t i = 0; i < s.size(); ++i) {
            const double t = double(i) / kRate;
            s[i] = float(hiss * noise() + 0.02 * std::sin(2 * M_PI * 50 * t) + 0.01 * std::sin(2 * M_PI * 150 * t));
        }
        return s;
    }
    void knock(Samples& to, double at_s) {
        for (size_t i = 0; i < size_t(0.08 * kRate); ++i)
            to[size_t(at_s * kRate) + i] += float(0.3 * noise() * std::exp(-double(i) / (0.015 * kRate)));
    }
    /// A vowel of a second or so. @param gain of its fundamental
    void voice(Samples& to, double at_s, double gain) {
        const double pitch = between(110, 220);
        const auto n = size_t(1.2 * kRate);
        for (size_t i = 0; i < n; ++i)
            for (int harmonic = 1; harmonic <= 20; ++harmonic)
                to[size_t(at_s * kRate) + i] +=
                    float(gain / harmonic * std::sin(2 * M_PI * pitch * harmonic * double(i) / kRate) *
                          std::sin(M_PI * double(i) / double(n)));
    }
    /// Breathing for a minute. @param loud of a breath out over the hiss, as a ratio of amplitudes
    /// @param in of a breath in over one out @param busy somebody counts aloud, and things are put down
    Made breathing(double loud, double in, bool busy) {
        constexpr double kHiss = 0.004;
        Made made{room(60, kHiss), {}};
        for (double t = between(0.5, 2); t < 56;) {
            const double in_s = between(0.8, 1.4), out_s = between(1.0, 2.0);
            breath(made.samples, t, in_s, between(900, 1800), loud * kHiss * in);
            t += in_s + between(0.2, 0.6);
            made.outs_s.push_back(t);
            breath(made.samples, t, out_s, between(500, 1200), loud * kHiss);
            t += out_s + between(0.8, 2.0);
        }
        for (double t = 3; busy && t < 56; t += between(3, 7)) {
            knock(made.samples, t);
            voice(made.samples, t + 1, 0.03);
        }
        return made;
    }
    struct Score {
        int hits = 0, missed = 0, wrong = 0;
    };
    static Score score(const Made& made, const BreathSound& heard) {
        Score s;
        std::vector<bool> used(heard.proposed.size());
        for (const double out : made.outs_s) {
            bool hit = false;
            for (size_t i = 0; i < used.size() && !hit; ++i)
                if (!used[i] && std::abs(heard.proposed[i].time_s - out) < 0.4) used[i] = hit = true;
            (hit ? s.hits : s.missed) += 1;
        }
        s.wrong = int(std::count(used.begin(), used.end(), false));
        return s;
    }

private slots:
    void outsAreProposed_data() {
        QTest::addColumn<double>("loud");
        QTest::addColumn<double>("in");
        QTest::addColumn<bool>("busy");
        QTest::addColumn<double>("hits");  // of all breaths out, at least
        QTest::addColumn<double>("wrong"); // of all proposals, at most
        QTest::addRow("near the microphone") << 12.0 << 0.5 << false << 0.95 << 0.05;
        QTest::addRow("across the room") << 5.0 << 0.5 << false << 0.95 << 0.05;
        QTest::addRow("faint") << 1.2 << 0.5 << false << 0.3 << 0.3;
        QTest::addRow("in as loud as out") << 5.0 << 0.95 << false << 0.95 << 0.55; // nothing tells them apart
        QTest::addRow("counting aloud") << 5.0 << 0.5 << true << 0.6 << 0.3;
    }
    void outsAreProposed() {
        QFETCH(double, loud);
        QFETCH(double, in);
        QFETCH(bool, busy);
        QFETCH(double, hits);
        QFETCH(double, wrong);
        Score all;
        for (int clip = 0; clip < 10; ++clip) {
            const Made made = breathing(loud, in, busy);
            const Score s = score(made, hearBreath(made.samples, kRate));
            all.hits += s.hits, all.missed += s.missed, all.wrong += s.wrong;
        }
        const QString told = QStringLiteral("%1 heard, %2 missed, %3 wrong").arg(all.hits).arg(all.missed).arg(all.wrong);
        qInfo("%s", qPrintable(told));
        QVERIFY2(all.hits >= hits * (all.hits + all.missed), qPrintable(told));
        QVERIFY2(all.wrong <= wrong * (all.hits + all.wrong), qPrintable(told));
    }

    /// Knocks are too short, a voice has a pitch, and a quiet room has nothing.
    void whatIsNoBreath() {
        Samples quiet = room(30, 0.004);
        QVERIFY(hearBreath(quiet, kRate).proposed.size() <= 1);
        Samples knocks = quiet;
        for (double t = 2; t < 28; t += between(1, 3)) knock(knocks, t);
        QVERIFY2(hearBreath(knocks, kRate).proposed.size() <= 1, "knocks");
        Samples spoken = quiet;
        for (double t = 2; t < 28; t += 3) voice(spoken, t, 0.05);
        QVERIFY2(hearBreath(spoken, kRate).proposed.size() <= 1, "a voice");
        QVERIFY(hearBreath({}, kRate).level.empty());
        const BreathSound silent = hearBreath(Samples(size_t(kRate)), kRate); // nothing at all
        QVERIFY(silent.proposed.empty() && *std::max_element(silent.level.begin(), silent.level.end()) == 0);
    }
};

QTEST_APPLESS_MAIN(BreathSoundTest)
#include "breath_sound_test.moc"
