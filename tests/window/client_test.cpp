// SPDX-License-Identifier: GPL-3.0-or-later
// The client room: what filed reviews tell, what is written down of a client, what may leave, and what is erased.
#include "app/client/client_page.h"
#include "app/theme/words.h"
#include "app/widgets/facts_panel.h"
#include "app/widgets/weeks_panel.h"
#include "base/files.h"
#include "base/json.h"
#include "store/intake.h"
#include "support/driven_window.h"
#include "support/unzipped.h"

#include <QProcess>

using namespace deft;
using namespace deft::test;

class ClientRoomTest : public DrivenWindow {
    Q_OBJECT

    ClientPage& room() { return window_->clientPage(); }
    ClientRecord& record() { return room().record(); }
    void press(Qt::Key k, Qt::KeyboardModifiers m = {}) { QTest::keyClick(&room(), k, m); }
    QString file(const char* name) const { return dir_.filePath(QString::fromLatin1(name)); }
    /// What is said once a file has been written, or not.
    static QByteArray told(const QString& program, const QStringList& arguments) {
        QProcess p;
        p.start(program, arguments);
        p.waitForFinished(kPatience_ms);
        return p.readAllStandardOutput();
    }

private slots:
    void initTestCase() {
        qputenv("DEFT_MIRROR_KEYPOINTS", "/nowhere");
        prepare();
    }
    void init() {
        static int number = 0;
        const QString name = QStringLiteral("client-%1").arg(++number);
        fill(name);
        openWindow(name);
        window_->queuePage().list().setCurrentIndex(window_->queuePage().clips().index(0)); // Ruta's
        QTest::keyClick(window_.get(), Qt::Key_5, Qt::AltModifier);
        QCOMPARE(window_->room(), MainWindow::Record);
    }
    void cleanup() { window_.reset(); }

    /// Answers are signed by the coach and go to the client's address.
    void signedAndAddressed() {
        QTest::keyClick(window_.get(), Qt::Key_Comma, Qt::ControlModifier);
        CoachForm& form = window_->queuePage().coachForm();
        QVERIFY(form.isVisible() && form.name().text() == QStringLiteral("Jonna"));
        form.name().setText(QStringLiteral("Mira Aalto"));
        form.address().setText(QStringLiteral("mira at example"));
        QTest::keyClick(&form.address(), Qt::Key_Return);
        QVERIFY(form.isVisible() && window_->message().contains(QStringLiteral("no e-mail address")));
        form.address().setText(QStringLiteral("mira@example.org"));
        QTest::keyClick(&form.address(), Qt::Key_Return);
        QVERIFY(!form.isVisible());
        QTest::keyClick(window_.get(), Qt::Key_5, Qt::AltModifier);
        press(Qt::Key_E);
        room().form().address().setText(QStringLiteral("ruta@example.net"));
        room().form().keep();
        const auto sheetTo = [&](const std::string& coach) {
            window_->writeSheetForClient(file("sheet.eml"), record().story()->exercise,
                                         record().newestClip()->draft.asked, {record().client().name, coach, {}, {}},
                                         record().client().id);
            return isSaid(QStringLiteral("Exported to"));
        };
        QVERIFY(sheetTo(window_->library().coach().name));
        const std::string mail = readFile(file("sheet.eml").toStdString()).value();
        for (const char* part : {"mira@example.org", "ruta@example.net", "your next exercise"})
            QVERIFY2(mail.find(part) != std::string::npos, part);
        QVERIFY(mail.find("address.invalid") == std::string::npos);
        // A new clip is signed by the new name, too.
        QCOMPARE(newDraft(window_->library(), record().client().id, "bridge", {}).coach, std::string("Mira Aalto"));
    }

    /// In the queue, among many.
    void findClips() {
        window_->go(MainWindow::Queue);
        QListView& list = window_->queuePage().list();
        const auto shown = [&] {
            QStringList names;
            for (int row = 0; row < window_->queuePage().clips().rowCount(); ++row)
                if (!list.isRowHidden(row))
                    names << QString::fromStdString(window_->queuePage().clips().entry(row).client.name);
            return names;
        };
        QCOMPARE(shown().size(), 6);
        QTest::keyClick(&list, Qt::Key_Slash);
        QLineEdit& box = window_->queuePage().findBox();
        QVERIFY(box.hasFocus());
        QTest::keyClicks(&box, QStringLiteral("bridge oisin"));
        QCOMPARE(shown(), QStringList(QStringLiteral("Oisín Gallagher")));
        QCOMPARE(window_->queuePage().chosen(), clipOf("Ois"));
        QTest::keyClick(&box, Qt::Key_Return);
        QVERIFY(list.hasFocus());
        QTest::keyClick(&list, Qt::Key_5, Qt::AltModifier); // and it is that client's record that opens
        QCOMPARE(record().client().name, std::string("Oisín Gallagher"));
        window_->go(MainWindow::Queue);
        QCOMPARE(shown().size(), 1); // it is still being looked for
        QTest::keyClick(&list, Qt::Key_Escape);
        QVERIFY(box.isHidden());
        QCOMPARE(shown().size(), 6);
    }

