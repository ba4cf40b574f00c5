// SPDX-License-Identifier: GPL-3.0-or-later
// The sound of a clip lies where its pictures are, whatever the container says about starts; slower it keeps its pitch.
// Clips are made by ffmpeg's own command line.
#include "support/numbered_clip.h"
#include "video/voice.h"

#include <QProcess>
#include <QRegularExpression>
#include <QTemporaryDir>
#include <QTest>
#include <random>

using namespace deft;
using namespace deft::test;

class SoundTest : public QObject {
    Q_OBJECT

    QTemporaryDir dir_;

    std::filesystem::path path(const char* name) { return dir_.filePath(QString::fromLatin1(name)).toStdString(); }
    static bool ffmpeg(const QStringList& arguments) {
        QProcess p;
        p.start(QStringLiteral("ffmpeg"), QStringList{QStringLiteral("-v"), QStringLiteral("error"), QStringLiteral("-y")} + arguments);
        return p.waitForFinished(60000) && p.exitCode() == 0;
    }
    /// Four seconds with a tone of 1000 Hz from 2 to 3 s.
    bool film(const char* name, const QStringList& how, const QStringList& before = {}) {
        return ffmpeg(before + QStringList{QStringLiteral("-f"), QStringLiteral("lavfi"), QStringLiteral("-i"),
                       QStringLiteral("testsrc=s=64x48:r=25:d=4"), QStringLiteral("-f"), QStringLiteral("lavfi"), QStringLiteral("-i"),
                       QStringLiteral("aevalsrc='0.5*sin(2*PI*1000*t)*between(t,2,3)':s=44100:d=4")} +
                      how + QStringList{QString::fromStdString(path(name).string())});
    }
    /// s at which it first gets loud.
    static double onset(const Sound& sound) {
        for (size_t i = 0; i < sound.size(); ++i)
            if (std::abs(sound[i]) > 0.1) return double(i) / kSoundRate_Hz;
        return -1;
    }
    /// Hz, by the sign changes of its loud part.
    static double pitch(const Sound& sound) {
        const auto from = size_t((onset(sound) + 0.2) * kSoundRate_Hz), to = from + size_t(0.5 * kSoundRate_Hz);
        int changes = 0;
        for (size_t i = from + 1; i < to; ++i) changes += (sound[i] > 0) != (sound[i - 1] > 0);
        return changes / 2.0 / 0.5;
    }

private slots:
    void liesWhereThePicturesAre_data() {
        QTest::addColumn<QString>("name");
        QTest::addColumn<QStringList>("how");
        const auto row = [](const char* name, const char* how) {
            QTest::newRow(name) << QString::fromLatin1(name) << QString::fromLatin1(how).split(QLatin1Char(' '), Qt::SkipEmptyParts);
        };
        row("aac.mp4", "-c:a aac");
        row("mono.mov", "-c:a pcm_s16le -ac 1");
        row("opus.mkv", "-c:a libopus");
        row("five-channels.mp4", "-c:a aac -ac 6");
        row("shifted.mkv", "-c:a pcm_s16le -output_ts_offset 5");
    }
    void liesWhereThePicturesAre() {
        QFETCH(QString, name);
        QFETCH(QStringList, how);
        QVERIFY(film(qPrintable(name), how));
        const auto sound = readSound(path(qPrintable(name)));
        QVERIFY2(sound.has_value(), sound ? "" : sound.error().detail().c_str());
        QVERIFY2(std::abs(soundSeconds(*sound) - 4) < 0.1, qPrintable(QString::number(soundSeconds(*sound))));
        QVERIFY2(std::abs(onset(*sound) - 2) < 0.02, qPrintable(QString::number(onset(*sound))));
        QVERIFY2(std::abs(pitch(*sound) - 1000) < 10, qPrintable(QString::number(pitch(*sound))));
    }

