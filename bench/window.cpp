// SPDX-License-Identifier: GPL-3.0-or-later
// How long the window's thread is away: for each thing that a coach does, the longest time from one turn of the event
// loop to the next, and how long the whole took. Usage: QT_QPA_PLATFORM=offscreen bench_window
#include "../tests/support/driven_window.h"

#include <QAbstractEventDispatcher>
#include <QElapsedTimer>
#include <cstdio>

using namespace deft;
using namespace deft::ui;

namespace {

class WindowBench : public test::DrivenWindow {
public:
    int run() {
        prepare();
        window_ =
            std::make_unique<MainWindow>(Library::open(dir_.filePath(QStringLiteral("demo")).toStdString()).value());
        auto* loop = QAbstractEventDispatcher::instance();
        connect(loop, &QAbstractEventDispatcher::awake, this, [this] { turn_.start(); });
        connect(loop, &QAbstractEventDispatcher::aboutToBlock, this, [this] { note(); });
        std::printf("%-34s %12s %12s\n", "", "away, ms", "whole, ms");
        step(
            "show the window", [this] { window_->show(); }, [this] { return window_->isVisible(); });
        const qint64 ruta = clipOf("Ruta");
        step(
            "open a clip and measure it", [&] { window_->openClip(ruta); }, [this] { return isMeasured(); });
        step("step twenty frames", [this] {
            for (int i = 0; i < 20; ++i) session().setFrame(session().frame() + 1);
        });
        step("go through the moments", [this] {
            for (int i = 0; i < 6; ++i) key(Qt::Key_J);
        });
        step("agree", [this] { key(Qt::Key_A); });
        step("another neutral", [this] { session().setNeutral(session().frame()); });
        step("undo", [this] { session().undoStack().undo(); });
        step("the answer", [this] { window_->go(MainWindow::Letter); });
        step("a word of the coach's own",
             [this] { session().edit(QStringLiteral("words"), [](ReviewInputs& in) { in.words["well"] = "Fine."; }); });
        step("compare", [this] { window_->go(MainWindow::Compare); });
        step("the client", [this] { window_->go(MainWindow::Record); });
        step("exercises", [this] { window_->go(MainWindow::Exercises); });
        step("the answer again", [this] { window_->go(MainWindow::Letter); });
        step(
            "file it", [this] { key(Qt::Key_Return, Qt::ControlModifier); },
            [this] { return session().isFiled() && window_->outgoing().isIdle(); });
        return 0;
    }

private:
    QElapsedTimer turn_;
    double away_ms_ = 0;

    void note() {
        if (turn_.isValid()) away_ms_ = std::max(away_ms_, double(turn_.nsecsElapsed()) / 1e6);
        turn_.invalidate();
    }
    bool isMeasured() { return session().review() != nullptr && !session().job().isRunning(); }
    qint64 clipOf(const char* name) {
        for (const Clip& c : window_->library().clips())
            if (!c.filed && c.draft.client.starts_with(name)) return c.id;
        return 0;
    }
    template <class Act> void step(const char* what, Act act, const std::function<bool()>& done = {}) {
        away_ms_ = 0;
        QElapsedTimer whole;
        whole.start();
        turn_.start();
        act(); // as the event loop would, in one turn
        note();
        QEventLoop wait;
        QTimer look;
        int quiet = 0;
        connect(&look, &QTimer::timeout, &wait, [&] {
            if ((!done || done()) && ++quiet > 5) wait.quit(); // and what it has left for later
        });
        look.start(10);
        wait.exec();
        std::printf("%-34s %12.1f %12.0f\n", what, away_ms_, double(whole.elapsed()) - 60);
        std::fflush(stdout);
    }
};

} // namespace

int main(int argc, char** argv) {
    QApplication app(argc, argv);
    return WindowBench().run();
}
