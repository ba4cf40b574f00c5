// SPDX-License-Identifier: GPL-3.0-or-later
// A round of practice: marks set by mouse and keys with a known scatter, what is found, and that it goes into the marks
// of clips.
#include "app/bench/bench_page.h"
#include "app/bench/readings_panel.h"
#include "app/practice/noise_panel.h"
#include "app/practice/practice_page.h"
#include "app/session/own_marking.h"
#include "support/driven_window.h"
#include "support/table.h"

#include <QTableView>
#include <random>

using namespace deft;
using namespace deft::test;

class PractisingTest : public DrivenWindow {
    Q_OBJECT

    PracticePage& practice() { return window_->practicePage(); }
    void press(Qt::Key k, Qt::KeyboardModifiers m = {}) { QTest::keyClick(&practice().picture(), k, m); }
    bool pictureIsMade() {
        return QTest::qWaitFor([&] { return practice().round().picture() != nullptr; }, kPatience_ms);
    }
    QPoint inWidget(const Point2& px) { return practice().picture().toWidget({px.x(), px.y()}).toPoint(); }

private slots:
    void initTestCase() {
        qputenv("DEFT_MIRROR_KEYPOINTS", "/nowhere");
        prepare();
        setOwnMarking(std::nullopt);
        openWindow(QStringLiteral("demo"));
    }
    void cleanupTestCase() {
        setOwnMarking(std::nullopt);
        window_.reset();
    }

    void round() {
        constexpr double scatterPx = 4;
        QTest::keyClick(window_.get(), Qt::Key_8, Qt::AltModifier);
        QCOMPARE(window_->room(), MainWindow::Practice);
        press(Qt::Key_Return);
        std::mt19937 random(5);
        std::normal_distribution<double> scatter(0, scatterPx);
        const PracticeRound& round = practice().round();
        double trunks = 0, pictures = 0;
        for (int set = 0; !round.isOver() && set < 100; ++set) {
            QVERIFY(pictureIsMade());
            const auto& truth = round.picture()->truth;
            if (round.placedHere().empty()) {
                MarkedFrame all{0, {}};
                for (const auto& [name, at] : truth) all.points[name] = at;
                trunks += trunkPx(all), ++pictures;
            }
            const Point2 at = truth.at(round.asked()) + Vector2(scatter(random) + 6, scatter(random));
            QTest::mouseClick(&practice().picture(), Qt::LeftButton, {}, inWidget(at));
            if (set == 0) { // beside the picture nothing is marked
                QTest::mouseClick(&practice().picture(), Qt::LeftButton, {}, {4, 4});
                QCOMPARE(round.placedHere().size(), size_t(1));
            }
            if (set != 3) continue;
            // Taken back, and set again with the keys: the cursor is where the mouse was.
            press(Qt::Key_Backspace);
            QCOMPARE(round.placedHere().size(), size_t(3));
            press(Qt::Key_Right, Qt::ControlModifier);
            press(Qt::Key_P);
            QCOMPARE(round.placedHere().size(), size_t(4));
        }
        QVERIFY(round.isOver() && round.noise());
        // What was marked can be looked at, and is not marked any more.
        QCOMPARE(round.pictureNumber(), size_t(0));
        press(Qt::Key_Right);
        QCOMPARE(round.pictureNumber(), size_t(1));
        const auto placed = round.placedHere();
        QTest::mouseClick(&practice().picture(), Qt::LeftButton, {}, {200, 200});
        QCOMPARE(round.placedHere(), placed);
        QCOMPARE(pictures, double(round.pictures()));
        // All ways in which a body is marked: lying, on hands and knees, seen from the front.
        QVERIFY(round.noise()->landmarks.count("crest") && round.noise()->landmarks.count("asis_l"));
        QVERIFY(NoisePanel::habitWords("knee_l", {0.001, 0.03}, 0.005, 4).endsWith(QStringLiteral("outward")));
        QVERIFY(NoisePanel::habitWords("knee", {0.001, 0.03}, 0.005, 4).endsWith(QStringLiteral("to the front")));
        QCOMPARE(NoisePanel::habitWords("knee", {0.001, 0.03}, 0.005, 2), QStringLiteral("none to speak of"));
        QVERIFY2(round.noise()->marks >= 24, qPrintable(QString::number(round.noise()->marks)));
        // Six pixels to one side are a habit where the body lies one way, and no scatter there.
        const double sd = scatterPx / (trunks / pictures);
        QVERIFY2(round.noise()->sdLow95 < 1.4 * sd && round.noise()->sdHigh95 > 0.9 * sd,
                 qPrintable(QStringLiteral("%1 for %2").arg(round.noise()->sd).arg(sd)));
        QVERIFY(!ownMarking());
        press(Qt::Key_Return);
        QCOMPARE(ownMarking()->marks, round.noise()->marks);
        NEAR(ownMarking()->sd, round.noise()->sd, 1e-12);
    }

    /// From then on marks carry it, in pixels of their own picture; earlier ones do not.
    void goesIntoMarks() {
        openRuta();
        QVERIFY(!session().inputs().marks.markingSd_px);
        const Point2 hip = *session().inputs().marks.frames.front().points.at("hip");
        const double before = session().review()->series().find("knee_angle")->u95[300];
        session().deciding().setMark(0, "hip", hip);
        QVERIFY(measured());
        const double trunk = (*session().inputs().marks.frames.front().points.at("shoulder") - hip).norm();
        NEAR(*session().inputs().marks.markingSd_px, ownMarking()->sd * trunk, 0.01);
        QVERIFY(*session().inputs().marks.markingSd_px > 1.5);
        QVERIFY(window_->benchPage().readings().findChild<QTableView*>()->accessibleDescription().startsWith(
            QStringLiteral("marking SD %1 px (yours)").arg(*session().inputs().marks.markingSd_px, 0, 'f', 1)));
        QVERIFY(session().review()->series().find("knee_angle")->u95[300] > before);
        session().undoStack().undo();
        QVERIFY(measured());
        QVERIFY(!session().inputs().marks.markingSd_px);
        window_->go(MainWindow::Practice);
        press(Qt::Key_U);
        QVERIFY(!ownMarking());
        press(Qt::Key_Escape);
        QCOMPARE(window_->room(), MainWindow::Bench);
    }
};

QTEST_MAIN(PractisingTest)
#include "practising_test.moc"
