// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/queue/queue_page.h"

#include "app/theme/consent_words.h"
#include "app/theme/palette.h"
#include "app/theme/target_words.h"
#include "app/theme/words.h"
#include "app/widgets/link_label.h"
#include "app/widgets/page_stack.h"
#include "base/json.h"
#include "checks/clip_check.h"
#include "video/clip_reader.h"

#include <QCursor>
#include <QDate>
#include <QHBoxLayout>
#include <QLocale>
#include <QScrollArea>

namespace deft::ui {
namespace {
/// Without accents, so that a name is found however it is typed.
QString plain(const QString& words) {
    QString out;
    for (const QChar c : words.normalized(QString::NormalizationForm_D))
        if (c.category() != QChar::Mark_NonSpacing) out += c;
    return out;
}

constexpr int kFoldSign = 76; // px from the left, where the sign of a visit can be clicked
std::string today() { return QDate::currentDate().toString(Qt::ISODate).toStdString(); }
} // namespace

QueuePage::QueuePage(Library& library, QWidget* parent) : QWidget(parent), library_(library) {
    clips_ = new ClipList(library, this);
    list_ = new QListView;
    list_->setModel(clips_);
    list_->setItemDelegate(new ClipDelegate(list_));
    list_->setFrameShape(QFrame::NoFrame);
    list_->setAccessibleName(tr("Clips"));
    list_->viewport()->setAutoFillBackground(false);
    list_->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);

    about_ = new LinkLabel;
    about_->setTextFormat(Qt::RichText);
    about_->setAlignment(Qt::AlignTop | Qt::AlignLeft);
    open_ = new KeyButton(tr("Open on the bench"), tr("Enter"), KeyButton::Kind::Primary);
    auto* own = new KeyButton(tr("Add a clip…"), tr("Ctrl+O"), KeyButton::Kind::Plain);
    auto* preview = new QWidget;
    auto* column = new QVBoxLayout(preview);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(8);
    picture_ = new QLabel;
    picture_->setFixedSize(392, 220);
    picture_->setScaledContents(true);
    column->addWidget(picture_);
    auto* told = new QScrollArea; // a long history does not fit a small screen
    told->setWidget(about_);
    told->setWidgetResizable(true);
    told->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    told->setFocusPolicy(Qt::NoFocus);
    told->viewport()->setAutoFillBackground(false);
    about_->setAutoFillBackground(false);
    column->addWidget(told, 1);
    column->addWidget(open_);
    column->addWidget(own);
    form_ = new NewClipForm(library);
    side_ = new PageStack;
    side_->addWidget(preview);
    side_->addWidget(form_);
    coach_ = new CoachForm(library);
    side_->addWidget(coach_);
    mails_ = new MailList(library);
    side_->addWidget(mails_);
    connect(mails_, &MailList::said, this, &QueuePage::failed);
    side_->setFixedWidth(392);

    auto* page = new QHBoxLayout(this);
    page->setContentsMargins(16, 16, 16, 16);
    page->setSpacing(24);
    inbox_ = new LinkLabel;
    inbox_->hide();
    auto* left = new QVBoxLayout;
    left->setSpacing(12);
    find_ = new QLineEdit;
    find_->setPlaceholderText(tr("Name, exercise, or what the client wrote"));
    find_->setAccessibleName(tr("Find clips"));
    find_->setClearButtonEnabled(true);
    find_->hide();
    connect(find_, &QLineEdit::textChanged, this, &QueuePage::filter);
    connect(find_, &QLineEdit::returnPressed, list_, qOverload<>(&QWidget::setFocus));
    found_ = new QLabel;
    found_->hide();
    left->addWidget(find_);
    left->addWidget(found_);
    left->addWidget(list_, 1);
    left->addWidget(inbox_);
    expected_ = new ExpectedList(library);
    left->addWidget(expected_);
    page->addLayout(left, 1);
    page->addWidget(side_);

