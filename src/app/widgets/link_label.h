// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QFocusEvent>
#include <QLabel>

namespace deft::ui {

/// Words with links in them. Tab comes to its first link at once: on a plain label it is nowhere to be seen before the
/// second press.
class LinkLabel : public QLabel {
public:
    explicit LinkLabel(QWidget* parent = nullptr) : QLabel(parent) {
        setWordWrap(true);
        setTextInteractionFlags(Qt::LinksAccessibleByMouse | Qt::LinksAccessibleByKeyboard);
    }

protected:
    void focusInEvent(QFocusEvent* event) override {
        QLabel::focusInEvent(event);
        const bool forward = event->reason() == Qt::TabFocusReason;
        if (forward || event->reason() == Qt::BacktabFocusReason) (void)focusNextPrevChild(forward);
    }
};

} // namespace deft::ui
