// SPDX-License-Identifier: GPL-3.0-or-later
// The programme room: from what is on record to a programme, out to the client, and back as a note.
#include "app/client/client_page.h"
#include "app/programme/programme_beside.h"
#include "app/programme/programme_forms.h"
#include "app/programme/programme_page.h"
#include "app/programme/programme_panels.h"
#include "app/programme/programme_table.h"
#include "app/widgets/choices_button.h"
#include "base/dates.h"
#include "base/files.h"
#include "base/json.h"
#include "programme/phases.h"
#include "app/theme/words.h"
#include "support/driven_window.h"

#include <QAccessible>
#include <QClipboard>
#include <QDropEvent>
#include <QMenu>
#include <QMimeData>
#include <QTimer>

using namespace deft;
using namespace deft::test;

class ProgrammeRoomTest : public DrivenWindow {
    Q_OBJECT

    ProgrammePage& room() { return window_->programmePage(); }
    ProgrammeDesk& desk() { return room().desk(); }
    void press(Qt::Key k, Qt::KeyboardModifiers m = {}) { QTest::keyClick(&room().table(), k, m); }
    void showClient(const char* name) {
        for (const Client& c : std::vector(desk().clients())) // showing another reads them anew
            if (c.name.starts_with(name)) desk().show(c.id);
    }
    QStringList names() {
        QStringList out;
        for (const ProgrammeItem& item : desk().programme().items) out << QString::fromStdString(item.exercise);
        return out;
    }
    /// Chooses a row of the menu that the next key opens.
    void chooseFromMenu(int row, const std::function<void()>& open) {
        bool chosen = false;
        QTimer look; // until it is there
        connect(&look, &QTimer::timeout, this, [&] {
            auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
            if (!menu) return;
            look.stop();
            chosen = row < menu->actions().size() && menu->actions()[row]->isEnabled();
            menu->setActiveAction(menu->actions().value(row));
            QTest::keyClick(menu, Qt::Key_Return);
        });
        look.start(50);
        open();
        QVERIFY(chosen);
        window_->activateWindow(); // the offscreen platform does not give the focus back by itself
        QVERIFY(QTest::qWaitForWindowActive(window_.get()));
    }
    std::string today(int later = 0) { return QDate::currentDate().addDays(later).toString(Qt::ISODate).toStdString(); }

private slots:
    void initTestCase() {
        qputenv("DEFT_MIRROR_KEYPOINTS", "/nowhere");
        prepare();
    }
    void init() {
        static int number = 0;
        const QString name = QStringLiteral("programme-%1").arg(++number);
        fill(name);
        openWindow(name);
        window_->queuePage().list().setCurrentIndex(window_->queuePage().clips().index(0)); // Ruta's
        QTest::keyClick(window_.get(), Qt::Key_6, Qt::AltModifier);
        QCOMPARE(window_->room(), MainWindow::Programmes);
        QCOMPARE(desk().client().name, std::string("Ruta Kalniņa"));
    }
    void cleanup() { window_.reset(); }

    /// The one that runs is shown as it was given; somebody new has one proposed.
    void whatIsShown() {
        QVERIFY(desk().isGiven());
        QVERIFY(room().heading().contains(QStringLiteral("given")));
        press(Qt::Key_Return, Qt::ControlModifier); // its mail once more; nothing is given twice
        QVERIFY(isSaid(QStringLiteral("The mail lies in")));
        QCOMPARE(desk().given().size(), size_t(2));
        const auto* done = room().findChild<DonePanel*>();
        QVERIFY(done->accessibleDescription().contains(QStringLiteral("3 of 3")));
        showClient("Ois");
        QVERIFY(!desk().isGiven() && !desk().running());
        QVERIFY(names().size() >= 3);
        QVERIFY(secondsOf(*window_->library().catalogue(), desk().programme()) <= 60.0 * desk().programme().minutes);
    }

    /// A row dropped on another stands in its place, and the others close up; one step that can be undone.
    void dragged() {
        const QStringList before = names();
        QVERIFY(before.size() >= 3);
        const QAbstractItemModel& model = *room().table().model();
        QVERIFY(model.flags(model.index(0, 1)) & Qt::ItemIsDragEnabled);
        press(Qt::Key_Home);
        const QPoint third = room().table().visualRect(model.index(2, 1)).center();
        QMimeData data;
        QDropEvent drop(third, Qt::MoveAction, &data, Qt::LeftButton, {});
        struct Dropped : ProgrammeView { // a drag of the view's own cannot be made offscreen
            using ProgrammeView::dropEvent;
        };
        (room().table().*(&Dropped::dropEvent))(&drop);
        QCOMPARE(names(), (QStringList{before[1], before[2], before[0]} + before.mid(3)));
        QCOMPARE(desk().chosen(), 2);
        desk().moveTo(0);
        QCOMPARE(names(), before);
        desk().undoStack().undo();
        QCOMPARE(names()[2], before[0]);
    }

