// SPDX-License-Identifier: GPL-3.0-or-later
// Every room for somebody who does not see it, or has no mouse: names of all controls, Tab through all of them in both
// directions with the focus in sight, and contrasts measured from the pixels, in both themes.
#include "app/answer/keep_sentence.h"
#include "app/answer/speak_form.h"
#include "app/client/client_page.h"
#include "app/exercises/exercises_page.h"
#include "app/practice/practice_page.h"
#include "app/programme/programme_page.h"
#include "app/theme/palette.h"
#include "support/driven_window.h"

#include <QAbstractButton>
#include <QAccessible>
#include <QComboBox>
#include <QDateTimeEdit>
#include <QDialog>
#include <QLabel>
#include <QScrollArea>
#include <QScrollBar>
#include <QStackedWidget>
#include <array>
#include <cmath>
#include <set>

using namespace deft;
using namespace deft::test;

class AccessibilityTest : public DrivenWindow {
    Q_OBJECT

    static constexpr std::array kRooms = {MainWindow::Queue,      MainWindow::Bench,     MainWindow::Compare,
                                          MainWindow::Letter,     MainWindow::Record,    MainWindow::Programmes,
                                          MainWindow::Exercises,  MainWindow::Practice};

    void enter(MainWindow::Room room) {
        window_->go(room);
        QTest::qWait(80);
        QCOMPARE(window_->room(), room);
    }

    static QString told(QAccessibleInterface* node) {
        QString words;
        for (QAccessibleInterface* n = node; n; n = n->parent()) {
            const auto* object = n->object();
            words += QStringLiteral(" < %1 (role %2, “%3”)")
                         .arg(object ? QLatin1String(object->metaObject()->className()) : QStringLiteral("part"))
                         .arg(int(n->role()))
                         .arg(n->text(QAccessible::Name).left(30));
        }
        return words;
    }

    static bool needsName(QAccessible::Role role) {
        switch (role) {
        case QAccessible::Button:
        case QAccessible::ButtonMenu:
        case QAccessible::CheckBox:
        case QAccessible::RadioButton:
        case QAccessible::ComboBox:
        case QAccessible::EditableText:
        case QAccessible::SpinBox:
        case QAccessible::Slider:
        case QAccessible::Table:
        case QAccessible::Tree:
        case QAccessible::List:
        case QAccessible::Graphic:
        case QAccessible::Link:
        case QAccessible::StaticText:
        case QAccessible::PageTab:
            return true;
        default:
            return false;
        }
    }

    /// Nodes without a name, and such as are not where their parent says.
    static void walk(QAccessibleInterface* node, QStringList& wrong, int& count, int depth = 0) {
        QVERIFY(depth < 40);
        ++count;
        const QAccessible::State state = node->state();
        if (state.invisible) return;
        const auto* widget = qobject_cast<QWidget*>(node->object());
        const bool focusable = widget && widget->isVisible() && (widget->focusPolicy() & Qt::TabFocus) &&
                               !qobject_cast<const QScrollArea*>(widget);
        const bool partOfAField = node->parent() && (node->parent()->role() == QAccessible::ComboBox ||
                                                     node->parent()->role() == QAccessible::SpinBox);
        if ((needsName(node->role()) || focusable) && !partOfAField && node->text(QAccessible::Name).isEmpty() &&
            !(node->role() == QAccessible::StaticText && widget && !widget->isVisible()))
            wrong << QStringLiteral("without a name:") + told(node);
        if (node->role() == QAccessible::ComboBox || node->tableInterface()) {
            if (node->tableInterface()) { // the offscreen platform does not tell Qt's own tables that a model has changed
                QAccessibleTableModelChangeEvent reset(node->object(), QAccessibleTableModelChangeEvent::ModelReset);
                node->tableInterface()->modelChange(&reset);
            }
            for (int i = 0; node->tableInterface() && i < node->tableInterface()->rowCount(); ++i) {
                bool named = false;
                for (int c = 0; c < node->tableInterface()->columnCount(); ++c)
                    if (auto* cell = node->tableInterface()->cellAt(i, c))
                        named |= !cell->text(QAccessible::Name).isEmpty();
                if (!named) wrong << QStringLiteral("row %1 without a word:").arg(i) + told(node);
            }
            return; // items of a list that is not open, and cells
        }
        for (int i = 0; i < node->childCount(); ++i) {
            QAccessibleInterface* child = node->child(i);
            if (!child || !child->isValid()) {
                wrong << QStringLiteral("stale child %1:").arg(i) + told(node);
                continue;
            }
            walk(child, wrong, count, depth + 1);
        }
    }

