// SPDX-License-Identifier: GPL-3.0-or-later
// Is a clip usable? One good clip, and the same one spoiled in one way at a time: the check names that way, and the
// rest stays good.
#include "proposals/check_before.h"
#include "support/catalogue.h"
#include "support/table.h"
#include "video/clip_reader.h"
#include "video/clip_writer.h"

#include <QSize>
#include <QTemporaryDir>
#include <QTest>
#include <opencv2/imgproc.hpp>

using namespace deft;
using namespace deft::test;

namespace {

struct Spoiled {
    const char *id, *verdict; ///< what the check should say
    std::function<void(cv::Mat& picture, int frame)> how = [](cv::Mat&, int) {};
    double fps = 30;
    int frames = 62;
    int dropEvery = 0;
};

void noisy(cv::Mat& picture, double sd, int seed) {
    cv::RNG random(static_cast<uint64_t>(seed) + 1);
    cv::Mat grain(picture.size(), CV_16SC3), sum;
    random.fill(grain, cv::RNG::NORMAL, 0, sd);
    picture.convertTo(sum, CV_16SC3);
    cv::Mat(sum + grain).convertTo(picture, CV_8UC3);
}

void moved(cv::Mat& picture, double x, double y) {
    const cv::Mat shift = (cv::Mat_<double>(2, 3) << 1, 0, x, 0, 1, y);
    cv::warpAffine(picture.clone(), picture, shift, picture.size(), cv::INTER_LINEAR, cv::BORDER_REFLECT);
}

} // namespace

class ClipCheckTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;
    cv::Mat scene_;

    std::vector<ClipCheck> check(const Spoiled& s) {
        const std::string path = dir_.filePath(QStringLiteral("clip.mp4")).toStdString();
        WriterOptions options;
        options.width = scene_.cols, options.height = scene_.rows, options.crf = 18;
        auto writer = ClipWriter::create(path, options).value();
        for (int i = 0; i < s.frames; ++i) {
            if (s.dropEvery && i % s.dropEvery == 1) continue;
            cv::Mat picture = scene_.clone();
            s.how(picture, i);
            if (!writer.add(picture, i / s.fps)) return {};
        }
        if (!writer.finish()) return {};
        auto reader = ClipReader::open(path).value();
        return checkBefore(reader.info(), pictureQuality(reader).value(), std::nullopt, false, nullptr, 0.4);
    }

