// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "marks/marks.h"

#include <QDate>

namespace deft::ui {

/// How this coach's own marks scatter, as practice has told it.
struct OwnMarking {
    double sd = 0; ///< of each axis, trunk lengths
    int marks = 0; ///< that it was told from
    QDate since;
};

/// Nothing while the coach has not practised.
std::optional<OwnMarking> ownMarking();
void setOwnMarking(const std::optional<OwnMarking>& own);

/// Notes in marks that are being set with which noise they are; not where no trunk is marked yet.
void noteOwnMarking(Marks& marks);

} // namespace deft::ui
