// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/sheet/moments.h"

#include <QString>
#include <array>

namespace deft::ui {

/// One picture of the rep sheet with what stands under it.
struct RepCell {
    RepCell() = default;
    RepCell(int64_t at, std::string drawn) : frame(at), measure(std::move(drawn)) {}
    int64_t frame = 0;
    std::string measure;                ///< drawn in the picture
    Verdict edge = Verdict::CannotTell; ///< drawn solid, as ticks or hollow; never told by colour
    QString number, beside, under;
    std::optional<double> notch; ///< where control was lost, 0 … 1 of the phase
};

struct RepRow {
    QString clean; ///< length of the clean hold
    bool wholeClean = false;
    std::array<RepCell, kPhases> cells;
};

/// What the sheet shows, one row a rep. Read from the review alone.
std::vector<RepRow> repRows(const Review& review);
/// Words over each column: what is shown there, and its measure.
std::array<std::pair<QString, QString>, kPhases> repColumns(const Exercise& exercise);

/// The anchor that lies farthest outside (or least inside) its limit within a rep, told in widths of that limit.
struct WorstOfRep {
    Limit limit;
    int64_t frame = 0;
    double value = kGap, u95 = kGap;
};
WorstOfRep worstOfRep(const Review& review, const Rep& rep);

} // namespace deft::ui
