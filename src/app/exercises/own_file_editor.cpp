// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/exercises/own_file_editor.h"

#include "app/theme/words.h"

#include "app/theme/palette.h"
#include "base/files.h"
#include "base/json.h"

#include <QFontDatabase>
#include <QHBoxLayout>

namespace deft::ui {
namespace {

/// A beginning: the same exercise, with its first tolerance ready to be changed.
QString beginning(const Exercise& e) {
    Json limits = Json::object();
    for (const FaultPlan& f : e.faults) {
        Json& l = limits[f.id] = Json::object();
        if (f.limit.low) l["low"] = *f.limit.low;
        if (f.limit.high) l["high"] = *f.limit.high;
        break;
    }
    const Json j = {{"format", "deft-mirror-exercise"},
                    {"version", 1},
                    {"extends", e.id},
                    {"id", e.id},
                    {"name", e.name},
                    {"limits", limits}};
    return QString::fromStdString(toText(j));
}

} // namespace

OwnFileEditor::OwnFileEditor(Library& library, QWidget* parent)
    : QWidget(parent), library_(library), folder_(library.folder() / "exercises") {
    text_ = new QPlainTextEdit;
    text_->setFont(QFontDatabase::systemFont(QFontDatabase::FixedFont));
    text_->setAccessibleName(tr("Your own file of this exercise"));
    text_->setLineWrapMode(QPlainTextEdit::NoWrap);
    text_->setTabChangesFocus(true);
    verdict_ = new QLabel;
    verdict_->setTextFormat(Qt::PlainText);
    verdict_->setWordWrap(true);
    verdict_->setAccessibleName(tr("What the check says"));
    save_ = new KeyButton(tr("Save my file"), tr("Ctrl+S"), KeyButton::Kind::Primary);
    remove_ = new KeyButton(tr("Back to the one that ships"), {}, KeyButton::Kind::Plain);
    auto* leave = new KeyButton(tr("Read the page"), tr("Esc"), KeyButton::Kind::Plain);
    auto* buttons = new QHBoxLayout;
    for (KeyButton* b : {save_, remove_, leave}) buttons->addWidget(b);
    buttons->addStretch();
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(8);
    column->addWidget(
        new QLabel(tr("Your own file. It extends the one that ships: change tolerances under “limits”, or "
                      "put any other member here.")));
    column->addWidget(text_, 1);
    column->addWidget(verdict_);
    column->addLayout(buttons);
    wait_.setSingleShot(true);
    wait_.setInterval(150);
    connect(text_, &QPlainTextEdit::textChanged, &wait_, qOverload<>(&QTimer::start));
    connect(&wait_, &QTimer::timeout, this, &OwnFileEditor::check);
    connect(save_, &KeyButton::clicked, this, &OwnFileEditor::save);
    connect(remove_, &KeyButton::clicked, this, &OwnFileEditor::remove);
    connect(leave, &KeyButton::clicked, this, &OwnFileEditor::left);
}

std::filesystem::path OwnFileEditor::file() const { return folder_ / (id_ + ".json"); }

void OwnFileEditor::edit(const Exercise& exercise) {
    id_ = exercise.id;
    const auto own = readFile(file());
    text_->setPlainText(own ? QString::fromStdString(*own) : beginning(exercise));
    remove_->setEnabled(own.has_value());
    check();
}

void OwnFileEditor::check() {
    wait_.stop();
    checked_.reset();
    const std::string words = text_->toPlainText().toStdString();
    const std::string name = id_ + ".json";
    auto e = parseJson(words, name).and_then([&](const Json& j) { return library_.catalogue()->parse(j, name); });
    if (!e)
        verdict_->setText(ui::said(e.error()));
    else if (e->id != id_)
        verdict_->setText(tr("%1.json: /id should stay “%1”").arg(QString::fromStdString(id_)));
    else
        checked_ = std::move(*e);
    if (checked_) verdict_->setText(tr("In order."));
    save_->setEnabled(checked_.has_value());
}

void OwnFileEditor::save() {
    check();
    if (!checked_) return;
    std::error_code ec;
    std::filesystem::create_directories(folder_, ec);
    const auto ok = writeFileAtomically(file(), text_->toPlainText().toStdString());
    emit said(ok ? tr("Saved. The open review uses it, and so do those opened from now on.")
                 : tr("Not saved: %1.").arg(ui::said(ok.error())));
    if (ok) emit changed();
}

void OwnFileEditor::remove() {
    std::error_code ec;
    std::filesystem::remove(file(), ec);
    emit said(ec ? tr("Not removed: %1.").arg(QString::fromStdString(ec.message()))
                 : tr("The file that ships counts again."));
    emit changed();
}

} // namespace deft::ui

#include "moc_own_file_editor.cpp"