    /// It opens at the client of the chosen clip; keys go through exercises, reviews and clients.
    void whatIsTold() {
        QCOMPARE(record().client().name, std::string("Ruta Kalniņa"));
        QCOMPARE(record().story()->reviews.size(), size_t(3));
        QCOMPARE(record().review(), 2);
        const auto* weeks = room().findChild<WeeksPanel*>();
        QVERIFY(weeks->accessibleDescription().contains(QStringLiteral("getting better")));
        press(Qt::Key_Left);
        press(Qt::Key_Left);
        press(Qt::Key_Left); // there is none before
        QCOMPARE(record().review(), 0);
        press(Qt::Key_PageDown, Qt::ControlModifier);
        QCOMPARE(record().client().name, std::string("Tomáš Veselý"));
        QVERIFY(record().story()->reviews.empty() && !record().chosenReview());
        press(Qt::Key_O); // nothing to open
        QCOMPARE(window_->room(), MainWindow::Record);
        press(Qt::Key_PageUp, Qt::ControlModifier);
        press(Qt::Key_Left);
        // An earlier review opens as it was, and knows nothing of the later one.
        press(Qt::Key_O);
        QCOMPARE(window_->room(), MainWindow::Bench);
        QVERIFY(session().isFiled());
        QCOMPARE(session().inputs().date, demoDay("2026-04-09"));
        QCOMPARE(session().earlier().size(), size_t(1));
        QTest::keyClick(window_.get(), Qt::Key_5, Qt::AltModifier);
        press(Qt::Key_Escape);
        QCOMPARE(window_->room(), MainWindow::Bench); // back to where the coach was
        window_->go(MainWindow::Queue);               // from here it is whoever is chosen, not whose clip is open
        for (int row = 0; row < window_->queuePage().clips().rowCount(); ++row)
            if (window_->queuePage().clips().entry(row).client.name.starts_with("Ois"))
                window_->queuePage().list().setCurrentIndex(window_->queuePage().clips().index(row));
        QTest::keyClick(window_.get(), Qt::Key_5, Qt::AltModifier);
        QCOMPARE(record().client().name, std::string("Oisín Gallagher"));
    }

    void written() {
        press(Qt::Key_PageDown, Qt::ControlModifier);
        const auto consent = [&] { return room().agreed().facts()[3].value; };
        QCOMPARE(consent(), QStringLiteral("none on record"));
        press(Qt::Key_E);
        ClientForm& form = room().form();
        QVERIFY(form.isVisible() && form.wants().hasFocus());
        form.wants().setPlainText(QStringLiteral("eight hours at the wheel"));
        form.intake().setFlags({"hypertension"});
        form.given().setDate({2026, 5, 20});
        form.scope(0).setChecked(true);
        form.keep();
        QVERIFY(!form.isVisible());
        QVERIFY(consent().startsWith(QStringLiteral("20 May 2026: clips are kept")));
        QCOMPARE(record().client().flags, std::vector<std::string>{"hypertension"});
        QCOMPARE(record().client().wants, std::string("eight hours at the wheel"));
        // A name is no markup, wherever it is shown.
        press(Qt::Key_E);
        form.name().setText(QStringLiteral("Tomáš <b>Veselý</b>"));
        form.keep();
        QCOMPARE(record().client().name, std::string("Tomáš <b>Veselý</b>"));
        room().askWhatToErase();
        for (const QLabel* label : room().eraseForm().findChildren<QLabel*>())
            QCOMPARE(label->textFormat(), Qt::PlainText);
        room().leaveForm();
        press(Qt::Key_E);
        form.name().setText(QStringLiteral("Tomáš Veselý"));
        form.keep();
        // Left without a change: nothing new is recorded. Without a tick it is withdrawn.
        const auto entries = window_->library().auditEntries();
        press(Qt::Key_E);
        form.keep();
        QCOMPARE(window_->library().auditEntries(), entries);
        press(Qt::Key_E);
        form.scope(0).setChecked(false);
        form.keep();
        QVERIFY(consent().startsWith(QStringLiteral("withdrawn")));
        QCOMPARE(window_->library().consents(record().client().id).size(), size_t(2));
        // While it is open nobody else can be chosen, and leaving the room loses nothing.
        press(Qt::Key_E);
        form.wants().setPlainText(QStringLiteral("not kept"));
        for (const auto& [k, m] : {std::pair{Qt::Key_PageUp, Qt::ControlModifier},
                                   {Qt::Key_E, Qt::NoModifier},
                                   {Qt::Key_Delete, Qt::NoModifier}})
            QTest::keyClick(&form.scope(0), k, m);
        QCOMPARE(record().client().name, std::string("Tomáš Veselý"));
        window_->go(MainWindow::Queue);
        QTest::keyClick(window_.get(), Qt::Key_5, Qt::AltModifier);
        QVERIFY(form.isVisible() && !room().eraseForm().isVisible());
        QCOMPARE(form.wants().toPlainText(), QStringLiteral("not kept"));
        press(Qt::Key_Escape);
        QVERIFY(!form.isVisible());
        QCOMPARE(record().client().wants, std::string("eight hours at the wheel"));
    }

