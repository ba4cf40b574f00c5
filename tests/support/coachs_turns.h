// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// What a coach does at a clip, one thing after the other, and how long each turn of the window's event loop takes.

#include "support/driven_window.h"

#include <QAbstractEventDispatcher>
#include <QElapsedTimer>
#include <ctime>

namespace deft::test {

class CoachsTurns : public DrivenWindow {
public:
    struct Step {
        QString what;
        double away_ms = 0;    ///< the longest turn, by the clock
        double busy_ms = 0;    ///< the turn with the most processor time of the window's thread: other work on the
                               ///< machine does not count
        qint64 whole_ms = 0;   ///< until it was done, with what was left for later
    };

    std::vector<Step> run() {
        prepare();
        window_ =
            std::make_unique<MainWindow>(Library::open(dir_.filePath(QStringLiteral("demo")).toStdString()).value());
        window_->session().letter().filing().setGrace(0);
        auto* loop = QAbstractEventDispatcher::instance();
        connect(loop, &QAbstractEventDispatcher::awake, this, [this] { begin(); });
        connect(loop, &QAbstractEventDispatcher::aboutToBlock, this, [this] { note(); });
        step(
            "show the window", [this] { window_->show(); }, [this] { return window_->isVisible(); });
        const qint64 ruta = clipOf("Ruta");
        step(
            "open a clip and measure it", [&] { window_->openClip(ruta); }, [this] { return isMeasured(); });
        step("step twenty frames", [this] {
            for (int i = 0; i < 20; ++i) session().place().setFrame(session().place().frame() + 1);
        });
        step("go through the moments", [this] {
            for (int i = 0; i < 6; ++i) key(Qt::Key_J);
        });
        step("agree", [this] { key(Qt::Key_A); });
        step("another neutral", [this] { session().deciding().setNeutral(session().place().frame()); });
        step("undo", [this] { session().undoStack().undo(); });
        step("the answer", [this] { window_->go(MainWindow::Letter); });
        step("a word of the coach's own",
             [this] { session().edit(QStringLiteral("words"), [](ReviewInputs& in) { in.words["well"] = "Fine."; }); });
        step("compare", [this] { window_->go(MainWindow::Compare); });
        step("the client", [this] { window_->go(MainWindow::Record); });
        step("the programme", [this] { window_->go(MainWindow::Programmes); });
        step("exercises", [this] { window_->go(MainWindow::Exercises); });
        step("the answer again", [this] { window_->go(MainWindow::Letter); });
        step(
            "file it", [this] { key(Qt::Key_Return, Qt::ControlModifier); },
            [this] { return session().isFiled() && window_->outgoing().isIdle(); });
        disconnect(loop, nullptr, this, nullptr);
        return std::move(steps_);
    }

private:
    std::vector<Step> steps_;
    QElapsedTimer turn_;
    double busySince_ = 0;

    static double busyNow_ms() {
        timespec t{};
        clock_gettime(CLOCK_THREAD_CPUTIME_ID, &t);
        return double(t.tv_sec) * 1e3 + double(t.tv_nsec) / 1e6;
    }
    void begin() { turn_.start(), busySince_ = busyNow_ms(); }
    void note() {
        if (!turn_.isValid() || steps_.empty()) return;
        Step& s = steps_.back();
        s.away_ms = std::max(s.away_ms, double(turn_.nsecsElapsed()) / 1e6);
        s.busy_ms = std::max(s.busy_ms, busyNow_ms() - busySince_);
        turn_.invalidate();
    }
    bool isMeasured() { return session().review() != nullptr && !session().job().isRunning(); }
    template <class Act> void step(const char* what, Act act, const std::function<bool()>& done = {}) {
        steps_.push_back({QString::fromLatin1(what)});
        QElapsedTimer whole;
        whole.start();
        begin();
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
        steps_.back().whole_ms = whole.elapsed() - 60;
    }
};

} // namespace deft::test
