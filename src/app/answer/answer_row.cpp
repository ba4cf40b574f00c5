// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/answer/answer_row.h"

#include "answer/own_words.h"
#include "app/widgets/panel.h"

#include <QCheckBox>
#include <QHBoxLayout>
#include <QVBoxLayout>

namespace deft::ui {

/// What the part rests on.
class AnswerFacts : public QWidget {
public:
    explicit AnswerFacts(AnswerRow& row) : row_(row) {}
    void fit() {
        int h = 2;
        for (const std::string& f : row_.shown_.facts) h += lineHeight(f, std::max(200, width()));
        setFixedHeight(h);
        update();
    }

protected:
    void resizeEvent(QResizeEvent*) override { fit(); }
    static int lineHeight(const std::string& f, int width) {
        return QFontMetrics(face(Size::Small))
                   .boundingRect(QRect(0, 0, width, 400), Qt::TextWordWrap, QString::fromStdString(f))
                   .height() +
               2;
    }
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        int y = 0;
        p.setFont(face(Size::Small));
        p.setPen(colours().ink2);
        for (const std::string& f : row_.shown_.facts) {
            const int h = lineHeight(f, width());
            p.drawText(QRect(0, y, width(), h), Qt::TextWordWrap, QString::fromStdString(f));
            y += h;
        }
    }

private:
    AnswerRow& row_;
};

AnswerRow::AnswerRow(ReviewSession& session, LetterWords& words, const std::string& part, QWidget* parent)
    : QWidget(parent), session_(session), id_(part) {
    setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Maximum);
    words_ = new GrowingText(words);
    words_->installEventFilter(this);
    pictures_ = new AnswerPictures;
    tools_ = new PictureTools;
    sent_ = new QCheckBox;
    sent_->installEventFilter(this);
    facts_ = new AnswerFacts(*this);
    auto* letter = new QVBoxLayout;
    letter->setSpacing(4);
    letter->addWidget(words_);
    letter->addWidget(pictures_);
    letter->addStretch();
    auto* reasons = new QVBoxLayout;
    reasons->setSpacing(4);
    reasons->addWidget(sent_);
    auto* indent = new QHBoxLayout;
    indent->addSpacing(24);
    indent->addWidget(facts_, 1);
    reasons->addLayout(indent);
    auto* beside = new QHBoxLayout;
    beside->addSpacing(18); // the buttons have a margin of their own
    beside->addWidget(tools_, 1);
    reasons->addLayout(beside);
    reasons->addStretch();
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(20, 8, 16, 8);
    row->setSpacing(56);
    row->addLayout(letter, 564);
    row->addLayout(reasons, 590);
    connect(sent_, &QCheckBox::clicked, this, &AnswerRow::toggle);
    connect(words_, &QPlainTextEdit::textChanged, this, &AnswerRow::takeWords);
    connect(pictures_, &AnswerPictures::pickedByHand, this, [this](int index) {
        emit chosen();
        pickPicture(index);
    });
    connect(tools_, &PictureTools::pick, this, [this] {
        emit chosen();
        pickPicture(0);
    });
    connect(tools_, &PictureTools::stepFrame, this, &AnswerRow::stepPicture);
    connect(tools_, &PictureTools::nextRep, this, [this] { stepPictureRep(1); });
    connect(tools_, &PictureTools::frameOfBench, this, &AnswerRow::usePictureOfBench);
    connect(tools_, &PictureTools::computed, this, &AnswerRow::useComputed);
    connect(words_, &GrowingText::leave, this, [this] { parentWidget()->setFocus(); });
}

/// What is typed in one go is undone in one: up to the end of a sentence, or a pause.
void AnswerRow::takeWords() {
    constexpr int kPause_ms = 1500;
    const std::string text = words_->toPlainText().toStdString();
    if (text == shown_.text) return;
    if (lastKey_.isValid() && lastKey_.elapsed() > kPause_ms) ++burst_;
    lastKey_.start();
    shown_.text = text;
    session_.edit(
        tr("words of “%1”").arg(QString::fromStdString(shown_.title)),
        [&](ReviewInputs& in) { in.words[id_] = text, in.wordsOn[id_] = shown_.computed; },
        QStringLiteral("words-%1-%2").arg(QString::fromStdString(id_)).arg(burst_));
    const int at = words_->textCursor().position();
    if (at > 0 && QStringLiteral(".!?:\n").contains(words_->toPlainText().at(at - 1))) ++burst_;
}

void AnswerRow::insertSentence(const std::string& text) {
    if (!session_.review() || words_->isReadOnly()) return;
    ++burst_; // a step of its own
    QTextCursor cursor = words_->textCursor();
    if (!words_->hasFocus() && !cursor.hasSelection()) cursor.movePosition(QTextCursor::End);
    const int at = cursor.selectionStart();
    const bool apart = at > 0 && !words_->toPlainText().at(at - 1).isSpace();
    cursor.insertText((apart ? QStringLiteral(" ") : QString()) +
                      QString::fromStdString(filledSentence(text, *session_.review())));
    words_->setTextCursor(cursor);
    ++burst_;
}

