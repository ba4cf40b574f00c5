// SPDX-License-Identifier: GPL-3.0-or-later
// Frames by number, forwards, backwards and at random, from every kind of clip that phones make, and clear refusals.
#include "base/files.h"
#include "support/guarded_pictures.h"
#include "support/numbered_clip.h"
#include "support/table.h"
#include "video/backward_frames.h"

#include <QTemporaryDir>
#include <QTest>
#include <random>
#include <sys/stat.h>

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
}

using namespace deft;
using namespace deft::test;

Q_DECLARE_METATYPE(deft::WriterOptions)

class ClipReaderTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;
    std::filesystem::path at(const char* name) const { return dir_.filePath(QString::fromLatin1(name)).toStdString(); }

    static void verifyFrames(ClipReader& clip, const std::vector<int64_t>& order) {
        for (const int64_t i : order) {
            const auto picture = clip.grey(i);
            QVERIFY2(picture.has_value(), qPrintable(QStringLiteral("frame %1").arg(i)));
            QCOMPARE(numberOf(*picture), int(i));
        }
    }

private slots:
    /// A part of a film is a clip of its own: its frames are those of the film, its time begins at 0.
    void aPartOfAFilm() {
        WriterOptions options;
        options.keyEvery = 20;
        QVERIFY(writeNumbered(at("whole.mp4"), evenTimes(90), options));
        auto part = ClipReader::open(at("whole.mp4"), FilmPart{1.0, 2.0}).value();
        QCOMPARE(part.info().frames(), 31);
        QVERIFY(std::abs(part.info().time_s.front()) < 1e-9 && std::abs(part.info().time_s.back() - 1) < 1e-3);
        QVERIFY(std::abs(part.info().part->from_s - 1) < 1e-3 && std::abs(part.info().duration_s - 31 / 30.0) < 1e-3);
        for (const int64_t i : {0, 30, 12, 13, 29, 3}) QCOMPARE(numberOf(part.grey(i).value()), int(i) + 30);
        QCOMPARE(part.grey(31).error().code, Errc::OutOfRange);
        QCOMPARE(part.keyFrame(5), 0); // decoding begins before it
        QVERIFY(part.keyFrame(25) > 0 && part.keyFrameNear(part.keyFrame(25) - 1, 3) == part.keyFrame(25));
        QCOMPARE(part.keyFrameNear(5, 2), 5);
        for (const FilmPart& none : {FilmPart{5, 6}, FilmPart{1.01, 1.02}})
            QCOMPARE(ClipReader::open(at("whole.mp4"), none).error().code, Errc::OutOfRange);
    }

    /// A long way can be taken in pieces, and it is known beforehand how long it is.
    void aWayInPieces() {
        WriterOptions options;
        options.keyEvery = 20;
        QVERIFY(writeNumbered(at("pieces.mp4"), evenTimes(60), options));
        auto clip = ClipReader::open(at("pieces.mp4")).value();
        QCOMPARE(clip.keyFrame(0), 0);
        const int64_t key = clip.keyFrame(35);
        QVERIFY(key > 0 && key <= 35 && clip.keyFrame(key) == key);
        QCOMPARE(clip.toDecode(35), 35 - key + 1);
        for (int64_t at = key; at < 35; at += 4) QVERIFY(clip.decode(at));
        QVERIFY(clip.toDecode(35) <= 4);
        QCOMPARE(numberOf(clip.grey(35).value()), 35);
        QCOMPARE(clip.toDecode(35), 0);
        QCOMPARE(clip.decode(60).error().code, Errc::OutOfRange);
    }

    /// What phones, cameras and messengers make, written by the libraries themselves: every frame is found exactly,
    /// forwards and in any order, with its own time.
    void formats_data() {
        QTest::addColumn<QString>("name");
        QTest::addColumn<WriterOptions>("options");
        QTest::addColumn<double>("fps");
        using Change = std::function<void(WriterOptions&)>;
        const Change asItIs = [](WriterOptions&) {};
        auto row = [&](const char* what, const char* name, const char* codec, const char* pixels, double fps,
                       const Change& change) {
            WriterOptions o;
            o.codec = codec, o.pixelFormat = pixels, o.preset = "ultrafast";
            o.keyEvery = 12, o.timeBaseHz = 240000;
            change(o);
            QTest::newRow(what) << QString::fromLatin1(name) << o << fps;
        };
        auto sized = [](int w, int h) { return [w, h](WriterOptions& o) { o.width = w, o.height = h; }; };
        row("HEVC, 8 bit", "h8.mp4", "libx265", "yuv420p", 30, asItIs);
        row("HEVC, 10 bit", "h10.mov", "libx265", "yuv420p10le", 30, asItIs);
        row("H.264, 4:4:4, odd size", "odd.mp4", "libx264", "yuv444p", 30, sized(191, 127));
        row("VP9", "v9.webm", "libvpx-vp9", "yuv420p", 30, asItIs);
        row("AV1", "av1.mkv", "libaom-av1", "yuv420p", 30, [](WriterOptions& o) {
            o.timeBaseHz = 30000, o.bFrames = 0, o.codecOptions = {{"cpu-used", "8"}};
        });
        row("MJPEG, full range", "m.avi", "mjpeg", "yuvj420p", 30,
            [](WriterOptions& o) { o.fullRange = true, o.bFrames = 0, o.timeBaseHz = 30; });
        row("ProRes-like, 10 bit", "p.mov", "prores_ks", "yuv422p10le", 30, [](WriterOptions& o) { o.bFrames = 0; });
        row("AVI", "x.avi", "libx264", "yuv420p", 30, [](WriterOptions& o) { o.bFrames = 0, o.timeBaseHz = 30; });
        row("open GOP", "open.mp4", "libx264", "yuv420p", 30, [](WriterOptions& o) {
            o.preset = "medium", o.codecOptions = {{"x264-params", "open-gop=1:bframes=3:keyint=12"}};
        });
        row("fragmented", "frag.mp4", "libx264", "yuv420p", 30, [](WriterOptions& o) {
            o.containerOptions = {{"movflags", "frag_keyframe+empty_moov"}};
        });
        row("full range", "full.mp4", "libx264", "yuv420p", 30, [](WriterOptions& o) { o.fullRange = true; });
        row("slow motion, 240 a second", "slow.mov", "libx264", "yuv420p", 240, asItIs);
        row("portrait", "tall.mp4", "libx264", "yuv420p", 30, sized(144, 256));
        row("4K", "big.mp4", "libx264", "yuv420p", 30, sized(3840, 2160));
    }
    void formats() {
        QFETCH(QString, name);
        QFETCH(WriterOptions, options);
        QFETCH(double, fps);
        const int frames = options.width > 1000 ? 14 : 40;
        const auto times = evenTimes(frames, fps);
        const auto written = writeNumbered(at(qPrintable(name)), times, options);
        QVERIFY2(written.has_value(), written ? "" : written.error().detail().c_str());
        auto clip = ClipReader::open(at(qPrintable(name)));
        QVERIFY2(clip.has_value(), clip ? "" : clip.error().detail().c_str());
        QCOMPARE(clip->info().frames(), frames);
        QCOMPARE(clip->info().width, options.width ? options.width : 192);
        QCOMPARE(clip->info().height, options.height ? options.height : 128);
        NEAR(clip->info().medianRateHz, fps, 0.02 * fps);
        for (int i = 0; i < frames; ++i) NEAR(clip->info().time_s[size_t(i)], times[size_t(i)], 6e-4);
        std::vector<int64_t> order;
        for (int i = 0; i < frames; ++i) order.push_back(i);
        for (const int64_t i : {5, 13, 2, 12, 11, 0, 13}) order.push_back(i);
        verifyFrames(*clip, order);
        // White is white whatever range it was stored in.
        const cv::Mat seen = clip->bgra(3).value();
        QVERIFY(seen.ptr<uint8_t>(2)[4 * 2 + 1] > 240); // green of the third pixel
        QVERIFY(clip->grey(3)->ptr<uint8_t>(2)[2] > 225);
    }

    void containers_data() {
        QTest::addColumn<QString>("name");
        QTest::addColumn<QString>("codec");
        QTest::newRow("mp4") << "a.mp4"
                             << "libx264";
        QTest::newRow("mov") << "a.mov"
                             << "libx264";
        QTest::newRow("mkv") << "a.mkv"
                             << "libx264";
        QTest::newRow("webm") << "a.webm"
                              << "libvpx";
    }
    void containers() {
        QFETCH(QString, name);
        QFETCH(QString, codec);
        WriterOptions o;
        o.codec = codec.toStdString();
        o.timeBaseHz = 1000; // what Matroska keeps
        const auto path = at(qPrintable(name));
        const auto wrote = writeNumbered(path, evenTimes(50, 25), o);
        QVERIFY2(wrote.has_value(), wrote ? "" : wrote.error().detail().c_str());
        auto clip = ClipReader::open(path).value();
        QCOMPARE(clip.info().frames(), 50);
        NEAR(clip.info().medianRateHz, 25, 0.01);
        NEAR(clip.info().duration_s, 2, 0.045);
        verifyFrames(clip, {0, 1, 2, 3, 49, 25, 24, 10});
    }

    /// B-frames are stored out of order, and MP4 shifts them with an edit list; frame numbers and times must not care.
    void exactSeekWithBFrames() {
        WriterOptions o;
        o.bFrames = 3, o.keyEvery = 24;
        QVERIFY(writeNumbered(at("b.mp4"), evenTimes(120), o));
        auto clip = ClipReader::open(at("b.mp4")).value();
        QCOMPARE(clip.info().frames(), 120);
        NEAR(clip.info().time_s.front(), 0, 1e-9);
        for (int i = 0; i < 120; ++i) NEAR(clip.info().time_s[size_t(i)], i / 30.0, 1e-4);
        std::vector<int64_t> order;
        std::mt19937 random(4);
        for (int k = 0; k < 60; ++k) order.push_back(int64_t(random() % 120));
        for (int64_t i = 119; i >= 90; --i) order.push_back(i);
        verifyFrames(clip, order);
    }

    /// A clip that was cut on the phone without coding it anew keeps what was cut off; its edit list says that it is
    /// not to be shown. Frame 0 is then the first one that is shown, at time 0, wherever the cut lies in its group.
    void cutByAnEditList_data() {
        QTest::addColumn<int>("bFrames");
        QTest::addColumn<int>("cut");
        for (const int bFrames : {0, 2})
            for (const int cut : {15, 24, 40})
                QTest::addRow("%d B-frames, %d frames cut off", bFrames, cut) << bFrames << cut;
    }
    void cutByAnEditList() {
        QFETCH(int, bFrames);
        QFETCH(int, cut);
        WriterOptions o;
        o.bFrames = bFrames, o.keyEvery = 24;
        QVERIFY(writeNumbered(at("whole.mp4"), evenTimes(96), o));
        writeEarlier(at("whole.mp4"), at("cut.mp4"), cut / 30.0);
        auto clip = ClipReader::open(at("cut.mp4")).value();
        // With B-frames the library that writes the list sometimes has it end a frame early.
        const int64_t frames = clip.info().frames();
        QVERIFY(frames == 96 - cut || (bFrames > 0 && frames == 95 - cut));
        NEAR(clip.info().time_s.front(), 0, 1e-9);
        NEAR(clip.info().time_s[20], 20 / 30.0, 1e-3);
        for (const int64_t i : {int64_t(0), frames - 1, int64_t(30), int64_t(29), int64_t(1), int64_t(0)}) {
            const auto picture = clip.grey(i);
            QVERIFY2(picture.has_value(), qPrintable(QStringLiteral("frame %1").arg(i)));
            QCOMPARE(numberOf(*picture), int(i) + cut);
        }
    }

    void variableRate() {
        std::vector<double> times;
        double t = 0;
        for (int i = 0; i < 60; ++i) times.push_back(t), t += i % 3 == 0 ? 0.050 : 0.025;
        QVERIFY(writeNumbered(at("v.mp4"), times));
        auto clip = ClipReader::open(at("v.mp4")).value();
        QVERIFY(clip.info().variableRate);
        for (size_t i = 0; i < times.size(); ++i) NEAR(clip.info().time_s[i], times[i], 1e-4);
        QCOMPARE(clip.info().frameAt(times[31] + 0.004), 31);
        verifyFrames(clip, {0, 59, 30, 31});
    }

    /// A phone held upright stores a lying picture and says how to turn it.
    void rotation_data() {
        QTest::addColumn<int>("turn");
        QTest::addColumn<int>("cornerX");
        QTest::addColumn<int>("cornerY");
        // Where the stored upper left corner ends up.
        QTest::newRow("90") << 90 << 1 << 0;
        QTest::newRow("180") << 180 << 1 << 1;
        QTest::newRow("270") << 270 << 0 << 1;
    }
    void rotation() {
        QFETCH(int, turn);
        QFETCH(int, cornerX);
        QFETCH(int, cornerY);
        WriterOptions o;
        o.rotationDeg = turn;
        QVERIFY(writeNumbered(at("r.mp4"), evenTimes(6), o));
        auto clip = ClipReader::open(at("r.mp4")).value();
        QCOMPARE(clip.info().rotationDeg, turn);
        QCOMPARE(clip.info().width, turn == 180 ? 192 : 128);
        QCOMPARE(clip.info().height, turn == 180 ? 128 : 192);
        const cv::Mat grey = clip.grey(3).value();
        QCOMPARE(grey.cols, clip.info().width);
        for (int x = 0; x < 2; ++x)
            for (int y = 0; y < 2; ++y)
                QCOMPARE(grey.at<uchar>(y ? grey.rows - 5 : 4, x ? grey.cols - 5 : 4) > 200,
                         x == cornerX && y == cornerY);
        const cv::Mat colour = clip.bgra(3).value();
        QCOMPARE(colour.size(), grey.size());
        QCOMPARE(colour.at<cv::Vec4b>(cornerY ? grey.rows - 5 : 4, cornerX ? grey.cols - 5 : 4)[1] > 200, true);
    }

    /// Pixels that are not square are made square, so that angles are right.
    void pixelAspect() {
        WriterOptions o;
        o.pixelAspect = 4.0 / 3;
        QVERIFY(writeNumbered(at("s.mp4"), evenTimes(6), o));
        auto clip = ClipReader::open(at("s.mp4")).value();
        QCOMPARE(clip.info().width, 256);
        QCOMPARE(clip.info().height, 128);
        QCOMPARE(clip.grey(2)->cols, 256);
        QCOMPARE(numberOf(clip.grey(5).value()), 5);
    }

    void backwards() {
        QVERIFY(writeNumbered(at("back.mp4"), evenTimes(100)));
        auto clip = ClipReader::open(at("back.mp4")).value();
        BackwardFrames frames(clip, 16);
        for (int64_t i = 99; i >= 0; --i) QCOMPARE(numberOf(frames.grey(i).value()), int(i));
    }

    void oneFrame() {
        QVERIFY(writeNumbered(at("one.mp4"), {0}));
        auto clip = ClipReader::open(at("one.mp4"));
        QVERIFY(clip.has_value());
        QCOMPARE(clip->info().frames(), 1);
    }

    /// A container with a video track and not a single frame in it.
    void zeroFrames() {
        QVERIFY(writeNumbered(at("zero.mkv"), {}));
        const auto clip = ClipReader::open(at("zero.mkv"));
        QVERIFY(!clip);
        QCOMPARE(clip.error().code, Errc::BadFormat);
    }

    void outOfRange() {
        QVERIFY(writeNumbered(at("o.mp4"), evenTimes(5)));
        auto clip = ClipReader::open(at("o.mp4")).value();
        QCOMPARE(clip.grey(5).error().code, Errc::OutOfRange);
        QCOMPARE(clip.grey(-1).error().code, Errc::OutOfRange);
    }

    void notAClip() {
        QCOMPARE(ClipReader::open(at("none.mp4")).error().code, Errc::NotFound);
        QVERIFY(writeFileAtomically(at("text.mp4"), "Dear Jonna, here is my bridge.\n"));
        const auto text = ClipReader::open(at("text.mp4"));
        QCOMPARE(text.error().code, Errc::BadFormat);
        QVERIFY(text.error().detail().find("text.mp4") != std::string::npos);
        QVERIFY(writeFileAtomically(at("nil.mp4"), ""));
        QCOMPARE(ClipReader::open(at("nil.mp4")).error().code, Errc::BadFormat);
        QVERIFY(!ClipReader::open(dir_.path().toStdString()));
    }

    /// The index of this MP4 lies at its end; cut off, there is nothing to go by. A Matroska file can be read up to the
    /// cut.
    void truncated() {
        WriterOptions o;
        o.timeBaseHz = 1000, o.keyEvery = 10;
        QVERIFY(writeNumbered(at("whole.mp4"), evenTimes(100), o));
        QVERIFY(writeNumbered(at("whole.mkv"), evenTimes(100), o));
        for (const char* name : {"whole.mp4", "whole.mkv"}) {
            const std::string all = readFile(at(name)).value();
            QVERIFY(writeFileAtomically(at((std::string("cut-") + name).c_str()), all.substr(0, all.size() * 6 / 10)));
        }
        const auto mp4 = ClipReader::open(at("cut-whole.mp4"));
        QVERIFY(!mp4);
        QCOMPARE(mp4.error().code, Errc::BadFormat);
        auto mkv = ClipReader::open(at("cut-whole.mkv"));
        QVERIFY(mkv.has_value());
        QVERIFY(mkv->info().frames() > 20 && mkv->info().frames() < 90);
        int good = 0;
        for (int64_t i = 0; i < mkv->info().frames(); ++i)
            if (const auto picture = mkv->grey(i)) good += numberOf(*picture) == i;
        QVERIFY(good >= mkv->info().frames() - 2);
    }

    /// Bytes in the middle are gone: the frames around still come, and none is shown under a wrong number.
    void damagedInTheMiddle() {
        WriterOptions o;
        o.keyEvery = 10;
        QVERIFY(writeNumbered(at("d.mp4"), evenTimes(100), o));
        std::string all = readFile(at("d.mp4")).value();
        for (size_t i = all.size() / 2; i < all.size() / 2 + 300; ++i) all[i] = char(i * 37);
        QVERIFY(writeFileAtomically(at("d2.mp4"), all));
        auto clip = ClipReader::open(at("d2.mp4"));
        QVERIFY(clip.has_value());
        int good = 0, refused = 0;
        for (int64_t i = 0; i < clip->info().frames(); ++i) {
            const auto picture = clip->grey(i);
            if (!picture) {
                QCOMPARE(picture.error().code, Errc::DamagedFrame);
                ++refused;
                continue;
            }
            good += std::abs(clip->info().time_s[size_t(i)] * 30 - numberOf(*picture)) < 0.5;
        }
        QVERIFY2(
            good >= 70 && good < 100,
            qPrintable(QStringLiteral("%1 good, %2 refused of %3").arg(good).arg(refused).arg(clip->info().frames())));
    }

    /// libswscale writes whole vectors. Every even width a phone or messenger may choose, upright and lying, pixels
    /// square and not: no byte beyond a picture's own memory is touched. Sanitizers cannot see into the library; guards
    /// can.
    void noByteBeyondThePicture() {
        const GuardedPictures guards;
        for (int width = 16; width <= 2000; width += 2) {
            WriterOptions o;
            o.codec = "mjpeg", o.pixelFormat = "yuvj420p", o.bFrames = 0, o.fullRange = true, o.timeBaseHz = 1000;
            const bool lies = width % 4 == 0;
            o.width = lies ? width : 34, o.height = lies ? 34 : width;
            if (width % 3 == 0) o.rotationDeg = 90;
            if (width % 5 == 0) o.pixelAspect = 4.0 / 3;
            QVERIFY(writeNumbered(at("w.mov"), {0, 0.04}, o));
            auto clip = ClipReader::open(at("w.mov")).value();
            for (int64_t i = 0; i < 2; ++i) {
                QVERIFY(clip.bgra(i).has_value());
                QVERIFY(clip.grey(i).has_value());
            }
            QVERIFY2(guards.broken() == 0, qPrintable(QStringLiteral("%1 × %2").arg(o.width).arg(o.height)));
        }
        QVERIFY(guards.seen() > 4000);
    }
    /// The widths of which every second one wrote beyond its rows, through the converter to grey as well.
    void noByteBeyondThePictureDeep() {
        const GuardedPictures guards;
        for (const int width : {360, 392, 408, 540, 568, 600, 648, 828, 1080}) {
            WriterOptions o;
            o.codec = "libx265", o.pixelFormat = "yuv420p10le", o.preset = "ultrafast", o.width = width, o.height = 64;
            QVERIFY(writeNumbered(at("d10.mp4"), evenTimes(8), o)); // with fewer x265 gives frames without a time
            auto clip = ClipReader::open(at("d10.mp4")).value();
            QVERIFY(clip.bgra(0).has_value() && clip.grey(1).has_value());
        }
        QCOMPARE(guards.broken(), 0);
    }

    /// The last frames cannot be decoded: stepping onto one and back again shows the right picture, not a stale one.
    void lastFrameThatCannotBeDecoded() {
        WriterOptions o;
        o.keyEvery = 60, o.bFrames = 0, o.timeBaseHz = 1000;
        QVERIFY(writeNumbered(at("end.mkv"), evenTimes(30), o));
        std::string all = readFile(at("end.mkv")).value();
        for (size_t i = all.size() * 8 / 10; i < all.size() * 98 / 100; ++i) all[i] = char(i * 91);
        QVERIFY(writeFileAtomically(at("end2.mkv"), all));
        auto clip = ClipReader::open(at("end2.mkv"));
        if (!clip) QSKIP("the index went with the frames");
        int64_t last = -1;
        for (int64_t i = 0; i < clip->info().frames(); ++i) {
            if (const auto picture = clip->grey(i)) {
                last = i;
                continue;
            }
            if (last < 0) continue;
            for (int again = 0; again < 2; ++again) { // Right, Left, Right, Left
                QVERIFY(!clip->grey(i));
                const auto back = clip->bgra(last);
                QVERIFY(back.has_value() && !back->empty());
                QCOMPARE(numberOf(clip->grey(last).value()), int(last));
            }
        }
        QVERIFY(last >= 0);
    }

    void sizesThatAreNone_data() {
        QTest::addColumn<int>("width");
        QTest::addColumn<int>("height");
        QTest::addColumn<double>("aspect");
        for (const int side : {2, 4, 8}) QTest::addRow("%d px", side) << side << side << 1.0;
        QTest::newRow("a line") << 320 << 2 << 1.0;
        QTest::newRow("pixels a hundred times as wide") << 320 << 240 << 100.0;
        QTest::newRow("pixels a hundredth as wide") << 320 << 240 << 0.01;
    }
    void sizesThatAreNone() {
        WriterOptions o;
        QFETCH(int, width);
        QFETCH(int, height);
        QFETCH(double, aspect);
        o.codec = "mjpeg", o.pixelFormat = "yuvj420p", o.bFrames = 0, o.timeBaseHz = 1000;
        o.width = width, o.height = height, o.pixelAspect = aspect;
        auto writer = ClipWriter::create(at("none.mov"), o);
        QVERIFY(writer.has_value());
        for (const double t : {0.0, 0.1}) QVERIFY(writer->add(cv::Mat(height, width, CV_8UC3, cv::Scalar(9, 9, 9)), t));
        QVERIFY(writer->finish());
        const auto clip = ClipReader::open(at("none.mov"));
        QVERIFY(!clip);
        QVERIFY2(clip.error().detail().find("pixels") != std::string::npos, clip.error().detail().c_str());
    }

    /// What is no film of a phone, camera or messenger is not opened, and nothing is opened through it.
    void whatIsNoClip() {
        QVERIFY(writeNumbered(at("real.mp4"), evenTimes(5)));
        const std::string real = at("real.mp4").string();
        const std::pair<const char*, std::string> lists[] = {
            {"hls.mp4", "#EXTM3U\n#EXT-X-TARGETDURATION:9\n#EXTINF:9,\n" + real + "\n#EXT-X-ENDLIST\n"},
            {"concat.mp4", "ffconcat version 1.0\nfile " + real + "\n"},
            {"dash.mp4", "<?xml version=\"1.0\"?><MPD><BaseURL>" + real + "</BaseURL></MPD>"}};
        for (const auto& [name, list] : lists) {
            QVERIFY(writeFileAtomically(at(name), list));
            QCOMPARE(ClipReader::open(at(name)).error().code, Errc::BadFormat);
        }
        std::filesystem::create_symlink(real, at("link.mp4"));
        QCOMPARE(::mkfifo(at("pipe.mp4").c_str(), 0600), 0);
        for (const std::filesystem::path& path : {at("link.mp4"), at("pipe.mp4"), std::filesystem::path("/dev/zero")})
            QCOMPARE(ClipReader::open(path).error().code, Errc::NotReadable);
        // Nor is anything of that kind written over.
        WriterOptions o;
        o.width = o.height = 64;
        QCOMPARE(ClipWriter::create(at("link.mp4"), o).error().code, Errc::WriteFailed);
        QVERIFY(std::filesystem::is_symlink(at("link.mp4")));
    }

    void soundOnly() {
        makeSound(at("sound.mp4"));
        const auto clip = ClipReader::open(at("sound.mp4"));
        QVERIFY(!clip);
        QCOMPARE(clip.error().code, Errc::BadFormat);
        QVERIFY2(clip.error().detail().find("video") != std::string::npos, clip.error().detail().c_str());
    }

