// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/background_job.h"
#include "review/review.h"
#include "store/library.h"

#include <QObject>
#include <memory>

namespace deft::ui {

/// What one client has sent on one day and waits for an answer: one letter answers all of it. The coach looks at clip
/// after clip; those that are ready are measured here once more, from what is kept of them, for the letter.
class VisitClips : public QObject {
    Q_OBJECT
public:
    explicit VisitClips(Library& library, QObject* parent = nullptr) : QObject(parent), library_(library) {}
    ~VisitClips() override { job_.stop(); }

    struct Other {
        Clip clip;
        std::string exercise;                 ///< its name
        std::shared_ptr<const Review> review; ///< of one that is ready; null until it has been measured
    };
    /// The others of the open clip's visit. @param open nothing = none is open
    void show(const std::optional<Clip>& open);
    const std::vector<Other>& others() const { return others_; } ///< oldest first
    bool isComplete() const; ///< all others are ready and measured; true without others
    int open() const;        ///< how many others are still to be looked at
    /// Reviews of the letter with `own` among them, in the order in which their clips came.
    std::vector<std::shared_ptr<const Review>> reviews(int64_t clip, std::shared_ptr<const Review> own) const;

signals:
    void changed();

private:
    void measureNext();
    Library& library_;
    std::vector<Other> others_;
    BackgroundJob job_;
};

} // namespace deft::ui