    static double luminance(const QColor& c) {
        const auto linear = [](double v) { return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4); };
        return 0.2126 * linear(c.redF()) + 0.7152 * linear(c.greenF()) + 0.0722 * linear(c.blueF());
    }
    /// WCAG 2.2, "contrast ratio": https://www.w3.org/TR/WCAG22/#dfn-contrast-ratio
    static double contrast(const QColor& a, const QColor& b) {
        const double x = luminance(a), y = luminance(b);
        return (std::max(x, y) + 0.05) / (std::min(x, y) + 0.05);
    }

    /// Of a picture with words: of the colour that is most of it, and the one that stands out most from that.
    static double contrastOfWords(const QImage& picture) {
        QHash<QRgb, int> count;
        for (int y = 0; y < picture.height(); ++y)
            for (int x = 0; x < picture.width(); ++x) ++count[picture.pixel(x, y)];
        const auto ground = std::max_element(count.begin(), count.end());
        double most = 1;
        for (auto it = count.begin(); it != count.end(); ++it)
            if (it.value() > 2) most = std::max(most, contrast(QColor(it.key()), QColor(ground.key())));
        return most;
    }

    QWidget* focus() { return QApplication::focusWidget(); }
    static QString named(const QWidget* w) {
        return w ? QStringLiteral("%1 “%2”").arg(QLatin1String(w->metaObject()->className()), w->accessibleName())
                 : QStringLiteral("nothing");
    }

    /// A room, or a form that opens inside of it or before it.
    struct Place {
        const char* name;
        MainWindow::Room room;
        std::function<void()> open{}; ///< nothing = the room itself
        std::function<void()> leave{};
    };
    std::vector<Place> places() {
        std::vector<Place> all;
        for (const auto room : kRooms) all.push_back({"", room});
        const auto press = [this](QWidget* where, Qt::Key key, Qt::KeyboardModifiers with = {}) {
            where->setFocus();
            QTest::keyClick(where, key, with);
        };
        const auto escape = [this] { QTest::keyClick(focus() ? focus() : window_.get(), Qt::Key_Escape); };
        all.push_back({"your name", MainWindow::Queue, [=, this] { press(page(), Qt::Key_Comma, Qt::ControlModifier); }, escape});
        all.push_back({"a new clip", MainWindow::Queue,
                       [this] {
                           window_->queuePage().bringIn(QStringLiteral(DEFT_SOURCE_DIR "/demo/clips/ruta-bridge-march.mp4"));
                           QTest::qWait(500);
                       },
                       escape});
        all.push_back({"correct a clip", MainWindow::Queue,
                       [=, this] {
                           window_->queuePage().chooseClip(clipOf("Tom"));
                           press(page(), Qt::Key_E);
                       },
                       escape});
        all.push_back({"overrule", MainWindow::Bench, [=, this] { press(page(), Qt::Key_O); }, escape});
        all.push_back({"edit landmarks", MainWindow::Bench, [=, this] { press(page(), Qt::Key_M); }, [this] { stage().setMending(false); }});
        all.push_back({"edit a client", MainWindow::Record, [=, this] { press(&window_->clientPage(), Qt::Key_E); }, escape});
        all.push_back({"erase", MainWindow::Record, [=, this] { press(&window_->clientPage(), Qt::Key_Delete); }, escape});
        all.push_back({"own file of an exercise", MainWindow::Exercises,
                       [=, this] { press(&window_->exercisesPage().list(), Qt::Key_E); },
                       [this] { window_->exercisesPage().setEditing(false); }});
        const auto closeDialogs = [this] {
            for (QDialog* d : window_->findChildren<QDialog*>()) d->reject();
            QTest::qWait(10);
            window_->activateWindow();
            QVERIFY(QTest::qWaitForWindowActive(window_.get()));
        };
        all.push_back({"keep a sentence", MainWindow::Letter,
                       [this] { (new KeepSentence(QStringLiteral("Well done."), &window_->answerPage()))->show(); }, closeDialogs});
        all.push_back({"speak over the clip", MainWindow::Letter,
                       [this] {
                           (new SpeakForm(std::make_unique<Speaking>(session(), window_->library(), std::make_unique<SimulatedMicrophone>(
                                                                                        DEFT_SOURCE_DIR "/demo/microphone.wav")),
                                          window_.get()))
                               ->open();
                       },
                       closeDialogs});
        all.push_back({"keys", MainWindow::Bench, [this] { QTest::keyClick(window_.get(), Qt::Key_Question); }, closeDialogs});
        all.push_back({"guide", MainWindow::Bench, [this] { QTest::keyClick(window_.get(), Qt::Key_F1); }, closeDialogs});
        return all;
    }
    void placesData() {
        QTest::addColumn<int>("place");
        const auto all = places();
        for (int i = 0; i < int(all.size()); ++i) QTest::addRow("room %d %s", int(all[size_t(i)].room), all[size_t(i)].name) << i;
    }
    /// Goes there, does it with the window that has the keys then, and comes back.
    void at(const std::function<void(QWidget*)>& what) {
        QFETCH(int, place);
        const Place p = places()[size_t(place)];
        enter(p.room);
        if (p.open) {
            const int before = countVisible();
            p.open();
            QTest::qWait(200);
            QVERIFY2(countVisible() != before, "nothing has opened");
        }
        QWidget* top = window_.get();
        for (QDialog* d : window_->findChildren<QDialog*>())
            if (d->isVisible()) top = d;
        if (top != window_.get()) {
            top->activateWindow();
            QVERIFY(QTest::qWaitForWindowActive(top));
        }
        what(top);
        if (p.leave) p.leave();
    }
    int countVisible() const {
        int count = 0;
        for (const QWidget* w : window_->findChildren<QWidget*>()) count += w->isVisible();
        return count;
    }

    static bool hasParts(const QWidget* w) {
        const auto* label = qobject_cast<const QLabel*>(w);
        return qobject_cast<const QDateTimeEdit*>(w) || (label && label->text().contains(QStringLiteral("<a ")));
    }
    static bool takesTab(const QWidget* w, const QWidget* top) {
        return w->isVisible() && w->window() == top && w->isEnabled() && (w->focusPolicy() & Qt::TabFocus) && !w->focusProxy() &&
               !w->visibleRegion().isEmpty();
    }
    static bool anotherTakesTab(const QWidget* top, const QWidget* than) {
        for (const QWidget* w : top->findChildren<QWidget*>())
            if (w != than && takesTab(w, top)) return true;
        return false;
    }

    /// By Tab through all that takes keys, seen where it is, and the same way back.
    void goRound(QWidget* top) {
        QVERIFY(focus());
        std::vector<QWidget*> way;
        QStringList wrong;
        constexpr int kMost = 400;
        QWidget* first = nullptr;
        for (int i = 0; i < kMost; ++i) {
            QWidget* before = focus();
            const QImage unfocused = top->grab().toImage();
            QTest::keyClick(before, Qt::Key_Tab);
            for (int part = 0; part < 12 && focus() == before && hasParts(before); ++part)
                QTest::keyClick(before, Qt::Key_Tab); // day, month and year, or one link after the other
            QWidget* now = focus();
            if (now == before && way.empty() && !anotherTakesTab(top, now)) return; // a sheet to be read
            if (!now || now == before) {
                wrong << QStringLiteral("stuck at ") + named(before);
                break;
            }
            if (now == first) break;
            if (!first) first = now;
            way.push_back(now);
            // Where the focus is can be seen: pixels that differ from before by 3 : 1.
            const QImage focused = top->grab().toImage();
            const QRect at =
                QRect(now->mapTo(top, QPoint()), now->size()).adjusted(-4, -4, 4, 4) & focused.rect();
            int marked = 0;
            for (int y = at.top(); y <= at.bottom(); ++y)
                for (int x = at.left(); x <= at.right(); ++x)
                    if (focused.pixel(x, y) != unfocused.pixel(x, y))
                        marked += contrast(QColor(focused.pixel(x, y)), QColor(unfocused.pixel(x, y))) >= 3;
            constexpr int kSeen_px = 20;
            if (marked < kSeen_px) wrong << QStringLiteral("focus is not seen (%1 px) on ").arg(marked) + named(now);
        }
        QVERIFY2(way.size() < kMost, "Tab does not come round");
        const std::set<QWidget*> reached(way.begin(), way.end());
        for (QWidget* w : top->findChildren<QWidget*>())
            if (takesTab(w, top) && !reached.count(w))
                wrong << QStringLiteral("Tab never comes to ") + named(w);
        for (const QString& w : wrong) qWarning("%s", qPrintable(w));
        QVERIFY2(wrong.isEmpty(), qPrintable(QStringLiteral("%1 of %2").arg(wrong.size()).arg(way.size())));
        // The same way back.
        for (size_t i = way.size() - 1; i-- > 0;) {
            if (i == way.size() - 2) way.back()->setFocus(Qt::TabFocusReason);
            QWidget* before = focus();
            do QTest::keyClick(before, Qt::Key_Backtab);
            while (focus() == before && hasParts(before));
            if (focus() != way[i]) {
                wrong << QStringLiteral("back from %1 to %2 instead of %3").arg(named(way[i + 1]), named(focus()), named(way[i]));
                break;
            }
        }
        for (const QString& w : wrong) qWarning("%s", qPrintable(w));
        QVERIFY2(wrong.isEmpty(), qPrintable(QStringLiteral("%1 of %2").arg(wrong.size()).arg(way.size())));
    }

    void measureContrasts(QWidget* top, QStringList& wrong, int& count) {
        const QImage picture = top->grab().toImage();
        for (QWidget* w : top->findChildren<QWidget*>()) {
            const auto* label = qobject_cast<QLabel*>(w);
            const auto* button = qobject_cast<QAbstractButton*>(w);
            const bool worded = (label && !label->text().isEmpty()) || (button && !button->text().isEmpty()) ||
                                (qobject_cast<QComboBox*>(w) && !static_cast<QComboBox*>(w)->currentText().isEmpty());
            if (!worded || !w->isVisible() || w->window() != top || !w->isEnabled() || w->visibleRegion().isEmpty()) continue;
            const QRect at = w->visibleRegion().boundingRect().translated(w->mapTo(top, QPoint()));
            if (at.height() < 10 || at.width() < 8) continue;
            ++count;
            const QImage own = picture.copy(at);
            if (const double c = contrastOfWords(own); c < 4.5)
                wrong << QStringLiteral("%1 : 1 of %2, “%3”").arg(c, 0, 'f', 1).arg(named(w), label ? label->text().left(40) : button ? button->text() : QString());
            // Links have a colour of their own.
            if (label && label->text().contains(QStringLiteral("<a "))) {
                bool seen = false;
                const QColor link = colours().accent;
                for (int y = 0; y < own.height() && !seen; ++y)
                    for (int x = 0; x < own.width() && !seen; ++x) seen = own.pixelColor(x, y) == link;
                if (!seen) wrong << QStringLiteral("links of another colour in “%1”").arg(label->text().left(60));
            }
        }
    }

