// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/bench/rep_table.h"
#include "app/paint/rep_sheet.h"

#include <QTableView>

namespace deft::ui {

/// The heart of the bench: every rep in its phases, see drawRepRow(). Pressing a cell goes there. It draws its table
/// whole, because strokes go over the edges of cells; where a cell is, it says itself. Keys are those of the bench.
class RepSheet : public QTableView {
    Q_OBJECT
public:
    explicit RepSheet(ReviewSession& session, QWidget* parent = nullptr);
    QSize sizeHint() const override { return {560, 368}; }
    QRect visualRect(const QModelIndex& index) const override;
    QModelIndex indexAt(const QPoint& at) const override;
    void scrollTo(const QModelIndex& index, ScrollHint hint = EnsureVisible) override;

protected:
    void paintEvent(QPaintEvent* event) override;
    void updateGeometries() override;
    void scrollContentsBy(int dx, int dy) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent*) override {}
    void keyPressEvent(QKeyEvent* event) override;
    bool viewportEvent(QEvent* event) override;
    QRegion visualRegionForSelection(const QItemSelection&) const override { return viewport()->rect(); }

private:
    void refresh();
    void tell();
    RepSheetLook look() const;

    ReviewSession& session_;
    RepTable* table_;
    std::map<int64_t, QImage> small_; // frame → cropped picture
    QRectF crop_;                     // of the pictures, in clip pixels
    double narrowest_ = 1;            // shape of a cell that still holds the body
    /// What costs most of a repaint, kept until the review or a cell's size is another.
    mutable std::map<std::pair<int64_t, std::string>, StillPicture> drawn_;
};

} // namespace deft::ui
