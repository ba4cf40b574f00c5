// SPDX-License-Identifier: GPL-3.0-or-later
// The words of a letter in the window: undone as they were typed, spelt right, put in another order, and sentences of
// the coach's own filled in.
#include "app/answer/answer_row.h"
#include "app/answer/keep_sentence.h"
#include "app/session/letter_words.h"
#include "base/files.h"
#include "store/own_words_file.h"
#include "support/driven_window.h"

#include <QDialogButtonBox>
#include <QLineEdit>
#include <QMenu>
#include <QPushButton>
#include <QTextBlock>

using namespace deft;
using namespace deft::test;

class WordingTest : public DrivenWindow {
    Q_OBJECT

    GrowingText* field(const char* part) {
        for (AnswerRow* row : window_->answerPage().findChildren<AnswerRow*>())
            if (row->part() == part) return &row->words();
        return nullptr;
    }
    std::string text(const char* part) { return session().answer().find(part)->text; }
    static void undoIn(QWidget* w) { QTest::keyClick(w, Qt::Key_Z, Qt::ControlModifier); }
    std::vector<std::string> order() {
        std::vector<std::string> ids;
        for (const AnswerPart& p : session().answer().parts) ids.push_back(p.id);
        return ids;
    }
    /// Chooses an entry of the menu that is open.
    void pick(const QString& beginning) {
        auto* menu = qobject_cast<QMenu*>(QApplication::activePopupWidget());
        QVERIFY(menu);
        QAction* wanted = nullptr;
        for (QAction* a : menu->actions())
            if (a->text().startsWith(beginning)) wanted = a;
        QVERIFY2(wanted, qPrintable(beginning));
        menu->setActiveAction(wanted);
        QTest::keyClick(menu, Qt::Key_Return);
        window_->activateWindow();
        QVERIFY(QTest::qWaitForWindowActive(window_.get()));
    }

private slots:
    void initTestCase() {
        qputenv("DEFT_MIRROR_KEYPOINTS", "/nowhere");
        prepare();
        openWindow(QStringLiteral("demo"));
        openRuta();
        window_->go(MainWindow::Letter);
    }

    /// Ctrl+Z in the field takes back the last sentence, not all that was typed, and the cursor stays where words go.
    void undoneSentenceBySentence() {
        GrowingText* words = field("well");
        const std::string before = text("well");
        words->setFocus();
        words->moveCursor(QTextCursor::End);
        QTest::keyClicks(words, QStringLiteral(" One. Two."));
        QCOMPARE(text("well"), before + " One. Two.");
        undoIn(words);
        QCOMPARE(text("well"), before + " One.");
        QCOMPARE(words->toPlainText().toStdString(), before + " One.");
        QVERIFY(words->hasFocus());
        QTest::keyClicks(words, QStringLiteral(" Three")); // the cursor stood at the end
        QCOMPARE(text("well"), before + " One. Three");
        undoIn(words), undoIn(words);
        QCOMPARE(text("well"), before);
        QTest::keyClick(words, Qt::Key_Y, Qt::ControlModifier);
        QCOMPARE(text("well"), before + " One.");
        undoIn(words);
        // In the middle, too.
        QTextCursor middle = words->textCursor();
        middle.setPosition(4);
        words->setTextCursor(middle);
        QTest::keyClicks(words, QStringLiteral("xy"));
        QCOMPARE(words->textCursor().position(), 6);
        undoIn(words);
        QCOMPARE(text("well"), before);
        QCOMPARE(words->textCursor().position(), 4);
    }

    void partsInAnotherOrder() {
        AnswerPage& page = window_->answerPage();
        page.setFocus();
        const auto before = order();
        const auto at = std::find(before.begin(), before.end(), "target");
        while (page.chosenRow()->part() != "target") QTest::keyClick(&page, Qt::Key_Down);
        QTest::keyClick(&page, Qt::Key_Up, Qt::AltModifier);
        auto moved = before;
        std::iter_swap(moved.begin() + (at - before.begin()), moved.begin() + (at - before.begin()) - 1);
        QCOMPARE(order(), moved);
        QCOMPARE(page.chosenRow()->part(), std::string("target")); // and may be moved on
        for (int i = 0; i < 12; ++i) QTest::keyClick(&page, Qt::Key_Up, Qt::AltModifier);
        QCOMPARE(order()[0], std::string("greeting"));
        QCOMPARE(order()[1], std::string("target"));
        while (order() != before) undoIn(&page);
        QVERIFY(session().inputs().order.empty());
    }

