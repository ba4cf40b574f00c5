// SPDX-License-Identifier: GPL-3.0-or-later
// The sound of a clip lies where its pictures are, whatever the container says about starts; slower it keeps its pitch.
// Clips are made by ffmpeg's own command line.
#include "support/numbered_clip.h"
#include "video/sound.h"

#include <QProcess>
#include <QTemporaryDir>
#include <QTest>

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
};

QTEST_GUILESS_MAIN(SoundTest)
#include "sound_test.moc"
