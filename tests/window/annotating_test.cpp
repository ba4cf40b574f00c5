// SPDX-License-Identifier: GPL-3.0-or-later
// What the coach draws and says on the bench, by mouse and keys: it counts at once, goes into the answer, and is
// undone.
#include "app/bench/drawing_tool.h"
#include "app/bench/mat_tool.h"
#include "app/bench/readings_panel.h"
#include "app/exercises/exercises_page.h"
#include "app/widgets/plain_table.h"
#include "marks/names.h"
#include "review/neutral.h"
#include "support/driven_window.h"
#include "support/numbered_clip.h"
#include "support/table.h"

#include <QClipboard>
#include <QMenu>
#include <QPrintDialog>
#include <QPrinter>
#include <QProcess>
#include <poppler-qt6.h>

using namespace deft;
using namespace deft::test;

class AnnotatingTest : public DrivenWindow {
    Q_OBJECT

    /// Corners of the mat in Ruta's clip of May, as its scene projects them; not in the order in which they go round.
    const std::array<Point2, 4> kMat = {Point2(12, 587), Point2(1151, 503), Point2(1271, 574), Point2(131, 513)};

    DrawingTool& tool() { return stage().drawing(); }
    QPoint at(double x, double y) { return stage().toWidget({x, y}).toPoint(); }
    void drag(const QPoint& from, const QPoint& to) {
        QTest::mousePress(&stage(), Qt::LeftButton, {}, from);
        QTest::mouseMove(&stage(), (from + to) / 2);
        QTest::mouseMove(&stage(), to);
        QTest::mouseRelease(&stage(), Qt::LeftButton, {}, to);
    }
    const std::vector<Drawing>& drawings() { return session().inputs().drawings; }
    /// Chooses an entry of the menu of faults.
    void pick(const std::string& name) {
        QMenu* menu = nullptr;
        for (QMenu* m : window_->findChildren<QMenu*>(QStringLiteral("faults")))
            if (m->isVisible()) menu = m;
        QVERIFY(menu && menu->isVisible());
        for (QAction* a : menu->actions())
            if (a->text() == QString::fromStdString(name)) menu->setActiveAction(a);
        QTest::keyClick(menu, Qt::Key_Return);
        window_->activateWindow(); // the offscreen platform does not give the focus back by itself
        QVERIFY(QTest::qWaitForWindowActive(window_.get()));
    }
    static cv::Mat greyOf(const QImage& image) {
        const QImage grey = image.convertToFormat(QImage::Format_Grayscale8);
        return cv::Mat(grey.height(), grey.width(), CV_8UC1, const_cast<uchar*>(grey.constBits()),
                       size_t(grey.bytesPerLine()))
            .clone();
    }
    /// Takes a film in as Ruta's and opens it; no marks are set.
    void queueIn(const QString& film) {
        ReviewInputs draft = session().inputs();
        draft.clipPath = film.toStdString();
        draft.clipSha256 = sha256OfFile(film.toStdString()).value();
        draft.marks = {}, draft.breaths.clear();
        window_->openClip(window_->library().addClip(session().client().id, "2026-05-20", draft).value());
    }
    void undo() { QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier); }

