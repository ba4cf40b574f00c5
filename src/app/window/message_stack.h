// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QWidget>

class QVBoxLayout;

namespace deft::ui {

/// What the program has to say, newest first. It lies over the line that says whose clip this is, where nothing is
/// pressed, so that neither keys nor controls are hidden. Each message ends by itself once there was time to read it, or
/// by a key; while the mouse rests on them none does. One about work that goes on (it ends with "…") goes when the next
/// one comes.
class MessageStack : public QWidget {
    Q_OBJECT
public:
    /// @param over what it is a part of @param line of it, over whose end it begins
    MessageStack(QWidget* over, QWidget* line);
    void say(const QString& sentence); ///< empty = nothing more is to be said: all of them go
    void dismiss();                    ///< the newest
    const QString& last() const { return last_; } ///< said since the last time that all went, shown or not
    int shown() const;

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void place();
    QWidget* line_;
    QVBoxLayout* rows_;
    QString last_;
};

/// Time to read a message, ms: 15 letters a second, and the time to notice it (common practice for captions; no
/// published source for the rest).
int readingTime_ms(const QString& sentence);

} // namespace deft::ui
