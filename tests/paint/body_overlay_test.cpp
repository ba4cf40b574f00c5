// SPDX-License-Identifier: GPL-3.0-or-later
// What is drawn over a body.
#include "app/paint/body_overlay.h"
#include "support/demo_review.h"
#include "support/other_measurement.h"
#include "support/table.h"

#include <QTest>

using namespace deft;
using namespace deft::ui;
using namespace deft::test;

class BodyOverlayTest : public QObject {
    Q_OBJECT

    /// Middle of what is white between two columns, NaN where nothing is.
    static double whiteAt(const QImage& image, int from, int to) {
        double sum = 0, n = 0;
        for (int y = 0; y < image.height(); ++y)
            for (int x = from; x < to; ++x)
                if (qGray(image.pixel(x, y)) > 130) sum += y, ++n;
        return sum / n;
    }

private slots:
    /// The line that heights are told from stands square to what is up, also for somebody whose trunk points there.
    void level_data() {
        QTest::addColumn<int>("position");
        QTest::addColumn<double>("roll");
        QTest::newRow("who lies") << int(Position::Supine) << -2.0;
        QTest::newRow("who stands") << int(Position::Upright) << 3.0;
        QTest::newRow("who stands before a level camera") << int(Position::Upright) << 0.0;
    }
    void level() {
        QFETCH(int, position);
        QFETCH(double, roll);
        Review r = demoReview();
        MeasureContext& context = otherMeasurement(r).series.context;
        context.position = Position(position);
        BodyAxes& axes = context.axes;
        const double turn = radians(roll), w = r.clip().width;
        axes.matMarked = true, axes.matPoint = Point2(w / 2, 0.95 * r.clip().height); // below the body
        axes.up = {std::sin(turn), -std::cos(turn)};
        if (context.position == Position::Upright) axes.cranial = axes.up;
        QImage image(r.clip().width, r.clip().height, QImage::Format_RGB32);
        image.fill(QColor(100, 100, 100));
        QPainter painter(&image);
        BodyLook look;
        look.measure = "knee_angle", look.everything = true, look.numbers = false;
        drawBody(painter, r, 200, look);
        painter.end();
        const int edge = 80; // no part of the body comes so near to it
        const double left = whiteAt(image, 0, edge), right = whiteAt(image, image.width() - edge, image.width());
        NEAR(degrees(std::atan2(right - left, w - edge)), roll, 0.1);
        NEAR((left + right) / 2, axes.matPoint.y(), 1);
    }
};

QTEST_MAIN(BodyOverlayTest)
#include "body_overlay_test.moc"
