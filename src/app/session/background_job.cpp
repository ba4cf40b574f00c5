// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/background_job.h"

#include "app/session/log.h"

#include <sched.h>
#include <sys/resource.h>

namespace deft::ui {

Error brokenOff(const std::exception* why) {
    qCCritical(lcWork) << "work was broken off:" << (why ? kindOf(*why) : "by something unknown");
    return {Errc::Internal, "the program could not do this (" + std::string(why ? why->what() : "for no known reason") +
                                "); everything else goes on. The log is in " + logFile().string()};
}

void BackgroundJob::stop() {
    ++job_;
    thread_.request_stop();
    if (thread_.joinable()) thread_.join(); // work looks at its token at every frame
    progress_ = {};
    if (!running_) return;
    running_ = false;
    emit changed();
}

void BackgroundJob::letOthersFirst() {
    constexpr int kLeast = 19;
    const sched_param none{};
    // Of this thread alone, on Linux; that it may not is no harm.
    (void)sched_setscheduler(0, SCHED_BATCH, &none);
    (void)setpriority(PRIO_PROCESS, 0, kLeast);
}

double BackgroundJob::left_s() const {
    if (progress_.done < 1 || progress_.total < 1) return -1;
    return double(clock_.elapsed()) / 1000 * double(progress_.total - progress_.done) / double(progress_.done);
}

ProgressFn BackgroundJob::reporter(int job) {
    return [this, job, told = std::make_shared<QElapsedTimer>()](const Progress& p) {
        if (told->isValid() && told->elapsed() < 100) return;
        told->start();
        QMetaObject::invokeMethod(
            this,
            [this, job, p] {
                if (job != job_) return;
                progress_ = p;
                emit changed();
            },
            Qt::QueuedConnection);
    };
}

} // namespace deft::ui

#include "moc_background_job.cpp"
