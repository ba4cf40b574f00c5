// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"
#include "app/session/background_job.h"
#include "app/session/clip_watch.h"
#include "app/session/filing.h"
#include "app/session/frame_source.h"
#include "app/session/proposer.h"
#include "app/session/visit_clips.h"
#include "app/sheet/moments.h"
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
    void close();
    void leave(); ///< closes it without opening another
    bool isOpen() const { return clipId_ != 0; }
    /// Are the landmarks marked that the exercise needs?
    bool isMarked() const;
    int64_t clipId() const { return clipId_; }
    bool isFiled() const { return filed_; }
    bool isBeingFiled() const { return filing_.isFiling(clipId_); }

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
    void setMark(int64_t frame, const std::string& landmark, std::optional<Point2> point);
    /// Marks that the program proposes and nobody has confirmed; null when there are none left or none yet.
    const Proposals* proposals() const { return proposals_ ? &*proposals_ : nullptr; }
    bool isLooking() const { return clipId_ != 0 && proposer_.isLookingAt(clipId_); }
    /// Every proposal but the named ones becomes a mark, as one step that can be undone.
    void confirmProposals(const QStringList& butNot);
    Proposer& proposer() { return proposer_; }
    void agree(const Moment& moment, bool yes);
    /// A fault that the coach saw and the program did not propose.
    void addFault(const std::string& fault, double start_s, double end_s);
    void moveFault(const Moment& moment, double start_s, double end_s);
    /// What was proposed is another of the exercise's faults.
    void renameFault(const Moment& moment, const std::string& fault);
    /// The client's neutral is the pelvis of this frame; nothing = that of the set-up again.
    void setNeutral(std::optional<int64_t> frame);
    /// Midway between the full arch and the full flat that the client shows before the first rep.
    void setNeutralMidway();
    /// Other clips of this client that have a neutral of their own, newest first.
    std::vector<Clip> clipsWithNeutral() const;
    void setNeutralOf(const Clip& other);
    void tapBreath(bool out); ///< at the frame that is shown
    void untapBreath();       ///< the one nearest to it
    /// The frame of one picture of a correction. Where its face cannot be covered it is not sent, and the page says so.
    void choosePicture(const AnswerPart& part, bool broken, int64_t frame);
    /// Words and pictures of the part as the program would have them.
    void useComputed(const AnswerPart& part);
    /// The exercise's own file has changed.
    void exerciseChanged();
    /// Measures with the marks as they are; for a clip whose marks have just been placed.
    void measure();

    /// Sends the review off to be filed, with the others of its visit; from now on nothing of them changes. Ends with
    /// filedReview(), or failed() and all as it was. @param alone the others are left for another letter
    /// @errors Conflict (filed already, another file), Unsupported (not measured yet; others are not ready)
    Result<void> file(bool alone = false);
    /// Looked at: it goes out with the letter on its visit. @errors as above
    Result<void> keepForVisit();
    const VisitClips& visit() const { return visit_; }
    /// What the letter answers as things are: this review and those of its visit that are ready. @pre it is measured
    std::vector<std::shared_ptr<const Review>> letterReviews() const;
    Filing& filing() { return filing_; }

    int64_t frame() const { return frame_; }
    void setFrame(int64_t frame);
    int rep() const { return rep_; }
    Phase phase() const { return phase_; }
    void choose(int rep, Phase phase);     ///< goes to that cell's frame
    int moment() const { return moment_; } ///< index, -1 = none
    void chooseMoment(int index);
    QString savedWords() const;
    const ClipWatch& clipWatch() const { return watch_; }

signals:
    void opened();
    void closed(); ///< and no other clip is open
    void marksChanged();
    void proposalsChanged();
    void reviewChanged(); ///< measured anew, or judged anew
    void placeChanged();
    void failed(const QString& sentence);
    void saved();
    void filedReview();

private:
    friend class EditStep;
    Result<void> canBeFiled() const;
    void apply(const ReviewInputs& inputs);
    void judgeAgain();
    void judge(Tracks tracks);
    void show(Result<Review> review);
    void save();
    void tellDoubts();
    void fetchProposals();
    void followMarkedJoints();

    Library& library_;
    int64_t clipId_ = 0;
    bool filed_ = false;
    Client client_;
    ReviewInputs inputs_;
    CataloguePtr catalogue_;
    Exercise exercise_;
    ClipInfo clip_;
    std::unique_ptr<FrameSource> frames_;
    std::optional<Proposals> offered_, proposals_; ///< as found, and what is left of it beside the marks
    BodyLayout layout_;                            ///< of this client
    std::unique_ptr<Review> review_;
    Answer answer_;
    std::vector<Moment> moments_;
    std::vector<FiledReview> earlier_;
    std::shared_ptr<const TrackingMemory> followed_; // of the last tracking, so that a moved mark's stretch is enough
    std::vector<std::pair<Marks, Tracks>> known_;    // tracks of this sitting, newest last, so that undo is at once
    int64_t frame_ = 0;
    int rep_ = 0, moment_ = -1;
    Phase phase_ = Phase::SetUp;
    QString savedAt_;
    Proposer proposer_;
    Filing filing_;
    VisitClips visit_;
    ClipWatch watch_;
    BackgroundJob job_;
    QUndoStack undo_;
};

} // namespace deft::ui
