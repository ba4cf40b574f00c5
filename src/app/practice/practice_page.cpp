// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/practice/practice_page.h"

#include "app/theme/words.h"

#include "app/practice/noise_panel.h"
#include "app/session/own_marking.h"
#include "base/data_folder.h"

#include <QVBoxLayout>

namespace deft::ui {

PracticePage::PracticePage(CataloguePtr catalogue, QWidget* parent) : QWidget(parent) {
    round_ = new PracticeRound(std::move(catalogue), dataFolder() / "practice", this);
    picture_ = new PracticePictureView(*round_);
    found_ = new NoisePanel(*round_);
    goOn_ = new KeyButton({}, tr("Enter"), KeyButton::Kind::Primary);
    back_ = new KeyButton(tr("Remove the last mark"), tr("Backspace"), KeyButton::Kind::Plain);
    again_ = new KeyButton(tr("Another round"), QStringLiteral("N"), KeyButton::Kind::Plain);
    forget_ = new KeyButton(tr("Use the usual value again"), QStringLiteral("U"), KeyButton::Kind::Plain);
    auto* side = new QVBoxLayout;
    side->setSpacing(8);
    side->addWidget(found_, 1);
    for (KeyButton* b : {goOn_, back_, again_, forget_}) side->addWidget(b);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(16, 16, 16, 16);
    row->setSpacing(24);
    row->addWidget(picture_, 1);
    row->addLayout(side);
    found_->setFixedWidth(360);

    connect(goOn_, &KeyButton::clicked, this, &PracticePage::goOn);
    connect(back_, &KeyButton::clicked, round_, &PracticeRound::takeBack);
    connect(again_, &KeyButton::clicked, round_, &PracticeRound::begin);
    connect(forget_, &KeyButton::clicked, this, &PracticePage::forgetOwn);
    connect(round_, &PracticeRound::changed, this, &PracticePage::refresh);
    connect(round_, &PracticeRound::failed, this, &PracticePage::said);
    refresh();
}

void PracticePage::goOn() {
    if (!round_->hasBegun()) return round_->begin();
    const auto& noise = round_->noise();
    if (!noise) return;
    setOwnMarking(OwnMarking{noise->sd, noise->marks, QDate::currentDate()});
    emit said(tr("Marks that you set from now on carry your own scatter. Reviews that are there stay as they are."));
    refresh();
}

void PracticePage::forgetOwn() {
    if (!ownMarking()) return;
    setOwnMarking(std::nullopt);
    emit said(tr("Marks that you set from now on carry the usual scatter."));
    refresh();
}

void PracticePage::refresh() {
    const bool begun = round_->hasBegun(), over = round_->isOver();
    goOn_->setText(begun ? tr("Use it for my readings") : tr("Begin"));
    goOn_->setVisible(!begun || round_->noise());
    back_->setVisible(begun && !over);
    again_->setVisible(over);
    forget_->setVisible(ownMarking().has_value() && (!begun || over));
    found_->update();
}

} // namespace deft::ui

#include "moc_practice_page.cpp"