private slots:
    void initTestCase() {
        qputenv("DEFT_MIRROR_KEYPOINTS", "/nowhere");
        prepare();
        openWindow(QStringLiteral("demo"));
        openRuta();
    }
    void cleanup() {
        while (session().undoStack().canUndo()) session().undoStack().undo();
    }
    void cleanupTestCase() { window_.reset(); }

    /// Four presses on the mat's corners are one step; they are followed with the marks and tell of the camera.
    void cornersOfTheMat() {
        QVERIFY(!session().review()->series().context.mat);
        session().place().setFrame(0);
        QVERIFY(QTest::qWaitFor([&] { return !stage().isPreview() && stage().shownFrame() == 0; }, kPatience_ms));
        key(Qt::Key_M, Qt::ControlModifier);
        QVERIFY(stage().mat().isActive() && stage().mat().hint().contains(QStringLiteral("1 of 4")));
        key(Qt::Key_Escape); // thought better of it
        QVERIFY(!stage().mat().isActive() && window_->room() == MainWindow::Bench);
        stage().resetZoom();
        key(Qt::Key_M, Qt::ControlModifier);
        for (const Point2& corner : kMat) {
            QVERIFY(!session().inputs().marks.mat);
            QTest::mouseClick(&stage(), Qt::LeftButton, {}, at(corner.x(), corner.y()));
        }
        QVERIFY(!stage().mat().isActive());
        QCOMPARE(session().inputs().marks.mat, std::optional(MatSize{}));
        QVERIFY(QTest::qWaitFor([&] { return session().review()->series().context.mat.has_value(); }, kPatience_ms));
        const MatView& mat = *session().review()->series().context.mat;
        QVERIFY2(std::abs(mat.turnDeg) < mat.turnU95 + 0.5,
                 qPrintable(QString::number(mat.turnDeg))); // it stood square
        QVERIFY(mat.turnU95 < 1);
        const auto& check = session().review()->check; // the mat need not be in the picture as the body must
        QVERIFY(std::all_of(check.begin(), check.end(), [](const ClipCheck& c) { return c.verdict == "good"; }));
        NEAR(session().review()->series().context.pxPerCm, 1900.0 / 302.5,
             0.2); // focal length over the way, as in the scene
        NEAR(session().review()->series().context.markingSd_px, 0.8 * 1900.0 / 302.5, 0.2); // 8 mm of it
        stage().mat().setSize({200, 80});
        QCOMPARE(session().inputs().marks.mat, std::optional(MatSize{200, 80}));
        undo();
        QCOMPARE(session().inputs().marks.mat, std::optional(MatSize{}));
        stage().mat().setSize({}); // the usual one again, for the tests after this
        undo();
        undo();
        QVERIFY(!session().inputs().marks.mat && !session().review()->series().context.mat);
    }

    void arrowWithWords() {
        session().place().setFrame(300);
        key(Qt::Key_A, Qt::ShiftModifier);
        QVERIFY(tool().isActive() && tool().hint().contains(QStringLiteral("Arrow")));
        drag(at(500, 200), at(640, 330));
        QVERIFY(tool().words() && tool().words()->hasFocus());
        QTest::keyClicks(tool().words(), QStringLiteral("ribs stay down"));
        QTest::keyClick(tool().words(), Qt::Key_Return);
        QCOMPARE(window_->room(), MainWindow::Bench); // Enter was for the words
        QCOMPARE(drawings().size(), size_t(1));
        const Drawing& d = drawings()[0];
        NEAR(d.points[1].x(), 640, 1.5);
        NEAR(d.points[1].y(), 330, 1.5);
        QCOMPARE(d.words, std::string("ribs stay down"));
        QCOMPARE(session().answer().find("drawings")->pictures.at(0).caption, d.words);
        // It belongs to its frame alone.
        const QImage with = stage().grab().toImage();
        session().place().setFrame(301);
        QVERIFY(QTest::qWaitFor([&] { return !session().frames()->frame(301).isNull(); }, kPatience_ms));
        const QPoint tail = at(520, 218);
        const QImage without = stage().grab().toImage();
        auto bright = [&](const QImage& image) {
            int n = 0;
            for (int x = -6; x <= 6; ++x)
                for (int y = -6; y <= 6; ++y) n += qGray(image.pixel(tail.x() + x, tail.y() + y)) > 245;
            return n;
        };
        QVERIFY2(bright(with) > bright(without) + 10,
                 qPrintable(QStringLiteral("%1, %2").arg(bright(with)).arg(bright(without))));
        QVERIFY(session().undoStack().undoText().contains(QStringLiteral("arrow")));
        undo();
        QVERIFY(drawings().empty() && !session().answer().find("drawings"));
    }

    void lineAngleAndTakingOut() {
        session().place().setFrame(310);
        key(Qt::Key_L, Qt::ShiftModifier);
        drag(at(400, 300), at(403, 301)); // a slip of the hand
        QVERIFY(drawings().empty());
        drag(at(400, 300), at(700, 300));
        QCOMPARE(drawings().size(), size_t(1));
        key(Qt::Key_G, Qt::ShiftModifier);
        for (const QPoint& p : {at(400, 300), at(500, 300), at(500, 200)})
            QTest::mouseClick(&stage(), Qt::LeftButton, {}, p);
        QCOMPARE(drawings().size(), size_t(2));
        QCOMPARE(drawings()[1].points.size(), size_t(3));
        key(Qt::Key_Delete, Qt::ShiftModifier);
        QCOMPARE(drawings().size(), size_t(1));
        QCOMPARE(drawings()[0].kind, Drawing::Kind::Line);
        // Words that are not typed leave nothing; Escape puts the pencil down without leaving the bench.
        key(Qt::Key_W, Qt::ShiftModifier);
        QTest::mouseClick(&stage(), Qt::LeftButton, {}, at(300, 200));
        QTest::keyClick(tool().words(), Qt::Key_Return);
        QCOMPARE(drawings().size(), size_t(1));
        key(Qt::Key_A, Qt::ShiftModifier);
        key(Qt::Key_Escape);
        QVERIFY(!tool().isActive());
        QCOMPARE(window_->room(), MainWindow::Bench);
    }

    /// Without a mouse: the cursor begins in the middle.
    void drawnByKeys() {
        session().place().setFrame(305);
        key(Qt::Key_L, Qt::ShiftModifier);
        key(Qt::Key_Right, Qt::ControlModifier);
        key(Qt::Key_P);
        for (int k = 0; k < 4; ++k) key(Qt::Key_Down, Qt::ControlModifier);
        key(Qt::Key_P);
        QCOMPARE(drawings().size(), size_t(1));
        NEAR(drawings()[0].points[0].x(), session().clip().width / 2.0 + 10, 1e-9);
        NEAR(drawings()[0].points[1].y() - drawings()[0].points[0].y(), 40, 1e-9);
    }

    /// A fault is added, its span moved by the playhead, and called something else; the decision follows.
    void faultSpans() {
        const size_t before = session().moments().size();
        const std::vector<FaultPlan> faults = session().exercise().faults;
        const auto fresh = std::find_if(faults.begin(), faults.end(), [&](const FaultPlan& f) {
            return std::none_of(session().moments().begin(), session().moments().end(),
                                [&](const Moment& m) { return m.id == f.id; });
        });
        QVERIFY(fresh != faults.end());
        const double hold = session().review()->events.reps[0].hold.start_s;
        session().place().setFrame(session().clip().frameAt(hold + 1));
        key(Qt::Key_F);
        pick(fresh->name);
        QCOMPARE(session().moments().size(), before + 1);
        int mine = -1;
        for (size_t i = 0; i < session().moments().size(); ++i)
            if (session().moments()[i].id == fresh->id) mine = int(i);
        QVERIFY(mine >= 0);
        QCOMPARE(session().moments()[size_t(mine)].agreed, std::optional(true));
        QCOMPARE(session().place().moment(), mine); // the next key is about it

        const int64_t to = session().clip().frameAt(hold + 2);
        session().place().setFrame(to);
        key(Qt::Key_Period);
        NEAR(session().moments()[size_t(mine)].end_s, session().clip().time_s[size_t(to)], 1e-9);
        QVERIFY(session().undoStack().undoText().contains(QStringLiteral("span")));

        session().place().chooseMoment(mine);
        const auto other =
            std::find_if(faults.begin(), faults.end(), [&](const FaultPlan& f) { return f.id == "back-bend"; });
        key(Qt::Key_F, Qt::ShiftModifier);
        pick(other->name);
        for (const Moment& m : session().moments())
            if (m.id == fresh->id) QVERIFY(m.agreed && !*m.agreed);
        const Fault* own = nullptr;
        for (const Fault* f : session().review()->standing())
            if (f->byCoach) own = f;
        QVERIFY(own && own->id == "back-bend" && own->rep == 0);
        // Saved as it was made, and read again.
        QCOMPARE(window_->library().clip(session().clipId())->draft.seen.size(), session().inputs().seen.size());
        for (int k = 0; k < 3; ++k) undo();
        QCOMPARE(session().moments().size(), before);
    }

    /// Another frame for a picture of the answer: picked, stepped, from another rep, from the bench, and as computed.
    void picturesOfTheAnswer() {
        openRuta();
        session().place().setFrame(60);
        window_->go(MainWindow::Letter);
        auto pictures = [&] {
            const auto& parts = session().answer().parts;
            return std::find_if(parts.begin(), parts.end(), isCorrection)->pictures;
        };
        const auto computed = pictures();
        QCOMPARE(computed.size(), size_t(2));
        key(Qt::Key_Right); // nothing is picked
        QVERIFY(session().inputs().pictures.empty());
        key(Qt::Key_P);
        key(Qt::Key_P); // the second: “too far”
        key(Qt::Key_Right);
        key(Qt::Key_Right);
        QCOMPARE(pictures()[1].frame, computed[1].frame + 2);
        QCOMPARE(pictures()[0].frame, computed[0].frame);
        key(Qt::Key_Right, Qt::ShiftModifier);
        QVERIFY(pictures()[1].rep != computed[1].rep);
        key(Qt::Key_F);
        QCOMPARE(pictures()[1].frame, 60);
        undo(); // frames that were chosen one after the other are one step
        QCOMPARE(pictures()[1].frame, computed[1].frame);
        QTest::keyClick(window_.get(), Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
        QCOMPARE(pictures()[1].frame, 60);
        key(Qt::Key_R, Qt::ControlModifier);
        QCOMPARE(pictures()[1].frame, computed[1].frame);
        key(Qt::Key_Escape); // first leaves the picture, then the room
        QCOMPARE(window_->room(), MainWindow::Letter);
        key(Qt::Key_Escape);
        QCOMPARE(window_->room(), MainWindow::Bench);
    }

    /// Somebody who drags through a clip sees something near at once, gets the frame that was wished last, and waits
    /// for none that was wished before it.
    void draggingThroughAClip() {
        const std::string path = dir_.filePath(QStringLiteral("long.mp4")).toStdString();
        WriterOptions options;
        options.keyEvery = 40;
        QVERIFY(writeNumbered(path, evenTimes(400), options));
        std::vector<qint64> came;
        FrameSource source(path);
        QObject here; // what has been posted to it goes with it
        connect(&source, &FrameSource::arrived, &here, [&](qint64 frame) { came.push_back(frame); });
        QVERIFY(QTest::qWaitFor([&] { return std::abs(source.nearest(215).first - 215) <= 20; }, kPatience_ms));
        const auto [near, small] = source.nearest(215);
        const cv::Mat seen = greyOf(small);
        QCOMPARE(numberOf(seen), int(near));
        came.clear();
        for (const qint64 frame : {39, 119, 199, 279, 359}) (void)source.frame(frame);
        QVERIFY(QTest::qWaitFor([&] { return !source.frame(359).isNull(); }, kPatience_ms));
        QCOMPARE(numberOf(greyOf(source.frame(359))), 359);
        QVERIFY(std::count(came.begin(), came.end(), 199) == 0);
    }

    /// The stage shows the body as large as it fits through the whole clip, in a window of any shape, until somebody
    /// has zoomed: then it stays as it was left.
    void stageFitsTheBody() {
        const auto scale = [&] { return QLineF(stage().toWidget({0, 0}), stage().toWidget({100, 0})).length() / 100; };
        const auto whole = [&] {
            return std::min(double(stage().width()) / session().clip().width,
                            double(stage().height()) / session().clip().height);
        };
        const auto bodyIsInside = [&] {
            for (const auto& [name, points] : session().review()->tracks().landmark)
                for (const TrackPoint& p : points)
                    if (!isSceneLandmark(name) && p.usable() && !stage().rect().contains(at(p.at.x(), p.at.y())))
                        return false;
            return true;
        };
        const QSize usual = window_->size();
        stage().fitBody();
        for (const QSize& size : {QSize(1280, 800), QSize(1700, 800), QSize(1280, 1000)}) {
            window_->resize(size);
            QTest::qWait(50);
            QVERIFY2(bodyIsInside(), qPrintable(QStringLiteral("%1 × %2").arg(size.width()).arg(size.height())));
            const double shown = scale();
            QVERIFY(shown > 1.03 * whole());
            stage().fitBody();
            NEAR(scale(), shown, 1e-9); // it was fitted anew by itself
        }
        stage().resetZoom();
        NEAR(scale(), whole(), 1e-9);
        window_->resize(usual);
        QTest::qWait(50);
        NEAR(scale(), whole(), 1e-9);
        stage().fitBody();
    }

    void neutralFrame() {
        const double was = session().review()->series().find("tilt")->value[200];
        session().place().setFrame(200);
        key(Qt::Key_N);
        QCOMPARE(session().review()->series().neutral.source, std::string("coach"));
        NEAR(session().review()->series().find("tilt")->value[200], 0, 0.5);
        key(Qt::Key_N, Qt::ControlModifier); // she does not arch and flatten first
        QVERIFY(window_->message().contains(QStringLiteral("no full arch")));
        key(Qt::Key_N, Qt::ShiftModifier);
        NEAR(session().review()->series().find("tilt")->value[200], was, 1e-9);
    }

    /// Of a clip of the same client that has a neutral of its own.
    void neutralOfAnotherClip() {
        const auto ask = [&] {
            key(Qt::Key_N, Qt::AltModifier);
            for (QMenu* m : window_->findChildren<QMenu*>(QStringLiteral("neutrals")))
                if (m->isVisible()) return m;
            return static_cast<QMenu*>(nullptr);
        };
        QVERIFY(!ask() && window_->message().contains(QStringLiteral("No other clip")));
        Library& library = window_->library();
        auto clips = library.clipsOf(session().client().id);
        std::erase_if(clips, [&](const Clip& c) { return c.id == session().clipId(); });
        QVERIFY(!clips.empty());
        ReviewInputs draft = clips.back().draft;
        const Neutral now = session().review()->series().neutral;
        draft.neutral = Neutral{now.tilt_raw + 5, 0, 1, "clip", 33, 2};
        QVERIFY(library.saveDraft(clips.back().id, draft));
        const double was = session().review()->series().find("tilt")->value[200];
        QMenu* menu = ask();
        QVERIFY(menu);
        menu->setActiveAction(menu->actions().back());
        QTest::keyClick(menu, Qt::Key_Return);
        window_->activateWindow();
        QVERIFY(QTest::qWaitForWindowActive(window_.get()));
        NEAR(session().review()->series().find("tilt")->value[200], was - 5, 1e-9);
        QVERIFY(session().review()->series().neutral.u95 > 1.5); // marked twice
        undo();
        NEAR(session().review()->series().find("tilt")->value[200], was, 1e-9);
    }

    /// What needs no new tracking is on the screen within a tenth of a second (interface budget), here measured over
    /// every kind of change; a benchmark tells the time, the test only that nothing is tracked again.
    void nothingIsTrackedAgain() {
        const auto change = [&](const QString& what, const std::function<void(ReviewInputs&)>& how) {
            QElapsedTimer clock;
            clock.start();
            session().edit(what, how);
            QVERIFY(!session().job().isRunning());
            qInfo("%s: %lld ms", qPrintable(what), static_cast<long long>(clock.elapsed()));
        };
        change(QStringLiteral("school"), [](ReviewInputs& in) { in.schools["bridge"] = "flat-first"; });
        change(QStringLiteral("agreed"), [&](ReviewInputs& in) { in.agreed[session().moments()[0].key()] = false; });
        change(QStringLiteral("neutral"), [&](ReviewInputs& in) { in.neutral = neutralAt(*session().review(), 200); });
        change(QStringLiteral("drawing"), [](ReviewInputs& in) {
            in.drawings.push_back({Drawing::Kind::Line, 1, {{1, 2}, {30, 40}}, ""});
        });
        change(QStringLiteral("words"), [](ReviewInputs& in) { in.words["greeting"] = "Dear Ruta,"; });
    }

    /// A mark beside a sticker goes onto its middle with one key; on a corner of the pattern where there is none.
    void snapping() {
        session().place().setFrame(0);
        QVERIFY(QTest::qWaitFor([&] { return !session().frames()->frame(0).isNull(); }, kPatience_ms));
        key(Qt::Key_M);
        const Point2 truth = *session().inputs().marks.frames[0].points.at("asis");
        session().deciding().setMark(0, "asis", Point2(truth.x() + 4, truth.y() - 3));
        stage().select(QStringLiteral("asis"));
        key(Qt::Key_X);
        const Point2 now = *session().inputs().marks.frames[0].points.at("asis");
        QVERIFY2((now - truth).norm() < 0.5, qPrintable(QStringLiteral("%1 %2").arg(now.x()).arg(now.y())));
        key(Qt::Key_M);
    }

    void pictureAsFile() {
        if (!hasNetwork()) QSKIP("the keypoint network is not there");
        session().place().chooseMoment(0);
        QVERIFY(QTest::qWaitFor([&] { return !session().frames()->frame(session().place().frame()).isNull(); },
                                kPatience_ms));
        for (const auto& [name, begins] :
             {std::pair{"picture.png", "\x89PNG"}, {"picture.svg", "<?xml"}, {"picture.pdf", "%PDF-"}}) {
            const QString path = dir_.filePath(QString::fromLatin1(name));
            window_->writePicture(path);
            QVERIFY(isSaid(QStringLiteral("Exported to")));
            QFile file(path);
            QVERIFY(file.open(QIODevice::ReadOnly));
            const QByteArray bytes = file.readAll();
            QVERIFY2(bytes.startsWith(begins) && bytes.size() > 20000, name);
            if (bytes.startsWith("<?xml"))
                QVERIFY(bytes.count("<path") + bytes.count("<polyline") > 10); // lines stay lines
        }
        window_->writePicture(dir_.filePath(QStringLiteral("picture.bmp")));
        QVERIFY(isSaid(QStringLiteral("Not exported")));
        // The same onto the clipboard; in the table of readings it is the chosen row.
        QApplication::clipboard()->clear();
        QTest::keyClick(&stage(), Qt::Key_C, Qt::ControlModifier);
        QVERIFY(isSaid(QStringLiteral("is copied")));
        QCOMPARE(QApplication::clipboard()->image().size(), QSize(1280, 720));
    }

    /// As a table that a spreadsheet takes, and one row alone.
    void readingsAsText() {
        QTest::keyClick(&stage(), Qt::Key_C, Qt::ControlModifier | Qt::ShiftModifier);
        const QStringList lines = QApplication::clipboard()->text().split(QLatin1Char('\n'));
        auto* table = window_->benchPage().readings().findChild<PlainTable*>();
        QCOMPARE(int(lines.size()), table->model()->rowCount() + 1);
        QVERIFY(lines[0].startsWith(QStringLiteral("reading\t")));
        for (const QString& line : lines) QCOMPARE(line.count(QLatin1Char('\t')), ReadingsTable::kColumns - 1);
        table->setFocus();
        table->choose(1);
        QTest::keyClick(table, Qt::Key_C, Qt::ControlModifier);
        QCOMPARE(QApplication::clipboard()->text(), lines[2]);
        stage().setFocus();
    }

    /// Through the desktop's own dialog onto a printer, here the one that makes a PDF.
    void sheetOnPaper() {
        if (!hasNetwork()) QSKIP("the keypoint network is not there");
        const QString paper = dir_.filePath(QStringLiteral("paper.pdf"));
        QTest::keyClick(&stage(), Qt::Key_P, Qt::ControlModifier | Qt::AltModifier);
        auto* ask = window_->findChild<QPrintDialog*>();
        QVERIFY(ask);
        ask->printer()->setOutputFileName(paper);
        ask->done(QDialog::Accepted);
        window_->activateWindow(); // the offscreen platform does not give the focus back by itself
        QVERIFY(QTest::qWaitForWindowActive(window_.get()));
        QVERIFY2(isSaid(QStringLiteral("Printed on")), qPrintable(window_->message()));
        const auto document = Poppler::Document::load(paper);
        QVERIFY(document && document->numPages() == 1);
        const std::unique_ptr<Poppler::Page> page(document->page(0));
        QVERIFY(page->orientation() == Poppler::Page::Landscape || page->pageSizeF().width() > page->pageSizeF().height());
        const QImage image = page->renderToImage(40, 40).convertToFormat(QImage::Format_Grayscale8);
        int dark = 0;
        for (int y = 0; y < image.height(); ++y)
            for (int x = 0; x < image.width(); ++x) dark += image.constScanLine(y)[x] < 200;
        QVERIFY2(dark > image.width() * image.height() / 20, qPrintable(QString::number(dark)));
        // A file again, the next time.
        window_->writeSheet(dir_.filePath(QStringLiteral("again.pdf")));
        QVERIFY(isSaid(QStringLiteral("Exported to")));
    }

    /// A clip with sound: it is there at the time that the pictures are at, at each speed; breaths out that are heard
    /// wait to be confirmed, and count from then on.
    void soundOfAClip() {
        const ReviewInputs before = session().inputs();
        const qint64 clip = session().clipId();
        const QString film = dir_.filePath(QStringLiteral("heard.mp4"));
        // Ruta's film with hiss that swells twice, in front of a quiet room.
        QProcess ffmpeg;
        ffmpeg.start(QStringLiteral("ffmpeg"),
                     {QStringLiteral("-v"), QStringLiteral("error"), QStringLiteral("-y"), QStringLiteral("-i"),
                      QString::fromStdString(before.clipPath), QStringLiteral("-f"), QStringLiteral("lavfi"),
                      QStringLiteral("-i"),
                      QStringLiteral("aevalsrc='(random(0)-0.5)*(0.004+0.2*between(t,4,5.5)*sin(PI*(t-4)/1.5)+0.2*between(t,12,13.5)*sin(PI*(t-12)/1.5))':s=16000:d=29"),
                      QStringLiteral("-c:v"), QStringLiteral("copy"), QStringLiteral("-c:a"), QStringLiteral("aac"), film});
        QVERIFY(ffmpeg.waitForFinished(60000) && ffmpeg.exitCode() == 0);
        ClipSound& sound = window_->benchPage().sound();
        QVERIFY(QTest::qWaitFor([&] { return !sound.hasSound(); }, 2000)); // the demo's clips are silent
        queueIn(film);
        QVERIFY(QTest::qWaitFor([&] { return sound.hasSound(); }, kPatience_ms));
        QCOMPARE(sound.breath().proposed.size(), size_t(2));
        for (const auto& [i, at] : {std::pair{0, 4.0}, {1, 12.0}})
            QVERIFY2(std::abs(sound.breath().proposed[size_t(i)].time_s - at) < 0.4,
                     qPrintable(QString::number(sound.breath().proposed[size_t(i)].time_s)));
        QVERIFY(session().inputs().breaths.empty()); // nothing counts by itself
        QTest::keyClick(&stage(), Qt::Key_E, Qt::ControlModifier);
        QCOMPARE(session().inputs().breaths.size(), size_t(2));
        QTest::keyClick(&stage(), Qt::Key_E, Qt::ControlModifier); // they are there already
        QCOMPARE(session().inputs().breaths.size(), size_t(2));
        undo();
        QVERIFY(session().inputs().breaths.empty());
        // From 4.75 s on, at any speed, it is loud; from 8 s on it is not.
        const auto loud = [&](double time_s) {
            const QByteArray bytes = sound.from(time_s);
            const auto* samples = reinterpret_cast<const int16_t*>(bytes.constData());
            double sum = 0;
            for (int i = 0; i < 1600; ++i) sum += std::abs(samples[i]);
            return sum / 1600;
        };
        Player& player = window_->benchPage().player();
        for (const double rate : {1.0, 0.5}) {
            player.setRate(rate);
            player.toggle();
            QVERIFY(player.isPlaying());
            QVERIFY(QTest::qWaitFor([&] { return std::abs(double(sound.from(0).size()) / (2 * kSoundRate_Hz) - 29 / rate) < 1; }, kPatience_ms));
            QVERIFY2(loud(4.75) > 10 * loud(8), qPrintable(QString::number(loud(4.75))));
            player.toggle();
        }
        player.setRate(1);
        window_->openClip(clip);
        QVERIFY(measured());
        QVERIFY(!sound.hasSound());
    }

    /// Breaths are tapped while the clip plays; the reading is there at once.
    /// The rep sheet and its plots as one page: letters stay letters, and on paper it is light in a dark window, too.
    void sheetAsFile() {
        if (!hasNetwork()) QSKIP("the keypoint network is not there");
        openRuta();
        auto write = [&](const char* name) {
            const QString path = dir_.filePath(QString::fromLatin1(name));
            window_->writeSheet(path);
            const auto done = [&] { return !window_->message().contains(QStringLiteral("Exporting")); };
            if (!QTest::qWaitFor(done, kPatience_ms)) QTest::qFail("not written in time", __FILE__, __LINE__);
            return path;
        };
        QFile svg(write("sheet.svg"));
        QVERIFY(svg.open(QIODevice::ReadOnly));
        const QByteArray drawn = svg.readAll();
        for (const char* words : {"Ruta", "Give-way", "Time plots", "control range", "<image"})
            QVERIFY2(drawn.contains(words) == (std::string_view(words) != "control range"), words); // no rep is chosen
        window_->setDark(true);
        const QImage png(write("sheet.png"));
        window_->setDark(false);
        QVERIFY(png.width() == 1000 && png.height() > 600);
        QCOMPARE(png.pixelColor(3, 3), lightPalette().ground);
        QVERIFY(QFileInfo(write("sheet.pdf")).size() > 20000);
        QVERIFY(!QFile::exists(write("sheet.doc")));
        QVERIFY(window_->message().contains(QStringLiteral("end the name in")));
    }

    void breaths() {
        const auto row = [&]() -> const ReadingRow* {
            for (const ReadingRow& r : window_->benchPage().readings().table().rows())
                if (r.measure == "breath_fit") return &r;
            return nullptr;
        };
        QVERIFY(!row());
        const auto reps = session().review()->events.reps; // a copy: judging anew replaces it
        for (size_t k = 0; k < reps.size(); ++k) {
            session().place().setFrame(session().clip().frameAt(k == 0 ? reps[k].start_s - 0.5 : reps[k].top_s + 0.2));
            key(Qt::Key_E);
            session().place().setFrame(session().clip().frameAt(reps[k].top_s + 1));
            key(Qt::Key_I);
        }
        QVERIFY(row());
        NEAR(row()->value, 100.0 / double(reps.size()), 1e-9); // only the first lift was on a breath out
        session().place().setFrame(session().clip().frameAt(reps[0].start_s - 0.4));
        key(Qt::Key_E, Qt::ShiftModifier);
        NEAR(row()->value, 0, 1e-9);
    }

    /// The coach's own tolerance counts in the open review as soon as the file is kept.
    void ownTolerance() {
        const size_t before = session().review()->findings.faults.size();
        QVERIFY(before > 0);
        window_->go(MainWindow::Exercises);
        OwnFileEditor& editor = window_->exercisesPage().editor();
        window_->exercisesPage().setEditing(true);
        QString words = editor.text().toPlainText();
        QVERIFY(words.contains(QLatin1String("back-bend")));
        editor.text().setPlainText(words.replace(QLatin1String("5.0"), QLatin1String("20.0")));
        editor.save();
        QVERIFY(session().review()->findings.faults.size() < before);
        editor.remove();
        QCOMPARE(session().review()->findings.faults.size(), before);
        window_->exercisesPage().setEditing(false);
        window_->go(MainWindow::Bench);
    }

    void loopingARep() {
        session().place().choose(1, Phase::Out);
        const Rep rep = session().review()->events.reps[1];
        session().place().setFrame(session().clip().frameAt(rep.end_s - 0.15));
        key(Qt::Key_L);
        QVERIFY(window_->benchPage().player().isLooping() && window_->benchPage().player().isPlaying());
        bool back = false;
        QVERIFY(QTest::qWaitFor(
            [&] {
                const double t = session().clip().time_s[size_t(session().place().frame())];
                back = back || t < rep.start_s + 1;
                return back;
            },
            kPatience_ms));
        const double t = session().clip().time_s[size_t(session().place().frame())];
        QVERIFY(t >= rep.start_s - 0.05 && t <= rep.end_s);
        key(Qt::Key_L);
        QVERIFY(!window_->benchPage().player().isLooping());
        window_->benchPage().player().stop();
    }
};

QTEST_MAIN(AnnotatingTest)
#include "annotating_test.moc"
