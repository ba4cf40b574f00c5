// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/bench/mark_table.h"
#include "app/widgets/panel.h"

namespace deft::ui {

class MarkStrips;
class PlainTable;

/// The landmark in question: its name, where it is, and the drawing in which it stands out.
class LandmarkCard : public Panel {
    Q_OBJECT
public:
    LandmarkCard(ReviewSession& session, StagePicture& stage, QWidget* parent = nullptr);
    /// Which one that is: the chosen one, else the one that is asked for; empty when there is none.
    QString landmark() const;

protected:
    void paintBody(QPainter& painter, const QRect& body) override;

private:
    void refresh();
    ReviewSession& session_;
    StagePicture& stage_;
};

/// All landmarks of the exercise and how far each has come. A row that is chosen is chosen in the picture, too.
class MarkList : public Panel {
    Q_OBJECT
public:
    MarkList(ReviewSession& session, StagePicture& stage, QWidget* parent = nullptr);
    PlainTable& view() { return *view_; }

protected:
    void paintBody(QPainter&, const QRect&) override {}
    void resizeEvent(QResizeEvent* event) override;

private:
    void refresh();
    ReviewSession& session_;
    StagePicture& stage_;
    MarkTable* table_;
    PlainTable* view_;
};

/// What stands beside the picture while marks are placed, confirmed or edited.
class MarkPanel : public QWidget {
    Q_OBJECT
public:
    MarkPanel(ReviewSession& session, StagePicture& stage, QWidget* parent = nullptr);
    MarkStrips& strips() { return *strips_; }
    MarkList& list() { return *list_; }
    void showStrips(bool on); ///< how the marks hold over the clip, in place of the list

private:
    MarkList* list_;
    MarkStrips* strips_;
};

} // namespace deft::ui
