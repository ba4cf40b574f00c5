// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/bench/moment_strip.h"
#include "app/bench/stage_picture.h"
#include "app/session/clip_sound.h"
#include "app/session/player.h"

namespace deft::ui {

class GiveWayPlot;
class MarkPanel;
class RepSheet;
class ReadingsPanel;
class TargetPanel;
class Threads;

/// The bench: rep sheet and picture above, give-way, threads, readings and target below. While marks are placed,
/// confirmed or edited the picture takes all of it, with the landmarks beside it.
class BenchPage : public QWidget {
    Q_OBJECT
public:
    explicit BenchPage(ReviewSession& session, QWidget* parent = nullptr);
    StagePicture& stage() { return *stage_; }
    ClipSound& sound() { return sound_; }
    ReadingsPanel& readings() { return *readings_; }
    TargetPanel& target() { return *target_; }
    Player& player() { return player_; }
    void foldThreads(bool fold);
    bool threadsFolded() const;
    /// The picture alone, or with all that belongs to it again.
    void setPictureAlone(bool alone);
    bool isPictureAlone() const { return alone_; }
    MarkPanel& marks() { return *marks_; }

    // What the window's keys do here.
    void stepMoment(int step);
    void answerMoment(bool agree); ///< and on to the next that is open
    void stepFrame(int step);
    void stepPhase(int step);
    void stepRep(int step);
    void stepWeak(int step); ///< to the next place where a mark got weak, ready to be mended

signals:
    void toAnswer();

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    void arrange();
    void showPlots();
    ReviewSession& session_;
    Player player_;
    ClipSound sound_;
    RepSheet* sheet_;
    StagePicture* stage_;
    MomentStrip* strip_;
    GiveWayPlot* giveWay_;
    Threads* threads_;
    MarkPanel* marks_;
    QWidget* lower_;
    bool folded_ = false, alone_ = false;
    ReadingsPanel* readings_;
    TargetPanel* target_;
};

} // namespace deft::ui
