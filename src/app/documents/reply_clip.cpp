// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/documents/reply_clip.h"

#include "app/documents/answer_picture.h"
#include "app/documents/captions.h"
#include "app/documents/image_bytes.h"
#include "app/paint/drawings.h"
#include "app/theme/palette.h"
#include "base/files.h"

#include <QPainter>
#include <opencv2/imgproc.hpp>

namespace deft::ui {
namespace {

constexpr QSize kSize(1280, 720);
constexpr int kFoot = 96, kGap_px = 8;
constexpr QRect kLeft(0, 0, (kSize.width() - kGap_px) / 2, kSize.height() - kFoot),
    kRight(kLeft.width() + kGap_px, 0, kLeft.width(), kLeft.height());
constexpr double kBefore_s = 1.2, kAfter_s = 0.8, kSlower = 3, kRate = 30, kStill_s = 1;

struct Halves {
    AnswerPicture best, worst;
    std::string words;
};

std::optional<Halves> halvesOf(const Answer& answer) {
    for (const AnswerPart& part : answer.parts) {
        if (!part.sent || !isCorrection(part)) continue;
        const auto worst =
            std::find_if(part.pictures.begin(), part.pictures.end(), [](const auto& p) { return p.broken; });
        const auto best =
            std::find_if(part.pictures.begin(), part.pictures.end(), [](const auto& p) { return !p.broken; });
        if (worst != part.pictures.end()) return Halves{best == part.pictures.end() ? *worst : *best, *worst, part.text};
    }
    return std::nullopt;
}

/// One half with its caption; ticks under a frame that broke, a solid rule under one that did not.
void paintHalf(QPainter& p, const QRect& box, const QImage& image, const AnswerPicture& picture) {
    p.drawImage(box.topLeft(), image);
    const int y = box.bottom() + 6;
    p.setPen(QPen(Qt::white, 6, picture.broken ? Qt::DotLine : Qt::SolidLine));
    p.drawLine(box.left(), y, box.right(), y);
    QFont font = face(Size::Large, QFont::Medium);
    font.setPixelSize(28);
    p.setFont(font);
    p.drawText(QRect(box.left() + 8, y + 4, box.width() - 16, kFoot - 12), Qt::AlignVCenter | Qt::TextWordWrap,
               QString::fromStdString(picture.caption));
}

cv::Mat toBgr(const QImage& image) {
    const cv::Mat bgra(image.height(), image.width(), CV_8UC4, const_cast<uchar*>(image.constBits()),
                       size_t(image.bytesPerLine()));
    cv::Mat bgr;
    cv::cvtColor(bgra, bgr, cv::COLOR_BGRA2BGR);
    return bgr;
}

/// What is said over a moment and how it is shown meanwhile; nothing said: the moment once, with the answer's words.
struct Spoke {
    double length_s = 0;
    Sound voice;
    std::vector<Caption> captions;
};

Result<Spoke> spokenOver(const ReplyMoment& moment, const Review& review, const Answer& answer) {
    const std::optional<Spoken>& spoken = review.inputs.spoken;
    if (!spoken) return Spoke{moment.run_s(), {}, captionsOf(moment.words(), moment.run_s())};
    if (!isSpokenOver(review, answer, spoken))
        return fail(Errc::Conflict, "it was spoken over other pictures than the letter has now; speak again or discard "
                                    "what was said");
    auto voice = readSound(spoken->voice);
    if (!voice) return tl::unexpected(voice.error());
    const double said_s = soundSeconds(*voice);
    // The run that is under way when all has been said is shown to its end.
    const double runs = std::ceil((spoken->begins_s + said_s) / moment.run_s() - 1e-6);
    return Spoke{std::max(1.0, runs) * moment.run_s() - spoken->begins_s, std::move(*voice),
                 captionsOf(spoken->captions, said_s)};
}

} // namespace

Result<ReplyMoment> ReplyMoment::of(const Review& review, const Answer& answer, ClipReader& reader) {
    ReplyMoment m(review, reader);
    const auto halves = halvesOf(answer);
    if (!halves) return fail(Errc::Unsupported, "there is no correction to show in a reply clip");
    m.best_ = halves->best, m.worst_ = halves->worst, m.words_ = halves->words;
    m.from_ = review.clip().frameAt(m.worst_s() - kBefore_s);
    m.to_ = review.clip().frameAt(m.worst_s() + kAfter_s);
    const auto frame = reader.bgra(m.best_.frame);
    if (!frame) return tl::unexpected(frame.error());
    auto half = answerPicture(review, toImage(*frame), m.best_, kLeft.size());
    if (!half) return tl::unexpected(half.error());
    m.bestHalf_ = std::move(*half);
    return m;
}

double ReplyMoment::run_s() const { return (timeOf(to_) - timeOf(from_)) * kSlower + kStill_s; }

int64_t ReplyMoment::frameAt(double time_s) const {
    return std::min(to_, review_->clip().frameAt(timeOf(from_) + std::fmod(time_s, run_s()) / kSlower));
}

bool hasReplyClip(const Answer& answer) { return halvesOf(answer).has_value(); }

bool isSpokenOver(const Review& review, const Answer& answer, const std::optional<Spoken>& spoken) {
    const auto halves = halvesOf(answer);
    const ClipInfo& clip = review.clip();
    return spoken && halves && clip.frameAt(spoken->best_s) == halves->best.frame &&
           clip.frameAt(spoken->worst_s) == halves->worst.frame;
}

Result<QImage> ReplyMoment::picture(int64_t frame) {
    const auto picture = reader_->bgra(frame);
    if (!picture) return tl::unexpected(picture.error());
    AnswerPicture now = worst_;
    now.frame = frame;
    const auto worst = answerPicture(*review_, toImage(*picture), now, kRight.size(), &run_);
    if (!worst) return worst;
    QImage canvas(kSize, QImage::Format_RGB32);
    canvas.fill(QColor(0x1C, 0x20, 0x23));
    QPainter p(&canvas);
    p.setRenderHint(QPainter::Antialiasing);
    paintHalf(p, kLeft, bestHalf_, best_);
    paintHalf(p, kRight, *worst, worst_);
    return canvas;
}

Result<void> writeReplyClip(const Review& review, const Answer& answer, ClipReader& reader,
                            const std::filesystem::path& path, StopToken stop, const ProgressFn& progress) {
    auto moment = ReplyMoment::of(review, answer, reader);
    if (!moment) return tl::unexpected(moment.error());
    const std::optional<Spoken>& spoken = review.inputs.spoken;
    auto spoke = spokenOver(*moment, review, answer);
    if (!spoke) return tl::unexpected(spoke.error());
    const auto poster = moment->picture(moment->worstFrame());
    if (!poster) return tl::unexpected(poster.error());

    WriterOptions options;
    options.width = kSize.width(), options.height = kSize.height(), options.preset = "veryfast";
    options.rateHz = kRate;
    options.poster = imageBytes(*poster, "JPG", 86).toStdString();
    options.sound = std::move(spoke->voice);
    if (spoken) options.captions = spoke->captions; // else they lie beside it alone: nothing is said that needs them
    // What every phone plays, and begins to play before all of it has come. Level 3.1, without a point to be read in
    // the user's locale.
    options.codecOptions = {{"profile", "high"}, {"level", "31"}};
    options.containerOptions = {{"movflags", "+faststart"}};
    auto writer = ClipWriter::create(path, options);
    if (!writer) return tl::unexpected(writer.error());
    const double begins_s = spoken ? spoken->begins_s : 0;
    const int pictures = int(std::ceil(spoke->length_s * kRate));
    int64_t shown = -1;
    QImage plain = *poster; // a damaged frame: the one before stays a moment longer
    for (int i = 0; i < pictures; ++i) {
        if (stop.stop_requested()) return fail(Errc::Cancelled, "making the reply clip was stopped");
        if (progress) progress({i, pictures, "making the reply clip"});
        const int64_t frame = moment->frameAt(begins_s + i / kRate);
        if (frame != std::exchange(shown, frame)) {
            // A face that cannot be covered: there is no clip.
            if (auto picture = moment->picture(frame))
                plain = std::move(*picture);
            else if (picture.error().code != Errc::DamagedFrame)
                return tl::unexpected(picture.error());
        }
        QImage drawn = plain;
        if (spoken && !spoken->lines.empty()) {
            QPainter p(&drawn);
            drawPenLines(p, drawn.rect(), spoken->lines, i / kRate, begins_s, moment->run_s());
        }
        if (auto ok = writer->add(toBgr(drawn), i / kRate); !ok) return ok;
    }
    if (auto ok = writer->finish(); !ok) return ok;
    auto beside = path;
    beside.replace_extension(".vtt");
    if (spoke->captions.empty()) {
        std::error_code ec;
        std::filesystem::remove(beside, ec); // of a clip that lay here before
        return {};
    }
    return writeFileAtomically(beside, webVtt(spoke->captions));
}

} // namespace deft::ui
