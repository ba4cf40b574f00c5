// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/widgets/key_button.h"

#include "app/theme/palette.h"

#include <QKeyEvent>
#include <QPainter>

namespace deft::ui {

KeyButton::KeyButton(const QString& text, const QString& key, Kind kind, QWidget* parent)
    : QAbstractButton(parent), key_(key), kind_(kind) {
    setText(text);
    setAccessibleName(text);
    setToolTip(key.isEmpty() ? QString() : tr("%1 (%2)").arg(text, key));
    setCursor(Qt::PointingHandCursor);
    setFocusPolicy(Qt::StrongFocus);
    setAttribute(Qt::WA_Hover);
}

void KeyButton::setKind(Kind kind) {
    kind_ = kind;
    update();
}

QSize KeyButton::minimumSizeHint() const {
    const int text = QFontMetrics(face(Size::Body, QFont::Medium)).horizontalAdvance(this->text());
    return kind_ == Kind::Link ? QSize(text + 4, 24) : QSize(text + 30, 32);
}

QSize KeyButton::sizeHint() const {
    const int key = key_.isEmpty() ? 0 : QFontMetrics(face(Size::Small)).horizontalAdvance(key_) + 16;
    return minimumSizeHint() + QSize(kind_ == Kind::Link ? 0 : key, 0);
}

void KeyButton::paintEvent(QPaintEvent*) {
    const Palette& c = colours();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const QRectF box = QRectF(rect()).adjusted(3.5, 1.5, -3.5, -1.5);
    const bool stage = kind_ == Kind::OnStage || kind_ == Kind::OnStagePrimary;
    const bool filled = isEnabled() && (kind_ == Kind::Primary || kind_ == Kind::OnStagePrimary || isChecked());
    QColor fill = stage ? Qt::transparent : c.raised, text = stage ? c.onStage : c.ink,
           edge = stage ? QColor(255, 255, 255, 120) : c.strong;
    if (filled)
        fill = stage ? kLineThatMatters : c.accent, text = stage ? QColor(0x0C, 0x1A, 0x20) : c.onAccent, edge = fill;
    if (!isEnabled()) fill = Qt::transparent, text = stage ? QColor(255, 255, 255, 170) : c.ink3;
    if (kind_ == Kind::Link) {
        p.setFont(face(Size::Body, QFont::Medium));
        p.setPen(isEnabled() ? c.accent : c.ink3);
        p.drawText(rect(), Qt::AlignCenter, this->text());
    } else {
        if (isEnabled() && underMouse() && !filled) edge = stage ? QColor(255, 255, 255) : c.ink2;
        p.setPen(QPen(edge, 1, isEnabled() ? Qt::SolidLine : Qt::DashLine));
        p.setBrush(fill);
        p.drawRoundedRect(box, 2, 2);
        p.setPen(text);
        p.setFont(face(Size::Body, QFont::Medium));
        const QRectF inner = box.adjusted(11, 0, -11, 0);
        p.drawText(inner, key_.isEmpty() ? Qt::AlignCenter : Qt::AlignVCenter | Qt::AlignLeft, this->text());
        // Where both do not fit, the words: the key stands in the tool tip, too.
        const int words = QFontMetrics(p.font()).horizontalAdvance(this->text());
        p.setFont(face(Size::Small));
        if (words + QFontMetrics(p.font()).horizontalAdvance(key_) + 6 <= inner.width())
            p.drawText(inner, Qt::AlignVCenter | Qt::AlignRight, key_);
    }
    if (hasFocus()) {
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(stage ? QColor(Qt::white) : c.ink, 1.6));
        p.drawRoundedRect(QRectF(rect()).adjusted(0.8, 0.8, -0.8, -0.8), 3, 3);
    }
}

bool KeyButton::event(QEvent* e) {
    if (e->type() == QEvent::ShortcutOverride) {
        const int key = static_cast<QKeyEvent*>(e)->key();
        const bool plain = static_cast<QKeyEvent*>(e)->modifiers() == Qt::NoModifier;
        if (plain && (key == Qt::Key_Space || key == Qt::Key_Return || key == Qt::Key_Enter)) {
            e->accept();
            return true;
        }
    }
    return QAbstractButton::event(e);
}

void KeyButton::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Return || e->key() == Qt::Key_Enter)
        click();
    else
        QAbstractButton::keyPressEvent(e);
}

} // namespace deft::ui

#include "moc_key_button.cpp"
