// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QDialog>

class QLabel;
class QLineEdit;
class QPlainTextEdit;

namespace deft::ui {

/// Asks for the name of a sentence that the coach keeps, with the sentence itself, in which names have become places.
class KeepSentence : public QDialog {
    Q_OBJECT
public:
    explicit KeepSentence(const QString& text, QWidget* parent = nullptr);
    QLineEdit& name() { return *name_; }
    QPlainTextEdit& text() { return *text_; }
    void complain(const QString& why);

signals:
    void wanted(const QString& name, const QString& text);

private:
    QLineEdit* name_;
    QPlainTextEdit* text_;
    QLabel* complaint_;
};

} // namespace deft::ui
