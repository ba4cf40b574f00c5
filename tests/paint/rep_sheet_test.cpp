// SPDX-License-Identifier: GPL-3.0-or-later
// Where the rep sheet's cells lie, whatever the window's size: as large as all rows fit, none on another, none cut.
#include "app/paint/rep_sheet.h"

#include <QTest>

using namespace deft::ui;

class RepSheetTest : public QObject {
    Q_OBJECT

private slots:
    void asLargeAsTheyFit() {
        int wrapped = 0, taller = 0;
        for (int reps = 1; reps <= 6; ++reps) {
            const std::vector<RepRow> rows(static_cast<size_t>(reps));
            for (const double body : {RepSheetLook::kShape, 1.1, 0.75})
                for (double width = 440; width <= 900; width += 23)
                    for (double height = 180; height <= 900; height += 31)
                        lies(rows, body, width, height, wrapped, taller);
        }
        QVERIFY(wrapped > 0 && taller > 0);
    }

    /// On the bench of 1280 × 800, a body in the cells: one rep, and two of somebody who stands.
    void fewRepsGrow_data() {
        QTest::addColumn<int>("reps");
        QTest::addColumn<double>("body");
        QTest::addRow("one, lying") << 1 << RepSheetLook::kShape;
        QTest::addRow("one, standing") << 1 << 0.75;
        QTest::addRow("two, standing") << 2 << 0.75;
    }
    void fewRepsGrow() {
        QFETCH(int, reps);
        QFETCH(double, body);
        const std::vector<Moment> moments;
        const std::map<int64_t, QImage> pictures;
        const std::vector<RepRow> rows(static_cast<size_t>(reps));
        RepSheetLook look{rows, moments, pictures, QRectF()};
        look.width = 560, look.narrowest = body;
        const double before = look.cellHeight();
        look.fitInto(368);
        QVERIFY2(look.cellHeight() >= 1.5 * before, qPrintable(QString::number(look.cellHeight() / before)));
    }

private:
    static void lies(const std::vector<RepRow>& rows, double body, double width, double height, int& wrapped, int& taller) {
        const std::vector<Moment> moments;
        const std::map<int64_t, QImage> pictures;
        RepSheetLook plain{rows, moments, pictures, QRectF()};
        plain.width = width, plain.narrowest = body;
        RepSheetLook look = plain;
        look.fitInto(height);
        wrapped += look.isWrapped(), taller += look.shape < RepSheetLook::kShape;
        QVERIFY(look.shape >= body && look.shape <= RepSheetLook::kShape);
        // Two lines, and taller ones, only where they bring more and all of it is seen.
        if (look.isWrapped() || look.shape < RepSheetLook::kShape)
            QVERIFY(look.cellHeight() > plain.cellHeight() && look.height() <= height);
        // Never smaller than its words allow, and smaller only so that all is seen.
        QVERIFY(look.cellWidth() >= 0.8 * plain.cellWidth());
        if (look.cellWidth() < plain.cellWidth()) QVERIFY(look.height() <= height);
        std::vector<QRectF> boxes;
        for (int rep = 0; rep < int(rows.size()); ++rep)
            for (int k = 0; k < kPhases; ++k) {
                const QRectF box = look.box(rep, Phase(k));
                QVERIFY(box.left() >= 0 && box.right() <= width && box.bottom() <= look.height());
                for (const QRectF& other : boxes) QVERIFY(!other.intersects(box));
                boxes.push_back(box);
            }
    }
};

QTEST_GUILESS_MAIN(RepSheetTest)
#include "rep_sheet_test.moc"
