// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// How long from a key to the picture that it asks for, while clips come in and are looked at and measured.

#include "base/files.h"
#include "base/json.h"
#include "records/parcel.h"
#include "support/driven_window.h"

#include <QElapsedTimer>

namespace deft::test {

class KeysUnderLoad : public DrivenWindow {
public:
    struct Times {
        double median_ms = 0, p95_ms = 0, worst_ms = 0;
        int clips = 0; ///< that still waited or were being worked on at the end: there was load all the time
    };

    /// @param clips that come in before the first key; 0 = nothing goes on beside
    Times run(int clips, int keys = 200) {
        prepare();
        openWindow(QStringLiteral("demo"));
        openRuta();
        const std::filesystem::path film = session().inputs().clipPath, inbox = window_->inbox().folder();
        for (int i = 0; i < clips; ++i) {
            const std::string name = "client-" + std::to_string(i);
            std::filesystem::copy_file(film, inbox / (name + ".mp4"));
            Parcel p;
            p.client = name, p.clip = name + ".mp4", p.exercise = "bridge", p.sent = "2026-05-20";
            (void)writeFileAtomically(inbox / (name + ".json"), toText(toJson(p)));
        }
        stage().installEventFilter(this);
        std::vector<double> times;
        for (int i = 0; i < keys; ++i) {
            const Qt::Key key = i % 10 == 9 ? Qt::Key_Down : i % 5 == 4 ? Qt::Key_J : Qt::Key_Right;
            painted_ = false;
            QElapsedTimer clock;
            clock.start();
            QTest::keyClick(&stage(), key);
            while (!painted_ && clock.elapsed() < 5000) QCoreApplication::processEvents(QEventLoop::AllEvents, 5);
            times.push_back(double(clock.nsecsElapsed()) / 1e6);
            QTest::qWait(30); // a coach's fingers
        }
        stage().removeEventFilter(this);
        std::sort(times.begin(), times.end());
        Times t{times[times.size() / 2], times[times.size() * 95 / 100], times.back()};
        t.clips = session().offered().proposer().waiting() + window_->measurer().waiting() +
                  int(!session().offered().proposer().isIdle()) + int(!window_->inbox().isIdle());
        session().offered().proposer().stop();
        window_.reset();
        return t;
    }

protected:
    bool eventFilter(QObject*, QEvent* event) override {
        painted_ = painted_ || event->type() == QEvent::Paint;
        return false;
    }

private:
    bool painted_ = false;
};

} // namespace deft::test
