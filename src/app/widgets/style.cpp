// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/style.h"

#include <QAbstractSpinBox>
#include <QComboBox>
#include <QEvent>
#include <QPalette>
#include <QPointer>
#include <QStyle>
#include <QStyleFactory>

namespace deft::ui {
namespace {

/// A wheel that scrolls a page must not change the fields that come under it: they take it once they have the focus,
/// and do not get that from the wheel.
class QuietWheel : public QObject {
public:
    using QObject::QObject;
    bool eventFilter(QObject* watched, QEvent* event) override {
        auto* field = qobject_cast<QWidget*>(watched);
        if (!field || !(qobject_cast<QAbstractSpinBox*>(field) || qobject_cast<QComboBox*>(field))) return false;
        if (event->type() == QEvent::Polish && field->focusPolicy() == Qt::WheelFocus)
            field->setFocusPolicy(Qt::StrongFocus);
        if (event->type() != QEvent::Wheel || field->hasFocus()) return false;
        event->ignore(); // the page below scrolls
        return true;
    }
};

} // namespace

void applyStyle(QApplication& application) {
    static QPointer<QuietWheel> quiet;
    if (!quiet) application.installEventFilter(quiet = new QuietWheel(&application));
    const Palette& c = colours();
    if (application.style()->objectName() != QLatin1String("fusion"))
        application.setStyle(QStyleFactory::create(QStringLiteral("Fusion")));
    // Setting it again would take their own fonts from widgets that have one.
    if (application.font() != face(Size::Body)) application.setFont(face(Size::Body));
    QPalette p;
    p.setColor(QPalette::Window, c.ground);
    p.setColor(QPalette::WindowText, c.ink);
    p.setColor(QPalette::Base, c.raised);
    p.setColor(QPalette::AlternateBase, c.paper);
    p.setColor(QPalette::Text, c.ink);
    p.setColor(QPalette::PlaceholderText, c.ink3);
    p.setColor(QPalette::Button, c.raised);
    p.setColor(QPalette::ButtonText, c.ink);
    p.setColor(QPalette::Highlight, c.accent);
    p.setColor(QPalette::HighlightedText, c.onAccent);
    p.setColor(QPalette::ToolTipBase, c.raised);
    p.setColor(QPalette::ToolTipText, c.ink);
    p.setColor(QPalette::Link, c.accent);
    for (const auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText})
        p.setColor(QPalette::Disabled, role, c.ink3);
    application.setPalette(p);
    application.setStyleSheet(QStringLiteral(R"(
QMenu { background: %1; color: %2; border: 1px solid %3; padding: 4px 0; }
QMenu::item { padding: 4px 24px 4px 16px; }
QMenu::item:selected { background: %4; color: %2; }
QMenu::item:disabled { color: %5; }
QLineEdit, QComboBox, QSpinBox, QDoubleSpinBox, QDateEdit, QPlainTextEdit { background: %1; color: %2; border: 1px solid %3; border-radius: 2px; padding: 3px 7px; min-height: 22px; }
QLineEdit:focus, QComboBox:focus, QSpinBox:focus, QDoubleSpinBox:focus, QDateEdit:focus, QPlainTextEdit:focus { border: 2px solid %2; padding: 2px 6px; }
QPlainTextEdit#letter, QPlainTextEdit#letter:focus { border: 1px solid transparent; background: transparent; padding: 0; }
QPlainTextEdit#letter:focus { border-color: %2; }
QTextBrowser, QListWidget, deft--ui--ProgrammeView { border: 1px solid transparent; }
QTextBrowser:focus, QListWidget:focus, deft--ui--ProgrammeView:focus { border-color: %2; }
QCheckBox, QRadioButton { border: 1px solid transparent; border-radius: 2px; padding: 1px 2px; }
QCheckBox:focus, QRadioButton:focus { border-color: %2; }
QComboBox::drop-down { border: 0; width: 24px; }
QComboBox::down-arrow { image: url(:/icons/down.svg); width: 10px; height: 10px; }
QPushButton { background: %1; color: %2; border: 1px solid %3; border-radius: 2px; padding: 3px 7px; min-height: 22px; text-align: left; }
QPushButton:focus { border: 2px solid %2; padding: 2px 6px; }
QPushButton:checked { background: %6; border-color: %6; color: %8; }
QPushButton:checked:focus { border: 3px double %8; padding: 1px 5px; }
QPushButton#day { padding: 0; text-align: center; }
QDateEdit::drop-down { border: 0; width: 24px; }
QDateEdit::down-arrow { image: url(:/icons/down.svg); width: 10px; height: 10px; }
QCheckBox::indicator, QRadioButton::indicator { width: 12px; height: 12px; background: %1; border: 1px solid %5; }
QCheckBox::indicator { border-radius: 2px; }
QRadioButton::indicator { border-radius: 7px; }
QCheckBox::indicator:checked { background: %6; border-color: %6; image: url(:/icons/%7.svg); }
QRadioButton::indicator:checked { width: 6px; height: 6px; border: 4px solid %6; }
QCheckBox::indicator:focus, QRadioButton::indicator:focus { border-color: %2; }
QScrollBar:vertical { background: transparent; width: 10px; margin: 0; }
QScrollBar::handle:vertical { background: %3; border-radius: 2px; min-height: 24px; margin: 0 2px; }
QScrollBar::add-line, QScrollBar::sub-line { height: 0; }
QScrollArea { border: 0; background: transparent; }
QToolTip { background: %1; color: %2; border: 1px solid %3; padding: 4px; }
deft--ui--PlainTable, deft--ui--PlainTable QHeaderView { background: transparent; }
deft--ui--PlainTable::item { border-bottom: 1px solid %9; padding: 0; }
deft--ui--PlainTable::item:selected { background: %4; color: %2; }
)")
                                  .arg(c.raised.name(), c.ink.name(), c.strong.name(), c.soft.name(), c.ink3.name(),
                                       c.accent.name(), c.dark ? QStringLiteral("check-dark") : QStringLiteral("check"),
                                       c.onAccent.name(), c.hairline.name()));
}

} // namespace deft::ui
