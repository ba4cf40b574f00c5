// SPDX-License-Identifier: GPL-3.0-or-later
// Where the rep sheet's cells lie, whatever the window's size: as large as all rows fit, none on another, none cut.
#include "app/paint/rep_sheet.h"

#include <QTest>

using namespace deft::ui;

class RepSheetTest : public QObject {
    Q_OBJECT

private slots:
    void asLargeAsTheyFit() {
        const std::vector<Moment> moments;
        const std::map<int64_t, QImage> pictures;
        int wrapped = 0;
        for (int reps = 1; reps <= 6; ++reps) {
            const std::vector<RepRow> rows(static_cast<size_t>(reps));
            for (double width = 440; width <= 900; width += 23)
                for (double height = 180; height <= 900; height += 31) {
                    RepSheetLook plain{rows, moments, pictures, QRectF()};
                    plain.width = width;
                    RepSheetLook look = plain;
                    look.fitInto(height);
                    wrapped += look.isWrapped();
                    // Two lines only where they bring more and all of it is seen.
                    if (look.isWrapped()) QVERIFY(look.cellWidth() > plain.cellWidth() && look.height() <= height);
                    // Never smaller than its words allow, and smaller only so that all is seen.
                    QVERIFY(look.cellWidth() >= 0.8 * plain.cellWidth());
                    if (look.cellWidth() < plain.cellWidth()) QVERIFY(look.height() <= height);
                    std::vector<QRectF> boxes;
                    for (int rep = 0; rep < reps; ++rep)
                        for (int k = 0; k < kPhases; ++k) {
                            const QRectF box = look.box(rep, Phase(k));
                            QVERIFY(box.left() >= 0 && box.right() <= width && box.bottom() <= look.height());
                            for (const QRectF& other : boxes) QVERIFY(!other.intersects(box));
                            boxes.push_back(box);
                        }
                }
        }
        QVERIFY(wrapped > 0);
    }

    /// One rep on the bench of 1280 × 800: half as large again at least.
    void oneRepGrows() {
        const std::vector<Moment> moments;
        const std::map<int64_t, QImage> pictures;
        const std::vector<RepRow> one(1);
        RepSheetLook look{one, moments, pictures, QRectF()};
        look.width = 560;
        const double before = look.cellWidth();
        look.fitInto(368);
        QVERIFY2(look.cellWidth() >= 1.5 * before, qPrintable(QString::number(look.cellWidth() / before)));
    }
};

QTEST_GUILESS_MAIN(RepSheetTest)
#include "rep_sheet_test.moc"
