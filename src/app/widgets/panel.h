// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/paint/strokes.h"

#include <QWidget>

namespace deft::ui {

/// A titled part of a page: a rule with a small notch above, the title, words on the right, then the body.
class Panel : public QWidget {
    Q_OBJECT
public:
    explicit Panel(const QString& title, QWidget* parent = nullptr);
    void setTitle(const QString& title);
    void setAside(const QString& words);

protected:
    void paintEvent(QPaintEvent* event) override;
    virtual void paintBody(QPainter& painter, const QRect& body) = 0;
    QRect body() const { return rect().adjusted(0, kHead, 0, 0); }
    static constexpr int kHead = 36;

private:
    QString title_, aside_;
};

} // namespace deft::ui
