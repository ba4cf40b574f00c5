// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QAbstractButton>

namespace deft::ui {

/// A button that shows its key. Space and Return press it when it has the focus, whatever the window uses them for.
class KeyButton : public QAbstractButton {
    Q_OBJECT
public:
    enum class Kind { Plain, Primary, OnStage, OnStagePrimary, Link };
    KeyButton(const QString& text, const QString& key, Kind kind = Kind::Plain, QWidget* parent = nullptr);
    void setKind(Kind kind);
    QSize sizeHint() const override;
    QSize minimumSizeHint() const override; ///< that of the words alone

protected:
    void paintEvent(QPaintEvent* event) override;
    bool event(QEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    QString key_;
    Kind kind_;
};

} // namespace deft::ui
