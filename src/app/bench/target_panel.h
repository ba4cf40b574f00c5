#pragma once
#include "app/session/review_session.h"
#include "app/widgets/key_button.h"
#include "app/widgets/panel.h"

namespace deft::ui {

/// The next target with its arithmetic, the corrections it comes with, and the way to the answer.
class TargetPanel : public Panel {
    Q_OBJECT
public:
    explicit TargetPanel(ReviewSession& session, QWidget* parent = nullptr);

signals:
    void toAnswer();

protected:
    void paintBody(QPainter& painter, const QRect& body) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    void refresh();
    ReviewSession& session_;
    KeyButton* on_;
};

} // namespace deft::ui
