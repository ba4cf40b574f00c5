// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// The real window over a copy of the demo library, driven as a coach would: by keys, presses and drags.

#include "app/answer/answer_page.h"
#include "app/bench/bench_page.h"
#include "app/compare/compare_page.h"
#include "app/queue/queue_page.h"
#include "app/widgets/style.h"
#include "app/window/demo.h"
#include "app/window/main_window.h"
#include "support/patience.h"

#include <QApplication>
#include <QStandardPaths>
#include <QTemporaryDir>
#include <QTest>

namespace deft::test {

using namespace deft::ui;

class DrivenWindow : public QObject {
protected:
    QTemporaryDir dir_;
    std::unique_ptr<MainWindow> window_;
    int actions_ = 0; ///< deliberate actions since the clip was opened

    /// Colours, typeface, and the demo library in `demo`.
    void prepare() {
        QStandardPaths::setTestModeEnabled(true);
        QCoreApplication::setApplicationName(QStringLiteral("deft-mirror-test"));
        loadTypeface();
        applyStyle(*qApp);
        if (qEnvironmentVariableIsSet("DEFT_FROM_THE_RIGHT")) QApplication::setLayoutDirection(Qt::RightToLeft);
        fill(QStringLiteral("demo"));
    }
    void fill(const QString& name) {
        auto library = Library::open(dir_.filePath(name).toStdString()).value();
        const auto filled = fillDemo(*library, QDate::currentDate());
        QVERIFY2(filled.has_value(), filled ? "" : filled.error().detail().c_str());
    }
    /// A day of the demo's list, as the library has it: moved so that the list's own "today" is this one.
    static std::string demoDay(const char* iso) {
        return shiftedDay(iso, QDate(2026, 5, 18).daysTo(QDate::currentDate()));
    }
    /// Pictures leave only with their faces covered, which takes the keypoint network; other tests do without it.
    static bool hasNetwork() {
        qunsetenv("DEFT_MIRROR_KEYPOINTS");
        return KeypointNetwork::load(KeypointNetwork::usualPlace()).has_value();
    }
    ReviewSession& session() { return window_->session(); }
    StagePicture& stage() { return window_->benchPage().stage(); }
    QWidget* page() {
        return window_->room() == MainWindow::Queue     ? static_cast<QWidget*>(&window_->queuePage().list())
               : window_->room() == MainWindow::Bench   ? &stage()
               : window_->room() == MainWindow::Compare ? static_cast<QWidget*>(&window_->comparePage())
                                                        : static_cast<QWidget*>(&window_->answerPage());
    }
    void key(Qt::Key k, Qt::KeyboardModifiers m = Qt::NoModifier) {
        ++actions_;
        QTest::keyClick(page(), k, m);
    }
    bool measured() {
        return QTest::qWaitFor([&] { return session().review() != nullptr && !session().job().isRunning(); },
                               kPatience_ms);
    }
    bool isSaid(const QString& words) {
        return QTest::qWaitFor([&] { return window_->message().contains(words); }, kPatience_ms);
    }
    bool filed() {
        return QTest::qWaitFor([&] { return session().isFiled(); }, kPatience_ms);
    }
    /// Waits for the frame itself: no mark is set on the small picture that stands in for it.
    bool pictureIsThere() {
        return QTest::qWaitFor(
            [&] { return stage().shownFrame() == session().place().frame() && !stage().isPreview(); }, kPatience_ms);
    }
    qint64 clipOf(const char* name, bool filed = false) {
        for (const Clip& c : window_->library().clips())
            if (c.filed == filed && c.draft.client.starts_with(name)) return c.id;
        return 0;
    }
    /// Opens the May clip with the tracks that were computed in the first test that needed them.
    void openRuta() {
        window_->openClip(clipOf("Ruta"));
        QVERIFY(measured());
    }
    void openWindow(const QString& name) {
        window_.reset();
        window_ = std::make_unique<MainWindow>(std::move(*Library::open(dir_.filePath(name).toStdString())));
        window_->session().letter().filing().setGrace(0);
        window_->resize(1280, 800);
        window_->show();
        QVERIFY(QTest::qWaitForWindowExposed(window_.get()));
        window_->activateWindow(); // a display without a window manager gives the keys to nobody by itself
        QVERIFY(QTest::qWaitForWindowActive(window_.get()));
    }
};

} // namespace deft::test
