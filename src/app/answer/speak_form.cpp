// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/answer/speak_form.h"

#include "app/theme/palette.h"
#include "app/theme/words.h"
#include "app/widgets/page.h"

#include <QDialogButtonBox>
#include <QKeyEvent>
#include <QLabel>
#include <QMouseEvent>
#include <QPainter>
#include <QPlainTextEdit>
#include <QProgressBar>
#include <QPushButton>
#include <QVBoxLayout>

namespace deft::ui {
namespace {

constexpr int kTap_ms = 400;

/// The moment, on which the mouse draws while somebody speaks.
class MomentPicture : public QWidget {
public:
    explicit MomentPicture(Speaking& speaking, QWidget* parent) : QWidget(parent), speaking_(speaking) {
        setMinimumSize(480, 270);
        setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Expanding);
        setCursor(Qt::CrossCursor);
        setAccessibleName(SpeakForm::tr("The moment of the first correction, beside the best frame"));
    }

protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        p.fillRect(rect(), colours().stage);
        p.setRenderHint(QPainter::SmoothPixmapTransform);
        if (const QImage image = speaking_.picture(); !image.isNull()) p.drawImage(box(), image);
    }
    void mousePressEvent(QMouseEvent* e) override { speaking_.penDown(share(e->position())); }
    void mouseMoveEvent(QMouseEvent* e) override {
        if (e->buttons() & Qt::LeftButton) speaking_.penMoved(share(e->position()));
    }

private:
    QRectF box() const {
        const QSizeF size = QSizeF(16, 9).scaled(QSizeF(this->size()), Qt::KeepAspectRatio);
        return {(width() - size.width()) / 2, (height() - size.height()) / 2, size.width(), size.height()};
    }
    QPointF share(const QPointF& at) const {
        const QRectF b = box();
        return {(at.x() - b.x()) / b.width(), (at.y() - b.y()) / b.height()};
    }
    Speaking& speaking_;
};

} // namespace

SpeakForm::SpeakForm(std::unique_ptr<Speaking> speaking, QWidget* parent)
    : QDialog(parent), speaking_(std::move(speaking)) {
    setWindowTitle(tr("Speak over the reply clip"));
    setAttribute(Qt::WA_DeleteOnClose);
    picture_ = new MomentPicture(*speaking_, this);
    talk_ = new QPushButton;
    talk_->setAutoDefault(false);
    talk_->setMinimumWidth(220);
    level_ = new QProgressBar;
    level_->setRange(0, 100);
    level_->setTextVisible(false);
    level_->setAccessibleName(tr("How loud it is"));
    state_ = new QLabel;
    complaint_ = new QLabel;
    for (QLabel* label : {state_, complaint_}) {
        label->setWordWrap(true);
        label->setTextFormat(Qt::PlainText);
    }
    complaint_->hide();
    captions_ = new QPlainTextEdit;
    captions_->setTabChangesFocus(true);
    captions_->setFixedHeight(3 * captions_->fontMetrics().lineSpacing() + 2 * kUnit);
    captions_->setAccessibleName(tr("Captions"));
    auto* captionWords = new QLabel(tr("&Captions: what you say, for those who watch without sound. Empty: none."));
    captionWords->setBuddy(captions_);
    captionWords->setWordWrap(true);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Cancel);
    use_ = buttons->addButton(tr("&Use it"), QDialogButtonBox::AcceptRole);
    play_ = buttons->addButton(tr("&Listen"), QDialogButtonBox::ActionRole);
    discard_ = buttons->addButton(tr("&Discard"), QDialogButtonBox::DestructiveRole);
    for (QPushButton* button : {use_, play_, discard_}) button->setAutoDefault(false);

    auto* row = new QHBoxLayout;
    row->addWidget(talk_);
    row->addWidget(level_, 1);
    auto* page = new QVBoxLayout(this);
    page->addWidget(picture_, 1);
    page->addLayout(row);
    page->addWidget(state_);
    page->addWidget(complaint_);
    page->addWidget(captionWords);
    page->addWidget(captions_);
    page->addWidget(buttons);

    connect(talk_, &QPushButton::pressed, this, &SpeakForm::press);
    connect(talk_, &QPushButton::released, this, &SpeakForm::release);
    connect(play_, &QPushButton::clicked, speaking_.get(), &Speaking::play);
    connect(discard_, &QPushButton::clicked, speaking_.get(), &Speaking::discard);
    connect(use_, &QPushButton::clicked, this, &SpeakForm::keep);
    connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
    connect(speaking_.get(), &Speaking::changed, this, &SpeakForm::refresh);
    connect(speaking_.get(), &Speaking::level, this, [this](double share) { level_->setValue(int(100 * share)); });
    connect(speaking_.get(), &Speaking::failed, this, [this](const QString& why) {
        complaint_->setText(tr("That did not work: %1.").arg(why));
        complaint_->show();
    });
    resize(720, 640);
    speaking_->prepare();
    refresh();
}

