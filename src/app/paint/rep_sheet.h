// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/paint/still_picture.h"
#include "app/sheet/rep_rows.h"

#include <QImage>
#include <QPainter>
#include <map>

namespace deft::ui {

/// What a rep sheet is drawn from, and where.
struct RepSheetLook {
    static constexpr int kHeadHeight = 24;
    static constexpr double kShape = 1.5; ///< of a picture, width : height, where there is no more room

    const std::vector<RepRow>& rows;
    const std::vector<Moment>& moments;
    const std::map<int64_t, QImage>& pictures; ///< frame → its part inside `crop`; a missing one stays empty
    QRectF crop;                               ///< px of the clip, of kShape
    /// Cells as they were drawn last, by frame and measure; null = drawn anew each time.
    std::map<std::pair<int64_t, std::string>, StillPicture>* drawn = nullptr;
    double width = 0, scrolled = 0;
    double widest = 200;   ///< of a cell
    double narrowest = kShape; ///< shape in which a picture still holds the body: less for one that stands
    double shape = kShape;
    int perLine = kPhases; ///< cells side by side; where all do not stand there, each line has its own heads
    std::optional<std::pair<int, Phase>> chosen{};
    int moment = -1; ///< the one that is chosen
    bool focus = false;

    QRectF box(int rep, Phase phase) const; ///< of a cell's picture; its words stand below
    double cellWidth() const;
    double cellHeight() const; ///< of the picture
    double rowHeight() const; ///< with the words
    /// Makes the body in the pictures as large as all rows fit into a height: taller where it stands, on two lines where
    /// that is more; or smaller, by a fifth at most, as a message above must not cut the last one. Else they scroll.
    void fitInto(double available);
    double height() const { return 4.0 + (isWrapped() ? 0 : kHeadHeight) + double(rows.size()) * rowHeight(); }
    bool isWrapped() const { return perLine < kPhases; }

private:
    int lines() const { return (kPhases + perLine - 1) / perLine; }
    double lineHeight() const;
};

/// One row a rep, one column a phase, each cell the client's own picture with the line that matters, notched where
/// control was lost.
void drawRepRow(QPainter& p, const RepSheetLook& look, const Review& review, int rep);
void drawRepHead(QPainter& p, const RepSheetLook& look, const Exercise& exercise);

} // namespace deft::ui
