// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/bench/readings_table.h"
#include "app/widgets/panel.h"

namespace deft::ui {

class PlainTable;

/// One row a measure, see ReadingsTable. Pressing a row goes to its worst frame; pressing the best rep's number goes
/// there.
class ReadingsPanel : public Panel {
    Q_OBJECT
public:
    explicit ReadingsPanel(ReviewSession& session, QWidget* parent = nullptr);
    const ReadingsTable& table() const { return *table_; }
    QString asText() const; ///< all of them, cells parted by tabs
    void step(int rows); ///< to the next reading's worst frame

protected:
    void paintBody(QPainter& painter, const QRect& body) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    void refresh();
    void arrange();
    void go(int row, bool best);

    ReviewSession& session_;
    ReadingsTable* table_;
    PlainTable* view_;
};

} // namespace deft::ui
