// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/practice/practice_picture.h"
#include "app/widgets/key_button.h"

namespace deft::ui {

/// Where coaches learn how exactly they place marks, so that the bands of their readings can say it.
class PracticePage : public QWidget {
    Q_OBJECT
public:
    explicit PracticePage(CataloguePtr catalogue, QWidget* parent = nullptr);
    PracticeRound& round() { return *round_; }
    PracticePictureView& picture() { return *picture_; }
    void goOn();      ///< begins a round; at its end takes what it says into use
    void forgetOwn(); ///< back to what is taken for everybody

signals:
    void said(const QString& sentence);

private:
    void refresh();
    PracticeRound* round_;
    PracticePictureView* picture_;
    QWidget* found_;
    KeyButton *goOn_, *back_, *again_, *forget_;
};

} // namespace deft::ui
