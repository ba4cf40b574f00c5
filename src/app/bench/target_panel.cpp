// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/target_panel.h"
#include "app/theme/words.h"

#include "app/theme/target_words.h"

namespace deft::ui {

TargetPanel::TargetPanel(ReviewSession& session, QWidget* parent)
    : Panel(tr("Next target"), parent), session_(session) {
    on_ = new KeyButton(tr("Answer"), tr("Enter"), KeyButton::Kind::Plain, this);
    connect(on_, &KeyButton::clicked, this, &TargetPanel::toAnswer);
    overrule_ = new KeyButton(tr("Override"), tr("O"), KeyButton::Kind::Plain, this);
    form_ = new OverruleForm(session, this);
    form_->hide();
    connect(overrule_, &KeyButton::clicked, this, [this] { setOverruling(true); });
    connect(form_, &OverruleForm::left, this, [this] { setOverruling(false); });
    connect(&session, &ReviewSession::opened, this, [this] { setOverruling(false); });
    connect(&session, &ReviewSession::opened, this, &TargetPanel::refresh);
    connect(&session, &ReviewSession::reviewChanged, this, &TargetPanel::refresh);
    refresh();
}

void TargetPanel::resizeEvent(QResizeEvent*) { place(); }

void TargetPanel::place() {
    const int part = std::max(114, overrule_->minimumSizeHint().width()),
              all = width() + 6; // the edge of a button is air
    if (part + on_->minimumSizeHint().width() <= all) {
        overrule_->setGeometry(-3, height() - 33, part, 32);
        on_->setGeometry(part - 3, height() - 33, all - part, 32);
    } else { // in a language of longer words
        on_->setGeometry(-3, height() - 67, all, 32);
        overrule_->setGeometry(-3, height() - 33, all, 32);
    }
    form_->setGeometry(body());
}

void TargetPanel::setOverruling(bool overruling) {
    overruling = overruling && session_.review() != nullptr && !session_.isFiled();
    const bool leaving = !overruling && form_->isVisible();
    if (overruling) form_->begin();
    form_->setVisible(overruling);
    form_->raise();
    on_->setVisible(!overruling);
    overrule_->setVisible(!overruling);
    if (leaving) emit left();
}

void TargetPanel::refresh() {
    on_->setEnabled(session_.review() != nullptr);
    overrule_->setEnabled(session_.review() != nullptr && !session_.isFiled());
    overrule_->setAccessibleName(tr("Override the target, or see what would open a locked exercise"));
    int left = 0;
    for (const Moment& m : session_.moments()) left += !m.agreed;
    on_->setText(!session_.review() ? tr("Answer") : left ? tr("Answer, %1 left").arg(left) : tr("Answer"));
    on_->setAccessibleName(on_->text());
    place();
    on_->setKind(left == 0 && session_.review() ? KeyButton::Kind::Primary : KeyButton::Kind::Plain);
    setAside(session_.review() ? stepWords(session_.review()->decision.step) : QString());
    setAccessibleDescription(session_.review() ? targetWords(session_.exercise(), session_.review()->decision.target)
                                               : QString());
    update();
}

void TargetPanel::paintBody(QPainter& p, const QRect& body) {
    const Review* r = session_.review();
    if (!r) return;
    const Palette& c = colours();
    const Decision& d = r->decision;
    double y = body.top();
    const double end = on_->y() - 4;
    auto line = [&](const QString& text, Size size, const QColor& colour, QFont::Weight weight, double indent) {
        const QFont f = face(size, weight);
        const QRectF box =
            QFontMetricsF(f).boundingRect(QRectF(indent, 0, width() - indent, 400), Qt::TextWordWrap, text);
        if (y + box.height() > end) return;
        p.setFont(f);
        p.setPen(colour);
        p.drawText(QRectF(indent, y, width() - indent, box.height()), Qt::TextWordWrap, text);
        y += box.height() + 1;
    };
    if (d.step != "stop" && d.step != "ask-again")
        line(targetWords(r->exercise, d.target), Size::Large, c.ink, QFont::DemiBold, 0);
    y += 2;
    for (const Message& m : d.arithmetic) line(said(m), Size::Small, c.ink, QFont::Medium, 0);
    for (const Message& m : d.because) line(said(m), Size::Small, c.ink2, QFont::Normal, 0);
    y += 4;
    int number = 0; // as the answer counts them
    for (const AnswerPart& part : session_.answer().parts) {
        const auto cue = std::find_if(d.cues.begin(), d.cues.end(),
                                      [&](const ChosenCue& one) { return one.fault == faultOf(part); });
        if (!part.sent || cue == d.cues.end()) continue;
        if (y + 42 > end) break; // the answer has them all
        p.setPen(QPen(c.hairline, 1));
        p.drawLine(QPointF(0, y), QPointF(width(), y));
        y += 3;
        const QString name = spoken(r->exercise.nameOf(cue->fault));
        putText(p, QRectF(0, y, 16, 18), QString::number(++number), Size::Body, c.ink, QFont::DemiBold);
        line(name, Size::Body, c.ink, QFont::DemiBold, 20);
        putText(p, QRectF(20, y, width() - 20, 16), tr("Cue: %1").arg(said("cue-level." + cue->level)), Size::Small,
                c.ink2);
        y += 19;
    }
}

} // namespace deft::ui

#include "moc_target_panel.cpp"