    /// A phone's sound may begin before or after its pictures: the first picture is 0 s.
    void beginsLaterOrEarlier() {
        QVERIFY(film("late-picture.mkv", {"-c:a", "pcm_s16le", "-map", "0:v", "-map", "1:a"}, {"-itsoffset", "0.5"}));
        const auto late = readSound(path("late-picture.mkv"));
        QVERIFY(late.has_value());
        QVERIFY2(std::abs(onset(*late) - 1.5) < 0.05, qPrintable(QString::number(onset(*late))));
        FilmPart part;
        part.from_s = 1, part.to_s = 3;
        const auto cut = readSound(path("late-picture.mkv"), part);
        QVERIFY(std::abs(onset(*cut) - 0.5) < 0.05 && std::abs(soundSeconds(*cut) - 2) < 0.01);
    }

    void withoutSound() {
        QVERIFY(writeNumbered(path("silent.mp4"), {0, 0.04, 0.08}));
        QVERIFY(readSound(path("silent.mp4")).value().empty());
        QCOMPARE(readSound(path("none.mp4")).error().code, Errc::NotFound);
        std::stop_source stopped;
        stopped.request_stop();
        QVERIFY(film("stop.mp4", {"-c:a", "aac"}));
        QCOMPARE(readSound(path("stop.mp4"), {}, stopped.get_token()).error().code, Errc::Cancelled);
    }

    void slowerAtTheSamePitch() {
        QVERIFY(film("speed.mkv", {"-c:a", "pcm_s16le"}));
        const Sound sound = readSound(path("speed.mkv")).value();
        for (const double rate : {0.5, 0.25}) {
            const Sound slow = atSpeed(sound, rate).value();
            QVERIFY2(std::abs(soundSeconds(slow) - 4 / rate) < 0.3, qPrintable(QString::number(soundSeconds(slow))));
            QVERIFY2(std::abs(onset(slow) - 2 / rate) < 0.05 / rate, qPrintable(QString::number(onset(slow))));
            QVERIFY2(std::abs(pitch(slow) - 1000) < 30, qPrintable(QString::number(pitch(slow))));
        }
        QVERIFY(atSpeed(sound, 1).value() == sound);
        QVERIFY(atSpeed({}, 0.5).value().empty());
    }

    void writtenAndReadAgain() {
        Sound sound;
        for (int i = 0; i < kSoundRate_Hz; ++i) sound.push_back(float(std::sin(i * 0.05) * (i % 7 ? 0.5 : 1.5)));
        QVERIFY(writeSound(path("own.wav"), sound).has_value());
        const Sound again = readSound(path("own.wav")).value();
        QCOMPARE(again.size(), sound.size());
        for (size_t i = 0; i < sound.size(); ++i)
            QVERIFY(std::abs(again[i] - std::clamp(sound[i], -1.0f, 1.0f)) < 1.0f / 16000);
        QCOMPARE(writeSound(path("no/such/folder.wav"), sound).error().code, Errc::WriteFailed);
    }

