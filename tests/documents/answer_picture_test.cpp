// SPDX-License-Identifier: GPL-3.0-or-later
// What leaves the machine shows no face: whatever was lost, the head is covered or there is no picture.
#include "app/documents/answer_picture.h"
#include "app/documents/reply_clip.h"
#include "app/paint/body_overlay.h"
#include "app/theme/palette.h"
#include "support/demo_review.h"

#include "support/other_measurement.h"
#include "support/table.h"

#include <QTemporaryDir>
#include <QTest>

extern "C" {
#include <libavformat/avformat.h>
}

using namespace deft;
using namespace deft::ui;
using namespace deft::test;

class AnswerPictureTest : public QObject {
    Q_OBJECT
    static constexpr int64_t kFrame = 200;

    /// The client's own frame with fine grain everywhere, so that a part without it has been covered.
    static QImage grainy(const Review& r) {
        auto reader = ClipReader::open(r.inputs.clipPath).value();
        QImage image = toImage(reader.bgra(kFrame).value()).convertToFormat(QImage::Format_RGB32);
        for (int y = 0; y < image.height(); ++y)
            for (int x = 0; x < image.width(); ++x) {
                const QColor c = image.pixelColor(x, y);
                const int grain = (x + y) % 2 ? 12 : -12;
                image.setPixelColor(x, y,
                                    QColor(std::clamp(c.red() + grain, 0, 255), std::clamp(c.green() + grain, 0, 255),
                                           std::clamp(c.blue() + grain, 0, 255)));
            }
        return image;
    }
    static AnswerPicture picture() { return {kFrame, 0, "", "", false}; }

    /// Mean difference between neighbouring pixels around a place, 25 pixels each way.
    static double detail(const QImage& image, const Point2& place) {
        const QRect box(int(place.x()) - 25, int(place.y()) - 25, 50, 50);
        if (!image.rect().adjusted(0, 0, -1, 0).contains(box)) return kGap;
        double sum = 0;
        for (int y = box.top(); y <= box.bottom(); ++y)
            for (int x = box.left(); x <= box.right(); ++x)
                sum += std::abs(qGray(image.pixel(x, y)) - qGray(image.pixel(x + 1, y)));
        return sum / (box.width() * box.height());
    }
    /// Around the true ear nothing of the grain is left; at the knee all of it is.
    static void verifyCovered(const Review& r) {
        const Review whole = demoReview();
        const auto made = withoutFaces(r, grainy(r), kFrame);
        QVERIFY2(made.has_value(), made ? "" : made.error().detail().c_str());
        const double head = detail(*made, whole.tracks().find("ear", kFrame)->at),
                     elsewhere = detail(*made, whole.tracks().find("knee", kFrame)->at + Vector2(0, -40));
        QVERIFY2(head < 0.15 * elsewhere, qPrintable(QStringLiteral("%1 against %2").arg(head).arg(elsewhere)));
    }
    static void lose(Review& r, const char* name, int64_t from, int64_t to) {
        auto& points = otherTracks(r).landmark[name];
        for (int64_t i = from; i < to; ++i) points[size_t(i)].state = PointState::Lost;
    }

private slots:
    void initTestCase() {
        if (!KeypointNetwork::load(KeypointNetwork::usualPlace())) QSKIP("the keypoint network is not there");
    }
    void headIsCovered_data() {
        QTest::addColumn<QStringList>("lost");
        QTest::newRow("all marks seen") << QStringList();
        QTest::newRow("ear lost here") << QStringList{"ear"};
        QTest::newRow("shoulder and hip lost here") << QStringList{"shoulder", "hip"};
        QTest::newRow("all three lost here") << QStringList{"ear", "shoulder", "hip"};
    }
    void headIsCovered() {
        QFETCH(QStringList, lost);
        Review r = demoReview();
        for (const QString& name : lost) lose(r, qPrintable(name), kFrame - 12, kFrame + 12); // 0.4 s
        verifyCovered(r);
    }

    void headNotMarkedAtAll() {
        Review r = demoReview();
        otherTracks(r).landmark.erase("ear");
        verifyCovered(r); // guessed from the trunk
    }

    /// Marks that lie elsewhere, nobody in the picture, or no network: there is no picture, and it is said why.
    void noPictureWhenNobodyCanSay() {
        Review r = demoReview();
        for (const char* name : {"ear", "shoulder", "hip"})
            for (TrackPoint& p : otherTracks(r).landmark[name])
                p.at.x() -= 520; // as after a mark that was set on the wrong end
        r.inputs.clipSha256 = "another";
        QCOMPARE(answerPicture(r, grainy(r), picture(), {640, 340}).error().code, Errc::Conflict);
        QImage empty(r.clip().width, r.clip().height, QImage::Format_RGB32);
        empty.fill(Qt::gray);
        r.inputs.clipSha256 = "empty";
        QCOMPARE(answerPicture(r, empty, picture(), {640, 340}).error().code, Errc::NotFound);
    }

