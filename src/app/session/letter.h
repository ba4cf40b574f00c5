// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/filing.h"
#include "app/session/visit_clips.h"

namespace deft::ui {

class ReviewSession;

/// The letter that the open review goes out with, alone or with others of its visit.
class Letter : public QObject {
    Q_OBJECT
public:
    Letter(ReviewSession& session, Library& library);

    VisitClips& visit() { return visit_; }
    /// What it answers as things are: this review and those of its visit that are ready. @pre it is measured
    std::vector<std::shared_ptr<const Review>> reviews() const;
    /// Which of them is the review that is open.
    size_t own(const std::vector<std::shared_ptr<const Review>>& reviews) const;
    /// Looked at: it goes out with the letter on its visit.
    /// @errors Conflict (filed already, another file), Unsupported (not measured yet)
    Result<void> keepForVisit();
    /// Sends the review off to be filed, with the others of its visit; from now on nothing of them changes. Ends with
    /// filed(), or ReviewSession::failed() and all as it was. @param alone the others are left for another letter
    /// @errors as above; Unsupported when others are not ready
    Result<void> file(bool alone = false);
    bool isBeingFiled() const;
    Filing& filing() { return filing_; }

signals:
    void filed();

private:
    Result<void> canBeFiled() const;

    ReviewSession& session_;
    Filing filing_;
    VisitClips visit_;
};

} // namespace deft::ui
