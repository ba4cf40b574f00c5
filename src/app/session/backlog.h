// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/background_job.h"
#include "store/library.h"

#include <deque>
#include <map>

namespace deft::ui {

/// Clips that wait for one kind of work, done one after the other in the background. A clip that cannot be done does
/// not hold up the others: it is put aside in the library and not tried again by itself, at no later start either.
class Backlog : public QObject {
    Q_OBJECT
public:
    /// @param kind of work, as the library knows what was put aside
    Backlog(Library& library, const char* kind, QObject* parent = nullptr);

    /// Takes in the clips that need the work. @param first before those that already wait
    void look(const std::vector<Clip>& clips, bool first = false);
    void stop();
    /// Ends the work on its clip for now, which is the first again once it goes on.
    void setPaused(bool paused);
    bool isPaused() const { return paused_; }
    int waiting() const { return int(waiting_.size()); } ///< without the one that is being worked on
    /// Ends the work on a clip, or its waiting for it, until it is asked for again.
    void stopOne(int64_t clip);
    /// Asks again for what went wrong or was stopped.
    void retry(const Clip& clip);
    /// Why the work on a clip was given up; empty when it was not.
    QString troubleOf(int64_t clip) const;
    int64_t now() const { return now_; } ///< the clip that is being worked on, 0 = none
    bool isLookingAt(int64_t clip) const { return now_ != 0 && now_ == clip; }
    bool isIdle() const { return now_ == 0 && waiting_.empty(); }
    const BackgroundJob& job() const { return job_; }

signals:
    void ready(qint64 clip);

protected:
    virtual bool needs(const Clip& clip) const = 0;
    /// Starts the work on `job_` and calls done() when it has ended, whatever came of it.
    virtual void start(const Clip& clip) = 0;
    void done(const Message& trouble = {});

    Library& library_;
    BackgroundJob job_;

private:
    std::string subject(int64_t clip) const { return std::to_string(clip); }
    const char* kind_;
    void next();
    std::deque<Clip> waiting_;
    std::map<int64_t, Message> givenUp_;
    std::optional<Clip> working_; ///< the clip of now_
    int64_t now_ = 0;
    bool paused_ = false;
};

} // namespace deft::ui
