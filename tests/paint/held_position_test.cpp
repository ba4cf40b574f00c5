// SPDX-License-Identifier: GPL-3.0-or-later
// A position that is only held, as the coach sees it: early and late instead of a way out and back, and the anchor over
// the time held.
#include "accuracy/made_case.h"
#include "app/paint/give_way.h"
#include "app/sheet/rep_rows.h"
#include "app/theme/palette.h"
#include "support/catalogue.h"
#include "support/other_measurement.h"
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
        review_ =
            measureReview(shippedCatalogue(), in, reader.info(), truthTracks(clip, in.marks, reader.info())).value();
        QCOMPARE(review_->events.reps.size(), size_t(2));
    }

    void earlyAndLate() {
        const auto rows = repRows(*review_);
        const std::string anchor = review_->exercise.anchor()->limit.measure;
        for (size_t k = 0; k < rows.size(); ++k) {
            const Hold& hold = review_->events.reps[k].hold;
            for (const auto& [phase, share] : {std::pair(Phase::Out, 1 / 6.0), std::pair(Phase::Back, 5 / 6.0)}) {
                const RepCell& cell = rows[k].cells[size_t(phase)];
                NEAR(review_->clip().time_s[size_t(cell.frame)], hold.start_s + share * hold.duration_s(), 0.05);
                QCOMPARE(cell.measure, anchor);
            }
        }
        QCOMPARE(repColumns(review_->exercise)[size_t(Phase::Back)].first, QStringLiteral("Late"));
        QVERIFY(rows[0].wholeClean && !rows[1].wholeClean);
        QCOMPARE(rows[1].cells[size_t(Phase::Hold)].edge, Verdict::Out);
        QCOMPARE(rows[1].cells[size_t(Phase::Back)].edge, Verdict::Out); // it stays out
        QVERIFY(giveWayWords(review_->exercise).endsWith("over time"));
    }

    /// However wide a band is, it stays inside its plot.
    void bandsStayInside() {
        Review r = *review_;
        const std::string anchor = r.exercise.anchor()->limit.measure;
        for (double& u : otherMeasurement(r).series.find(anchor)->u95) u = 200;
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
