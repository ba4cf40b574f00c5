// A position that is only held, as the coach sees it: no way out and back, and the anchor over the time held.
#include "accuracy/made_case.h"
#include "app/paint/give_way.h"
#include "app/sheet/rep_rows.h"
#include "app/theme/palette.h"
#include "support/table.h"

#include <QImage>
#include <QTest>

using namespace deft;
using namespace deft::ui;
using namespace deft::test;

class HeldPositionTest : public QObject {
    Q_OBJECT
    std::optional<Review> review_;

private slots:
    /// The demo's one-leg stand: the first time is clean, the second time the hip drops by 8.5°.
    void initTestCase() {
        const std::filesystem::path clip = DEFT_SOURCE_DIR "/demo/clips/saoirse-stand-may.mp4";
        ReviewInputs in;
        in.exercise = "one-leg-stand", in.side = "both", in.clipPath = clip.string();
        in.marks = readMarks(std::filesystem::path(clip).replace_extension(".marks.json")).value();
        const auto reader = ClipReader::open(clip).value();
        review_ = measureReview(in, reader.info(), truthTracks(clip, in.marks, reader.info())).value();
        QCOMPARE(review_->events.reps.size(), size_t(2));
    }

    void noWayOutAndBack() {
        const auto rows = repRows(*review_);
        for (const RepRow& row : rows)
            for (const Phase phase : {Phase::Out, Phase::Back}) {
                QCOMPARE(row.cells[size_t(phase)].number, QStringLiteral("–"));
                QCOMPARE(row.cells[size_t(phase)].edge, Edge::In);
            }
        QVERIFY(rows[0].wholeClean && !rows[1].wholeClean);
        QCOMPARE(rows[1].cells[size_t(Phase::Hold)].edge, Edge::Out);
        QVERIFY(giveWayWords(review_->exercise).endsWith("over time"));
    }

    /// However wide a band is, it stays inside its plot.
    void bandsStayInside() {
        Review r = *review_;
        const std::string anchor = r.exercise.anchor()->limit.measure;
        for (double& u : r.series.find(anchor)->u95) u = 200;
        const QRectF box(60, 80, 300, 220);
        QImage image(420, 380, QImage::Format_RGB32);
        image.fill(Qt::white);
        {
            QPainter p(&image);
            drawGiveWay(p, box, r, 1);
        }
        int above = 0, inside = 0;
        for (int x = 0; x < image.width(); ++x) {
            for (int y = 0; y < int(box.top()); ++y) above += image.pixel(x, y) != qRgb(255, 255, 255);
            for (int y = int(box.top()); y < int(box.bottom()); ++y) inside += image.pixel(x, y) != qRgb(255, 255, 255);
        }
        QCOMPARE(above, 0);
        QVERIFY(inside > 20000); // the band fills the plot
    }
};

QTEST_MAIN(HeldPositionTest)
#include "held_position_test.moc"
