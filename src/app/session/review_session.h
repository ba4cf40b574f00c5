// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"
#include "app/session/background_job.h"
#include "app/session/clip_watch.h"
#include "app/session/deciding.h"
#include "app/session/frame_source.h"
#include "app/session/letter.h"
#include "app/session/offered_marks.h"
#include "app/session/place.h"
#include "store/library.h"
#include "tracking/track_clip.h"

#include <QUndoStack>
#include <map>

namespace deft::ui {

/// The review that is open: what people decided (inputs, every change saved and undoable), what was computed from it,
/// and where the coach is looking. Everything on the bench and in the answer is read from here.
class ReviewSession : public QObject {
    Q_OBJECT
public:
    explicit ReviewSession(Library& library, QObject* parent = nullptr);
    ~ReviewSession() override;

    /// Shows the clip at once and measures it in the background, unless it was measured with the same marks before.
    Result<void> open(const Clip& clip, const Client& client);
    void leave(); ///< without opening another
    bool isOpen() const { return clipId_ != 0; }
    /// Are the landmarks marked that the exercise needs?
    bool isMarked() const;
    int64_t clipId() const { return clipId_; }
    bool isFiled() const { return filed_; }

    /// What is known of the client has changed: name and language of what is not filed follow.
    void follow(const Client& client);
    const ReviewInputs& inputs() const { return inputs_; }
    const Client& client() const { return client_; }
    const Exercise& exercise() const { return exercise_; }
    const ClipInfo& clip() const { return clip_; }
    const Review* review() const { return review_.get(); } ///< null until measured
    const Answer& answer() const { return answer_; }
    const std::vector<Moment>& moments() const { return moments_; }
    const std::vector<FiledReview>& earlier() const { return earlier_; } ///< filed before this one
    const Catalogue& catalogue() const { return *catalogue_; }           ///< by which it was judged last
    FrameSource* frames() { return frames_.get(); }
    BackgroundJob& job() { return job_; }
    QUndoStack& undoStack() { return undo_; }

    /// Changes the inputs as one step that can be undone. Steps with the same non-empty `merge` in a row become one.
    void edit(const QString& what, const std::function<void(ReviewInputs&)>& change, const QString& merge = {});
    /// The exercise's own file has changed.
    void exerciseChanged();
    /// Measures with the marks as they are; for a clip whose marks have just been placed.
    void measure();

    Place& place() { return place_; } ///< where the coach is looking
    Deciding deciding() { return {*this, library_}; } ///< what the coach decides about it
    OfferedMarks& offered() { return offered_; }      ///< marks that wait to be confirmed
    Letter& letter() { return letter_; }              ///< that it goes out with
    QString savedWords() const;
    const ClipWatch& clipWatch() const { return watch_; }

signals:
    void opened();
    void closed(); ///< and no other clip is open
    void marksChanged();
    void reviewChanged(); ///< measured anew, or judged anew
    void failed(const QString& sentence);
    void saved();

private:
    friend class EditStep;
    friend class Letter;
    void close();
    void date(const std::string& today); ///< of the answer, and of the review where it has none
    void endAsFiled();
    void apply(const ReviewInputs& inputs);
    void judgeAgain();
    void judge(Tracks tracks);
    void show(Result<Review> review);
    void save();
    void tellDoubts();

    Library& library_;
    int64_t clipId_ = 0;
    bool filed_ = false;
    Client client_;
    ReviewInputs inputs_;
    CataloguePtr catalogue_;
    Exercise exercise_;
    ClipInfo clip_;
    std::unique_ptr<FrameSource> frames_;
    std::unique_ptr<Review> review_;
    Answer answer_;
    std::vector<Moment> moments_;
    std::vector<FiledReview> earlier_;
    std::shared_ptr<const TrackingMemory> followed_; // of the last tracking, so that a moved mark's stretch is enough
    std::vector<std::pair<Marks, Tracks>> known_;    // tracks of this sitting, newest last, so that undo is at once
    QString savedAt_;
    Place place_;
    OfferedMarks offered_;
    Letter letter_;
    ClipWatch watch_;
    BackgroundJob job_;
    QUndoStack undo_;
};

} // namespace deft::ui
