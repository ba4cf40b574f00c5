// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QPushButton>
#include <map>
#include <string>
#include <vector>

namespace deft::ui {

/// Opens a list of which several may be ticked, and names those that are.
class ChoicesButton : public QPushButton {
    Q_OBJECT
public:
    /// @param choices id → name
    /// @param what as a screen reader says it before the names
    /// @param none what stands there when nothing is ticked
    ChoicesButton(const std::map<std::string, std::string>& choices, const QString& what, const QString& none,
                  QWidget* parent = nullptr);
    std::vector<std::string> chosen() const; ///< ids
    QSize minimumSizeHint() const override;
    QSize sizeHint() const override { return minimumSizeHint(); }
    void setChosen(const std::vector<std::string>& ids);

signals:
    void ticked(); ///< or unticked, by the user

private:
    void showNames();
    void shorten(); ///< so that many choices do not widen what they stand in; all of them are in the tool tip
    void resizeEvent(QResizeEvent* event) override;
    QString what_, none_;
};

} // namespace deft::ui
