// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/progress.h"
#include "base/result.h"

#include <QElapsedTimer>
#include <QObject>
#include <memory>
#include <thread>

namespace deft::ui {

/// What work comes to that a library ended by throwing; its kind is written to the log.
Error brokenOff(const std::exception* why);

/// One piece of long work on a thread of its own. Starting another, or stopping, ends the one before; results of work
/// that was stopped are dropped. What the work throws ends this work alone: a Result is Errc::Internal then, any other
/// result is empty. Lives in the interface's thread.
class BackgroundJob : public QObject {
    Q_OBJECT
public:
    using QObject::QObject;
    ~BackgroundJob() override { stop(); }

    /// Nobody waits for it: from now on its work, and all threads that this begins, take the processor time that others
    /// leave.
    void stayBehind() { behind_ = true; }

    /// `work(stop, progress)` runs on the thread; `then(result)` in the interface's thread, once, unless stopped.
    template <class Work, class Then> void run(Work work, Then then) {
        stop();
        running_ = true;
        clock_.start();
        emit changed();
        thread_ = std::jthread([this, work = std::move(work), then = std::move(then), job = ++job_,
                                behind = behind_](StopToken stop) {
            if (behind) letOthersFirst();
            auto result = std::make_shared<decltype(work(stop, ProgressFn{}))>(
                guarded([&] { return work(stop, reporter(job)); }));
            QMetaObject::invokeMethod(
                this,
                [this, job, result, then] {
                    if (job != job_) return;
                    running_ = false;
                    emit changed();
                    then(std::move(*result));
                },
                Qt::QueuedConnection);
        });
    }
    void stop();
    bool isRunning() const { return running_; }
    const Progress& progress() const { return progress_; }
    /// Seconds that the rest will take at the pace so far. Negative = not known yet.
    double left_s() const;

signals:
    void changed(); ///< started, ended, or got further (at most ten times a second)

private:
    template <class Work> static auto guarded(Work&& work) -> decltype(work()) {
        using Outcome = decltype(work());
        const auto ended = [](const std::exception* why) {
            const Error error = brokenOff(why);
            if constexpr (std::is_constructible_v<Outcome, tl::unexpected<Error>>)
                return Outcome(tl::unexpected(error));
            else
                return Outcome{};
        };
        try {
            return work();
        } catch (const std::exception& e) {
            return ended(&e);
        } catch (...) {
            return ended(nullptr);
        }
    }
    static void letOthersFirst(); ///< of the calling thread
    ProgressFn reporter(int job);
    std::jthread thread_;
    int job_ = 0; // of the work that counts
    bool running_ = false, behind_ = false;
    Progress progress_;
    QElapsedTimer clock_;
};

} // namespace deft::ui
