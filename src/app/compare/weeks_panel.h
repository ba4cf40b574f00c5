#pragma once
#include "app/session/comparison.h"
#include "app/widgets/panel.h"

namespace deft::ui {

/// Each reading over the client's visits, with its band and tolerance, and in words whether it goes one way.
class WeeksPanel : public Panel {
    Q_OBJECT
public:
    explicit WeeksPanel(Comparison& comparison, QWidget* parent = nullptr);

    /// What is said of one reading; for people and tests.
    static QString verdict(const OverTime& reading);

protected:
    void paintBody(QPainter& painter, const QRect& body) override;

private:
    void refresh();
    void paintDays(QPainter& painter, const QRectF& plot);
    void paintScale(QPainter& painter, const QRectF& plot, const OverTime& reading, double low, double high);
    void paintReading(QPainter& painter, const QRectF& row, const QRectF& plot, const OverTime& reading);
    /// Where a time lies across; all readings share it.
    double across(const QRectF& plot, double week) const;

    Comparison& comparison_;
    double weeks_ = 0; ///< from the first visit to the last
};

} // namespace deft::ui
