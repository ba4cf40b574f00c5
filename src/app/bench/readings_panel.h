// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/review_session.h"
#include "app/widgets/panel.h"
#include "readings/readings.h"

namespace deft::ui {

/// One row a measure: value ± band, tolerance bar, last time's value, best and worst rep. Pressing a row goes to its
/// worst frame; pressing the best rep's number goes there.
class ReadingsPanel : public Panel {
    Q_OBJECT
public:
    explicit ReadingsPanel(ReviewSession& session, QWidget* parent = nullptr);
    const std::vector<ReadingRow>& rows() const { return rows_; }
    /// Last time's value of a row. Null when there is none.
    const Reading* last(const ReadingRow& row) const;
    void step(int rows); ///< to the next reading's worst frame

protected:
    void paintBody(QPainter& painter, const QRect& body) override;
    void mousePressEvent(QMouseEvent* event) override;

private:
    void refresh();
    void paintBar(QPainter& p, const QRectF& box, const ReadingRow& row) const;
    double rowHeight() const;
    ReviewSession& session_;
    std::vector<ReadingRow> rows_;
    int chosen_ = -1;
};

} // namespace deft::ui
