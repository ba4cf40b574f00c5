// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"
#include "app/session/background_job.h"
#include "store/library.h"

#include <deque>
#include <memory>

namespace deft::ui {

/// Files reviews that the coach has sent off, one after the other: the page is made in the background, where a face
/// after the other is covered, and then all of it is recorded at once. Goes on whichever clip is opened meanwhile.
class Filing : public QObject {
    Q_OBJECT
public:
    explicit Filing(Library& library, QObject* parent = nullptr) : QObject(parent), library_(library) {}

    /// @param withPictures as the client has agreed
    void file(int64_t clip, std::shared_ptr<const Review> review, Answer answer, bool withPictures);
    bool isFiling(int64_t clip) const;
    bool isIdle() const { return waiting_.empty(); }

signals:
    void filed(qint64 clip, qint64 id, std::shared_ptr<const deft::Review> review);
    /// Nothing is recorded, and the draft is kept. @param why one sentence without a full stop
    void failed(qint64 clip, const QString& why);

private:
    struct Sheet {
        int64_t clip = 0;
        std::shared_ptr<const Review> review;
        Answer answer;
        bool withPictures = false;
    };
    void next();

    Library& library_;
    std::deque<Sheet> waiting_; ///< the first is being made
    BackgroundJob job_;
};

} // namespace deft::ui
