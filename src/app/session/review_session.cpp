// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/review_session.h"
#include "app/theme/words.h"

#include "marks/names.h"
#include "review/review_json.h"
#include "tracking/track_clip.h"
#include "video/clip_reader.h"

#include <QDate>
#include <QTime>
#include <QUndoCommand>
#include <malloc.h>

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
    : QObject(parent), library_(library), catalogue_(library.catalogue()), place_(*this), offered_(*this, library),
      letter_(*this, library) {
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
        return fail(Errc::TooShort, {"{file}: the clip has a single frame; movement needs at least two",
                                     {{"file", clip.draft.clipPath}}});
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
    letter_.visit().show(clip);
    emit opened();
    emit reviewChanged(); // nothing is left of the review before
    emit place_.changed();
    if (isMarked())
        measure();
    else if (!filed_)
        offered_.ask(clip);
    return {};
}

bool ReviewSession::isMarked() const { return deft::isMarked(exercise_, inputs_.marks); }

void ReviewSession::close() {
    job_.stop();
    watch_.stop();
    undo_.clear();
    frames_.reset();
    review_.reset();
    offered_.forget();
    place_.reset();
    answer_ = {}, moments_.clear(), earlier_.clear(), known_.clear();
    followed_ = {};
    clipId_ = 0;
    // Every thread that works on pictures has memory of its own, of which the C library gives little back by itself. 5
    // ms, on a busy machine up to 24.
    ::malloc_trim(0);
}

void ReviewSession::leave() {
    close();
    inputs_ = {}, client_ = {};
    letter_.visit().show({});
    emit closed();
}

void ReviewSession::edit(const QString& what, const std::function<void(ReviewInputs&)>& change, const QString& merge) {
    if (filed_ || letter_.isBeingFiled()) {
        emit failed(tr("This review has been filed and stays as it was sent."));
        return;
    }
    ReviewInputs after = inputs_;
    change(after);
    undo_.push(new EditStep(*this, what, std::move(after), merge));
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
        offered_.follow();
        emit marksChanged();
        if (review_ || job_.isRunning()) measure();
    } else {
        judgeAgain();
    }
}

void ReviewSession::save() {
    if (auto ok = library_.saveDraft(clipId_, inputs_); !ok) {
        emit failed(tr("Not saved: %1.").arg(said(ok.error())));
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
                        .arg(spoken(landmarkWords(doubts.front().name)), said(doubts.front().why));
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
                emit failed(tr("Not measured: %1.").arg(said(followed.error())));
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
        emit failed(tr("Not measured: %1.").arg(said(review.error())));
        return;
    }
    const bool first = !review_;
    review_ = std::make_unique<Review>(std::move(*review));
    answer_ = composeAnswer(*review_, coachLanguage());
    moments_ = momentsOf(*review_);
    place_.trim();
    emit reviewChanged();
    if (first) place_.begin();
}

void ReviewSession::date(const std::string& today) {
    inputs_.answered = today;
    if (inputs_.date.empty()) inputs_.date = today;
    review_->inputs.date = inputs_.date, review_->inputs.answered = today;
    answer_ = composeAnswer(*review_, coachLanguage());
}

void ReviewSession::endAsFiled() {
    filed_ = true;
    undo_.clear(); // what was sent is not taken back
}

} // namespace deft::ui

#include "moc_review_session.cpp"