    connect(list_->selectionModel(), &QItemSelectionModel::currentChanged, this, &QueuePage::preview);
    connect(clips_, &QAbstractItemModel::dataChanged, this, [this](const QModelIndex& from, const QModelIndex& to) {
        if (const int row = list_->currentIndex().row(); from.row() <= row && row <= to.row()) this->preview();
    });
    connect(inbox_, &QLabel::linkActivated, this, &QueuePage::inboxLink);
    connect(list_, &QListView::clicked, this, [this](const QModelIndex& at) {
        const int x = list_->viewport()->mapFromGlobal(QCursor::pos()).x();
        if (x < kFoldSign && clips_->entry(at.row()).place == 0) unfoldVisit(!clips_->isUnfolded(at.row()));
    });
    connect(list_, &QListView::doubleClicked, this, &QueuePage::openChosen);
    connect(open_, &KeyButton::clicked, this, &QueuePage::openChosen);
    connect(own, &KeyButton::clicked, this, &QueuePage::chooseFile);
    connect(form_, &NewClipForm::failed, this, &QueuePage::failed);
    connect(coach_, &CoachForm::said, this, &QueuePage::failed);
    connect(coach_, &CoachForm::left, this, &QueuePage::leave);
    connect(about_, &QLabel::linkActivated, this, &QueuePage::askForCoach);
    connect(form_, &NewClipForm::cancelled, this, [this] {
        side_->setCurrentIndex(0);
        bringInNext();
    });
    connect(form_, &NewClipForm::corrected, this, [this](qint64 clip) {
        side_->setCurrentIndex(0);
        clips_->touch(clip);
        refresh();
        list_->setFocus();
        emit corrected(clip);
    });
    connect(form_, &NewClipForm::added, this, [this](qint64 clip) {
        side_->setCurrentIndex(0);
        refresh();
        if (next_.isEmpty())
            emit openClip(clip);
        else
            bringInNext();
    });
    refresh();
}

void QueuePage::refresh() {
    const int row = std::max(0, list_->currentIndex().row());
    const int64_t before = chosen();
    clips_->refresh();
    filter();
    expected_->show(library_.expected(), today());
    int now = std::min(row, clips_->rowCount() - 1);
    for (int r = 0; r < clips_->rowCount(); ++r) // the same clip, wherever it has moved
        if (clips_->entry(r).clip.id == before) now = r;
    if (now >= 0) list_->setCurrentIndex(clips_->index(now));
    preview();
}

int64_t QueuePage::chooseNext(const std::function<bool(int64_t)>& isAnswered) {
    for (int row = 0; row < clips_->rowCount(); ++row)
        if (const Clip& c = clips_->entry(row).clip; !c.filed && !isAnswered(c.id) && !list_->isRowHidden(row)) {
            list_->setCurrentIndex(clips_->index(row));
            return c.id;
        }
    return 0;
}

void QueuePage::chooseClip(int64_t clip) {
    for (int row = 0; row < clips_->rowCount(); ++row) {
        if (clips_->entry(row).clip.id != clip) continue;
        if (clips_->entry(row).place > 0) clips_->setUnfolded(row, true), filter();
        list_->setCurrentIndex(clips_->index(row));
    }
}

void QueuePage::unfoldVisit(bool unfolded) {
    const int row = list_->currentIndex().row();
    if (row < 0 || clips_->entry(row).visit < 2) return;
    const int first = row - clips_->entry(row).place;
    clips_->setUnfolded(row, unfolded);
    filter();
    if (!unfolded) list_->setCurrentIndex(clips_->index(first));
}

void QueuePage::find() {
    find_->show();
    find_->setFocus();
    find_->selectAll();
}

void QueuePage::showMails() {
    mails_->refresh();
    side_->setCurrentWidget(mails_);
    mails_->setFocus();
}

void QueuePage::bringInAll(const QStringList& films) {
    next_ = films;
    bringInNext();
}

void QueuePage::bringInNext() {
    if (!next_.isEmpty()) bringIn(next_.takeFirst());
}

void QueuePage::askForCoach() {
    side_->setCurrentWidget(coach_);
    coach_->begin();
}

void QueuePage::leave() {
    if (side_->currentIndex() != 0) {
        side_->setCurrentIndex(0);
        preview();
    } else {
        find_->clear();
        find_->hide();
    }
    list_->setFocus();
}