    void spelling() {
        AnswerPage& page = window_->answerPage();
        auto* help = window_->findChild<LetterWords*>();
        QVERIFY(QTest::qWaitFor([&] { return help->hasDictionary(); }, kPatience_ms));
        // What the program says is right, names included.
        page.setFocus();
        QTest::keyClick(&page, Qt::Key_F7);
        QVERIFY2(window_->message().contains(QStringLiteral("spelt right")), qPrintable(window_->message()));
        GrowingText* words = field("target");
        words->setFocus();
        words->moveCursor(QTextCursor::End);
        QTest::keyClicks(words, QStringLiteral(" Keep your pelvs still, Ruta, on the Zwirbel."));
        const auto marked = [&] {
            int ranges = 0;
            for (QTextBlock b = words->document()->firstBlock(); b.isValid(); b = b.next())
                ranges += int(b.layout()->formats().size());
            return ranges;
        };
        QCOMPARE(marked(), 2);
        QTest::keyClick(words, Qt::Key_F7);
        QCOMPARE(words->textCursor().selectedText(), QStringLiteral("pelvs"));
        pick(QStringLiteral("pelvis"));
        QVERIFY(text("target").ends_with("Keep your pelvis still, Ruta, on the Zwirbel."));
        QCOMPARE(marked(), 1);
        QTest::keyClick(words, Qt::Key_F7);
        QCOMPARE(words->textCursor().selectedText(), QStringLiteral("Zwirbel"));
        pick(QStringLiteral("“Zwirbel” is right"));
        QCOMPARE(marked(), 0);
        QCOMPARE(readOwnWords(window_->library().folder()).value().spelling, std::vector<std::string>{"Zwirbel"});
        QTest::keyClick(words, Qt::Key_F7);
        QVERIFY(window_->message().contains(QStringLiteral("spelt right")));
        window_->say({});
    }

    void ownSentences() {
        AnswerPage& page = window_->answerPage();
        GrowingText* words = field("close");
        words->setFocus();
        words->moveCursor(QTextCursor::End);
        QTest::keyClicks(words, QStringLiteral(" Have a good tour, Ruta!"));
        for (int i = 0; i < 23; ++i) words->moveCursor(QTextCursor::Left, QTextCursor::KeepAnchor);
        QTest::keyClick(words, Qt::Key_I, Qt::ControlModifier);
        pick(QStringLiteral("Keep the selection"));
        auto* ask = window_->findChild<KeepSentence*>();
        QVERIFY(ask);
        QCOMPARE(ask->text().toPlainText(), QStringLiteral("Have a good tour, {name}!"));
        auto* save = ask->findChild<QDialogButtonBox*>()->button(QDialogButtonBox::Save);
        QVERIFY(!save->isEnabled()); // without a name
        QTest::keyClicks(&ask->name(), QStringLiteral("Tour"));
        ask->text().setPlainText(QStringLiteral("Have a good tour, {nobody}!"));
        save->click();
        bool complained = false;
        for (QLabel* label : ask->findChildren<QLabel*>()) complained |= label->text().contains(QStringLiteral("{nobody}"));
        QVERIFY(complained);
        ask->text().setPlainText(QStringLiteral("Have a good tour, {name}, with {exercise}!"));
        save->click();
        QVERIFY2(window_->message().contains(QStringLiteral("Tour")), qPrintable(window_->message()));
        QCOMPARE(readOwnWords(window_->library().folder()).value().sentences.front().name, std::string("Tour"));

        window_->activateWindow();
        page.setFocus();
        while (page.chosenRow()->part() != "well") QTest::keyClick(&page, Qt::Key_Up);
        const std::string before = text("well");
        QTest::keyClick(&page, Qt::Key_I);
        pick(QStringLiteral("Tour"));
        QCOMPARE(text("well"), before + " Have a good tour, Ruta, with " + session().exercise().name + "!");
        undoIn(&page);
        QCOMPARE(text("well"), before);
        // It is there in every letter from now on, until it is removed.
        QTest::keyClick(&page, Qt::Key_I);
        for (QMenu* menu : QApplication::activePopupWidget()->findChildren<QMenu*>())
            for (QAction* a : menu->actions())
                if (a->text() == QStringLiteral("Tour")) a->trigger();
        QApplication::activePopupWidget()->close();
        QVERIFY(readOwnWords(window_->library().folder()).value().sentences.empty());
    }

    /// A file that cannot be read is told, and never written over.
    void aFileThatIsBroken() {
        const auto file = window_->library().folder() / "own-words.json";
        QVERIFY(writeFileAtomically(file, "{\"format\": \"deft-mirror-own-words\", \"version\": 9}"));
        LetterWords words(window_->library().folder());
        QVERIFY(!words.read());
        QCOMPARE(words.keep({"a", "b"}).error().code, Errc::NewerVersion);
        QVERIFY(readFile(file).value().find("9}") != std::string::npos);
    }
};

QTEST_MAIN(WordingTest)
#include "wording_test.moc"
