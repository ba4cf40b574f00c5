// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/practice/practice_round.h"

#include "app/theme/words.h"

#include "figure/film.h"
#include "marks/names.h"

#include <algorithm>

namespace deft::ui {
namespace {

/// Moments of a scene, share of its length: in its starting position and in its far one.
constexpr double kWhen[PracticeRound::kMoments] = {0.05, 0.75};

/// An exercise in a scene's position.
std::string exerciseIn(const std::string& position) {
    return position == "all-fours" ? "arm-leg-reach" : position == "standing" ? "one-leg-stand" : position;
}

Result<std::vector<PracticePicture>> picturesOf(const Catalogue& catalogue, const std::filesystem::path& file,
                                                const StopToken& stop) {
    const auto scene = figure::readScene(file);
    if (!scene) return tl::unexpected(scene.error());
    const figure::FilmStudio studio(*scene);
    std::vector<PracticePicture> pictures;
    for (const double share : kWhen) {
        if (stop.stop_requested()) return fail(Errc::Cancelled, "making pictures was stopped");
        const figure::FilmedFrame frame = studio.frame(share * scene->duration_s);
        PracticePicture p;
        p.image = QImage(frame.picture.data, frame.picture.cols, frame.picture.rows, qsizetype(frame.picture.step),
                         QImage::Format_BGR888)
                      .copy();
        for (const auto& [name, at] : frame.points) p.truth[name] = {at.x, at.y};
        for (const std::string& name : scene->marks)
            if (const auto at = frame.points.find(name);
                at != frame.points.end() && at->second.visible && !isSceneLandmark(name))
                p.asked.push_back(name);
        if (const auto exercise = catalogue.exercise(exerciseIn(scene->position))) p.exercise = *exercise;
        if (p.asked.empty())
            return fail(Errc::BadFormat, {"{file}: no landmark of its marks can be seen, so none can be asked",
                                          {{"file", file.string()}}});
        pictures.push_back(std::move(p));
    }
    return pictures;
}

} // namespace

PracticeRound::PracticeRound(CataloguePtr catalogue, const std::filesystem::path& scenes, QObject* parent)
    : QObject(parent), catalogue_(std::move(catalogue)) {
    std::error_code ec;
    for (const auto& entry : std::filesystem::directory_iterator(scenes, ec))
        if (entry.path().extension() == ".json") files_.push_back(entry.path());
    std::sort(files_.begin(), files_.end());
}

void PracticeRound::begin() {
    if (files_.empty())
        return emit failed(tr("No pictures to practise on are there; the program's data are not whole."));
    begun_ = true;
    at_ = 0;
    placed_.assign(pictures(), {});
    noise_.reset();
    if (made_.size() < pictures() && !job_.isRunning()) makeNext();
    emit changed();
}

void PracticeRound::makeNext() {
    job_.run([catalogue = catalogue_, file = files_[made_.size() / kMoments]](
                 StopToken stop, const ProgressFn&) { return picturesOf(*catalogue, file, stop); },
             [this](const Result<std::vector<PracticePicture>>& pictures) {
                 if (!pictures) {
                     begun_ = false;
                     emit failed(said(pictures.error()));
                     return emit changed();
                 }
                 made_.insert(made_.end(), pictures->begin(), pictures->end());
                 if (made_.size() < this->pictures()) makeNext();
                 emit changed();
             });
}

const PracticePicture* PracticeRound::picture() const {
    return begun_ && pictureNumber() < made_.size() ? &made_[pictureNumber()] : nullptr;
}

std::string PracticeRound::asked() const {
    const PracticePicture* p = isOver() ? nullptr : picture();
    return p ? p->asked[placed_[at_].size()] : std::string();
}

std::vector<std::pair<std::string, QPointF>> PracticeRound::placedHere() const {
    std::vector<std::pair<std::string, QPointF>> here;
    if (const PracticePicture* p = picture())
        for (size_t i = 0; i < placed_[pictureNumber()].size(); ++i)
            here.emplace_back(p->asked[i], placed_[pictureNumber()][i]);
    return here;
}

void PracticeRound::place(const QPointF& px) {
    const PracticePicture* p = picture();
    if (!p || isOver()) return;
    placed_[at_].push_back(px);
    if (placed_[at_].size() == p->asked.size() && ++at_ == pictures()) finish();
    emit changed();
}

void PracticeRound::takeBack() {
    if (!begun_ || isOver()) return;
    if (placed_[at_].empty() && at_ > 0) --at_;
    if (!placed_[at_].empty()) placed_[at_].pop_back();
    emit changed();
}

void PracticeRound::step(int by) {
    if (!isOver() || made_.empty()) return;
    shown_ = size_t(std::clamp(int(shown_) + by, 0, int(made_.size()) - 1));
    emit changed();
}

void PracticeRound::finish() {
    shown_ = 0;
    std::vector<PlacedMark> marks;
    for (size_t k = 0; k < made_.size(); ++k)
        for (size_t i = 0; i < placed_[k].size(); ++i)
            if (const auto mark = placedMark(made_[k].asked[i], {placed_[k][i].x(), placed_[k][i].y()}, made_[k].truth))
                marks.push_back(*mark);
    if (const auto noise = markingNoise(marks))
        noise_ = *noise;
    else
        emit failed(said(noise.error()));
}

} // namespace deft::ui

#include "moc_practice_round.cpp"
