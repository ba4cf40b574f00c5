// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/review_session.h"
#include "tracking/stickers.h"

#include <QWidget>

namespace deft::ui {

class DrawingTool;
class MatTool;
class StageTool;

/// The frame, large, with the body drawn on it. Zooms with the wheel; marks can be dragged (mending) or placed one
/// after the other (a new clip).
class StagePicture : public QWidget {
    Q_OBJECT
public:
    explicit StagePicture(ReviewSession& session, QWidget* parent = nullptr);

    /// Of the picture that is seen: marks and drawings belong to it, while another frame is on its way.
    int64_t shownFrame() const;
    /// Is a small picture shown until the frame itself has been decoded? No mark is set on it.
    bool isPreview() const;
    bool isMending() const { return mending_; }
    void setMending(bool on);
    bool isPlacing() const { return !toPlace_.isEmpty() && !session_.review(); }
    /// Landmarks still to be placed, the next one first.
    const QStringList& toPlace() const { return toPlace_; }
    void startPlacing();
    void skipPlacing();
    /// Proposals still to be confirmed in the frame that is shown, without those that were passed over.
    std::map<QString, ProposedMark> ghosts() const;
    void confirmGhosts(); ///< all of them become marks
    void goToProposals(); ///< to the frame in which they were made
    /// The sticker that the pointer, or the mark in the hand, is offered; a click or a release goes onto its middle
    /// unless Alt is held.
    const std::optional<Sticker>& offeredSticker() const { return sticker_; }
    void placeAtCursor(); ///< without a mouse: nudge() moves the cursor while placing
    void setBestOver(bool on);
    bool bestOver() const { return bestOver_; }
    const QString& selected() const { return selected_; }
    void selectNext(int step);
    void select(const QString& landmark);
    void nudge(const QPointF& px);
    /// Puts the selected mark, or the cursor while placing, onto the middle of the sticker beside it, else onto the
    /// nearest corner of the picture's pattern.
    void snapSelected();
    void markInvisible();
    void resetZoom(); ///< the whole picture
    void fitBody();   ///< as large as the body fits, at most until the stage is full

    /// Place of a point of the clip in this widget, for tests and pointers.
    QPointF toWidget(const QPointF& clip) const { return view().map(clip); }
    QPointF toClip(const QPointF& widget) const { return view().inverted().map(widget); }
    DrawingTool& drawing() { return *drawing_; }
    MatTool& mat() { return *mat_; }
    StageTool* activeTool() const; ///< null when none is

signals:
    void stateChanged(); ///< mending, placing or the selected mark changed

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    bool event(QEvent* event) override; ///< two fingers that pinch zoom
    void wheelEvent(QWheelEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;

private:
    void begin();
    QTransform view() const;
    std::map<QString, QPointF> marksHere() const; ///< where the marks of this frame lie
    void zoomAt(const QPointF& at, double factor);
    void place(const QPointF& clip);
    void offerSticker(const QPointF& clip);
    QPointF snapped(const QPointF& clip, Qt::KeyboardModifiers keys) const;
    void paintGhosts(QPainter& p) const;
    void paintWords(QPainter& p) const;

    ReviewSession& session_;
    DrawingTool* drawing_;
    MatTool* mat_;
    QImage image_;
    int64_t shown_ = 0; ///< the frame that image_ is of; while another is being decoded not the session's
    bool mending_ = false, bestOver_ = false, damaged_ = false;
    QStringList toPlace_, skipped_;
    QString selected_;
    std::optional<QPointF> dragged_; // clip pixels, while the button is down
    QPointF grip_;                   // from the pointer to the mark
    std::optional<Sticker> sticker_; // within reach of the pointer
    std::optional<QPointF> pan_;
    std::optional<QPointF> cursor_; // clip pixels, once the keyboard has been used for placing
    double zoom_ = 1;
    bool fitted_ = false, staysFitted_ = false; ///< staysFitted_: until somebody looks elsewhere
    QPointF centre_{0.5, 0.5};                  // share of the clip in the widget's middle
};

} // namespace deft::ui
