// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/review_session.h"
#include "app/theme/words.h"

#include "app/session/own_marking.h"
#include "app/sheet/rep_rows.h"
#include "base/files.h"
#include "marks/names.h"
#include "review/review_json.h"
#include "review/seen_faults.h"
#include "tracking/track_clip.h"
#include "video/clip_reader.h"

#include <QDate>
#include <QTime>
#include <QUndoCommand>

namespace deft::ui {

/// Whole inputs before and after: small, and nothing can be forgotten.
class EditStep : public QUndoCommand {
public:
    EditStep(ReviewSession& session, const QString& what, ReviewInputs after, const QString& merge)
        : QUndoCommand(what), session_(session), before_(session.inputs_), after_(std::move(after)), merge_(merge) {}
    int id() const override { return merge_.isEmpty() ? -1 : 1; }
    bool mergeWith(const QUndoCommand* next) override {
        const auto* other = static_cast<const EditStep*>(next);
        if (other->merge_ != merge_) return false;
        after_ = other->after_;
        return true;
    }
    void undo() override { session_.apply(before_); }
    void redo() override { session_.apply(after_); }

private:
    ReviewSession& session_;
    ReviewInputs before_, after_;
    QString merge_;
};

ReviewSession::ReviewSession(Library& library, QObject* parent)
    : QObject(parent), library_(library), catalogue_(library.catalogue()), proposer_(library), filing_(library),
      visit_(library) {
    connect(&proposer_, &Proposer::ready, this, [this](qint64 clip) {
        if (clip == clipId_) fetchProposals();
    });
    connect(&filing_, &Filing::filed, this, [this](const FiledLetter& letter) {
        if (std::find(letter.clips.begin(), letter.clips.end(), clipId_) == letter.clips.end()) return;
        filed_ = true;
        undo_.clear(); // what was sent is not taken back
        emit filedReview();
    });
    connect(&filing_, &Filing::takenBack, this, [this](const std::vector<int64_t>& clips) {
        if (std::find(clips.begin(), clips.end(), clipId_) != clips.end()) emit reviewChanged();
    });
    connect(&watch_, &ClipWatch::troubled, this, &ReviewSession::failed);
    connect(&watch_, &ClipWatch::wellAgain, this, [this] { emit failed({}); });
}
ReviewSession::~ReviewSession() { job_.stop(); }

namespace {
std::string today() { return QDate::currentDate().toString(Qt::ISODate).toStdString(); }
} // namespace

Result<void> ReviewSession::open(const Clip& clip, const Client& client) {
    auto reader = ClipReader::open(clip.draft.clipPath, clip.draft.part);
    if (!reader) return tl::unexpected(reader.error());
    if (reader->info().frames() < 2)
        return fail(Errc::TooShort, clip.draft.clipPath + ": the clip has a single frame; movement needs at least two");
    const CataloguePtr catalogue = library_.catalogue();
    auto exercise = exerciseOf(*catalogue, clip.draft);
    if (!exercise) return tl::unexpected(exercise.error());
    ReviewInputs inputs = clip.draft;
    if (!inputs.marks.frames.empty()) {
        auto marks = fitToClip(inputs.marks, reader->info(), inputs.clipSha256);
        if (!marks) return tl::unexpected(marks.error());
        inputs.marks = std::move(*marks);
    }
    close();
    clipId_ = clip.id, filed_ = clip.filed, client_ = client;
    inputs_ = std::move(inputs);
    if (inputs_.client.empty()) inputs_.client = client.name, inputs_.clientRole = client.role;
    if (inputs_.coach.empty() && !filed_) inputs_.coach = library_.coach().name;
    if (!filed_) inputs_.answered = today(), inputs_.language = client.language;
    catalogue_ = catalogue, exercise_ = std::move(*exercise);
    clip_ = reader->info();
    for (FiledReview& r : library_.filed(client.id, inputs_.exercise)) {
        if (r.clip == clip.id) break; // an earlier review that is looked at again knows nothing of later ones
        earlier_.push_back(std::move(r));
    }
    frames_ = std::make_unique<FrameSource>(inputs_.clipPath, inputs_.part);
    watch_.watch(inputs_.clipPath, inputs_.clipSha256);
    visit_.show(clip);
    emit opened();
    emit reviewChanged(); // nothing is left of the review before
    emit placeChanged();
    if (isMarked())
        measure();
    else if (!filed_) {
        layout_ = Proposer::contextFor(library_, clip).layout;
        proposer_.retry(clip);
        fetchProposals();
    }
    return {};
}

void ReviewSession::fetchProposals() {
    offered_ = proposer_.found(inputs_, clip_);
    if (offered_ && offered_->frame != frame_ && !offered_->marks.empty() && inputs_.marks.frames.empty())
        setFrame(offered_->frame);
    followMarkedJoints();
}

/// What is still to be confirmed: points that depend on joints go where the marked joints are.
void ReviewSession::followMarkedJoints() {
    proposals_ = offered_;
    if (proposals_) {
        std::map<std::string, Point2> marked;
        for (const MarkedFrame& f : inputs_.marks.frames)
            for (const auto& [name, at] : f.points) {
                if (at && clip_.frameAt(f.time_s) == proposals_->frame) marked[name] = *at;
                proposals_->marks.erase(name);
            }
        followMarks(*proposals_, exercise_, layout_, marked);
        if (proposals_->marks.empty() && offered_->missing.empty()) proposals_.reset();
    }
    emit proposalsChanged();
}

void ReviewSession::confirmProposals(const QStringList& butNot) {
    if (!proposals_ || proposals_->marks.empty()) return;
    const Proposals all = *proposals_;
    edit(tr("%1 proposed marks").arg(all.marks.size()), [&](ReviewInputs& in) {
        in.marks.seeds = all.seeds;
        for (const auto& [name, mark] : all.marks)
            if (!butNot.contains(QString::fromStdString(name)))
                in.marks.set(clip_.time_s[size_t(all.frame)], name, mark.at);
        noteOwnMarking(in.marks);
    });
}

bool ReviewSession::isMarked() const { return deft::isMarked(exercise_, inputs_.marks); }

void ReviewSession::close() {
    job_.stop();
    watch_.stop();
    undo_.clear();
    frames_.reset();
    review_.reset();
    offered_.reset(), proposals_.reset();
    answer_ = {}, moments_.clear(), earlier_.clear(), known_.clear();
    followed_ = {};
    clipId_ = 0, frame_ = 0, rep_ = 0, phase_ = Phase::SetUp, moment_ = -1;
}

void ReviewSession::leave() {
    close();
    inputs_ = {}, client_ = {};
    visit_.show({});
    emit closed();
}

void ReviewSession::edit(const QString& what, const std::function<void(ReviewInputs&)>& change, const QString& merge) {
    if (filed_ || isBeingFiled()) {
        emit failed(tr("This review has been filed and stays as it was sent."));
        return;
    }
    ReviewInputs after = inputs_;
    change(after);
    undo_.push(new EditStep(*this, what, std::move(after), merge));
}

void ReviewSession::setMark(int64_t frame, const std::string& landmark, std::optional<Point2> point) {
    const QString name = spoken(landmarkWords(landmark));
    edit(point ? tr("mark of the %1").arg(name) : tr("%1 not visible").arg(name), [&](ReviewInputs& in) {
        if (offered_) in.marks.seeds = offered_->seeds;
        in.marks.set(clip_.time_s[size_t(frame)], landmark, point);
        noteOwnMarking(in.marks);
    });
}

void ReviewSession::exerciseChanged() {
    if (isOpen() && !filed_) judgeAgain();
}

void ReviewSession::follow(const Client& client) {
    if (!isOpen() || filed_ || client.id != client_.id) return;
    client_ = client;
    ReviewInputs in = inputs_;
    in.client = client.name, in.language = client.language;
    if (in != inputs_) apply(in);
}

/// By what is known now: the coach's own files may have changed.
void ReviewSession::judgeAgain() {
    catalogue_ = library_.catalogue();
    if (auto exercise = exerciseOf(*catalogue_, inputs_)) exercise_ = std::move(*exercise);
    if (review_) show(deft::judgeAgain(*review_, inputs_, catalogue_)); // if it fails, what is shown stays whole
}

void ReviewSession::apply(const ReviewInputs& inputs) {
    const Change change = changeBetween(inputs_, inputs);
    inputs_ = inputs;
    save();
    if (change == Change::Answer && review_) {
        takeAnswer(review_->inputs, inputs_);
        answer_ = composeAnswer(*review_, coachLanguage());
        emit reviewChanged();
    } else if (change == Change::Tracks) {
        if (auto exercise = exerciseOf(*catalogue_, inputs_)) exercise_ = std::move(*exercise); // another view, maybe
        followMarkedJoints();
        emit marksChanged();
        if (review_ || job_.isRunning()) measure();
    } else {
        judgeAgain();
    }
}

void ReviewSession::save() {
    if (auto ok = library_.saveDraft(clipId_, inputs_); !ok) {
        emit failed(tr("Not saved: %1.").arg(QString::fromStdString(ok.error().detail)));
        return;
    }
    savedAt_ = QTime::currentTime().toString(QStringLiteral("HH:mm"));
    emit saved();
}

QString ReviewSession::savedWords() const { return savedAt_.isEmpty() ? QString() : tr("Saved %1").arg(savedAt_); }

/// Before anything is measured: such marks may stand, but the readings trust them less.
void ReviewSession::tellDoubts() {
    const auto doubts = doubtfulMarks(inputs_.marks, clip_.width, clip_.height);
    if (doubts.empty()) return;
    QString words = tr("Look at the mark of the %1: it %2.")
                        .arg(spoken(landmarkWords(doubts.front().name)), QString::fromStdString(doubts.front().why));
    if (doubts.size() > 1) words += tr(" And at %1 more.").arg(doubts.size() - 1);
    emit failed(words + tr(" Its band is wider until then."));
}

namespace {
struct Followed {
    Tracks tracks;
    TrackingMemory memory;
};
} // namespace

void ReviewSession::measure() {
    tellDoubts();
    for (const auto& [marks, tracks] : known_)
        if (marks == inputs_.marks) {
            job_.stop();
            judge(Tracks(tracks));
            return;
        }
    if (auto tracks = library_.cachedTracks(inputs_); tracks && int64_t(tracks->frames()) == clip_.frames()) {
        tracks->time_s = clip_.time_s;
        job_.stop();
        judge(std::move(*tracks));
        return;
    }
    job_.run(
        [path = inputs_.clipPath, part = inputs_.part, marks = inputs_.marks,
         earlier = followed_](StopToken stop, const ProgressFn& progress) -> Result<Followed> {
            TrackingMemory memory = earlier ? *earlier : TrackingMemory{};
            auto reader = ClipReader::open(path, part);
            if (!reader) return tl::unexpected(reader.error());
            auto tracks = trackClip(*reader, marks, stop, progress, &memory);
            if (!tracks) return tl::unexpected(tracks.error());
            return Followed{std::move(*tracks), std::move(memory)};
        },
        [this](Result<Followed> followed) {
            if (!followed) {
                emit failed(tr("Not measured: %1.").arg(QString::fromStdString(followed.error().detail)));
                return;
            }
            followed_ = std::make_shared<const TrackingMemory>(std::move(followed->memory));
            library_.cacheTracks(inputs_, followed->tracks);
            judge(std::move(followed->tracks));
        });
}

void ReviewSession::judge(Tracks tracks) {
    if (known_.empty() || !(known_.back().first == inputs_.marks)) {
        known_.emplace_back(inputs_.marks, tracks);
        if (known_.size() > 8) known_.erase(known_.begin());
    }
    show(measureReview(catalogue_, inputs_, clip_, std::move(tracks)));
}

void ReviewSession::show(Result<Review> review) {
    if (!review) {
        emit failed(tr("Not measured: %1.").arg(QString::fromStdString(review.error().detail)));
        return;
    }
    const bool first = !review_;
    review_ = std::make_unique<Review>(std::move(*review));
    answer_ = composeAnswer(*review_, coachLanguage());
    moments_ = momentsOf(*review_);
    if (moment_ >= int(moments_.size())) moment_ = -1;
    emit reviewChanged();
    if (first && !moments_.empty())
        chooseMoment(0);
    else if (first && frame_ == 0 && !review_->events.reps.empty())
        choose(0, Phase::Hold);
}

void ReviewSession::setFrame(int64_t frame) {
    frame = std::clamp<int64_t>(frame, 0, clip_.frames() - 1);
    if (frame == frame_) return;
    frame_ = frame;
    if (review_) std::tie(rep_, phase_) = placeOf(review_->events, clip_.time_s[size_t(frame)]);
    emit placeChanged();
}

void ReviewSession::choose(int rep, Phase phase) {
    if (!review_ || review_->events.reps.empty()) return;
    rep = std::clamp(rep, 0, int(review_->events.reps.size()) - 1);
    frame_ = repRows(*review_)[size_t(rep)].cells[size_t(phase)].frame;
    rep_ = rep, phase_ = phase;
    for (size_t i = 0; i < moments_.size(); ++i)
        if (moments_[i].rep == rep && (moments_[i].phase == phase || moments_[i].frame == frame_)) moment_ = int(i);
    emit placeChanged();
}

void ReviewSession::chooseMoment(int index) {
    if (index < 0 || index >= int(moments_.size())) return;
    moment_ = index;
    const Moment& m = moments_[size_t(index)];
    frame_ = m.frame, rep_ = m.rep, phase_ = m.phase;
    emit placeChanged();
}

Result<void> ReviewSession::canBeFiled() const {
    if (filed_ || isBeingFiled())
        return fail(Errc::Conflict, "this review has been filed already and stays as it was sent");
    if (!review_ || job_.isRunning())
        return fail(Errc::Unsupported, "the clip has not been measured yet, so there is nothing to file");
    if (!watch_.trouble().isEmpty()) return fail(Errc::Conflict, watch_.trouble().chopped(1).toStdString());
    return {};
}

Result<void> ReviewSession::keepForVisit() {
    if (auto ok = canBeFiled(); !ok) return ok;
    if (!inputs_.ready) edit(tr("ready for the letter"), [](ReviewInputs& in) { in.ready = true; });
    return {};
}

std::vector<std::shared_ptr<const Review>> ReviewSession::letterReviews() const {
    return visit_.reviews(clipId_, std::make_shared<const Review>(*review_));
}

Result<void> ReviewSession::file(bool alone) {
    if (auto ok = canBeFiled(); !ok) return ok;
    if (!alone && !visit_.isComplete())
        return fail(Errc::Unsupported, visit_.open() > 0
                                           ? "other clips of this visit are still to be looked at"
                                           : "the other clips of this visit are being measured; try again in a moment");
    inputs_.answered = today(); // the window may have been open since yesterday
    if (inputs_.date.empty()) inputs_.date = inputs_.answered;
    review_->inputs.date = inputs_.date, review_->inputs.answered = inputs_.answered;
    answer_ = composeAnswer(*review_, coachLanguage());
    std::vector<Filing::One> ones = {{clipId_, std::make_shared<const Review>(*review_)}};
    if (!alone)
        for (const VisitClips::Other& other : visit_.others()) {
            Review answered = *other.review;
            answered.inputs.answered = inputs_.answered;
            if (answered.inputs.date.empty()) answered.inputs.date = inputs_.answered;
            ones.push_back({other.clip.id, std::make_shared<const Review>(std::move(answered))});
        }
    std::sort(ones.begin(), ones.end(), [](const Filing::One& a, const Filing::One& b) { return a.clip < b.clip; });
    filing_.file(std::move(ones), allowsPictures(client_.consent, today()));
    return {};
}

} // namespace deft::ui
