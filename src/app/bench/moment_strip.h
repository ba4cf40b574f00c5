// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/bench/stage_picture.h"
#include "app/widgets/key_button.h"

namespace deft::ui {

/// The strip under the picture: what is proposed here and the two answers to it; or what is being worked on; or which
/// mark comes next.
class MomentStrip : public QWidget {
    Q_OBJECT
public:
    MomentStrip(ReviewSession& session, StagePicture& stage, QWidget* parent = nullptr);

signals:
    void agreePressed();
    void rejectPressed();
    void measurePressed();
    void skipPressed();
    void confirmPressed();

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    void refresh();
    QString proposedWords() const;
    ReviewSession& session_;
    StagePicture& stage_;
    KeyButton *agree_, *reject_, *measure_, *skip_, *confirm_, *stop_;
};

} // namespace deft::ui