    void report() {
        window_->writeReport(file("report.pdf"));
        QVERIFY(isSaid(QStringLiteral("Exported to")));
        const QByteArray words = told(QStringLiteral("pdftotext"), {file("report.pdf"), QStringLiteral("-")});
        const QString span = QStringLiteral("3 reviews from %1 to %2")
                                 .arg(dayAndYear(demoDay("2026-03-19")), dayAndYear(demoDay("2026-04-30")));
        for (const QString& said :
             {QStringLiteral("Ruta Kalniņa"), span, QStringLiteral("Pelvis against trunk"),
              QStringLiteral("getting better"), QStringLiteral("no medical device"), QStringLiteral("±"),
              QStringLiteral("−")}) // minus and brackets can be read out of it
            QVERIFY2(QString::fromUtf8(words).contains(said),
                     qPrintable(said + QLatin1Char(0x0A) + QString::fromUtf8(words)));
        press(Qt::Key_PageDown, Qt::ControlModifier);
        window_->writeReport(file("none.pdf"));
        QVERIFY(isSaid(QStringLiteral("no review of this exercise")));
        QVERIFY(!QFile::exists(file("none.pdf")));
    }

    /// The exercise as the client does it next, unless a flag locks it.
    void sheet() {
        const auto write = [&](const char* name) {
            const SheetReader reader{record().client().name, "Jonna", record().client().flags, {}};
            window_->writeSheetForClient(file(name), record().story()->exercise, record().newestClip()->draft.asked,
                                         reader);
        };
        write("sheet.txt");
        QVERIFY(isSaid(QStringLiteral("Exported to")));
        QVERIFY(readFile(file("sheet.txt").toStdString())->starts_with("Hello Ruta, here is your next exercise."));
        write("sheet.doc");
        QVERIFY(isSaid(QStringLiteral(".html, .txt, .eml")));
    }

