// SPDX-License-Identifier: GPL-3.0-or-later
// Two languages at once: the window speaks German to the coach while a letter goes out in Spanish.
#include "app/answer/answer_row.h"
#include "app/bench/moment_strip.h"
#include "app/bench/readings_panel.h"
#include "app/bench/readings_table.h"
#include "app/client/client_page.h"
#include "app/compare/difference_table.h"
#include "app/exercises/exercises_page.h"
#include "app/programme/programme_page.h"
#include "app/theme/window_language.h"
#include "app/window/guide.h"
#include "base/data_folder.h"
#include "support/driven_window.h"
#include "support/pseudo_translator.h"

#include <QAbstractButton>
#include <QComboBox>
#include <QDir>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QRegularExpression>
#include <QTableView>
#include <QTextBrowser>

using namespace deft;
using namespace deft::ui;

class LanguagesTest : public test::DrivenWindow {
    Q_OBJECT

    /// Words of English that German has not, outside of what somebody has said or typed.
    static QString englishIn(QString text) {
        static const QRegularExpression tags(QStringLiteral("<[^>]*>")), quoted(QStringLiteral("[“„][^”“]*[”“]"));
        text.remove(tags), text.remove(quoted);
        static const QRegularExpression words(
            QStringLiteral("\\b(the|your|and|with|until|you|before|of|not|from|this|is|are|to|for|clip's|on|it)\\b"),
            QRegularExpression::CaseInsensitiveOption);
        return words.match(text).captured();
    }
    /// Every text that the window's own controls show or offer.
    QStringList texts() const {
        QStringList all;
        for (const QAction* a : window_->findChildren<QAction*>()) all << a->text() << a->toolTip();
        for (const QWidget* w : window_->findChildren<QWidget*>()) {
            all << w->toolTip() << w->accessibleName();
            if (const auto* label = qobject_cast<const QLabel*>(w)) all << label->text();
            if (const auto* button = qobject_cast<const QAbstractButton*>(w)) all << button->text();
            if (const auto* line = qobject_cast<const QLineEdit*>(w)) all << line->placeholderText();
            if (const auto* box = qobject_cast<const QComboBox*>(w))
                for (int i = 0; i < box->count(); ++i) all << box->itemText(i);
        }
        return all;
    }

    /// Where the words over a column begin and end, from the column's sides. px
    std::pair<int, int> inkOver(const QTableView& table, int column) const {
        const QHeaderView& header = *table.horizontalHeader();
        const QPoint corner(header.sectionViewportPosition(column), 0);
        const int width = header.sectionSize(column);
        const QRect place(header.viewport()->mapTo(window_.get(), corner), QSize(width, header.height()));
        const QImage shown = window_->grab(place).toImage().scaled(place.size());
        int first = width, last = -1;
        for (int i = 0; i < width; ++i)
            for (int j = 0; j < header.height(); ++j)
                if (shown.pixel(i, j) != shown.pixel(0, 0)) first = std::min(first, i), last = i;
        return {first, width - 1 - last};
    }

    /// In a language that ships none of them ends in dots, and no number below does.
    void wordsFitOverReadings() const {
        const auto* table = window_->benchPage().readings().findChild<QTableView*>();
        for (const int column : {ReadingsTable::Worst, ReadingsTable::Band, ReadingsTable::Tolerance,
                                 ReadingsTable::Last, ReadingsTable::WorstRep}) {
            const QString words = table->model()->headerData(column, Qt::Horizontal).toString();
            int room = table->columnWidth(column) - 6;
            if (column == ReadingsTable::WorstRep) room += table->columnWidth(ReadingsTable::BestRep);
            if (column == ReadingsTable::Worst)
                QVERIFY(QFontMetrics(face(Size::Body, QFont::DemiBold)).horizontalAdvance(QStringLiteral("−88,8 %")) <=
                        room);
            QVERIFY2(!words.isEmpty() && QFontMetrics(face(Size::Small)).horizontalAdvance(words) <= room,
                     qPrintable(words));
        }
    }

private slots:
    void initTestCase() {
        qputenv("DEFT_MIRROR_KEYPOINTS", "/nowhere");
        prepare();
        speakToCoach(*Catalogue::load(dataFolder()).value(), QStringLiteral("de"));
        fill(QStringLiteral("german"));
        openWindow(QStringLiteral("german"));
    }
    void cleanupTestCase() { window_.reset(); }

    /// Each room is entered, and nothing English is left in it.
    void everyRoomInGerman() {
        for (const Client& client : window_->library().clients())
            QVERIFY(window_->library().setLanguage(client.id, "de"));
        openRuta();
        for (const auto room :
             {MainWindow::Queue, MainWindow::Bench, MainWindow::Compare, MainWindow::Letter, MainWindow::Record,
              MainWindow::Programmes, MainWindow::Exercises, MainWindow::Practice}) {
            window_->go(room);
            QTest::qWait(50);
            for (const QString& text : texts())
                QVERIFY2(englishIn(text).isEmpty(),
                         qPrintable(QStringLiteral("%1: %2: %3").arg(room).arg(englishIn(text), text)));
        }
        wordsFitOverReadings();
    }