private slots:
    void initTestCase() {
        auto reader = ClipReader::open(DEFT_SOURCE_DIR "/demo/clips/oisin-bridge-may.mp4").value();
        cv::cvtColor(*reader.bgra(0), scene_, cv::COLOR_BGRA2BGR);
        cv::resize(scene_, scene_, {854, 480}, 0, 0, cv::INTER_AREA);
    }

    /// However long and narrow a picture is, it can be looked at.
    void shapes_data() {
        QTest::addColumn<QSize>("size");
        for (const QSize& size : {QSize(16, 16), QSize(16, 2000), QSize(2000, 16), QSize(4096, 20), QSize(18, 4096)})
            QTest::addRow("%d x %d", size.width(), size.height()) << size;
    }
    void shapes() {
        QFETCH(QSize, size);
        const std::string path = dir_.filePath(QStringLiteral("shape.mov")).toStdString();
        WriterOptions options;
        options.codec = "mjpeg", options.pixelFormat = "yuvj420p", options.bFrames = 0, options.timeBaseHz = 1000;
        options.width = size.width(), options.height = size.height();
        auto writer = ClipWriter::create(path, options).value();
        for (int i = 0; i < 12; ++i) {
            cv::Mat picture(size.height(), size.width(), CV_8UC3);
            cv::randu(picture, 0, 255);
            QVERIFY(writer.add(picture, i * 0.3));
        }
        QVERIFY(writer.finish());
        auto reader = ClipReader::open(path).value();
        const auto quality = pictureQuality(reader);
        QVERIFY(quality.has_value() && std::isfinite(quality->shakePx) && std::isfinite(quality->blur));
    }

    void spoiledOneWay_data() {
        QTest::addColumn<Spoiled>("spoiled");
        auto row = [](const char* name, Spoiled s) { QTest::newRow(name) << s; };
        row("as it should be", {"", "good"});
        row("too dark", {"light", "poor", [](cv::Mat& p, int) { p *= 0.22; }});
        row("black", {"light", "unusable", [](cv::Mat& p, int) { p *= 0.06; }});
        row("against the window", {"light", "poor", [](cv::Mat& p, int) { p = p * 0.1 + cv::Scalar::all(228); }});
        row("grainy", {"grain", "poor", [](cv::Mat& p, int i) { noisy(p, 22, i); }});
        row("out of focus", {"sharpness", "poor", [](cv::Mat& p, int) { cv::GaussianBlur(p, p, {0, 0}, 1.6); }});
        row("far out of focus", {"sharpness", "unusable", [](cv::Mat& p, int) { cv::GaussianBlur(p, p, {0, 0}, 9); }});
        row("smeared while moving", {"motion-blur", "poor", [](cv::Mat& p, int i) {
                                         if (i > 40) cv::blur(p, p, {21, 21});
                                     }});
        row("hand-held", {"camera-still", "poor",
                          [](cv::Mat& p, int i) { moved(p, 9 * std::sin(i * 0.21), 6 * std::cos(i * 0.17)); }});
        row("ten frames a second", {"frame-rate", "unusable", [](cv::Mat&, int) {}, 10, 30});
        row("fifteen frames a second", {"frame-rate", "poor", [](cv::Mat&, int) {}, 15, 40});
        row("every sixth frame lost", {"dropped-frames", "poor", [](cv::Mat&, int) {}, 30, 90, 6});
        row("a second long", {"length", "unusable", [](cv::Mat&, int) {}, 30, 35});
        row("sent small", {"picture-size", "poor", [](cv::Mat& p, int) {
                               cv::resize(p, p, {480, 270}, 0, 0, cv::INTER_AREA);
                           }});
        row("moves at once", {"still-start", "poor", [](cv::Mat& p, int i) {
                                  cv::rectangle(p, cv::Rect(100 + 4 * i, 200, 160, 120), {20, 20, 220}, -1);
                              }});
    }
    void spoiledOneWay() {
        QFETCH(Spoiled, spoiled);
        const cv::Mat whole = scene_;
        if (QLatin1String(spoiled.id) == QLatin1String("picture-size")) {
            cv::resize(scene_, scene_, {480, 270}, 0, 0, cv::INTER_AREA);
            spoiled.how = [](cv::Mat&, int) {};
        }
        const auto checks = check(spoiled);
        scene_ = whole;
        QVERIFY(checks.size() > 8);
        for (const ClipCheck& c : checks) {
            if (c.id == "in-frame") continue; // nobody was looked for
            const bool own = c.id == spoiled.id;
            const std::string told = c.id + ": " + c.verdict + ", " + std::to_string(c.value);
            if (own) {
                QVERIFY2(c.verdict == spoiled.verdict, told.c_str());
                QVERIFY2(!c.ask.empty() && !c.suffers.empty(), told.c_str());
            } else if (*spoiled.id == 0) {
                QVERIFY2(c.verdict == "good" && c.ask.empty(), told.c_str());
            }
        }
    }

    void verdictAndFile() {
        std::vector<ClipCheck> checks = {levelCheck(0.4), frameRateCheck([] {
                                             ClipInfo c;
                                             c.medianRateHz = 30;
                                             return c;
                                         }())};
        QCOMPARE(verdictOf(checks), std::string("good"));
        checks.push_back(levelCheck(std::nullopt));
        QCOMPARE(verdictOf(checks), std::string("unknown"));
        checks.push_back(levelCheck(-9));
        QCOMPARE(verdictOf(checks), std::string("poor"));
        checks.push_back(levelCheck(40));
        QCOMPARE(verdictOf(checks), std::string("unusable"));
        const auto again = checksFrom(toJson(checks));
        QCOMPARE(again.size(), checks.size());
        QCOMPARE(again[3].ask, checks[3].ask);
        NEAR(again[3].value, -9, 1e-9);
    }

    /// View, framing and people come from the found body; a view that the exercise cannot be read from is unusable.
    void whatTheBodySays() {
        const auto plank = shipped().exercise("forearm-plank").value();
        ClipInfo clip;
        clip.width = 1280, clip.height = 720, clip.medianRateHz = 30, clip.duration_s = 20;
        for (int i = 0; i < 600; ++i) clip.time_s.push_back(i / 30.0);
        PictureQuality q;
        q.light = 120, q.noise = 2, q.blur = 0.3, q.worstBlur = 0.32, q.still_s = 3;
        BodyFacts facts;
        facts.view = "side", facts.position = "supine";
        auto verdict = [&](const std::string& id) {
            for (const ClipCheck& c : checkBefore(clip, q, facts, true, &plank, 0.2))
                if (c.id == id) return c.verdict;
            return std::string("none");
        };
        QCOMPARE(verdict("view"), std::string("good"));
        QCOMPARE(verdict("in-frame"), std::string("good"));
        facts.view = "front", facts.cutAt = {"left", "bottom"}, facts.anotherPerson = true;
        QCOMPARE(verdict("view"), std::string("unusable"));
        QCOMPARE(verdict("in-frame"), std::string("poor"));
        QCOMPARE(verdict("one-person"), std::string("poor"));
    }

    /// Known grain is measured as such; the measure of blur rises with the blur.
    void measuresOfThePicture() {
        for (const double sd : {3.0, 8.0, 15.0}) {
            cv::Mat flat(400, 400, CV_8UC1, cv::Scalar(128)), noise(400, 400, CV_16SC1), sum;
            cv::RNG random(7);
            random.fill(noise, cv::RNG::NORMAL, 0, sd);
            flat.convertTo(sum, CV_16SC1);
            cv::Mat(sum + noise).convertTo(flat, CV_8UC1);
            NEAR(grainSd(flat), sd, 0.05 * sd); // Immerkær's estimator is exact for white grain
        }
        cv::Mat grey, blurred;
        cv::cvtColor(scene_, grey, cv::COLOR_BGR2GRAY);
        double last = blurEffect(grey);
        for (const double sigma : {1.0, 2.0, 4.0}) {
            cv::GaussianBlur(grey, blurred, {0, 0}, sigma);
            const double now = blurEffect(blurred);
            QVERIFY2(now > last + 0.02 && now <= 1, qPrintable(QStringLiteral("%1 after %2").arg(now).arg(last)));
            last = now;
        }
    }
};

QTEST_GUILESS_MAIN(ClipCheckTest)
#include "clip_check_test.moc"
