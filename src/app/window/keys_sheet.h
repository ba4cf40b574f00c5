// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QAction>
#include <QDialog>

namespace deft::ui {

/// Every key of the window, by menu. Made from the actions themselves, so that it cannot be out of date.
class KeysSheet : public QDialog {
    Q_OBJECT
public:
    KeysSheet(const std::vector<std::pair<QString, QList<QAction*>>>& groups, QWidget* parent);
};

} // namespace deft::ui