    /// The guide, too: page by page what the English one says, with its keys and its picture.
    void guideInGerman() {
        Guide guide;
        QDir english(QStringLiteral(":/guide"));
        QCOMPARE(guide.contents().count(), english.entryList({QStringLiteral("*.md")}, QDir::Files).size());
        guide.show();
        for (int i = 0; i < guide.contents().count(); ++i) {
            guide.contents().setCurrentRow(i);
            const QString german = guide.contents().item(i)->data(Qt::UserRole).toString();
            QVERIFY2(englishIn(german).isEmpty(), qPrintable(englishIn(german) + QLatin1String(": ") + german));
            const QString name = english.entryList({QStringLiteral("%1-*.md").arg(i + 1)}).value(0);
            QFile page(english.filePath(name));
            QVERIFY2(page.open(QIODevice::ReadOnly), qPrintable(name));
            const QString source = QString::fromUtf8(page.readAll());
            for (const char* part : {"\n- ", "\n1. ", "**", "![", "|"}) // as many points, keys, pictures, columns
                QCOMPARE(german.count(QLatin1String(part)), source.count(QLatin1String(part)));
            static const QRegularExpression picture(QStringLiteral("\\((\\.\\.[^)]*)\\)"));
            const QString url = picture.match(german).captured(1);
            if (url.isEmpty()) continue;
            const auto shown =
                guide.page().document()->resource(QTextDocument::ImageResource, QUrl(url)).value<QPixmap>();
            QVERIFY2(!shown.isNull(), qPrintable(url));
            QVERIFY(shown.deviceIndependentSize().width() <= guide.page().viewport()->width());
        }
    }

    /// The facts for the coach are German, the words to the client Spanish.
    void letterInTheClientsLanguage() {
        openRuta();
        window_->go(MainWindow::Record);
        QTest::keyClick(window_.get(), Qt::Key_5, Qt::AltModifier);
        ClientForm& form = window_->clientPage().form();
        QTest::keyClick(&window_->clientPage(), Qt::Key_E);
        QVERIFY(form.isVisible());
        form.language().setCurrentIndex(form.language().findText(QStringLiteral("Español")));
        form.keep();
        QCOMPARE(session().inputs().language, std::string("es"));
        const Answer& answer = session().answer();
        QCOMPARE(answer.language->code(), std::string("es"));
        QVERIFY(answer.find("greeting")->text.starts_with("Hola, Ruta"));
        QVERIFY(answer.find("target")->text.starts_with("Hasta la próxima: "));
        QCOMPARE(answer.find("target")->title, std::string("Nächstes Ziel"));
        for (const AnswerPart& part : answer.parts)
            for (const std::string& fact : part.facts)
                QVERIFY2(englishIn(QString::fromStdString(fact)).isEmpty(), fact.c_str());
        // It is hers from now on, in the library, too.
        QCOMPARE(window_->library().clip(clipOf("Ruta"))->draft.language, std::string("es"));
    }

    /// Longer words, from right to left: no room breaks, and nothing that is shown in one line is cut. The last test,
    /// for it stays so.
    void longerAndFromTheRight() {
        test::speakPseudo();
        fill(QStringLiteral("pseudo"));
        openWindow(QStringLiteral("pseudo"));
        openRuta();
        QStringList cut;
        for (const auto room :
             {MainWindow::Queue, MainWindow::Bench, MainWindow::Compare, MainWindow::Letter, MainWindow::Record,
              MainWindow::Programmes, MainWindow::Exercises, MainWindow::Practice}) {
            window_->go(room);
            QTest::qWait(100);
            for (QWidget* w : window_->findChildren<QWidget*>()) {
                if (!w->isVisibleTo(window_.get()) || w->visibleRegion().isEmpty()) continue;
                const auto* label = qobject_cast<const QLabel*>(w);
                const auto* button = qobject_cast<const QAbstractButton*>(w);
                const bool oneLine =
                    label ? !label->wordWrap() && !label->text().isEmpty() : button && !button->text().isEmpty();
                const int seen = w->visibleRegion().boundingRect().width() + 8; // of a key's button the edge is air
                if (oneLine && std::min(seen, w->width()) < w->minimumSizeHint().width())
                    cut << QStringLiteral("%1: %2: %3 of %4 px")
                               .arg(room)
                               .arg(label ? label->text() : button->text())
                               .arg(std::min(seen, w->width()))
                               .arg(w->minimumSizeHint().width());
            }
            if (room == MainWindow::Bench) { // what is painted keeps its places, and so does a number's sign
                const auto* strip = window_->findChild<MomentStrip*>();
                QVERIFY(strip->findChild<QAbstractButton*>()->x() > strip->width() / 2);
                const auto* table = window_->benchPage().readings().findChild<QTableView*>();
                QCOMPARE(table->layoutDirection(), Qt::LeftToRight);
                for (const int column : {ReadingsTable::Worst, ReadingsTable::Tolerance, ReadingsTable::Last}) {
                    const auto [before, after] = inkOver(*table, column); // none runs into the next one
                    QVERIFY2(before >= 2 && after >= 2,
                             qPrintable(QStringLiteral("%1: %2, %3").arg(column).arg(before).arg(after)));
                }
            }
            if (room == MainWindow::Compare) { // words stand over the ends of their numbers
                const auto* table = window_->comparePage().findChild<DifferencePanel*>()->findChild<QTableView*>();
                const auto [before, after] = inkOver(*table, DifferenceTable::Change);
                QVERIFY2(before > 10 && after < 6, qPrintable(QStringLiteral("%1, %2").arg(before).arg(after)));
            }
            QVERIFY2(window_->width() <= 1280,
                     qPrintable(QStringLiteral("room %1 needs %2 px").arg(room).arg(window_->width())));
        }
        QVERIFY2(cut.isEmpty(), qPrintable(cut.join(QLatin1Char('\n'))));
    }
};

QTEST_MAIN(LanguagesTest)
#include "languages_test.moc"
