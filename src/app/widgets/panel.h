#pragma once
#include "app/theme/palette.h"

#include <QPainter>
#include <QWidget>

namespace deft::ui {

/// A titled part of a page: a rule with a small notch above, the title, words on the right, then the body.
class Panel : public QWidget {
    Q_OBJECT
public:
    explicit Panel(const QString& title, QWidget* parent = nullptr);
    void setAside(const QString& words);

protected:
    void paintEvent(QPaintEvent* event) override;
    virtual void paintBody(QPainter& painter, const QRect& body) = 0;
    QRect body() const { return rect().adjusted(0, kHead, 0, 0); }
    static constexpr int kHead = 36;

private:
    QString title_, aside_;
};

/// Text in a box, cut with an ellipsis when it does not fit. @return width used
int putText(QPainter& p, const QRectF& box, const QString& text, Size size, const QColor& colour,
            QFont::Weight weight = QFont::Normal, Qt::Alignment alignment = Qt::AlignLeft | Qt::AlignVCenter);
/// The rule with a notch that parts sections.
void drawNotchedRule(QPainter& p, double x, double y, double width, double notchX);
/// Diagonal hatch, for what lies outside a tolerance.
QBrush hatch(const QColor& colour);

} // namespace deft::ui