    /// A head is as large as it is, however short the trunk looks in a frame: the longest of the clip counts.
    void sizeOfTheHead() {
        Review r = demoReview();
        const double usual = markedHead(r, kFrame)->radius;
        auto& landmark = otherTracks(r).landmark;
        landmark["hip"][size_t(kFrame)].at = landmark["shoulder"][size_t(kFrame)].at + Vector2(20, 0);
        NEAR(markedHead(r, kFrame)->radius, usual, 0.02 * usual);
        for (const char* name : {"ear", "shoulder", "hip"}) lose(r, name, kFrame - 40, kFrame + 40); // for long
        QVERIFY(!markedHead(r, kFrame) && markedHead(r, kFrame + 60));
    }

    /// Seen from the front left and right are marked; the head is between or above them.
    void fromTheFront() {
        Review r = demoReview();
        for (const char* name : {"shoulder", "hip", "ear", "knee", "ankle"}) {
            auto& landmark = otherTracks(r).landmark;
            const auto points = landmark.extract(name).mapped();
            landmark[std::string(name) + "_l"] = landmark[std::string(name) + "_r"] = points;
        }
        verifyCovered(r);
    }

    /// Slow motion through the moment beside the best frame; every picture of it has the head made unrecognisable.
    void replyClip() {
        QTemporaryDir dir;
        const std::filesystem::path path = dir.filePath(QStringLiteral("moment.mp4")).toStdString();
        const Review r = demoReview();
        const Answer answer = composeAnswer(r);
        auto reader = ClipReader::open(r.inputs.clipPath).value();
        const auto ok = writeReplyClip(r, answer, reader, path);
        QVERIFY2(ok.has_value(), ok ? "" : ok.error().detail().c_str());
        auto clip = ClipReader::open(path.string()).value();
        QCOMPARE(clip.info().width, 1280);
        NEAR(clip.info().medianRateHz, 30, 0.1);
        // Phones play what says its rate and level, and begin before all of it has come.
        const std::string bytes = readFile(path).value();
        QVERIFY(bytes.find("moov") < bytes.find("mdat"));
        const size_t avcC = bytes.find("avcC");
        QVERIFY(avcC != std::string::npos && int(bytes[avcC + 7]) <= 40); // level times ten: ISO/IEC 14496-15, 5.3.3.1
        QVERIFY(bytes.find("covr") != std::string::npos);                 // a poster
        NEAR(clip.info().duration_s, 3 * 2.0 + 1, 0.2); // two seconds, three times slower, then still for one
        // Its captions are what a player reads as such, one sentence after the other, to the end of the clip.
        auto beside = path;
        AVFormatContext* captions = nullptr;
        QCOMPARE(avformat_open_input(&captions, beside.replace_extension(".vtt").c_str(), nullptr, nullptr), 0);
        QCOMPARE(std::string(captions->iformat->name), std::string("webvtt"));
        std::string said;
        double end = 0;
        const double tick = av_q2d(captions->streams[0]->time_base);
        for (AVPacket* packet = av_packet_alloc(); packet; av_packet_unref(packet)) {
            if (av_read_frame(captions, packet) < 0) {
                av_packet_free(&packet);
                break;
            }
            NEAR(double(packet->pts) * tick, end, 0.002);
            end = double(packet->pts + packet->duration) * tick;
            said +=
                (said.empty() ? "" : " ") + std::string(reinterpret_cast<char*>(packet->data), size_t(packet->size));
        }
        avformat_close_input(&captions);
        NEAR(end, clip.info().duration_s, 0.1);
        const auto corrected = std::find_if(answer.parts.begin(), answer.parts.end(), isCorrection);
        QCOMPARE(said, corrected->text);
        // It moves: the right half changes, the best frame on the left does not.
        const cv::Mat first = clip.grey(0)->clone(), later = clip.grey(clip.info().frames() / 2)->clone();
        auto change = [&](const cv::Rect& part) {
            return cv::norm(first(part), later(part), cv::NORM_L1) / part.area();
        };
        QVERIFY(change({640, 0, 640, 620}) > 4 * change({0, 0, 630, 620}));

        Review astray = r;
        for (const char* name : {"ear", "shoulder", "hip"})
            for (TrackPoint& p : otherTracks(astray).landmark[name]) p.at.x() -= 520;
        const auto refused =
            writeReplyClip(astray, answer, reader, dir.filePath(QStringLiteral("no.mp4")).toStdString());
        QCOMPARE(refused.error().code, Errc::Conflict);
        QVERIFY(refused.error().detail().find("face") != std::string::npos);
        QVERIFY(!QFile::exists(dir.filePath(QStringLiteral("no.mp4"))));
        Answer praise = answer;
        for (AnswerPart& p : praise.parts) p.pictures.clear();
        QCOMPARE(writeReplyClip(r, praise, reader, path).error().code, Errc::Unsupported);
    }
};

QTEST_MAIN(AnswerPictureTest)
#include "answer_picture_test.moc"
