// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/letter.h"

#include "app/session/review_session.h"

#include <QDate>
#include <algorithm>

namespace deft::ui {

Letter::Letter(ReviewSession& session, Library& library) : session_(session), filing_(library), visit_(library) {
    connect(&filing_, &Filing::filed, this, [this](const FiledLetter& letter) {
        if (std::find(letter.clips.begin(), letter.clips.end(), session_.clipId()) == letter.clips.end()) return;
        session_.endAsFiled();
        emit filed();
    });
    connect(&filing_, &Filing::takenBack, this, [this](const std::vector<int64_t>& clips) {
        if (std::find(clips.begin(), clips.end(), session_.clipId()) != clips.end()) emit session_.reviewChanged();
    });
}

bool Letter::isBeingFiled() const { return filing_.isFiling(session_.clipId()); }

Result<void> Letter::canBeFiled() const {
    if (session_.isFiled() || isBeingFiled())
        return fail(Errc::Conflict, "this review has been filed already and stays as it was sent");
    if (!session_.review() || session_.job().isRunning())
        return fail(Errc::Unsupported, "the clip has not been measured yet, so there is nothing to file");
    if (const QString& trouble = session_.clipWatch().trouble(); !trouble.isEmpty())
        return fail(Errc::Conflict, trouble.chopped(1).toStdString());
    return {};
}

Result<void> Letter::keepForVisit() {
    if (auto ok = canBeFiled(); !ok) return ok;
    if (!session_.inputs().ready) session_.edit(tr("ready for the letter"), [](ReviewInputs& in) { in.ready = true; });
    return {};
}

std::vector<std::shared_ptr<const Review>> Letter::reviews() const {
    return visit_.reviews(session_.clipId(), std::make_shared<const Review>(*session_.review()));
}

size_t Letter::own(const std::vector<std::shared_ptr<const Review>>& reviews) const {
    const ReviewInputs& in = session_.inputs();
    return size_t(std::find_if(reviews.begin(), reviews.end(),
                               [&](const auto& r) {
                                   return r->inputs.clipSha256 == in.clipSha256 && r->inputs.part == in.part &&
                                          r->inputs.exercise == in.exercise;
                               }) -
                  reviews.begin());
}

Result<void> Letter::file(bool alone) {
    if (auto ok = canBeFiled(); !ok) return ok;
    if (!alone && !visit_.isComplete())
        return fail(Errc::Unsupported, visit_.open() > 0
                                           ? "other clips of this visit are still to be looked at"
                                           : "the other clips of this visit are being measured; try again in a moment");
    const std::string today = QDate::currentDate().toString(Qt::ISODate).toStdString();
    session_.date(today); // the window may have been open since yesterday
    std::vector<Filing::One> ones = {{session_.clipId(), std::make_shared<const Review>(*session_.review())}};
    if (!alone)
        for (const VisitClips::Other& other : visit_.others()) {
            Review answered = *other.review;
            answered.inputs.answered = today;
            if (answered.inputs.date.empty()) answered.inputs.date = today;
            ones.push_back({other.clip.id, std::make_shared<const Review>(std::move(answered))});
        }
    std::sort(ones.begin(), ones.end(), [](const Filing::One& a, const Filing::One& b) { return a.clip < b.clip; });
    filing_.file(std::move(ones), allowsPictures(session_.client().consent, today));
    return {};
}

} // namespace deft::ui

#include "moc_letter.cpp"