private:
    /// The same packets with earlier times: what would come before 0 is kept, and hidden by an edit list.
    static void writeEarlier(const std::filesystem::path& from, const std::filesystem::path& to, double seconds) {
        AVFormatContext *in = nullptr, *out = nullptr;
        QVERIFY(avformat_open_input(&in, from.c_str(), nullptr, nullptr) >= 0);
        QVERIFY(avformat_find_stream_info(in, nullptr) >= 0);
        avformat_alloc_output_context2(&out, nullptr, "mp4", to.c_str());
        out->avoid_negative_ts = AVFMT_AVOID_NEG_TS_DISABLED;
        AVStream* stream = avformat_new_stream(out, nullptr);
        avcodec_parameters_copy(stream->codecpar, in->streams[0]->codecpar);
        stream->time_base = in->streams[0]->time_base;
        QVERIFY(avio_open(&out->pb, to.c_str(), AVIO_FLAG_WRITE) >= 0);
        QVERIFY(avformat_write_header(out, nullptr) >= 0);
        const auto shift = int64_t(std::llround(seconds / av_q2d(in->streams[0]->time_base)));
        AVPacket* packet = av_packet_alloc();
        while (av_read_frame(in, packet) >= 0) {
            packet->pts -= shift, packet->dts -= shift;
            av_packet_rescale_ts(packet, in->streams[0]->time_base, stream->time_base);
            av_interleaved_write_frame(out, packet);
        }
        QVERIFY(av_write_trailer(out) >= 0);
        av_packet_free(&packet);
        avformat_close_input(&in);
        avio_closep(&out->pb);
        avformat_free_context(out);
    }

    /// A second of silence, as AAC.
    static void makeSound(const std::filesystem::path& path) {
        AVFormatContext* out = nullptr;
        avformat_alloc_output_context2(&out, nullptr, nullptr, path.c_str());
        const AVCodec* codec = avcodec_find_encoder(AV_CODEC_ID_AAC);
        AVCodecContext* c = avcodec_alloc_context3(codec);
        c->sample_rate = 44100, c->sample_fmt = AV_SAMPLE_FMT_FLTP, c->bit_rate = 64000, c->time_base = {1, 44100};
        av_channel_layout_default(&c->ch_layout, 1);
        c->flags |= AV_CODEC_FLAG_GLOBAL_HEADER;
        QVERIFY(avcodec_open2(c, codec, nullptr) >= 0);
        AVStream* stream = avformat_new_stream(out, nullptr);
        avcodec_parameters_from_context(stream->codecpar, c);
        stream->time_base = c->time_base;
        QVERIFY(avio_open(&out->pb, path.c_str(), AVIO_FLAG_WRITE) >= 0);
        QVERIFY(avformat_write_header(out, nullptr) >= 0);
        AVFrame* frame = av_frame_alloc();
        frame->nb_samples = c->frame_size, frame->format = c->sample_fmt, frame->sample_rate = c->sample_rate;
        av_channel_layout_copy(&frame->ch_layout, &c->ch_layout);
        av_frame_get_buffer(frame, 0);
        memset(frame->data[0], 0, size_t(frame->linesize[0]));
        AVPacket* packet = av_packet_alloc();
        for (int k = 0; k <= 43; ++k) {
            frame->pts = k * c->frame_size;
            avcodec_send_frame(c, k < 43 ? frame : nullptr);
            while (avcodec_receive_packet(c, packet) >= 0) {
                av_packet_rescale_ts(packet, c->time_base, stream->time_base);
                av_interleaved_write_frame(out, packet);
            }
        }
        av_write_trailer(out);
        av_packet_free(&packet);
        av_frame_free(&frame);
        avcodec_free_context(&c);
        avio_closep(&out->pb);
        avformat_free_context(out);
    }
};

QTEST_GUILESS_MAIN(ClipReaderTest)
#include "clip_reader_test.moc"
