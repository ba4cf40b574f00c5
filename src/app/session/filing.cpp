// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/filing.h"

#include "app/documents/answer_picture.h"
#include "video/clip_reader.h"

#include <algorithm>

namespace deft::ui {

void Filing::file(int64_t clip, std::shared_ptr<const Review> review, Answer answer, bool withPictures) {
    waiting_.push_back({clip, std::move(review), std::move(answer), withPictures});
    if (waiting_.size() == 1) next();
}

bool Filing::isFiling(int64_t clip) const {
    return std::any_of(waiting_.begin(), waiting_.end(), [&](const Sheet& s) { return s.clip == clip; });
}

void Filing::next() {
    if (waiting_.empty()) return;
    job_.run(
        [sheet = waiting_.front()](StopToken, const ProgressFn&) -> Result<std::string> {
            auto reader = ClipReader::open(sheet.review->inputs.clipPath);
            if (!reader) return tl::unexpected(reader.error());
            return answerHtml(sheet.answer, sheet.withPictures ? pictureMaker(*sheet.review, *reader) : PictureMaker());
        },
        [this](const Result<std::string>& page) {
            const Sheet sheet = std::move(waiting_.front());
            waiting_.pop_front();
            const auto id = page.and_then([&](const std::string& html) {
                return library_.file(sheet.clip, *sheet.review, html, answerText(sheet.answer));
            });
            if (id)
                emit filed(sheet.clip, *id, sheet.review);
            else
                emit failed(sheet.clip, QString::fromStdString(id.error().detail));
            next();
        });
}

} // namespace deft::ui
