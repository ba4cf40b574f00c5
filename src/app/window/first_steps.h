// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QWidget>

namespace deft::ui {

class KeyButton;

/// A sentence under the client's line that says what to do here, for the first time on the demo library. Put away for
/// good with one key.
class FirstSteps : public QWidget {
    Q_OBJECT
public:
    explicit FirstSteps(QWidget* parent = nullptr);
    void say(const QString& sentence);
    const QString& sentence() const { return sentence_; }
    void putAway(); ///< for good
    static bool wasPutAway();

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    QString sentence_;
    KeyButton* away_;
};

} // namespace deft::ui
