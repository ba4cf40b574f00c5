// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/speaking.h"

#include "app/documents/image_bytes.h"
#include "app/documents/letter_films.h"
#include "app/documents/reply_clip.h"
#include "app/paint/drawings.h"
#include "app/session/review_session.h"
#include "app/theme/words.h"
#include "video/voice.h"

#include <cmath>

namespace deft::ui {
namespace {

constexpr double kTicks_Hz = 30;
constexpr int kQuality = 88;
constexpr int kEvery = 2; ///< frame of the clip: faces are covered in half the time, and slow motion still moves

} // namespace

struct Speaking::Prepared {
    std::map<int64_t, QByteArray> pictures;
    std::vector<int64_t> shown;
    double run_s = 1, best_s = 0, worst_s = 0;
    std::string words;
    bool isOfSpoken = false; ///< what was kept before was said over these
    Sound voice;
};

Speaking::Speaking(ReviewSession& session, Library& library, std::unique_ptr<Microphone> microphone, QObject* parent)
    : QObject(parent), session_(session), library_(library), microphone_(std::move(microphone)) {
    if (microphone_) connect(microphone_.get(), &Microphone::heard, this, &Speaking::hear);
    tick_.setInterval(int(1000 / kTicks_Hz));
    connect(&tick_, &QTimer::timeout, this, [this] {
        if (speaking_ && time_s() >= kLongest_s) return stop();
        if (playing_ && time_s() >= (hasTake() ? take_s() : run_s_)) return endPlaying();
        emit changed();
    });
    connect(&job_, &BackgroundJob::changed, this, &Speaking::changed);
}

void Speaking::prepare() {
    pictures_.clear();
    const auto reviews = session_.letter().reviews();
    job_.run(
        [reviews, own = session_.letter().own(reviews)](StopToken stop, const ProgressFn& progress) -> Result<Prepared> {
            auto films = LetterFilms::open(reviews);
            if (!films) return tl::unexpected(films.error());
            const Review& review = films->review(own);
            const Answer answer = partsOf(letterOn(reviews), int(own));
            auto moment = ReplyMoment::of(review, answer, films->reader(own));
            if (!moment) return tl::unexpected(moment.error());
            Prepared p;
            p.run_s = moment->run_s(), p.best_s = moment->best_s(), p.worst_s = moment->worst_s();
            p.words = moment->words();
            const int64_t first = moment->first(), last = moment->last();
            for (int i = 0; i < int(std::ceil(p.run_s * kTicks_Hz)); ++i)
                p.shown.push_back(last - (last - moment->frameAt(i / kTicks_Hz)) / kEvery * kEvery);
            for (const int64_t frame : p.shown) {
                if (p.pictures.count(frame)) continue;
                if (stop.stop_requested()) return fail(Errc::Cancelled, "stopped");
                if (progress) progress({frame - first, last - first + 1, "making the reply clip"});
                const auto picture = moment->picture(frame);
                if (!picture && picture.error().code != Errc::DamagedFrame) return tl::unexpected(picture.error());
                p.pictures[frame] =
                    picture ? imageBytes(*picture, "JPG", kQuality)
                            : p.pictures.empty() ? QByteArray() : std::prev(p.pictures.end())->second;
            }
            if (isSpokenOver(review, answer, review.inputs.spoken))
                if (auto voice = readSound(review.inputs.spoken->voice)) p.isOfSpoken = true, p.voice = std::move(*voice);
            return p;
        },
        [this](Result<Prepared> prepared) {
            if (!prepared) return void(emit failed(said(prepared.error())));
            pictures_ = std::move(prepared->pictures), shown_ = std::move(prepared->shown);
            run_s_ = prepared->run_s;
            words_ = QString::fromStdString(prepared->words);
            spoken_ = prepared->isOfSpoken && session_.inputs().spoken ? *session_.inputs().spoken : Spoken{};
            spoken_.best_s = prepared->best_s, spoken_.worst_s = prepared->worst_s;
            voice_ = std::move(prepared->voice);
            emit changed();
        });
}

double Speaking::time_s() const { return speaking_ || playing_ ? double(clock_.elapsed()) / 1000 : 0; }

void Speaking::start() {
    if (!isReady() || speaking_ || isBeingCut() || !microphone_) return;
    endPlaying();
    if (const auto ok = microphone_->start(); !ok) return void(emit failed(said(ok.error())));
    heard_.clear(), voice_.clear(), spoken_.lines.clear(), spoken_.voice.clear();
    spoken_.begins_s = 0;
    speaking_ = true;
    clock_.start();
    tick_.start();
    emit changed();
}

void Speaking::stop() {
    if (!speaking_) return;
    microphone_->stop();
    speaking_ = false;
    tick_.stop();
    cutting_.run([heard = std::move(heard_), rate = microphone_->rate_Hz()](
                     StopToken, const ProgressFn&) { return readyVoice(heard, rate); },
                 [this](Result<Voice> voice) {
                     if (voice) {
                         voice_ = std::move(voice->sound);
                         // What was drawn before the first word stands when it is said.
                         spoken_.begins_s = std::fmod(voice->cut_s, run_s_);
                         for (PenLine& line : spoken_.lines)
                             for (PenLine::Point& p : line.points) p.time_s = std::max(0.0, p.time_s - voice->cut_s);
                     } else {
                         spoken_.lines.clear();
                         emit failed(said(voice.error()));
                     }
                     emit level(0);
                     emit changed();
                 });
    emit changed();
}

void Speaking::hear(const Sound& samples) {
    if (!speaking_) return;
    heard_.insert(heard_.end(), samples.begin(), samples.end());
    double sum = 1e-12;
    for (const float v : samples) sum += double(v) * v;
    constexpr double kQuietest_dB = -50;
    const double dB = 10 * std::log10(sum / double(samples.size()));
    emit level(std::clamp(1 - dB / kQuietest_dB, 0.0, 1.0));
}

void Speaking::play() {
    if (playing_) return endPlaying();
    if (!isReady() || speaking_ || isBeingCut()) return;
    playing_ = true;
    clock_.start();
    tick_.start();
    if (hasTake() && !output_.play(voice_, 0)) emit failed(tr("there is no sound device"));
    emit changed();
}

void Speaking::endPlaying() {
    if (!std::exchange(playing_, false)) return;
    output_.stop();
    tick_.stop();
    emit changed();
}

void Speaking::penDown(const QPointF& at) {
    if (!speaking_) return;
    spoken_.lines.emplace_back();
    penMoved(at);
}

void Speaking::penMoved(const QPointF& at) {
    if (!speaking_ || spoken_.lines.empty()) return;
    spoken_.lines.back().points.push_back(
        {time_s(), std::clamp(at.x(), 0.0, 1.0), std::clamp(at.y(), 0.0, 1.0)});
    emit changed();
}

QImage Speaking::picture() const {
    if (!isReady()) return {};
    const auto tick = size_t(std::fmod(time_s() + (hasTake() ? spoken_.begins_s : 0), run_s_) * kTicks_Hz);
    const int64_t frame = shown_[std::min(tick, shown_.size() - 1)];
    if (last_.first != frame) last_ = {frame, QImage::fromData(pictures_.at(frame)).convertToFormat(QImage::Format_RGB32)};
    QImage drawn = last_.second;
    if ((speaking_ || playing_) && !spoken_.lines.empty()) {
        QPainter p(&drawn);
        drawPenLines(p, drawn.rect(), spoken_.lines, time_s(), spoken_.begins_s, run_s_);
    }
    return drawn;
}

void Speaking::discard() {
    endPlaying();
    voice_.clear(), spoken_.lines.clear(), spoken_.voice.clear();
    if (session_.inputs().spoken) session_.edit(tr("discard what was spoken"), [](ReviewInputs& in) { in.spoken.reset(); });
    emit changed();
}

Result<void> Speaking::keep(const QString& captions) {
    endPlaying();
    if (spoken_.voice.empty()) { // a new take; else its captions alone may have changed
        const auto file = library_.newVoice(session_.inputs());
        if (auto ok = writeSound(file, voice_); !ok) return ok;
        spoken_.voice = file.string();
    }
    spoken_.captions = captions.trimmed().toStdString();
    session_.edit(tr("speak over the reply clip"), [this](ReviewInputs& in) { in.spoken = spoken_; });
    return {};
}

} // namespace deft::ui

#include "moc_speaking.cpp"