/// Rows without all of the words are hidden; the chosen row stays one that is shown.
void QueuePage::filter() {
    const QStringList words = plain(find_->text()).split(QLatin1Char(' '), Qt::SkipEmptyParts);
    int first = -1, found = 0;
    for (int row = 0; row < clips_->rowCount(); ++row) {
        const auto& e = clips_->entry(row);
        const QString said = QStringLiteral("%1 %2 %3 %4")
                                 .arg(QString::fromStdString(e.client.name), QString::fromStdString(e.client.role),
                                      e.exercise, QString::fromStdString(e.clip.draft.note.words));
        const bool has = std::all_of(words.begin(), words.end(), [&](const QString& word) {
            return plain(said).contains(word, Qt::CaseInsensitive);
        });
        const bool folded = words.isEmpty() && e.place > 0 && !clips_->isUnfolded(row); // what is sought is shown
        list_->setRowHidden(row, !has || folded);
        found += has;
        if (has && !folded && first < 0) first = row;
    }
    found_->setVisible(!words.isEmpty());
    found_->setText(tr("%1 of %2 clips; Esc shows all").arg(found).arg(clips_->rowCount()));
    if (const int now = list_->currentIndex().row(); first >= 0 && (now < 0 || list_->isRowHidden(now)))
        list_->setCurrentIndex(clips_->index(first));
}

int64_t QueuePage::chosen() const {
    const int row = list_->currentIndex().row();
    return row >= 0 && row < clips_->rowCount() ? clips_->entry(row).clip.id : 0;
}

void QueuePage::setInboxWords(const QString& html) {
    inbox_->setText(html);
    inbox_->setVisible(!html.isEmpty());
}

void QueuePage::correctChosen() {
    if (!list_->currentIndex().isValid()) return;
    const auto clip = library_.clip(chosen());
    if (!clip) return;
    if (clip->filed) return emit failed(tr("This clip has been answered, and what was filed stays as it was."));
    form_->correct(*clip);
    side_->setCurrentWidget(form_);
}

void QueuePage::beginPart(const Clip& of, const FilmPart& part) {
    form_->beginPart(of, part);
    side_->setCurrentWidget(form_);
}

void QueuePage::openChosen() {
    if (list_->currentIndex().isValid()) emit openClip(clips_->entry(list_->currentIndex().row()).clip.id);
}

void QueuePage::bringIn(const QString& path) {
    auto reader = ClipReader::open(path.toStdString());
    if (!reader) {
        emit failed(tr("Not opened: %1. Nothing was changed.").arg(said(reader.error())));
        return;
    }
    const ClipInfo& c = reader->info();
    if (c.frames() < 2) {
        emit failed(tr("Not opened: %1: the clip has a single frame; movement needs at least two. Nothing was changed.")
                        .arg(path));
        return;
    }
    QString facts = tr("%1\n%2 × %3, %4 frames in %5 s")
                        .arg(path)
                        .arg(c.width)
                        .arg(c.height)
                        .arg(c.frames())
                        .arg(coachLocale().toString(c.duration_s, 'f', 1));
    if (c.lengthUnsure) facts += tr("\nThe file seems to be cut off; what is there can be measured.");
    form_->begin(path, facts);
    side_->setCurrentIndex(1);
    form_->clientBox().setFocus();
}

/// What the clip check found poor before anybody marked anything, and what to ask the client for.
QString QueuePage::askedFor(const ReviewInputs& draft) const {
    const auto marks = library_.cachedProposals(draft);
    const Json check = marks ? marks->kept("check") : Json();
    if (check.is_null()) return {};
    QString html;
    for (const ClipCheck& c : checksFrom(check))
        if (c.verdict == "poor" || c.verdict == "unusable")
            html += QStringLiteral("<li>%1</li>").arg(spoken(c.ask).toHtmlEscaped());
    return html.isEmpty() ? tr("<p>The picture is good enough to measure.</p>")
                          : tr("<p><b>To ask for next time</b></p><ul style='margin-left:-24px'>%1</ul>").arg(html);
}

