// SPDX-License-Identifier: GPL-3.0-or-later
// Marks followed through whole clips: both ways, between marks, again with other marks.
#include "support/moving_cloth.h"
#include "support/table.h"
#include "tracking/track_clip.h"
#include "video/clip_writer.h"

#include <QTemporaryDir>
#include <QTest>

using namespace deft;
using namespace deft::test;

class TrackClipTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;

    Marks marksAt(double t, double degrees_, const Vector2& by) const {
        Marks m;
        for (const auto& [name, p] : kClothMarks) m.set(t, name, movedPoint(p, degrees_, by));
        return m;
    }
    std::filesystem::path writeClip(const char* name, int frames) {
        const std::filesystem::path path = dir_.filePath(QString::fromLatin1(name)).toStdString();
        WriterOptions o;
        o.width = 640, o.height = 480, o.crf = 16;
        auto writer = ClipWriter::create(path, o).value();
        for (int i = 0; i < frames; ++i) {
            cv::Mat colour;
            cv::cvtColor(moved(cloth(), 0.2 * i, {0.9 * i, -0.4 * i}), colour, cv::COLOR_GRAY2BGR);
            (void)writer.add(colour, i / 30.0);
        }
        (void)writer.finish();
        return path;
    }

private slots:
    /// Where the coach should look: stretches of weak or lost frames, longest trouble marked.
    void weakPlaces() {
        Tracks t;
        for (int i = 0; i < 40; ++i) t.time_s.push_back(i / 30.0);
        t.landmark["hip"].assign(40, {{1, 1}, 0.5, PointState::Seen});
        t.landmark["knee"] = t.landmark["hip"];
        auto set = [&](const char* name, size_t from, size_t to, PointState state, double sd) {
            for (size_t i = from; i < to; ++i) t.landmark[name][i] = {{1, 1}, sd + double(i) / 100, state};
        };
        set("hip", 20, 30, PointState::Weak, 2);
        set("knee", 5, 7, PointState::Weak, 9);   // two frames are no place to go to
        set("knee", 10, 15, PointState::Weak, 9); // runs into
        set("knee", 15, 18, PointState::Lost, 3); // this one
        set("knee", 38, 40, PointState::Lost, 3);
        const auto places = weakStretches(t);
        QCOMPARE(places.size(), size_t(2));
        QCOMPARE(places[0].landmark, std::string("knee"));
        QVERIFY(places[0].lost && places[0].begin == 10 && places[0].end == 18 && places[0].worst == 17);
        QVERIFY(!places[1].lost && places[1].begin == 20 && places[1].end == 30 && places[1].worst == 29);
        QCOMPARE(weakStretches(t, 1).size(), size_t(4));
    }

    void wholeClipBothWays() {
        auto clip = ClipReader::open(writeClip("both.mp4", 60)).value();
        // Marked in the middle only: followed to both ends.
        const auto tracks = trackClip(clip, marksAt(30 / 30.0, 6, {27, -12})).value();
        QCOMPARE(tracks.frames(), size_t(60));
        for (const int i : {0, 15, 45, 59})
            for (const auto& [name, p] : kClothMarks) {
                const TrackPoint* t = tracks.find(name, size_t(i));
                QVERIFY(t && t->usable());
                NEAR((t->at - movedPoint(p, 0.2 * i, {0.9 * i, -0.4 * i})).norm(), 0, 1.0);
            }
    }

    /// A second mark is kept exactly, and what lies between is drawn toward it.
    void betweenTwoMarks() {
        auto clip = ClipReader::open(writeClip("two.mp4", 40)).value();
        Marks marks = marksAt(0, 0, {0, 0});
        const Point2 truth = movedPoint(kClothMarks.at("knee"), 0.2 * 30, {27, -12});
        marks.set(clip.info().time_s[30], "knee", Point2(truth + Vector2(3, 0)));
        const auto tracks = trackClip(clip, marks).value();
        NEAR((tracks.find("knee", 30)->at - truth).x(), 3, 1e-3);
        QCOMPARE(tracks.find("knee", 30)->state, PointState::ByHand);
        const double before =
            (tracks.find("knee", 29)->at - movedPoint(kClothMarks.at("knee"), 0.2 * 29, {26.1, -11.6})).x();
        QVERIFY2(before > 2, qPrintable(QString::number(before)));
        NEAR((tracks.find("hip", 30)->at - movedPoint(kClothMarks.at("hip"), 6, {27, -12})).norm(), 0,
             1.0); // the others are not moved
    }

    /// With the memory of the last time only what other marks touch is followed, and nothing comes out otherwise.
    void onlyTheTouchedStretch() {
        auto clip = ClipReader::open(writeClip("again.mp4", 120)).value();
        TrackingMemory memory;
        auto follow = [&](const Marks& marks, const char* what, int64_t atMost) {
            int64_t followed = 0;
            const auto tracks = trackClip(
                clip, marks, {}, [&](const Progress& p) { followed = p.done; }, &memory);
            const auto fresh = trackClip(clip, marks);
            QVERIFY2(tracks && fresh && toCsv(*tracks) == toCsv(*fresh), what);
            QVERIFY2(followed <= atMost, qPrintable(QString("%1: %2").arg(what).arg(followed)));
            QVERIFY2(atMost == 0 || followed > 0, what);
        };
        auto kneeAt = [&](int frame, double off) {
            return Point2(movedPoint(kClothMarks.at("knee"), 0.2 * frame, {0.9 * frame, -0.4 * frame}) +
                          Vector2(off, 0));
        };
        const auto& time = clip.info().time_s;
        Marks marks = marksAt(0, 0, {0, 0});
        follow(marks, "the first time", 120);
        follow(marks, "nothing changed", 0);
        marks.set(time[70], "knee", kneeAt(70, 2));
        follow(marks, "one mark more: from the last place before it on, and the way back", 59 + 71);
        marks.set(time[70], "knee", kneeAt(70, 3));
        follow(marks, "moved: from the frame before it on", 50 + 71);
        marks.set(time[70], "knee", std::nullopt);
        follow(marks, "not visible", 50 + 71);
        marks.set(time[70], "knee", kneeAt(70, 1));
        for (const auto& [name, p] : kClothMarks) marks.set(time[100], name, movedPoint(p, 20, {90, -40}));
        follow(marks, "everything is marked once more", 50 + 101);
        marks.set(time[70], "knee", kneeAt(70, 2));
        follow(marks, "moved between two frames that hold everything", 31 + 90);
        marks.seeds = {{time[110], {{"ankle", Point2(300, 300)}}}};
        follow(marks, "another seed", 29);
        // A landmark that is followed beyond the frame where all others are marked anew, and then is no more.
        marks.set(0, "psis", Point2(345, 260));
        follow(marks, "one landmark more", 120 + 101);
        marks.unset(0, "psis");
        follow(marks, "one landmark less", 120 + 101);
        marks.unset(time[70], "knee");
        marks.frames.pop_back();
        marks.seeds.clear();
        follow(marks, "as at first", 59);
        marks.set(0, "knee", kneeAt(0, 1));
        follow(marks, "the first frame", 120);
    }

    /// Marks so near to each other that nothing between them need be followed: the curve through them, and the landmark
    /// that is marked once is followed beside them all the same.
    void marksNearEachOther() {
        auto clip = ClipReader::open(writeClip("dense.mp4", 90)).value();
        const auto& time = clip.info().time_s;
        const auto truth = [&](const std::string& name, int64_t frame) {
            return Point2(
                movedPoint(kClothMarks.at(name), 0.2 * double(frame), {0.9 * double(frame), -0.4 * double(frame)}));
        };
        Marks marks = marksAt(0, 0, {0, 0});
        for (int64_t frame = 2; frame < 60; frame += frame % 3 ? 2 : 3)
            for (const auto& [name, p] : kClothMarks)
                if (name != "ankle") marks.set(time[size_t(frame)], name, truth(name, frame));
        int64_t followed = 0;
        const auto tracks = trackClip(clip, marks, {}, [&](const Progress& p) { followed = p.done; });
        QVERIFY(tracks.has_value());
        QVERIFY2(followed <= 90, "there is nothing to follow on the way back");
        for (const auto& [name, p] : kClothMarks)
            for (int64_t frame = 0; frame < 90; ++frame) {
                const TrackPoint& point = *tracks->find(name, size_t(frame));
                const double off = (point.at - truth(name, frame)).norm();
                const bool told = name != "ankle" && frame < 58;
                QVERIFY2(off < (told ? 0.2 : 3.0) && point.usable(),
                         qPrintable(QString("%1 in %2: %3").arg(QString::fromStdString(name)).arg(frame).arg(off)));
                if (told && point.state != PointState::ByHand) QVERIFY(point.sd > 0 && point.sd < 0.5);
            }
    }

    void stopsWhenAsked() {
        auto clip = ClipReader::open(writeClip("stop.mp4", 60)).value();
        std::stop_source source;
        int reports = 0;
        const auto tracks = trackClip(clip, marksAt(0, 0, {0, 0}), source.get_token(), [&](const Progress& p) {
            ++reports;
            QVERIFY(p.done <= p.total);
            if (p.done >= 12) source.request_stop();
        });
        QCOMPARE(tracks.error().code, Errc::Cancelled);
        QVERIFY(reports > 0 && reports < 10);
    }

    void refused() {
        auto clip = ClipReader::open(writeClip("one.mp4", 1)).value();
        QCOMPARE(trackClip(clip, marksAt(0, 0, {0, 0})).error().code, Errc::TooShort);
        auto longer = ClipReader::open(writeClip("five.mp4", 5)).value();
        QCOMPARE(trackClip(longer, Marks{}).error().code, Errc::BadFormat);
    }

    void csv() {
        Tracks t;
        t.time_s = {0, 0.1};
        t.landmark["hip"] = {{{1.5, 2}, 0.25, PointState::ByHand}, {{0, 0}, 0, PointState::Absent}};
        const std::string text = toCsv(t);
        QVERIFY(text.starts_with("frame,time_s,hip_x,hip_y,hip_sd,hip_state\n0,0.000000,1.5"));
        QVERIFY(text.ends_with("1,0.100000,,,,absent\n"));
    }
};

QTEST_GUILESS_MAIN(TrackClipTest)
#include "track_clip_test.moc"
