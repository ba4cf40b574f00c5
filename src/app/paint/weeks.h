// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "readings/over_time.h"

#include <QPainter>
#include <QString>

namespace deft::ui {

/// What is said of a reading over a client's visits, and the slope that it rests on.
struct TrendWords {
    QString verdict, slope;
    QString whole() const { return slope.isEmpty() ? verdict : verdict + QStringLiteral(", ") + slope; }
};
TrendWords trendWords(const OverTime& reading);

/// One scale of days across a client's visits.
struct DayAxis {
    std::string first, last; ///< ISO days
    double left = 0, right = 0;
    /// Between left and right, with room at both ends; the middle where all is of one day.
    double across(const std::string& day) const;
};

/// Where drawWeeks puts names, plots and words in a width.
struct WeeksColumns {
    double name, words;
    explicit WeeksColumns(double width)
        : name(width < 560   ? 168
               : width < 900 ? 208
                             : 268),
          words(width < 560   ? 148
                : width < 900 ? 172
                              : 256) {}
};

/// Rows that fit into a height, at most as many as there are.
int weeksThatFit(double height, size_t readings);
/// Each reading over the client's visits, one below the other, with its bands, its tolerance and the trend in words.
/// Those that do not fit are left out. The last visit is filled.
/// @param pain ISO days on which pain was told: a sign above the plots, and a line down through them
void drawWeeks(QPainter& painter, const QRectF& body, const std::vector<OverTime>& readings,
               const std::vector<std::string>& pain = {});

} // namespace deft::ui
