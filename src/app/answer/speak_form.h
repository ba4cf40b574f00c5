// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/speaking.h"

#include <QDialog>

class QLabel;
class QPlainTextEdit;
class QProgressBar;
class QPushButton;

namespace deft::ui {

/// Speaking over the reply clip: a button is held while the moment plays slowly, the mouse draws on it, and what came
/// of it can be heard, captioned, kept or discarded.
class SpeakForm : public QDialog {
    Q_OBJECT
public:
    explicit SpeakForm(std::unique_ptr<Speaking> speaking, QWidget* parent = nullptr);
    ~SpeakForm() override;
    Speaking& speaking() { return *speaking_; }
    QPushButton& talk() { return *talk_; }
    QPlainTextEdit& captions() { return *captions_; }
    QPushButton& use() { return *use_; }
    QPushButton& playButton() { return *play_; }
    QPushButton& discardButton() { return *discard_; }
    QWidget& picture() { return *picture_; }
    QString state() const; ///< what the line under the picture says

private:
    void press();
    void release();
    void refresh();
    void keep();

    std::unique_ptr<Speaking> speaking_;
    QWidget* picture_;
    QPushButton *talk_, *play_, *discard_, *use_;
    QProgressBar* level_;
    QLabel *state_, *complaint_;
    QPlainTextEdit* captions_;
    QElapsedTimer held_;
    bool latched_ = false; ///< tapped, not held: the next press ends it
    bool filled_ = false;  ///< the captions have been
};

} // namespace deft::ui