    /// A spoken sentence, quiet or loud, near or in a room, short or recorded at another rate: without the silence
    /// around it and equally loud. The loudness is ffmpeg's own measurement (EBU R 128).
    void voice_data() {
        QTest::addColumn<double>("gain");
        QTest::addColumn<double>("room_dB");
        QTest::addColumn<int>("rate");
        QTest::addColumn<double>("length_s");
        QTest::newRow("as it was spoken") << 1.0 << -90.0 << kSoundRate_Hz << 20.0;
        QTest::newRow("far from the microphone") << 0.04 << -90.0 << kSoundRate_Hz << 20.0;
        QTest::newRow("close to it") << 1.9 << -90.0 << kSoundRate_Hz << 20.0;
        QTest::newRow("in a room that hums") << 0.5 << -52.0 << kSoundRate_Hz << 20.0;
        QTest::newRow("two words") << 1.0 << -70.0 << kSoundRate_Hz << 1.9;
        QTest::newRow("at 48000 Hz") << 0.3 << -60.0 << 48000 << 20.0;
        QTest::newRow("at 44100 Hz") << 0.3 << -60.0 << 44100 << 20.0;
    }
    void voice() {
        QFETCH(double, gain);
        QFETCH(double, room_dB);
        QFETCH(int, rate);
        QFETCH(double, length_s);
        Sound spoken = readSound(DEFT_SOURCE_DIR "/demo/microphone.wav").value();
        spoken.resize(std::min(spoken.size(), size_t(length_s * kSoundRate_Hz)));
        // Where it begins and ends, of the clean recording: silence there is digital.
        const auto isLoud = [](float v) { return std::abs(v) > 0.02; };
        const double begin = double(std::find_if(spoken.begin(), spoken.end(), isLoud) - spoken.begin()) / kSoundRate_Hz,
                     end = double(spoken.rend() - std::find_if(spoken.rbegin(), spoken.rend(), isLoud)) / kSoundRate_Hz;
        std::mt19937 random(7);
        std::normal_distribution<float> noise(0, float(std::pow(10, room_dB / 20)));
        Sound recorded;
        for (size_t i = 0; i < size_t(soundSeconds(spoken) * rate); ++i) {
            const double at = double(i) * kSoundRate_Hz / rate;
            const size_t k = std::min(size_t(at), spoken.size() - 2);
            const double share = at - double(k);
            recorded.push_back(float(std::clamp(gain * ((1 - share) * spoken[k] + share * spoken[k + 1]), -1.0, 1.0)) +
                               noise(random));
        }
        const auto ready = readyVoice(recorded, rate);
        QVERIFY2(ready.has_value(), ready ? "" : ready.error().detail().c_str());
        QVERIFY2(ready->cut_s < begin && begin - ready->cut_s < 0.4,
                 qPrintable(QStringLiteral("cut %1, spoken from %2").arg(ready->cut_s).arg(begin)));
        const double until = ready->cut_s + soundSeconds(ready->sound);
        QVERIFY2(until > end - 0.05 && until < end + 0.6, qPrintable(QStringLiteral("until %1, spoken to %2").arg(until).arg(end)));
        float most = 0;
        for (const float v : ready->sound) most = std::max(most, std::abs(v));
        QVERIFY2(most <= 0.85f, qPrintable(QString::number(double(most)))); // -2 dB with what resampling adds
        QVERIFY(writeSound(path("ready.wav"), ready->sound).has_value());
        QProcess measure;
        measure.start(QStringLiteral("ffmpeg"), {"-hide_banner", "-nostats", "-i", QString::fromStdString(path("ready.wav").string()), "-af",
                                                 "ebur128", "-f", "null", "-"});
        QVERIFY(measure.waitForFinished(60000));
        const QString told = QString::fromUtf8(measure.readAllStandardError());
        const auto loudness = QRegularExpression(QStringLiteral("I:\\s+(-?[0-9.]+) LUFS")).match(told, told.lastIndexOf(QStringLiteral("Summary")));
        QVERIFY2(loudness.hasMatch(), qPrintable(told));
        QVERIFY2(std::abs(loudness.captured(1).toDouble() + 16) < 2, qPrintable(loudness.captured(0)));
    }

    void nothingSaid() {
        std::mt19937 random(3);
        std::normal_distribution<float> hiss(0, 0.0003f), hall(0, 0.05f);
        Sound muted, loudRoom;
        for (int i = 0; i < 3 * kSoundRate_Hz; ++i) muted.push_back(hiss(random)), loudRoom.push_back(hall(random));
        QCOMPARE(readyVoice(muted).error().code, Errc::NotFound);
        QCOMPARE(readyVoice({}).error().code, Errc::NotFound);
        const auto room = readyVoice(loudRoom); // a room as loud as the voice: nothing is cut, for nobody knows where
        QVERIFY(room.has_value() && room->cut_s == 0 && std::abs(soundSeconds(room->sound) - 3) < 0.05);
    }
};

QTEST_GUILESS_MAIN(SoundTest)
#include "sound_test.moc"
