// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/review_session.h"
#include "app/widgets/key_button.h"
#include "judgement/safety.h"

#include <QCheckBox>
#include <QComboBox>
#include <QLineEdit>
#include <QSpinBox>

class QFormLayout;
class QVBoxLayout;

namespace deft::ui {

/// The coach's own step and target in place of the proposed ones, with the reason; or, where an intake flag locks the
/// exercise, its readiness list to confirm. Both are recorded in the review. Pain and red flags cannot be overruled.
class OverruleForm : public QWidget {
    Q_OBJECT
public:
    explicit OverruleForm(ReviewSession& session, QWidget* parent = nullptr);
    /// Fills the fields from the review as it stands.
    void begin();
    QComboBox& step() { return *step_; }
    QLineEdit& why() { return *why_; }
    QSpinBox& hold() { return *hold_; }
    void use();     ///< the fields count from now on
    void propose(); ///< back to what is proposed

signals:
    void left();

protected:
    bool event(QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    void showLocks(const std::vector<Lock>& locks);
    void confirm();
    ReviewSession& session_;
    QWidget *fields_, *locks_;
    QVBoxLayout* lockColumn_;
    QComboBox *step_, *version_;
    QSpinBox *sets_, *reps_, *hold_;
    QLineEdit* why_;
    KeyButton *use_, *propose_;
    std::vector<QCheckBox*> points_;
    std::vector<std::string> lockedBy_;
};

} // namespace deft::ui
