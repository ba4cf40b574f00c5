// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/answer/answer_pictures.h"

#include "app/paint/strokes.h"
#include "app/widgets/key_button.h"

#include <QGridLayout>
#include <QMouseEvent>

namespace deft::ui {
namespace {

constexpr int kGap_px = 8, kTop = 2, kFoot = 28;
constexpr double kShape = 340.0 / 640;

double pictureWidth(int width) { return (width - kGap_px) / 2.0; }

} // namespace

AnswerPictures::AnswerPictures(QWidget* parent) : QWidget(parent) {}

void AnswerPictures::show(const std::vector<AnswerPicture>& pictures, bool choosable) {
    pictures_ = pictures;
    images_.resize(pictures.size()); // the frame before stays until the new one is there
    choosable_ = choosable;
    if (picked_ >= this->choosable()) picked_ = -1;
    QStringList names;
    for (const AnswerPicture& p : pictures_) names << QString::fromStdString(p.caption);
    setAccessibleName(tr("Pictures: %1").arg(names.join(QStringLiteral("; "))));
    update();
}

void AnswerPictures::setPicture(int64_t frame, const QImage& picture) {
    for (size_t i = 0; i < pictures_.size(); ++i)
        if (pictures_[i].frame == frame) images_[i] = picture;
    update();
}

void AnswerPictures::pick(int index) {
    picked_ = index < choosable() ? index : -1;
    update();
}

const AnswerPicture* AnswerPictures::picked() const { return picked_ < 0 ? nullptr : &pictures_[size_t(picked_)]; }

QRectF AnswerPictures::box(int index) const {
    const double w = pictureWidth(width());
    return {index * (w + kGap_px), kTop, w, w * kShape};
}

void AnswerPictures::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.setRenderHint(QPainter::SmoothPixmapTransform);
    const Palette& c = colours();
    for (int i = 0; i < int(pictures_.size()); ++i) {
        const AnswerPicture& picture = pictures_[size_t(i)];
        const QRectF at = box(i);
        p.fillRect(at, c.stage);
        if (const QImage& image = images_[size_t(i)]; !image.isNull()) p.drawImage(at, image);
        for (double e = at.left(); e < at.right(); e += picture.broken ? 5 : at.width())
            p.fillRect(QRectF(e, at.bottom() + 2, picture.broken ? 2 : at.width(), 4), c.ink);
        putText(p, QRectF(at.left(), at.bottom() + 8, at.width(), 18), QString::fromStdString(picture.caption),
                Size::Small, c.ink, QFont::Medium);
        if (i != picked_) continue;
        p.setBrush(Qt::NoBrush);
        for (const auto& [colour, width] : {std::pair{c.raised, 6.0}, {c.accent, 3.0}}) {
            p.setPen(QPen(colour, width));
            p.drawRect(at.adjusted(1.5, 1.5, -1.5, -1.5));
        }
    }
}

void AnswerPictures::resizeEvent(QResizeEvent*) { setFixedHeight(int(pictureWidth(width()) * kShape) + kTop + kFoot); }

void AnswerPictures::mousePressEvent(QMouseEvent* e) {
    for (int i = 0; i < choosable(); ++i)
        if (box(i).contains(e->position())) return emit pickedByHand(i);
    QWidget::mousePressEvent(e);
}

PictureTools::PictureTools(QWidget* parent) : QWidget(parent) {
    auto* rows = new QGridLayout(this);
    rows->setContentsMargins(0, 8, 0, 0);
    auto* start = new KeyButton(tr("Choose another frame"), QStringLiteral("P"));
    connect(start, &KeyButton::clicked, this, &PictureTools::pick);
    start_ = start;
    rows->addWidget(start_, 0, 0, Qt::AlignLeft);
    tools_ = new QWidget;
    auto* grid = new QGridLayout(tools_);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->setSpacing(4);
    auto add = [&](int row, int column, const QString& text, const QString& key, auto what) {
        auto* button = new KeyButton(text, key);
        connect(button, &KeyButton::clicked, this, what);
        grid->addWidget(button, row, column);
    };
    add(0, 0, tr("Previous frame"), QStringLiteral("←"), [this] { emit stepFrame(-1); });
    add(0, 1, tr("Next frame"), QStringLiteral("→"), [this] { emit stepFrame(1); });
    add(0, 2, tr("Next rep"), tr("Shift →"), [this] { emit nextRep(); });
    add(1, 0, tr("Frame of the bench"), QStringLiteral("F"), [this] { emit frameOfBench(); });
    add(1, 1, tr("As computed"), tr("Ctrl R"), [this] { emit computed(); });
    grid->setColumnStretch(3, 1);
    rows->addWidget(tools_, 0, 0, Qt::AlignLeft);
    setPicked(false);
}

void PictureTools::setPicked(bool picked) {
    start_->setVisible(!picked);
    tools_->setVisible(picked);
}

} // namespace deft::ui

#include "moc_answer_pictures.cpp"
