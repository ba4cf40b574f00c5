// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/first_steps.h"

#include "app/paint/strokes.h"
#include "app/widgets/key_button.h"

#include <QSettings>

namespace deft::ui {
namespace {
const QString kPutAway = QStringLiteral("first-steps-put-away");
} // namespace

FirstSteps::FirstSteps(QWidget* parent) : QWidget(parent) {
    setFixedHeight(44);
    away_ = new KeyButton(tr("Hide these steps"), tr("F8"), KeyButton::Kind::Plain, this);
    connect(away_, &KeyButton::clicked, this, &FirstSteps::putAway);
    hide();
}

bool FirstSteps::wasPutAway() { return QSettings().value(kPutAway, false).toBool(); }

void FirstSteps::putAway() {
    QSettings().setValue(kPutAway, true);
    hide();
}

void FirstSteps::say(const QString& sentence) {
    sentence_ = sentence;
    setAccessibleName(sentence);
    setVisible(!sentence.isEmpty() && !wasPutAway());
    update();
}

void FirstSteps::resizeEvent(QResizeEvent*) {
    const QSize size = away_->sizeHint();
    away_->setGeometry(width() - size.width() - 12, (height() - size.height()) / 2, size.width(), size.height());
}

void FirstSteps::paintEvent(QPaintEvent*) {
    const Palette& c = colours();
    QPainter p(this);
    p.fillRect(rect(), c.soft);
    putText(p, QRectF(16, 0, away_->x() - 24, height()), sentence_, Size::Body, c.ink);
}

} // namespace deft::ui

#include "moc_first_steps.cpp"