    /// A programme is kept as a template without its client, and begun from for another, as far as it is open to them.
    void templates() {
        desk().saveTemplate("three on the mat");
        QVERIFY(isSaid(QStringLiteral("Kept as the template")));
        QCOMPARE(window_->library().templates(), std::vector<std::string>{"three on the mat"});
        const Programme kept = window_->library().programmeTemplate("three on the mat").value();
        QVERIFY(kept.goals.empty() && kept.reminder.empty() && !desk().programme().reminder.empty());
        QVERIFY(kept.client.empty() && kept.clientUid.empty() && kept.items.size() == desk().programme().items.size());
        const std::string file = (window_->library().folder() / "programmes/three on the mat.json").string();
        QVERIFY(readFile(file).value().find("Ruta") == std::string::npos);
        const QStringList before = names();
        showClient("Ois");
        chooseFromMenu(0, [&] { press(Qt::Key_B); });
        QCOMPARE(names(), before);
        for (const ProgrammeItem& item : desk().programme().items) QVERIFY(!item.watch.empty());
        desk().saveTemplate("../library");
        QVERIFY(isSaid(QStringLiteral("no name for a file")));
        desk().removeTemplate("three on the mat");
        QVERIFY(window_->library().templates().empty());
    }

    /// Two programmes in two columns: what differs is told and strong; Esc goes back to the order.
    void sideBySide() {
        ProgrammeBeside& beside = room().beside();
        press(Qt::Key_C);
        QVERIFY(beside.isVisible() && !room().table().isVisible());
        QCOMPARE(beside.other().count(), 2); // both that Ruta was given, the newest first
        QCOMPARE(beside.table().differences(), 0);
        desk().remove();
        const Programme before = desk().given().back().programme;
        QCOMPARE(beside.table().rowCount(), int(before.items.size()) + 2); // what goes still stands there
        QVERIFY(beside.table().differences() >= 2);                        // the exercise, and the minutes a day
        const auto said = [&](int row, int column) {
            return beside.table().index(row, column).data(Qt::AccessibleTextRole).toString();
        };
        const int gone = int(desk().programme().items.size());
        QCOMPARE(said(gone, BesideTable::Now), QStringLiteral("not in it, changed"));
        QVERIFY(said(gone, BesideTable::Before).contains(QStringLiteral("s")));
        QVERIFY(!said(0, BesideTable::Now).contains(QStringLiteral("changed")));
        desk().undoStack().undo();
        QCOMPARE(beside.table().differences(), 0);
        QTest::keyClick(window_.get(), Qt::Key_Escape);
        QVERIFY(room().table().isVisible() && window_->room() == MainWindow::Programmes);
        showClient("Ois"); // nothing was given yet
        press(Qt::Key_C);
        QVERIFY(!beside.other().isEnabled());
        QTest::keyClick(window_.get(), Qt::Key_Escape);
    }

    /// A goal changes what is proposed; both goal and reminder are kept with the programme.
    void goals() {
        showClient("Ois");
        auto* form = room().findChild<WhenForm*>();
        auto* goals = form->findChild<ChoicesButton*>();
        QVERIFY(goals->accessibleName().contains(QStringLiteral("no goal")));
        for (QAction* a : goals->menu()->actions())
            if (a->data() == QStringLiteral("balance")) a->trigger();
        QCOMPARE(desk().programme().goals, std::vector<std::string>{"balance"});
        QVERIFY(isSaid(QStringLiteral("R proposes anew")));
        press(Qt::Key_R);
        QVERIFY(names().contains(QStringLiteral("bridge-one-leg")));
        const ProgrammeItem* plank = desk().programme().find("side-plank");
        QVERIFY(plank && ui::said(plank->because.front()).contains(QLatin1String("steady on one leg")));
        auto* reminder = form->findChild<QLineEdit*>(QStringLiteral("reminder"));
        reminder->setText(QStringLiteral("After the matinee"));
        emit reminder->editingFinished();
        QCOMPARE(window_->library().programmeDraft(desk().client().id)->reminder, std::string("After the matinee"));
        desk().undoStack().undo();
        QVERIFY(desk().programme().reminder.empty());
    }