int AnswerRow::letterWidth() const { return words_->width(); }

void AnswerRow::show(const AnswerPart& part) {
    shown_ = part;
    const QString title = QString::fromStdString(part.title);
    sent_->setText(title + (part.outdated ? tr("  (edited; what it rests on has changed)")
                            : part.edited ? tr("  (edited)")
                                          : QString()));
    sent_->setFont(face(Size::Body, QFont::DemiBold));
    sent_->setChecked(part.sent);
    const bool always = id_ == "cautions";
    sent_->setEnabled(!session_.isFiled() && !always);
    if (always) sent_->setText(title + (part.edited ? tr("  (added to; always sent)") : tr("  (always sent)")));
    words_->setAccessibleName(title);
    words_->setReadOnly(session_.isFiled());
    words_->setEnabled(part.sent);
    // While somebody types, a caution that was deleted comes back when the field is left.
    if (words_->toPlainText().toStdString() != part.text && !(always && words_->hasFocus()))
        words_->replaceText(QString::fromStdString(part.text));
    words_->fit();
    pictures_->show(part.pictures, isCorrection(part) && !session_.isFiled());
    pictures_->setVisible(!part.pictures.empty());
    tools_->setVisible(pictures_->choosable() > 0);
    tools_->setPicked(pictures_->picked());
    facts_->fit();
}

void AnswerRow::setPicture(int64_t frame, const QImage& picture) { pictures_->setPicture(frame, picture); }

void AnswerRow::pickPicture(int index) {
    pictures_->pick(index);
    tools_->setPicked(pictures_->picked());
}

void AnswerRow::stepPicture(int frames) {
    if (const AnswerPicture* now = pictures_->picked())
        session_.deciding().choosePicture(shown_, now->broken,
                                          std::clamp<int64_t>(now->frame + frames, 0, session_.clip().frames() - 1));
}

void AnswerRow::stepPictureRep(int step) {
    const AnswerPicture* now = pictures_->picked();
    if (!now || !session_.review()) return;
    const int reps = int(session_.review()->events.reps.size());
    for (int i = 1, rep = now->rep; i <= reps; ++i) { // one in which it was not measured is passed over
        rep = (std::max(rep, step > 0 ? -1 : 0) + step + reps) % reps;
        if (const auto frames = session_.review()->framesOfRep(faultOf(shown_), rep))
            return session_.deciding().choosePicture(shown_, now->broken, now->broken ? frames->worst : frames->clean);
    }
}

void AnswerRow::usePictureOfBench() {
    if (const AnswerPicture* now = pictures_->picked())
        session_.deciding().choosePicture(shown_, now->broken, session_.place().frame());
}

void AnswerRow::setChosen(bool chosen) {
    chosen_ = chosen;
    if (!chosen) pickPicture(-1);
    update();
}

void AnswerRow::toggle() {
    if (!sent_->isEnabled()) return;
    const bool on = !shown_.sent;
    session_.edit((on ? tr("put in: %1") : tr("leave out: %1")).arg(QString::fromStdString(shown_.title)),
                  [&](ReviewInputs& in) { in.parts[id_] = on; });
    sent_->setChecked(shown_.sent);
}

void AnswerRow::useComputed() {
    if (!session_.isFiled()) session_.deciding().useComputed(shown_);
}

void AnswerRow::showEvent(QShowEvent*) {
    sent_->setFont(face(Size::Body, QFont::DemiBold)); // another palette, chosen elsewhere, takes it away
}

void AnswerRow::mousePressEvent(QMouseEvent*) { emit chosen(); }

bool AnswerRow::eventFilter(QObject* watched, QEvent* e) {
    if (e->type() == QEvent::FocusIn) emit chosen();
    if (e->type() == QEvent::FocusOut && watched == words_)
        if (const AnswerPart* part = session_.answer().find(id_)) show(AnswerPart(*part));
    return QWidget::eventFilter(watched, e);
}

void AnswerRow::paintEvent(QPaintEvent*) {
    const Palette& c = colours();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const double letter = letterWidth() + 40.0;
    p.fillRect(QRectF(0, 0, letter, height()), c.raised);
    p.setPen(QPen(c.strong, 1));
    p.drawLine(QPointF(0.5, 0), QPointF(0.5, height()));
    p.drawLine(QPointF(letter, 0), QPointF(letter, height()));
    if (id_ != "greeting")
        drawNotchedRule(p, 20, 0.5, width() - 36.0, letter - 20 + 18);
    else
        p.drawLine(QPointF(0, 0.5), QPointF(letter, 0.5));
    if (id_ == "close") p.drawLine(QPointF(0, height() - 0.5), QPointF(letter, height() - 0.5));
    if (!chosen_) return;
    p.setPen(QPen(c.accent, 2.5));
    p.setBrush(Qt::NoBrush);
    p.drawRect(QRectF(10, 5, letter - 20, height() - 10));
}

} // namespace deft::ui

#include "moc_answer_row.cpp"
