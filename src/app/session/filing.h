// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/background_job.h"
#include "review/review.h"
#include "store/library.h"

#include <QDeadlineTimer>
#include <QTimer>
#include <deque>
#include <memory>

namespace deft::ui {

/// Reviews that were filed with one letter.
struct FiledLetter {
    std::vector<int64_t> clips;
    int64_t id = 0; ///< of the first review, under which page and mail lie
    std::vector<std::shared_ptr<const Review>> reviews;
};

/// Files reviews that the coach has sent off, one after the other: the page is made in the background, where a face
/// after the other is covered, and then all of it is recorded at once. Goes on whichever clip is opened meanwhile.
class Filing : public QObject {
    Q_OBJECT
public:
    explicit Filing(Library& library, QObject* parent = nullptr);

    struct One {
        int64_t clip = 0;
        std::shared_ptr<const Review> review;
    };
    /// @param reviews what one letter answers, in its order; at least one @param withPictures as the client has agreed
    void file(std::vector<One> reviews, bool withPictures);
    bool isFiling(int64_t clip) const;
    bool isIdle() const { return waiting_.empty(); }
    /// For so long after it was sent off a letter can be taken back; usually a minute.
    void setGrace(int ms) { grace_ms_ = ms; }
    int grace_ms() const { return grace_ms_; }
    /// Takes back the newest letter that has not been recorded yet. @return its clips; empty = there is none
    std::vector<int64_t> takeBack();
    void hurry(); ///< nothing can be taken back any more: the window closes

signals:
    void takenBack(const std::vector<int64_t>& clips);
    void filed(const deft::ui::FiledLetter& letter);
    /// Nothing is recorded, and the draft is kept. @param why one sentence without a full stop
    void failed(qint64 clip, const QString& why);

private:
    struct Sheet {
        std::vector<One> reviews;
        bool withPictures = false;
        QDeadlineTimer until; ///< it can be taken back
    };
    struct Page {
        std::string html, text;
    };
    void next();
    void record();

    Library& library_;
    int grace_ms_ = 60'000;
    std::deque<Sheet> waiting_;        ///< the first is being made, or made and held
    std::optional<Result<Page>> page_; ///< of the first, once it is made
    QTimer hold_;
    BackgroundJob job_;
};

} // namespace deft::ui
