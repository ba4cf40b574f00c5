// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QWidget>

class QVBoxLayout;

namespace deft::ui {

/// What the program has to say, newest last, above the keys and never instead of them. Each message ends by itself once
/// there was time to read it, or by a key; while the mouse rests on them none does. One about work that goes on (it
/// ends with "…") goes when the next one comes.
class MessageStack : public QWidget {
    Q_OBJECT
public:
    /// Lies over the bottom of `over`, along its `above`'s upper edge.
    MessageStack(QWidget* over, QWidget* above);
    void say(const QString& sentence); ///< empty = nothing more is to be said: all of them go
    void dismiss();                    ///< the newest
    const QString& last() const { return last_; } ///< said since the last time that all went, shown or not
    int shown() const;

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void place();
    QWidget* above_;
    QVBoxLayout* rows_;
    QString last_;
};

/// Time to read a message, ms: 15 letters a second, and the time to notice it (common practice for captions; no
/// published source for the rest).
int readingTime_ms(const QString& sentence);

} // namespace deft::ui
