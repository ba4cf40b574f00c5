// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/mail.h"
#include "app/session/background_job.h"
#include "store/library.h"

#include <deque>

namespace deft::ui {

/// A mail with its attachments, and what could not be made.
struct MadeMail {
    std::string text;           ///< RFC 5322
    std::filesystem::path file; ///< in which it lies; empty until it was dropped
    Message without; ///< why there is no reply clip although there was something to show; empty = nothing is missing
    bool clip = false;
};

/// Makes what goes to the client once a review has been filed, off the window's thread: the reply clip, the calendar
/// file, and the mail that carries everything. Files beside the page in the library's answers/, the mail in outbox/.
class Outgoing : public QObject {
    Q_OBJECT
public:
    explicit Outgoing(Library& library, QObject* parent = nullptr) : QObject(parent), library_(library) {}
    ~Outgoing() override { job_.stop(); }
    void stop(); ///< what is under way is made at the next start
    /// @param filed number of the filed review under which the letter lies @param reviews that it answers
    void send(int64_t filed, std::vector<std::shared_ptr<const Review>> reviews);
    /// Makes the mails of reviews that were filed before the program was closed or killed; those that could not be made
    /// before are put aside and wait for retry().
    void resume();
    void retry();
    /// Gives up the mails of these reviews: what they would show is to go.
    void giveUp(const std::vector<int64_t>& filed);
    bool isIdle() const { return !job_.isRunning() && waiting_.empty(); }
    const BackgroundJob& job() const { return job_; }

signals:
    void sent(const deft::ui::MadeMail& mail);
    void failed(qint64 filed, const QString& sentence);

private:
    struct Letter {
        int64_t filed;
        Correspondents who;
        std::function<Result<std::vector<std::shared_ptr<const Review>>>(StopToken, const ProgressFn&)> reviews;
    };
    void queue(Letter letter);
    void next();
    Library& library_;
    std::deque<Letter> waiting_;
    int64_t now_ = 0; ///< the filed review whose mail is being made
    BackgroundJob job_;
};

/// @param reviews what the letter answers @param beside path without ending: the reply clip lies there as .mp4, those
/// of other reviews as -2.mp4 … @errors those of answerMail, WriteFailed, Cancelled
Result<MadeMail> makeMail(const std::vector<std::shared_ptr<const Review>>& reviews, const Correspondents& who,
                          const std::filesystem::path& beside, StopToken stop = {}, const ProgressFn& progress = {});

} // namespace deft::ui
