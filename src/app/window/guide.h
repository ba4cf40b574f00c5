// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QDialog>

class QListWidget;
class QTextBrowser;

namespace deft::ui {

/// The short user guide, from docs/guide, beside the window.
class Guide : public QDialog {
    Q_OBJECT
public:
    explicit Guide(QWidget* parent = nullptr);
    QListWidget& contents() { return *contents_; }
    QTextBrowser& page() { return *page_; }

private:
    QListWidget* contents_;
    QTextBrowser* page_;
};

} // namespace deft::ui
