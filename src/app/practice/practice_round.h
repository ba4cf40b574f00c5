// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/background_job.h"
#include "exercises/catalogue.h"
#include "readings/marking_noise.h"

#include <QImage>
#include <filesystem>

namespace deft::ui {

/// A made picture whose true points are known.
struct PracticePicture {
    QImage image;
    std::map<std::string, Point2> truth; ///< px
    std::vector<std::string> asked;      ///< landmarks to be marked, those that the camera sees
    std::optional<Exercise> exercise;    ///< whose drawing shows where they are
};

/// One round of practice: the coach marks points on made pictures, and is told how the marks scatter. The pictures are
/// made in the background, scene by scene, while the first are being marked.
class PracticeRound : public QObject {
    Q_OBJECT
public:
    /// @param scenes folder of scene files (docs/scenes.md)
    PracticeRound(CataloguePtr catalogue, const std::filesystem::path& scenes, QObject* parent = nullptr);

    void begin(); ///< from the first picture; pictures that have been made are kept
    void place(const QPointF& px);
    void takeBack();
    void step(int by); ///< at the end, through the pictures that were marked

    /// The picture that is being marked, at the end one that was; null while it is being made.
    const PracticePicture* picture() const;
    std::string asked() const; ///< landmark that is to be marked now; empty without one
    std::vector<std::pair<std::string, QPointF>> placedHere() const;
    size_t pictureNumber() const { return isOver() ? shown_ : at_; }
    size_t pictures() const { return kMoments * files_.size(); }
    bool hasBegun() const { return begun_; }
    bool isOver() const { return begun_ && at_ >= pictures(); }
    /// How the marks scatter, once the round is over.
    const std::optional<MarkingNoise>& noise() const { return noise_; }

    static constexpr size_t kMoments = 2; ///< pictures of each scene

signals:
    void changed();
    void failed(const QString& sentence);

private:
    void makeNext();
    void finish();
    CataloguePtr catalogue_;
    std::vector<std::filesystem::path> files_;
    std::vector<PracticePicture> made_;
    std::vector<std::vector<QPointF>> placed_; ///< picture, then in the order of what it asks
    size_t at_ = 0, shown_ = 0;                ///< picture that is being marked; that is looked at afterwards
    bool begun_ = false;
    std::optional<MarkingNoise> noise_;
    BackgroundJob job_;
};

} // namespace deft::ui
