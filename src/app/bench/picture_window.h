// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QWidget>

namespace deft::ui {

class ReviewSession;
class StagePicture;

/// The bench's picture once more, for a second screen: follows what the bench shows, zooms by itself, and leaves the
/// keys with the bench.
class PictureWindow : public QWidget {
public:
    /// Whole-screen on a screen other than the bench's; an ordinary window where there is none.
    PictureWindow(ReviewSession& session, StagePicture& bench, QWidget* parent);
    StagePicture& stage() { return *stage_; }

private:
    StagePicture* stage_;
};

} // namespace deft::ui
