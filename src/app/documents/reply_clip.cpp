// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/documents/reply_clip.h"

#include "app/documents/answer_picture.h"
#include "app/documents/captions.h"
#include "app/documents/image_bytes.h"
#include "app/theme/palette.h"
#include "base/files.h"
#include "video/clip_writer.h"

#include <QPainter>
#include <opencv2/imgproc.hpp>

namespace deft::ui {
namespace {

constexpr QSize kSize(1280, 720);
constexpr int kFoot = 96, kGap_px = 8;
constexpr double kBefore_s = 1.2, kAfter_s = 0.8, kSlower = 3, kRate = 30, kStill_s = 1;

struct SlowMoment {
    AnswerPicture best, worst;
    std::string words;
};

std::optional<SlowMoment> momentOf(const Answer& answer) {
    for (const AnswerPart& part : answer.parts) {
        if (!part.sent || !isCorrection(part)) continue;
        const auto worst =
            std::find_if(part.pictures.begin(), part.pictures.end(), [](const auto& p) { return p.broken; });
        const auto best =
            std::find_if(part.pictures.begin(), part.pictures.end(), [](const auto& p) { return !p.broken; });
        if (worst == part.pictures.end()) continue;
        return SlowMoment{best == part.pictures.end() ? *worst : *best, *worst, part.text};
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

} // namespace

Result<void> writeReplyClip(const Review& review, const Answer& answer, ClipReader& reader,
                            const std::filesystem::path& path, StopToken stop, const ProgressFn& progress) {
    const auto moment = momentOf(answer);
    if (!moment) return fail(Errc::Unsupported, "there is no correction to show in a reply clip");
    const auto& times = review.clip().time_s;
    const double middle = times[size_t(moment->worst.frame)];
    const int64_t from = review.clip().frameAt(middle - kBefore_s), to = review.clip().frameAt(middle + kAfter_s);
    const QRect left(0, 0, (kSize.width() - kGap_px) / 2, kSize.height() - kFoot),
        right(left.right() + 1 + kGap_px, 0, left.width(), left.height());
    const auto bestFrame = reader.bgra(moment->best.frame);
    if (!bestFrame) return tl::unexpected(bestFrame.error());
    const auto best = answerPicture(review, toImage(*bestFrame), moment->best, left.size());
    if (!best) return tl::unexpected(best.error());

    // Both halves with their captions.
    FaceRun run;
    const auto composed = [&](int64_t frame) -> Result<QImage> {
        const auto picture = reader.bgra(frame);
        if (!picture) return tl::unexpected(picture.error());
        AnswerPicture now = moment->worst;
        now.frame = frame;
        const auto worst = answerPicture(review, toImage(*picture), now, right.size(), &run);
        if (!worst) return worst;
        QImage canvas(kSize, QImage::Format_RGB32);
        canvas.fill(QColor(0x1C, 0x20, 0x23));
        QPainter p(&canvas);
        p.setRenderHint(QPainter::Antialiasing);
        paintHalf(p, left, *best, moment->best);
        paintHalf(p, right, *worst, moment->worst);
        return canvas;
    };
    const auto poster = composed(moment->worst.frame);
    if (!poster) return tl::unexpected(poster.error());

    WriterOptions options;
    options.width = kSize.width(), options.height = kSize.height(), options.preset = "veryfast";
    options.rateHz = kRate;
    options.poster = imageBytes(*poster, "JPG", 86).toStdString();
    // What every phone plays, and begins to play before all of it has come. Level 3.1, without a point to be read in
    // the user's locale.
    options.codecOptions = {{"profile", "high"}, {"level", "31"}};
    options.containerOptions = {{"movflags", "+faststart"}};
    auto writer = ClipWriter::create(path, options);
    if (!writer) return tl::unexpected(writer.error());
    const double length = (times[size_t(to)] - times[size_t(from)]) * kSlower;
    const int pictures = int(std::ceil((length + kStill_s) * kRate));
    int64_t shown = -1;
    cv::Mat out;
    for (int i = 0; i < pictures; ++i) {
        if (stop.stop_requested()) return fail(Errc::Cancelled, "making the reply clip was stopped");
        if (progress) progress({i, pictures, "making the reply clip"});
        const int64_t frame = std::min(to, review.clip().frameAt(times[size_t(from)] + i / kRate / kSlower));
        if (frame != shown) {
            // A damaged frame: the one before stays a moment longer. A face that cannot be covered: there is no clip.
            if (const auto picture = composed(frame))
                out = toBgr(*picture);
            else if (picture.error().code != Errc::DamagedFrame)
                return tl::unexpected(picture.error());
            else if (out.empty())
                out = toBgr(*poster);
            shown = frame;
        }
        if (auto ok = writer->add(out, i / kRate); !ok) return ok;
    }
    if (auto ok = writer->finish(); !ok) return ok;
    auto beside = path;
    return writeFileAtomically(beside.replace_extension(".vtt"), captions(moment->words, pictures / double(kRate)));
}

} // namespace deft::ui
