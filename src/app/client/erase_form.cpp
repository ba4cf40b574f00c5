// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/client/erase_form.h"

#include "app/theme/palette.h"
#include "app/theme/words.h"

#include <QHBoxLayout>

namespace deft::ui {

EraseForm::EraseForm(ClientRecord& record, Library& library, QWidget* parent)
    : QWidget(parent), record_(record), library_(library) {
    title_ = new QLabel;
    title_->setTextFormat(Qt::PlainText); // a name is no markup
    title_->setFont(face(Size::Large, QFont::DemiBold));
    videos_ =
        new QRadioButton(tr("the &videos: clips, pictures, tracks, reply clips, pages and mails; the numbers stay"));
    everything_ = new QRadioButton(tr("e&verything: the numbers, the letters and the record, too"));
    details_ = new QLabel;
    details_->setWordWrap(true);
    details_->setTextFormat(Qt::PlainText);
    details_->setTextInteractionFlags(Qt::TextSelectableByMouse);
    go_ = new KeyButton(tr("Erase for good"), {}, KeyButton::Kind::Plain);
    auto* no = new KeyButton(tr("Cancel"), tr("Esc"), KeyButton::Kind::Primary);
    connect(videos_, &QRadioButton::toggled, this, &EraseForm::tell);
    connect(go_, &KeyButton::clicked, this, [this] { emit wanted(record_.client().id, chosen()); });
    connect(no, &KeyButton::clicked, this, &EraseForm::left);
    auto* buttons = new QHBoxLayout;
    buttons->addWidget(no);
    buttons->addWidget(go_);
    buttons->addStretch();
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(12);
    for (QWidget* w : {static_cast<QWidget*>(title_), static_cast<QWidget*>(videos_),
                       static_cast<QWidget*>(everything_), static_cast<QWidget*>(details_)})
        column->addWidget(w);
    column->addLayout(buttons);
    column->addStretch();
}

Erasing EraseForm::chosen() const { return everything_->isChecked() ? Erasing::Everything : Erasing::Videos; }

void EraseForm::begin() {
    title_->setText(tr("Erase what there is of %1").arg(QString::fromStdString(record_.client().name)));
    videos_->setChecked(true);
    tell();
    videos_->setFocus();
}

void EraseForm::tell() {
    const auto takes = library_.whatErasingTakes(record_.client().id, chosen());
    go_->setEnabled(takes.has_value());
    if (!takes) return details_->setText(said(takes.error().message));
    const Erasure& e = *takes;
    std::uintmax_t bytes = 0;
    std::error_code ec;
    for (const auto& file : e.files)
        if (const auto size = std::filesystem::file_size(file, ec); !ec) bytes += size;
    int waiting = 0;
    for (const Clip& c : record_.clips()) waiting += !c.filed;
    QString words = tr("This takes %1 (%2 MB) of the library")
                        .arg(counted(int(e.files.size()), tr("file"), tr("files")))
                        .arg(coachLocale().toString(double(bytes) / 1e6, 'f', 1));
    if (chosen() == Erasing::Everything)
        words +=
            tr(", %1, and the client's record with its consents.").arg(counted(e.reviews, tr("review"), tr("reviews")));
    else
        words += tr("; readings, decisions and letters can still be read and compared with.");
    if (waiting)
        words += tr("\n\n%1 not been answered yet and goes with it.")
                     .arg(waiting == 1 ? tr("One clip has") : tr("%1 clips have").arg(waiting));
    if (!e.outside.empty()) {
        words += tr("\n\nThese lie outside the library and are left alone; remove them yourself:");
        for (const auto& file : e.outside)
            words += QStringLiteral("\n    %1").arg(QString::fromStdString(file.string()));
    }
    words +=
        tr("\n\nIt cannot be undone. Copies of the library that you made, and mails that you sent, are not reached.");
    details_->setText(words);
}

} // namespace deft::ui

#include "moc_erase_form.cpp"
