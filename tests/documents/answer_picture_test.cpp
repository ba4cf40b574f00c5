// SPDX-License-Identifier: GPL-3.0-or-later
// What leaves the machine shows no face: whatever was lost, the head is covered or there is no picture.
#include "app/documents/answer_picture.h"
#include "app/documents/reply_clip.h"
#include "app/paint/body_overlay.h"
#include "app/theme/palette.h"
#include "support/demo_review.h"

#include "support/other_measurement.h"
#include "support/table.h"
#include "video/sound.h"

#include <QProcess>
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

    /// What the coach says, draws and writes over it goes into the clip; what is heard in the client's own film does not.
    void spokenOver() {
        QTemporaryDir dir;
        const auto file = [&](const char* name) {
            return std::filesystem::path(dir.filePath(QString::fromLatin1(name)).toStdString());
        };
        Review r = demoReview();
        // The client's film with somebody talking in it.
        QCOMPARE(QProcess::execute(QStringLiteral("ffmpeg"),
                                   {"-v", "error", "-y", "-i", QString::fromStdString(r.inputs.clipPath), "-f", "lavfi", "-i", "sine=300", "-c:v", "copy",
                                    "-c:a", "aac", "-shortest", QString::fromStdString(file("talking.mp4").string())}),
                 0);
        QVERIFY(!readSound(file("talking.mp4")).value().empty());
        auto reader = ClipReader::open(file("talking.mp4").string()).value();
        const Answer answer = composeAnswer(r);
        QVERIFY(hasReplyClip(answer));
        QVERIFY(writeReplyClip(r, answer, reader, file("plain.mp4")).has_value());
        QVERIFY(readSound(file("plain.mp4")).value().empty());

        // Eight seconds: silence, a tone from 5 to 6 s.
        Sound voice(8 * kSoundRate_Hz);
        for (size_t i = 5 * kSoundRate_Hz; i < 6 * kSoundRate_Hz; ++i) voice[i] = float(0.4 * std::sin(double(i) * 0.3));
        QVERIFY(writeSound(file("voice.wav"), voice).has_value());
        auto moment = ReplyMoment::of(r, answer, reader).value();
        Spoken said{file("voice.wav").string(), 0.5, moment.best_s(), moment.worst_s(), "Look here. Then there.", {}};
        said.lines.push_back({{{1, 0.6, 0.2}, {1.25, 0.7, 0.2}, {1.5, 0.8, 0.2}}});
        r.inputs.spoken = said;
        QVERIFY(isSpokenOver(r, answer, r.inputs.spoken));
        const auto ok = writeReplyClip(r, answer, reader, file("spoken.mp4"));
        QVERIFY2(ok.has_value(), ok ? "" : ok.error().detail().c_str());
        // As long as the run takes that is under way when all has been said.
        auto clip = ClipReader::open(file("spoken.mp4").string()).value();
        NEAR(clip.info().duration_s, 2 * moment.run_s() - 0.5, 0.1);
        const Sound heard = readSound(file("spoken.mp4")).value();
        const auto onset = std::find_if(heard.begin(), heard.end(), [](float v) { return std::abs(v) > 0.15; });
        NEAR(double(onset - heard.begin()) / kSoundRate_Hz, 5, 0.05);
        // The line: not before it is drawn, half of it, all of it, and gone when the moment is shown anew.
        const auto white = [&](double at_s, double x) {
            const cv::Mat grey = clip.grey(clip.info().frameAt(at_s)).value();
            return grey.at<uchar>(int(0.2 * 720), int(x * 1280)) > 225;
        };
        QVERIFY(!white(0.8, 0.7));
        QVERIFY(white(1.3, 0.62) && !white(1.3, 0.78));
        QVERIFY(white(3, 0.62) && white(3, 0.7) && white(3, 0.78));
        QVERIFY(!white(moment.run_s(), 0.7));
        // Captions: in the clip, for as long as is spoken, and beside it.
        AVFormatContext* raw = nullptr;
        QCOMPARE(avformat_open_input(&raw, file("spoken.mp4").c_str(), nullptr, nullptr), 0);
        QVERIFY(avformat_find_stream_info(raw, nullptr) >= 0);
        const int text = av_find_best_stream(raw, AVMEDIA_TYPE_SUBTITLE, -1, -1, nullptr, 0);
        QVERIFY(text >= 0 && raw->streams[text]->codecpar->codec_id == AV_CODEC_ID_MOV_TEXT);
        QStringList words;
        double end = 0;
        AVPacket* packet = av_packet_alloc();
        while (av_read_frame(raw, packet) >= 0) {
            if (packet->stream_index == text && packet->size > 2) {
                words << QString::fromUtf8(reinterpret_cast<const char*>(packet->data) + 2, packet->size - 2);
                end = double(packet->pts + packet->duration) * av_q2d(raw->streams[text]->time_base);
            }
            av_packet_unref(packet);
        }
        av_packet_free(&packet);
        avformat_close_input(&raw);
        QCOMPARE(words, QStringList({"Look here.", "Then there."}));
        NEAR(end, 8, 0.05);
        QVERIFY(readFile(file("spoken.vtt")).value().find("Then there.") != std::string::npos);
        // Captions left out: none, and none of before beside it.
        r.inputs.spoken->captions.clear();
        QVERIFY(writeReplyClip(r, answer, reader, file("spoken.mp4")).has_value());
        QVERIFY(!std::filesystem::exists(file("spoken.vtt")));
        // Over another moment it would say what is not seen.
        r.inputs.spoken->worst_s += 1;
        QVERIFY(!isSpokenOver(r, answer, r.inputs.spoken));
        QCOMPARE(writeReplyClip(r, answer, reader, file("other.mp4")).error().code, Errc::Conflict);
        r.inputs.spoken = said;
        std::filesystem::remove(said.voice);
        QCOMPARE(writeReplyClip(r, answer, reader, file("other.mp4")).error().code, Errc::NotFound);
        QVERIFY(!std::filesystem::exists(file("other.mp4")));
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