void QueuePage::preview() {
    const QModelIndex at = list_->currentIndex();
    open_->setEnabled(at.isValid());
    picture_->setVisible(at.isValid());
    if (!at.isValid()) {
        about_->setFocusPolicy(Qt::StrongFocus);
        about_->setText(
            tr("<h3>No clips waiting</h3><p>Bring in a clip that a client has sent you: any MP4, MOV, MKV or "
               "WebM from the side, head to toes in the picture.</p>") +
            (library_.coach().name.empty()
                 ? tr("<p><a href=\"coach\">Enter your name</a>: answers are signed with it.</p>")
                 : QString()));
        return;
    }
    const auto& e = clips_->entry(at.row());
    picture_->setPixmap(QPixmap::fromImage(e.picture));
    picture_->setAccessibleName(tr("A picture of the clip"));
    const auto exercise = library_.catalogue()->exercise(e.clip.draft.exercise);
    auto text = [](const std::string& s) { return QString::fromStdString(s).toHtmlEscaped(); };
    QString html =
        QStringLiteral(
            "<p style='font-size:20px; font-weight:600; margin:0'>%1</p><p style='margin:2px 0 10px 0'>%2</p>")
            .arg(text(e.client.name), text(e.client.role));
    if (exercise)
        html += (e.visit > 1 ? tr("<p>One of %1 clips of this visit; one letter answers them.</p>").arg(e.visit)
                             : QString()) +
                tr("<p><b>%1</b>, asked %2, received %3</p>")
                    .arg(spoken(exercise->name).toHtmlEscaped(), targetWords(*exercise, e.clip.draft.asked),
                         dayAndYear(e.clip.received));
    if (!e.clip.draft.note.words.empty())
        html += QStringLiteral("<p>%1</p>").arg(quoted(e.clip.draft.note.words).toHtmlEscaped());
    if (e.clip.draft.note.pain)
        html += tr("<p><b>Pain was named.</b> Answer this one first; the exercise stops until you have spoken.</p>");
    if (const QDate by = QDate::fromString(QString::fromStdString(e.clip.draft.answerBy), Qt::ISODate);
        by.isValid() && !e.clip.filed)
        html += tr("<p>An answer was promised by %1.</p>")
                    .arg(coachLocale().toString(by, tr("dddd, d MMMM", "day of a date")));
    const QString trouble = consentTrouble(e.client.consent, today());
    if (!trouble.isEmpty()) html += tr("<p><b>%1</b> See the client room (Alt+5).</p>").arg(trouble);
    html += QStringLiteral("<p>%1</p>").arg((e.work.isEmpty() ? e.found : e.work).toHtmlEscaped());
    if (!e.clip.filed) html += askedFor(e.clip.draft);
    const auto filed = library_.filed(e.client.id, e.clip.draft.exercise);
    if (!filed.empty()) {
        html += tr("<p style='margin-top:16px'><b>Filed before</b></p><table cellspacing='0' cellpadding='3'>");
        constexpr ptrdiff_t kShown = 2; // the client room has them all
        for (auto it = filed.rbegin(); it != filed.rend() && it - filed.rbegin() < kShown; ++it) {
            const FiledReview& r = *it;
            const Reading *clean = r.find("clean_hold", "median"), *range = r.find("control_range", "least"),
                          *pelvis = r.find("pelvis_on_trunk", "worst");
            auto cell = [](const Reading* x, const QString& name, bool sign) {
                return x ? QStringLiteral("<td>%1 <b>%2</b> ± %3</td>")
                               .arg(name, reading(x->value, x->unit, 1, sign), band(x->u95))
                         : QStringLiteral("<td></td>");
            };
            html += QStringLiteral("<tr><td>%1&nbsp;&nbsp;</td>").arg(dayAndYear(r.date)) +
                    cell(clean, tr("clean"), false) + QStringLiteral("</tr><tr><td></td>") +
                    cell(pelvis, tr("pelvis, worst"), true) + QStringLiteral("</tr><tr><td></td>") +
                    cell(range, tr("control range"), false) + QStringLiteral("</tr>");
        }
        html += QStringLiteral("</table>");
    } else {
        html += tr("<p>The first clip of this exercise from this client.</p>");
    }
    about_->setText(html);
    about_->setFocusPolicy(Qt::NoFocus); // it has no link
}

} // namespace deft::ui

#include "moc_queue_page.cpp"