SpeakForm::~SpeakForm() = default;

void SpeakForm::press() {
    if (speaking_->isSpeaking()) return; // tapped before: ends when this press does
    complaint_->hide();
    held_.start();
    speaking_->start();
}

/// Held, or tapped to begin and pressed again to end: not everybody can hold a key.
void SpeakForm::release() {
    if (!speaking_->isSpeaking()) return;
    if (!latched_ && held_.elapsed() < kTap_ms) {
        latched_ = true;
        return refresh();
    }
    latched_ = false;
    speaking_->stop();
}

QString SpeakForm::state() const { return state_->text(); }

void SpeakForm::refresh() {
    const Speaking& s = *speaking_;
    const bool idle = s.isReady() && !s.isSpeaking() && !s.isBeingCut();
    if (!s.isSpeaking()) latched_ = false;
    talk_->setEnabled(speaking_->microphone() && s.isReady() && !s.isBeingCut());
    if (s.isReady() && !std::exchange(filled_, true)) {
        captions_->setPlainText(s.hasTake() ? QString::fromStdString(s.spoken().captions) : s.words());
        talk_->setFocus();
    }
    talk_->setText(latched_         ? tr("Speaking … press to end")
                   : s.isSpeaking() ? tr("Speaking … let go to end")
                                    : tr("Hold to speak (Space)"));
    play_->setEnabled(idle);
    play_->setText(s.isPlaying() ? tr("&Stop") : s.hasTake() ? tr("&Listen") : tr("&Play the moment"));
    discard_->setEnabled(idle && s.hasTake());
    use_->setEnabled(idle && s.hasTake());
    const auto seconds = [](double t) { return reading(t, "s", 1, false); };
    state_->setText(!speaking_->microphone() ? tr("There is no microphone.")
                    : !s.isReady() ? tr("The moment's pictures are being made, faces covered … %1 %")
                                         .arg(s.progress().total ? 100 * s.progress().done / s.progress().total : 0)
                    : s.isSpeaking()
                        ? tr("%1 from %2. Draw on the picture with the mouse.")
                              .arg(seconds(s.time_s()), speaking_->microphone()->name())
                    : s.isBeingCut() ? tr("Cutting and levelling …")
                    : s.hasTake()
                        ? tr("%1 are spoken. The silence around it is cut; hold the button to speak anew.")
                              .arg(seconds(s.take_s()))
                        : tr("Hold the button, or tap it to begin and again to end. The moment plays slowly, again and "
                             "again, and what you draw on it is seen as you speak. The clip's own sound is not sent."));
    picture_->update();
}

void SpeakForm::keep() {
    if (const auto ok = speaking_->keep(captions_->toPlainText()); !ok) {
        complaint_->setText(tr("Not kept: %1.").arg(said(ok.error())));
        return complaint_->show();
    }
    accept();
}

} // namespace deft::ui

#include "moc_speak_form.cpp"