private slots:
    void initTestCase() {
        qputenv("DEFT_MIRROR_KEYPOINTS", "/nowhere");
        prepare();
        {
            auto library = Library::open(dir_.filePath(QStringLiteral("demo")).toStdString()).value();
            QVERIFY(fillSeason(*library, QDate::currentDate()).has_value()); // somebody is expected
        }
        openWindow(QStringLiteral("demo"));
        openRuta();
    }

    void names_data() { placesData(); }
    void names() {
        at([](QWidget* top) {
            QStringList wrong;
            int count = 0;
            walk(QAccessible::queryAccessibleInterface(top), wrong, count);
            for (const QString& w : wrong) qWarning("%s", qPrintable(w));
            QVERIFY2(wrong.isEmpty(), qPrintable(QStringLiteral("%1 of %2").arg(wrong.size()).arg(count)));
            QVERIFY(count > 5);
        });
    }

    void tab_data() { placesData(); }
    void tab() { at([this](QWidget* top) { goRound(top); }); }

    /// What is written in labels, buttons and fields, and links, 4.5 : 1, in both themes and after a change of theme.
    void contrasts_data() { placesData(); }
    void contrasts() {
        QStringList wrong;
        int count = 0;
        for (const bool dark : {false, true, false}) {
            window_->setDark(dark);
            at([&](QWidget* top) {
                measureContrasts(top, wrong, count);
                count += top != window_.get(); // a form may be all text
            });
        }
        window_->setDark(false);
        for (const QString& w : wrong) qWarning("%s", qPrintable(w));
        QVERIFY2(wrong.isEmpty(), qPrintable(QStringLiteral("%1 of %2").arg(wrong.size()).arg(count)));
        QVERIFY(count >= 3);
    }

    /// A laptop's small screen: every room fits a window of 1024 × 700 without scrolling as a whole.
    void smallScreen() {
        window_->resize(1024, 700);
        QStringList wrong;
        for (const auto room : kRooms) {
            enter(room);
            for (QScrollArea* area : window_->findChildren<QScrollArea*>()) {
                auto* pages = qobject_cast<QStackedWidget*>(area->widget());
                if (!pages || !area->isVisible()) continue;
                const QSize over(area->horizontalScrollBar()->maximum(), area->verticalScrollBar()->maximum());
                if (over.width() > 0)
                    for (QWidget* w : pages->currentWidget()->findChildren<QWidget*>())
                        if (w->isVisible() && w->minimumSizeHint().width() > 200)
                            qWarning("%s wants %d (%d)", qPrintable(named(w)), w->minimumSizeHint().width(), w->width());
                if (!over.isNull())
                    wrong << QStringLiteral("room %1: %2 × %3 px too large, wants %4 × %5")
                                 .arg(room).arg(over.width()).arg(over.height())
                                 .arg(pages->currentWidget()->minimumSizeHint().width())
                                 .arg(pages->currentWidget()->minimumSizeHint().height());
            }
        }
        window_->resize(1280, 800);
        for (const QString& w : wrong) qWarning("%s", qPrintable(w));
        QVERIFY(wrong.isEmpty());
        // Smaller still, the rooms scroll.
        window_->resize(800, 500);
        QCOMPARE(window_->size(), QSize(800, 500));
        window_->resize(1280, 800);
    }

    /// Esc leads one level up from everywhere, in the end to the queue.
    void escapeLeadsUp() {
        for (const auto room : kRooms) {
            enter(room);
            for (int i = 0; i < 6 && window_->room() != MainWindow::Queue; ++i) {
                QTest::keyClick(focus() ? focus() : window_.get(), Qt::Key_Escape);
                QTest::qWait(10);
            }
            QVERIFY2(window_->room() == MainWindow::Queue, qPrintable(QString::number(room)));
        }
    }
};

QTEST_MAIN(AccessibilityTest)
#include "accessibility_test.moc"