    /// Passed on only where that was agreed to, without a face and without this machine's paths.
    void bundle() {
        if (!hasNetwork()) QSKIP("the keypoint network is not there");
        window_->writeBundle(file("review.zip"));
        QVERIFY(isSaid(QStringLiteral("Exported to")));
        const auto files = unzipped(readFile(file("review.zip").toStdString()).value());
        for (const char* name : {"review.json", "marks.json", "series.csv", "tracks.csv", "stills/rep-1-worst.jpg"})
            QVERIFY2(files.count(name), name);
        const QImage still = QImage::fromData(QByteArray::fromStdString(files.at("stills/rep-1-worst.jpg")));
        QCOMPARE(still.size(), QSize(960, 640));
        // Every column is described, in order, and every number that is not a count or a share has a unit.
        const Json package = Json::parse(files.at("datapackage.json"));
        QCOMPARE(package.at("resources").size(), size_t(2));
        for (const Json& resource : package.at("resources")) {
            const std::string csv = files.at(resource.at("path").get<std::string>());
            std::string header;
            for (const Json& f : resource.at("schema").at("fields")) {
                header += (header.empty() ? "" : ",") + f.at("name").get<std::string>();
                QVERIFY2(!f.at("title").get<std::string>().empty() &&
                             (f.at("type") != "number" || !f.value("unit", "").empty() || header.ends_with("waist") ||
                              header.ends_with("waist_u95")),
                         f.dump().c_str());
            }
            QCOMPARE(csv.substr(0, csv.find('\n')), header);
        }
        // Trajectories: the head tells how many rows and columns follow, and every seen mark is where the tracks have
        // it.
        const auto rows = QString::fromStdString(files.at("tracks.trc")).split(QLatin1Char('\n'));
        const int frames = rows[2].split(QLatin1Char('\t'))[2].toInt(),
                  marks = rows[2].split(QLatin1Char('\t'))[3].toInt();
        QCOMPARE(rows[2].split(QLatin1Char('\t'))[4], QStringLiteral("px"));
        QCOMPARE(rows.size(), frames + 7); // five lines of head, an empty one, and the end of the last row
        QCOMPARE(rows[6].split(QLatin1Char('\t')).size(), 2 + 3 * marks);
        // Observations as FHIR R4 has them: a value with its unit, or why there is none, and never both.
        const Json fhir = Json::parse(files.at("readings.fhir.json"));
        QVERIFY(fhir.at("resourceType") == "Bundle");
        QVERIFY(fhir.at("entry").size() > 4);
        for (const Json& entry : fhir.at("entry")) {
            const Json& o = entry.at("resource");
            QVERIFY(o.at("status") == "final" && !o.at("code").at("coding")[0].at("code").get<std::string>().empty());
            QVERIFY(o.contains("valueQuantity") != o.contains("dataAbsentReason"));
            if (o.contains("valueQuantity"))
                QCOMPARE(o.at("valueQuantity").at("system").get<std::string>(),
                         std::string("http://unitsofmeasure.org"));
        }
        const Json review = Json::parse(files.at("review.json"));
        QCOMPARE(review.at("clip").at("file").get<std::string>(), std::string("ruta-bridge-april.mp4"));
        for (const auto& [name, content] : files)
            QVERIFY2(content.find(demoFolder().string()) == std::string::npos, name.c_str());
        const Consent before = *record().client().consent;
        QVERIFY(record().keep({"", "", "", "", {}, Consent{before.given, before.until, {"coaching"}}, 0}));
        window_->writeBundle(file("refused.zip"));
        QVERIFY(isSaid(QStringLiteral("no consent of Ruta Kalniņa")));
        QVERIFY(!QFile::exists(file("refused.zip")));
    }

    /// While the client's clip is open and being measured: work ends, the window goes on, nothing comes back.
    void erased() {
        window_->openClip(clipOf("Ruta"));
        QTest::keyClick(window_.get(), Qt::Key_5, Qt::AltModifier);
        const int64_t ruta = record().client().id;
        press(Qt::Key_Delete);
        EraseForm& form = room().eraseForm();
        QVERIFY(form.isVisible() && form.words().contains(QStringLiteral("One clip has not been answered")));
        press(Qt::Key_Escape);
        QVERIFY(!form.isVisible() && session().isOpen());
        press(Qt::Key_Delete);
        form.everything().setChecked(true);
        QVERIFY(form.words().contains(QStringLiteral("3 reviews")));
        QTest::mouseClick(&form.go(), Qt::LeftButton);
        QVERIFY(window_->message().startsWith(QStringLiteral("Everything of Ruta Kalniņa has been erased")));
        QVERIFY(!session().isOpen() && !form.isVisible());
        for (const Client& c : window_->library().clients()) QVERIFY(c.id != ruta);
        QCOMPARE(window_->queuePage().clips().rowCount(), 2);
        QVERIFY(record().client().name != "Ruta Kalniņa");
        for (const auto r : {MainWindow::Bench, MainWindow::Compare, MainWindow::Letter, MainWindow::Queue}) {
            window_->go(r); // the rooms of a clip have none to show
            QCOMPARE(window_->room(), MainWindow::Queue);
        }
        QTest::qWait(2500); // work ahead begins again, on what is left
        window_->openClip(clipOf("Ois"));
        QVERIFY(measured());
        // The last ones, too: an empty library says what to do.
        for (const char* name : {"Ois", "Tom"}) {
            (void)name;
            QTest::keyClick(window_.get(), Qt::Key_5, Qt::AltModifier);
            window_->eraseClient(record().client().id, Erasing::Everything);
        }
        QVERIFY(record().isEmpty());
        press(Qt::Key_E);
        press(Qt::Key_Delete);
        QVERIFY(!room().form().isVisible() && !form.isVisible());
    }
};

QTEST_MAIN(ClientRoomTest)
#include "client_test.moc"
