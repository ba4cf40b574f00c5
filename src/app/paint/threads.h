// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/sheet/moments.h"
#include "events/breath_sound.h"

#include <QPainter>

namespace deft::ui {

struct ThreadsLook {
    const std::vector<Moment>& moments;
    int moment = -1;              ///< the one that is chosen
    std::optional<int64_t> frame; ///< where the playhead stands; nothing = there is none
    const BreathSound* heard = nullptr; ///< null or empty: the clip has no sound
};

/// Thin strips over the clip's time: phases, breaths, the anchor with its tolerance and band, the mover, faults.
/// @param review null while there is none yet: the time alone
void drawThreads(QPainter& p, const QRectF& box, const ClipInfo& clip, const Review* review, const ThreadsLook& look);
/// Where one is in time, over what drawThreads() has drawn without a frame.
void drawPlayhead(QPainter& p, const QRectF& box, const ClipInfo& clip, int64_t frame);
/// The part of the box over which time runs.
QRectF threadsArea(const QRectF& box);

} // namespace deft::ui
