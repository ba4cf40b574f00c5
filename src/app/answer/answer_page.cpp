// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/answer/answer_page.h"

#include "app/theme/words.h"

#include "answer/own_words.h"
#include "app/answer/answer_row.h"
#include "app/answer/keep_sentence.h"
#include "app/documents/answer_picture.h"
#include "app/documents/letter_films.h"
#include "app/documents/reply_clip.h"
#include "app/session/letter_words.h"
#include "app/theme/consent_words.h"
#include "app/theme/palette.h"
#include "app/widgets/link_label.h"

#include <QDate>
#include <QLabel>
#include <QRegularExpression>
#include <QVBoxLayout>

namespace deft::ui {

AnswerPage::AnswerPage(ReviewSession& session, LetterWords& words, QWidget* parent)
    : Page(tr("Answer"), parent), session_(session), letterWords_(words) {
    auto* inner = new QWidget;
    inner->setFocusPolicy(Qt::ClickFocus);
    rows_ = new QVBoxLayout(inner);
    rows_->setContentsMargins(0, 0, 0, 0);
    rows_->setSpacing(0);
    rows_->addStretch();
    scroll_ = new QScrollArea;
    scroll_->setWidget(inner);
    scroll_->setWidgetResizable(true);
    scroll_->setFocusPolicy(Qt::NoFocus); // the page and its fields have it
    scroll_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    inner->setAutoFillBackground(false);
    scroll_->viewport()->setAutoFillBackground(false);

    sendWords_ = new QLabel;
    spokenWords_ = new QLabel;
    for (QLabel* label : {sendWords_, spokenWords_}) {
        label->setFont(face(Size::Small));
        label->setWordWrap(true);
        label->setTextFormat(Qt::PlainText);
    }
    speak_ = new KeyButton(tr("Speak over the clip"), tr("V"));
    connect(speak_, &KeyButton::clicked, this, &AnswerPage::speakPressed);
    file_ = new KeyButton(tr("File and send"), tr("Ctrl+Enter"), KeyButton::Kind::Primary);
    file_->setMinimumWidth(232);
    connect(file_, &KeyButton::clicked, this, &AnswerPage::filePressed);
    auto* foot = new QHBoxLayout;
    auto* told = new QVBoxLayout;
    told->addWidget(sendWords_);
    told->addWidget(spokenWords_);
    foot->addLayout(told, 1);
    foot->addWidget(speak_);
    foot->addWidget(file_);
    visit_ = new LinkLabel;
    connect(visit_, &QLabel::linkActivated, this, [this](const QString& link) {
        link == QStringLiteral("alone") ? emit fileAlonePressed() : emit openClip(link.toLongLong());
    });
    whole_ = new QLabel;
    whole_->setWordWrap(true);
    whole_->setTextFormat(Qt::PlainText);
    whole_->setTextInteractionFlags(Qt::TextSelectableByMouse | Qt::TextSelectableByKeyboard);
    whole_->setMargin(12);
    rows_->insertWidget(0, whole_);
    auto* page = new QVBoxLayout(this);
    page->setContentsMargins(16, 8, 16, 8);
    page->setSpacing(8);
    page->addWidget(visit_);
    page->addWidget(scroll_, 1);
    page->addLayout(foot);

    connect(&session, &ReviewSession::opened, this, [this] {
        for (AnswerRow* row : parts_) row->deleteLater();
        parts_.clear();
        asked_.clear();
        toCover_.clear(), refused_.clear();
        chosen_ = 0;
        connect(session_.frames(), &FrameSource::smallArrived, this, [this](qint64 frame, const QImage& image) {
            if (!image.isNull()) toCover_.emplace_back(frame, image);
            coverNext();
        });
        refresh();
    });
    connect(&session, &ReviewSession::marksChanged, this,
            [this] { asked_.clear(); }); // lines are drawn into the pictures
    connect(&session, &ReviewSession::reviewChanged, this, &AnswerPage::refresh);
    connect(&session.letter(), &Letter::filed, this, &AnswerPage::refresh);
    connect(&session.letter().visit(), &VisitClips::changed, this, &AnswerPage::refresh);
    refresh();
}

void AnswerPage::refresh() {
    const Answer& answer = session_.answer();
    if (answer.language)
        letterWords_.setLanguage(answer.language, {session_.inputs().client, session_.inputs().coach});
    // The parts differ when a correction comes or goes, or one is moved; rows are kept otherwise, so that the cursor
    // stays.
    std::vector<std::string> ids, there;
    for (const AnswerPart& p : answer.parts) ids.push_back(p.id);
    for (const AnswerRow* row : parts_) there.push_back(row->part());
    if (ids != there) {
        for (AnswerRow* row : parts_) row->deleteLater();
        parts_.clear();
        asked_.clear();
        for (const AnswerPart& p : answer.parts) {
            auto* row = new AnswerRow(session_, letterWords_, p.id, scroll_->widget());
            offerWords(row);
            connect(row, &AnswerRow::chosen, this,
                    [this, row] { choose(int(std::find(parts_.begin(), parts_.end(), row) - parts_.begin())); });
            rows_->insertWidget(int(parts_.size()), row);
            parts_.push_back(row);
        }
        rows_->activate();
        // The one that was moved; else the first part, and plainly so: no key is about one chosen in another answer.
        const auto moved = std::find(ids.begin(), ids.end(), moved_);
        chosen_ = moved == ids.end() ? 0 : int(moved - ids.begin());
        moved_.clear();
        for (size_t i = 0; i < parts_.size(); ++i) parts_[i]->setChosen(int(i) == chosen_);
    }
    size_t wordCount = 0, pictures = 0;
    for (size_t i = 0; i < parts_.size(); ++i) {
        parts_[i]->show(answer.parts[i]);
        if (!answer.parts[i].sent) continue;
        wordCount += size_t(QString::fromStdString(answer.parts[i].text)
                                .split(QRegularExpression(QStringLiteral("\\s+")), Qt::SkipEmptyParts)
                                .size());
        for (const AnswerPicture& p : answer.parts[i].pictures) pictures += !refused_.count(p.frame);
    }
    requestPictures();
    file_->setEnabled(session_.review() && !session_.isFiled());
    QStringList missing;
    const std::string today = QDate::currentDate().toString(Qt::ISODate).toStdString();
    if (session_.client().address.empty()) missing << tr("No e-mail address is known: the mail's is to be filled in.");
    if (!allowsPictures(session_.client().consent, today))
        missing << consentTrouble(session_.client().consent, today) + tr(" The mail goes without pictures and clip.");
    const QString first = QString::fromStdString(session_.client().name).section(QLatin1Char(' '), 0, 0);
    file_->setText(session_.isFiled() ? tr("Filed") : tr("File and send to %1").arg(first));
    if (!session_.isFiled() && session_.letter().visit().open() > 0) file_->setText(tr("Ready for the letter"));
    file_->setAccessibleName(file_->text());
    showVisit();
    showSpoken();
    sendWords_->setText(
        !session_.review() ? tr("The answer is drafted as soon as the clip has been measured.")
        : session_.isFiled()
            ? tr("Filed: the page is in the library's folder “answers”, ready for mail. It stays as it was sent.")
        : missing.isEmpty() ? tr("By mail: %1 pictures, faces blurred, %2 words. The readings are filed with it.")
                                  .arg(pictures)
                                  .arg(wordCount)
                            : missing.join(QLatin1Char(' ')));
}

/// Whether something is said over the reply clip, and whether it still belongs to it.
void AnswerPage::showSpoken() {
    const bool open = session_.review() && !session_.isFiled();
    const auto reviews = session_.review() ? session_.letter().reviews() : std::vector<std::shared_ptr<const Review>>{};
    const bool several = reviews.size() > 1;
    const Answer answer = several ? partsOf(letterOn(reviews), int(session_.letter().own(reviews))) : session_.answer();
    const std::optional<Spoken>& spoken = session_.inputs().spoken;
    speak_->setEnabled(open && hasReplyClip(answer) &&
                       allowsPictures(session_.client().consent,
                                      QDate::currentDate().toString(Qt::ISODate).toStdString()));
    spokenWords_->setVisible(spoken.has_value());
    if (!spoken || !session_.review()) return;
    spokenWords_->setText(!isSpokenOver(*session_.review(), answer, spoken)
                              ? tr("You spoke over other pictures than the letter has now: V speaks anew or discards "
                                   "it, else there is no reply clip.")
                          : spoken->captions.empty() ? tr("The reply clip carries your voice.")
                                                     : tr("The reply clip carries your voice and captions."));
}

QString AnswerPage::footWords() const {
    return sendWords_->text() + (spokenWords_->isHidden() ? QString() : QLatin1Char(' ') + spokenWords_->text());
}

/// Which other clips the letter answers, and the whole of it in words once others are ready.
void AnswerPage::showVisit() {
    const auto& others = session_.letter().visit().others();
    const bool several = !others.empty() && session_.review() && !session_.isFiled();
    visit_->setVisible(several);
    const auto reviews = several ? session_.letter().reviews() : std::vector<std::shared_ptr<const Review>>{};
    whole_->setVisible(reviews.size() > 1);
    if (!several) return;
    QStringList names;
    for (const VisitClips::Other& o : others)
        names << QStringLiteral("<a href=\"%1\">%2</a> (%3)")
                     .arg(o.clip.id)
                     .arg(QString::fromStdString(o.exercise).toHtmlEscaped(),
                          o.clip.draft.ready ? tr("ready") : tr("to be looked at"));
    visit_->setText(tr("One letter for the %1 clips of this visit, three corrections at most: this one, %2. "
                       "<a href=\"alone\">Answer this one alone</a>")
                        .arg(others.size() + 1)
                        .arg(names.join(QStringLiteral(", "))));
    if (reviews.size() > 1)
        whole_->setText(tr("The letter as it stands, with what the other clips bring to it:\n\n%1")
                            .arg(QString::fromStdString(answerText(letterOn(reviews)))));
}

/// Finding heads takes a while, so it is done aside, one frame after the other.
void AnswerPage::coverNext() {
    struct Covered {
        std::string part;
        Result<QImage> picture;
    };
    if (cover_.isRunning() || toCover_.empty() || !session_.review()) return;
    const auto [frame, image] = std::move(toCover_.front());
    toCover_.pop_front();
    std::vector<std::pair<std::string, AnswerPicture>> wanted;
    for (const AnswerPart& part : session_.answer().parts)
        for (const AnswerPicture& picture : part.pictures)
            if (picture.frame == frame) wanted.emplace_back(part.id, picture);
    if (wanted.empty()) return coverNext();
    cover_.run(
        [review = *session_.review(), image = image, wanted](StopToken, const ProgressFn&) {
            std::vector<Covered> covered;
            for (const auto& [part, picture] : wanted)
                covered.push_back({part, answerPicture(review, image, picture, {640, 340})});
            return covered;
        },
        [this, frame = frame, clip = session_.clipId()](const std::vector<Covered>& covered) {
            if (clip == session_.clipId())
                for (const auto& [part, picture] : covered) {
                    for (AnswerRow* row : parts_)
                        if (row->part() == part && picture) row->setPicture(frame, *picture);
                    if (!picture && refused_.insert(frame).second && isVisible())
                        emit said(tr("A picture is not sent: %1.").arg(ui::said(picture.error())));
                }
            if (!refused_.empty()) refresh();
            coverNext();
        });
}

void AnswerPage::requestPictures() {
    std::set<std::pair<std::string, int64_t>> wanted;
    for (const AnswerPart& part : session_.answer().parts)
        for (const AnswerPicture& picture : part.pictures) wanted.emplace(part.id, picture.frame);
    for (const auto& one : wanted)
        if (!asked_.count(one)) session_.frames()->wantSmall(one.second);
    asked_ = std::move(wanted);
}

void AnswerPage::choose(int part) {
    if (part < 0 || part >= int(parts_.size())) return;
    chosen_ = part;
    for (size_t i = 0; i < parts_.size(); ++i) parts_[i]->setChosen(int(i) == part);
    scroll_->ensureWidgetVisible(parts_[size_t(part)], 0, 16);
}

void AnswerPage::stepPart(int step) { choose(std::clamp(chosen_ + step, 0, int(parts_.size()) - 1)); }

void AnswerPage::togglePart() {
    if (AnswerRow* row = chosenRow()) row->toggle();
}

void AnswerPage::useComputed() {
    if (AnswerRow* row = chosenRow()) row->useComputed();
}

void AnswerPage::pickPicture() {
    // Through the pictures of all parts, from the chosen one on, then none.
    for (int part = chosen_; part < int(parts_.size()); ++part) {
        AnswerRow* row = parts_[size_t(part)];
        const int next = part == chosen_ ? row->pickedPicture() + 1 : 0;
        if (next >= row->pictures()) continue;
        choose(part);
        return row->pickPicture(next);
    }
    if (!leavePicture()) // nothing below: from the top
        for (int part = 0; part < int(parts_.size()); ++part)
            if (parts_[size_t(part)]->pictures() > 0) {
                choose(part);
                return parts_[size_t(part)]->pickPicture(0);
            }
}

bool AnswerPage::leavePicture() {
    AnswerRow* row = chosenRow();
    if (!row || row->pickedPicture() < 0) return false;
    row->pickPicture(-1);
    return true;
}

AnswerRow* AnswerPage::chosenRow() const { return chosen_ < int(parts_.size()) ? parts_[size_t(chosen_)] : nullptr; }

void AnswerPage::editWords() {
    if (AnswerRow* row = chosenRow()) row->words().setFocus();
}

void AnswerPage::movePart(int step) {
    const AnswerRow* row = chosenRow();
    const int to = chosen_ + step;
    // Between the greeting and the close.
    if (!row || session_.isFiled() || std::min(chosen_, to) < 1 || std::max(chosen_, to) >= int(parts_.size()) - 1)
        return;
    std::vector<std::string> order;
    for (const AnswerRow* part : parts_) order.push_back(part->part());
    std::swap(order[size_t(chosen_)], order[size_t(to)]);
    moved_ = row->part();
    session_.edit(tr("order of parts"), [&](ReviewInputs& in) { in.order = order; });
}

void AnswerPage::checkSpelling() {
    if (!letterWords_.hasDictionary())
        return emit said(tr("There is no dictionary of this letter's language: Debian's package is called hunspell-%1.")
                             .arg(session_.answer().language
                                      ? QString::fromStdString(session_.answer().language->code())
                                      : QString()));
    // From where the cursor is, through all parts once.
    for (int i = 0; i <= int(parts_.size()); ++i) {
        const int part = (chosen_ + i) % int(parts_.size());
        GrowingText& words = parts_[size_t(part)]->words();
        if (!words.isEnabled()) continue;
        if (i > 0) words.moveCursor(QTextCursor::Start);
        if (!words.toNextMistake(i < int(parts_.size()))) continue;
        choose(part);
        words.setFocus();
        return words.openMenuAtCursor();
    }
    emit said(tr("Every word is spelt right."));
}

void AnswerPage::openSentences() {
    if (AnswerRow* row = chosenRow()) row->words().openMenuAtCursor();
}

void AnswerPage::offerWords(AnswerRow* row) {
    GrowingText& words = row->words();
    connect(&words, &GrowingText::said, this, &AnswerPage::said);
    connect(&words, &GrowingText::sentenceWanted, this, [this, row](const QString& name) {
        for (const OwnSentence& s : letterWords_.sentences())
            if (s.name == name.toStdString()) return row->insertSentence(s.text);
    });
    connect(&words, &GrowingText::sentenceUnwanted, this, [this](const QString& name) {
        const auto ok = letterWords_.remove(name.toStdString());
        emit said(ok ? tr("Removed: “%1”.").arg(name) : tr("Not removed: %1.").arg(ui::said(ok.error())));
    });
    connect(&words, &GrowingText::sentenceOffered, this, [this](const QString& text) {
        auto* ask = new KeepSentence(QString::fromStdString(forEverybody(text.toStdString(), session_.inputs())), this);
        connect(ask, &KeepSentence::wanted, this, [this, ask](const QString& name, const QString& sentence) {
            const auto ok = letterWords_.keep({name.toStdString(), sentence.toStdString()});
            if (!ok) return ask->complain(ui::said(ok.error()));
            ask->accept();
            emit said(tr("Kept: “%1”. I inserts it into a letter.").arg(name));
        });
        ask->show();
    });
}

} // namespace deft::ui

#include "moc_answer_page.cpp"
