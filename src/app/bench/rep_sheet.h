// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/paint/rep_sheet.h"
#include "app/session/review_session.h"

#include <QAbstractScrollArea>

namespace deft::ui {

/// The heart of the bench: every rep in its phases, see drawRepRow(). Pressing a cell goes there.
class RepSheet : public QAbstractScrollArea {
    Q_OBJECT
public:
    explicit RepSheet(ReviewSession& session, QWidget* parent = nullptr);
    QSize sizeHint() const override { return {560, 368}; }

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    bool viewportEvent(QEvent* event) override;

private:
    void refresh();
    void tell();
    RepSheetLook look() const;
    std::optional<std::pair<int, Phase>> cellAt(const QPoint& at) const;

    ReviewSession& session_;
    std::vector<RepRow> rows_;
    std::map<int64_t, QImage> small_; // frame → cropped picture
    QRectF crop_;                     // of the pictures, in clip pixels
};

} // namespace deft::ui