    /// What is filmed again, and when, is the coach's to say.
    void lookAgain() {
        showClient("Ois");
        const std::string exercise = desk().item()->exercise;
        const bool before = desk().isLookedAtAgain(exercise);
        press(Qt::Key_L);
        QCOMPARE(desk().isLookedAtAgain(exercise), !before);
        press(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(desk().isLookedAtAgain(exercise), before);
        if (!desk().programme().lookAgain) press(Qt::Key_L);
        Programme p = desk().programme();
        p.lookAgain->on = today(9);
        desk().change(QStringLiteral("another day"), p);
        QCOMPARE(desk().programme().lookAgain->on, today(9));
        p = desk().programme();
        p.weeks += 1; // then it is the last day again
        desk().change(QStringLiteral("longer"), p);
        QVERIFY(desk().programme().lookAgain->on > today(9));
    }

    /// Every row is told, its reason with it.
    void forEars() {
        QAbstractItemModel& model = *room().table().model();
        QCOMPARE(model.rowCount(), int(desk().programme().items.size()));
        const QString told = model.index(0, ProgrammeTable::What).data(Qt::AccessibleTextRole).toString();
        QVERIFY2(told.contains(QStringLiteral("Pelvic tilt")) && told.contains(QStringLiteral("finds the position")),
                 qPrintable(told));
        QAccessibleInterface* table = QAccessible::queryAccessibleInterface(&room().table());
        QCOMPARE(table->text(QAccessible::Name), QStringLiteral("Each day, in this order"));
        for (const QSpinBox* box : room().findChildren<QSpinBox*>()) QVERIFY(!box->accessibleName().isEmpty());
    }

    /// Order, leaving out, adding, another one, version and dose; each can be undone, and is kept.
    void changed() {
        const QStringList before = names();
        press(Qt::Key_Home);
        press(Qt::Key_Down, Qt::AltModifier);
        QCOMPARE(names()[1], before[0]);
        QVERIFY(!desk().isGiven()); // what was given stays what it was
        QVERIFY(desk().programme().uid != desk().running()->programme.uid);
        press(Qt::Key_Z, Qt::ControlModifier);
        QCOMPARE(names(), before);
        press(Qt::Key_Delete);
        QCOMPARE(names().size(), before.size() - 1);
        chooseFromMenu(0, [&] { press(Qt::Key_Insert); });
        QCOMPARE(names().size(), before.size());
        const Programme added = desk().programme();
        chooseFromMenu(0, [&] { press(Qt::Key_V); });
        QVERIFY(!(desk().programme().items == added.items));
        const auto bridge = names().indexOf(QStringLiteral("bridge"));
        desk().choose(int(bridge));
        const std::string version = desk().item()->target.version;
        press(Qt::Key_Plus);
        QVERIFY(desk().item()->target.version != version);
        press(Qt::Key_Minus);
        QCOMPARE(desk().item()->target.version, version);
        press(Qt::Key_D);
        auto* dose = room().findChild<DoseForm*>();
        QVERIFY(dose->first().hasFocus());
        auto& rounds = *qobject_cast<QSpinBox*>(&dose->first());
        rounds.setValue(4);
        QCOMPARE(desk().item()->target.sets, 4);
        QVERIFY(ui::said(desk().item()->because.back()).contains(QLatin1String("coach")));
        const Programme kept = desk().programme();
        showClient("Ois"); // somebody else, and back
        showClient("Ruta");
        QVERIFY(desk().programme() == kept);
        press(Qt::Key_R);
        QVERIFY(!(desk().programme() == kept));
    }

    /// More than there is time for is said.
    void tooLong() {
        auto* when = room().findChild<WhenForm*>();
        for (QSpinBox* box : when->findChildren<QSpinBox*>())
            if (box->accessibleName() == QStringLiteral("Minutes a day")) box->setValue(5);
        QCOMPARE(desk().programme().minutes, 5);
        QCOMPARE(desk().programme().lookAgain->on, isoDate(practiceDays(desk().programme()).back()));
        bool isSaid = false;
        for (const QLabel* label : room().findChildren<QLabel*>())
            isSaid = isSaid || label->accessibleName().contains(QStringLiteral("longer than there is time"));
        QVERIFY(isSaid);
        press(Qt::Key_R);
        QVERIFY(secondsOf(*window_->library().catalogue(), desk().programme()) <= 300);
    }

    /// Given: a mail with page, sheet and calendar, and the record of it.
    void given() {
        press(Qt::Key_Home);
        press(Qt::Key_Delete);
        press(Qt::Key_Return, Qt::ControlModifier);
        QVERIFY(isSaid(QStringLiteral("Given to Ruta Kalniņa. The mail lies in")));
        QCOMPARE(desk().given().size(), size_t(3));
        QVERIFY(desk().isGiven());
        const auto folder = window_->library().folder();
        const std::string name = "programme-" + std::to_string(desk().given().back().id);
        const std::string mail = readFile(folder / "outbox" / (name + ".eml")).value();
        for (const char* part : {"practice.html", "practice.pdf", "practice.ics", "your practice"})
            QVERIFY2(mail.find(part) != std::string::npos, part);
        const std::string page = readFile(folder / "answers" / (name + ".html")).value();
        QVERIFY(page.find(desk().programme().uid) != std::string::npos);
        QVERIFY(readFile(folder / "answers" / (name + ".pdf")).value().starts_with("%PDF"));
        // The forms that are not wanted do not go out.
        press(Qt::Key_Delete);
        for (QCheckBox* box : room().findChildren<QCheckBox*>())
            if (box->text().contains(QStringLiteral("page"))) box->setChecked(false);
        press(Qt::Key_Return, Qt::ControlModifier);
        QVERIFY(QTest::qWaitFor([&] { return desk().given().size() == 4; }, kPatience_ms));
        const auto second = folder / "outbox" / ("programme-" + std::to_string(desk().given().back().id) + ".eml");
        QVERIFY(QTest::qWaitFor([&] { return std::filesystem::exists(second); }, kPatience_ms));
        QVERIFY(readFile(second).value().find("practice.html") == std::string::npos);
    }

    /// What was done comes home as copied text; pain is said first, and nothing hurts any more in the next one.
    void noteComesHome() {
        PracticeNote note;
        note.clientUid = desk().client().uid, note.programme = desk().programme().uid;
        note.days = {{today(-1), {{"bridge", "both", 2, "right", {}}}, false, "", {}, ""}};
        QApplication::clipboard()->setText(
            QString::fromStdString("Practice of Ruta\n\n" + toLine(toJson(note)) + "\nSent from a phone"));
        press(Qt::Key_N);
        QVERIFY(isSaid(QStringLiteral("Taken in: 1 day of practice of Ruta Kalniņa")));
        note.days = {{today(), {{"bridge", "both", 1, "", {}}}, true, "low back", {}, ""}};
        QApplication::clipboard()->setText(QString::fromStdString(toLine(toJson(note))));
        press(Qt::Key_N);
        QVERIFY(isSaid(QStringLiteral("Ruta Kalniņa reports pain")) && isSaid(QStringLiteral("low back")));
        QVERIFY(!names().contains(QStringLiteral("bridge")));
        QApplication::clipboard()->setText(QStringLiteral("{\"format\": \"deft-mirror-practice\", \"version\": 1}"));
        press(Qt::Key_N);
        QVERIFY(isSaid(QStringLiteral("Not taken in: the copied text: /client is missing")));
    }

    /// A programme of the coach's own as a file: what is locked for this client does not come along.
    void fromAFile() {
        const QString file = dir_.filePath(QStringLiteral("template.json"));
        window_->writeProgramme(file);
        QVERIFY(isSaid(QStringLiteral("Exported to")));
        showClient("Ois");
        QVERIFY(window_->library().setFlags(desk().client().id, {"pregnancy"}));
        desk().refresh();
        Json document = readJsonFile(file.toStdString()).value();
        document["items"].push_back(
            {{"exercise", "curl-up"}, {"target", {{"rung", "tips"}, {"sets", 1}, {"reps", 5}}}});
        QVERIFY(writeFileAtomically(file.toStdString(), toText(document)));
        window_->readProgramme(file);
        QVERIFY(isSaid(QStringLiteral("Imported, without Curl-up")));
        QVERIFY(names().contains(QStringLiteral("bridge")) && !names().contains(QStringLiteral("curl-up")));
        QVERIFY(desk().programme().client == "Oisín Gallagher" || desk().programme().clientUid == desk().client().uid);
        QVERIFY(writeFileAtomically(file.toStdString(), "{}"));
        window_->readProgramme(file);
        QVERIFY(isSaid(QStringLiteral("Not imported")));
    }
};

QTEST_MAIN(ProgrammeRoomTest)
#include "programme_test.moc"
