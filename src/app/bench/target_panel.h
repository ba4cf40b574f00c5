// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/bench/overrule_form.h"
#include "app/widgets/key_button.h"
#include "app/widgets/panel.h"

namespace deft::ui {

/// The next target with its arithmetic, the corrections it comes with, and the way to the answer.
class TargetPanel : public Panel {
    Q_OBJECT
public:
    explicit TargetPanel(ReviewSession& session, QWidget* parent = nullptr);
    /// Shows the fields with which the coach overrules the proposal, or the readiness list of a lock.
    void setOverruling(bool overruling);
    OverruleForm& form() { return *form_; }

signals:
    void toAnswer();
    void left(); ///< the fields of an own target

protected:
    void paintBody(QPainter& painter, const QRect& body) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    void refresh();
    void place();
    ReviewSession& session_;
    KeyButton *on_, *overrule_;
    OverruleForm* form_;
};

} // namespace deft::ui
