// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/compare/compare_page.h"

#include "app/compare/difference_table.h"
#include "app/compare/pair_picture.h"
#include "app/compare/place_strip.h"
#include "app/widgets/key_button.h"
#include "app/widgets/weeks_panel.h"

#include <QBoxLayout>

namespace deft::ui {

ComparePage::ComparePage(ReviewSession& session, Library& library, QWidget* parent)
    : Page(tr("Compare"), parent), comparison_(session, library) {
    pictures_ = new PairPicture(comparison_);
    place_ = new PlaceStrip(comparison_);
    table_ = new DifferencePanel(comparison_);
    weeks_ = new WeeksPanel(tr("this clip"));
    auto* choice = new QHBoxLayout;
    choice->setSpacing(8);
    const std::tuple<QString, QString, Comparison::Of> kinds[] = {
        {tr("Last time and this time"), QStringLiteral("1"), Comparison::Of::Times},
        {tr("First and last rep"), QStringLiteral("2"), Comparison::Of::Reps},
        {tr("Left and right"), QStringLiteral("3"), Comparison::Of::Sides},
        {tr("Over the weeks"), QStringLiteral("4"), Comparison::Of::Weeks}};
    for (size_t i = 0; i < kinds_.size(); ++i) {
        const auto& [name, key, of] = kinds[i];
        kinds_[i] = new KeyButton(name, key);
        connect(kinds_[i], &KeyButton::clicked, this, [this, kind = of] { comparison_.choose(kind); });
        choice->addWidget(kinds_[i]);
    }
    choice->addStretch();
    auto* page = new QVBoxLayout(this);
    page->setContentsMargins(16, 16, 16, 16);
    page->setSpacing(12);
    page->addLayout(choice);
    page->addWidget(pictures_, 1);
    page->addWidget(place_);
    page->addWidget(table_);
    page->addWidget(weeks_, 1);
    connect(&comparison_, &Comparison::changed, this, &ComparePage::refresh);
    refresh();
}

void ComparePage::refresh() {
    for (size_t i = 0; i < kinds_.size(); ++i)
        kinds_[i]->setKind(comparison_.of() == Comparison::Of(i) ? KeyButton::Kind::Primary : KeyButton::Kind::Plain);
    const bool weeks = comparison_.of() == Comparison::Of::Weeks;
    pictures_->setVisible(!weeks);
    place_->setVisible(!weeks);
    table_->setVisible(comparison_.side(0) != nullptr);
    weeks_->setVisible(weeks);
    weeks_->show(comparison_.weeks(), comparison_.why());
}

} // namespace deft::ui

#include "moc_compare_page.cpp"
