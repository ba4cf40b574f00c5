// What leaves the machine shows no face: whatever was lost, the head is covered or there is no picture.
#include "app/paint/answer_picture.h"
#include "app/paint/body_overlay.h"
#include "app/theme/palette.h"
#include "support/demo_review.h"

#include <QTest>

using namespace deft;
using namespace deft::ui;
using namespace deft::test;

class AnswerPictureTest : public QObject {
    Q_OBJECT
    static constexpr int64_t kFrame = 200;

    /// A frame of noise: fine detail everywhere, so that a part without it has been covered.
    static QImage noise(const Review& r) {
        QImage image(r.clip.width, r.clip.height, QImage::Format_RGB32);
        for (int y = 0; y < image.height(); ++y)
            for (int x = 0; x < image.width(); ++x)
                image.setPixelColor(x, y, ((x * 7919) ^ (y * 104729)) & 64 ? Qt::white : Qt::black);
        return image;
    }
    static AnswerPicture picture() { return {kFrame, 0, "", "", false}; }

    /// Mean difference between neighbouring pixels of the picture around a place of the clip, 25 clip pixels each way.
    static double detail(const QImage& out, const Review& r, const Point2& clip) {
        const QRectF crop = bodyCrop(r, double(out.width()) / out.height(), true);
        const double scale = out.width() / crop.width();
        const QRect box(int((clip.x() - 25 - crop.x()) * scale), int((clip.y() - 25 - crop.y()) * scale),
                        int(50 * scale), int(50 * scale));
        if (!out.rect().adjusted(0, 0, -1, 0).contains(box)) return kGap;
        double sum = 0;
        for (int y = box.top(); y <= box.bottom(); ++y)
            for (int x = box.left(); x <= box.right(); ++x)
                sum += std::abs(qGray(out.pixel(x, y)) - qGray(out.pixel(x + 1, y)));
        return sum / (box.width() * box.height());
    }
    /// Around the true ear nothing of the noise is left; at the knee all of it is.
    static void verifyCovered(const Review& r, const QImage& out) {
        const Review whole = demoReview();
        QVERIFY(!out.isNull());
        const double head = detail(out, r, whole.tracks.find("ear", kFrame)->at),
                     elsewhere = detail(out, r, whole.tracks.find("knee", kFrame)->at + Vector2(0, -40));
        QVERIFY2(head < 0.15 * elsewhere, qPrintable(QStringLiteral("%1 against %2").arg(head).arg(elsewhere)));
    }
    static void lose(Review& r, const char* name, int64_t from, int64_t to) {
        for (int64_t i = from; i < to; ++i) r.tracks.landmark[name][size_t(i)].state = PointState::Lost;
    }

private slots:
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
        for (const QString& name : lost) lose(r, qPrintable(name), kFrame - 20, kFrame + 20);
        verifyCovered(r, answerPicture(r, noise(r), picture(), {640, 340}));
    }

    void headNotMarkedAtAll() {
        Review r = demoReview();
        r.tracks.landmark.erase("ear");
        verifyCovered(r, answerPicture(r, noise(r), picture(), {640, 340})); // guessed from the trunk
    }

    void noPictureWhenNothingTellsWhereTheHeadIs() {
        Review r = demoReview();
        lose(r, "shoulder", 0, int64_t(r.tracks.frames()));
        QVERIFY(answerPicture(r, noise(r), picture(), {640, 340}).isNull());
        QVERIFY(!canCoverFace(r) && canCoverFace(demoReview()));
    }
};

QTEST_MAIN(AnswerPictureTest)
#include "answer_picture_test.moc"
