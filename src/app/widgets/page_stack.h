// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QCoreApplication>
#include <QEvent>
#include <QStackedWidget>

namespace deft::ui {

/// Pages of which one is shown and asked how much room it needs. A plain stack asks all of them: the largest hidden one
/// would decide, and each change of layout would lay out the texts of every hidden page.
class PageStack : public QStackedWidget {
public:
    explicit PageStack(QWidget* parent = nullptr) : QStackedWidget(parent) {
        connect(this, &QStackedWidget::currentChanged, this, [this] {
            updateGeometry();
            QCoreApplication::postEvent(this, new QEvent(QEvent::LayoutRequest)); // for a scroll area that holds it
        });
    }
    bool hasHeightForWidth() const override { return false; }
    QSize minimumSizeHint() const override { return currentWidget() ? currentWidget()->minimumSizeHint() : QSize(); }
    QSize sizeHint() const override { return currentWidget() ? currentWidget()->sizeHint() : QSize(); }
};

} // namespace deft::ui
