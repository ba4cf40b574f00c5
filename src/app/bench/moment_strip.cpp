// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/moment_strip.h"

#include "app/paint/strokes.h"
#include "app/theme/words.h"
#include "marks/names.h"

#include <QHBoxLayout>
#include <cmath>

namespace deft::ui {

MomentStrip::MomentStrip(ReviewSession& session, StagePicture& stage, QWidget* parent)
    : QWidget(parent), session_(session), stage_(stage) {
    setFixedHeight(40);
    setLayoutDirection(Qt::LeftToRight); // its words are painted, and keep their place beside the buttons
    setAccessibleName(tr("Moment"));
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(16, 3, 8, 3);
    row->setSpacing(2);
    row->addStretch();
    auto button = [&](const QString& text, const QString& key, KeyButton::Kind kind, auto signal) {
        auto* b = new KeyButton(text, key, kind, this);
        connect(b, &KeyButton::clicked, this, signal);
        row->addWidget(b);
        return b;
    };
    agree_ = button(tr("Agree"), QStringLiteral("A"), KeyButton::Kind::OnStagePrimary, &MomentStrip::agreePressed);
    reject_ = button(tr("Reject"), QStringLiteral("D"), KeyButton::Kind::OnStage, &MomentStrip::rejectPressed);
    confirm_ =
        button(tr("Confirm all"), QStringLiteral("C"), KeyButton::Kind::OnStagePrimary, &MomentStrip::confirmPressed);
    skip_ = button(tr("Not visible"), QStringLiteral("S"), KeyButton::Kind::OnStage, &MomentStrip::skipPressed);
    measure_ =
        button(tr("Measure"), QStringLiteral("Enter"), KeyButton::Kind::OnStagePrimary, &MomentStrip::measurePressed);
    stop_ = new KeyButton(tr("Stop"), {}, KeyButton::Kind::OnStage, this);
    connect(stop_, &KeyButton::clicked, this, [this] { session_.job().stop(); });
    row->addWidget(stop_);
    for (auto signal : {&ReviewSession::opened, &ReviewSession::reviewChanged, &ReviewSession::marksChanged})
        connect(&session, signal, this, &MomentStrip::refresh);
    connect(&session.offered(), &OfferedMarks::changed, this, &MomentStrip::refresh);
    connect(&session.place(), &Place::changed, this, &MomentStrip::refresh);
    connect(&session.letter(), &Letter::filed, this, &MomentStrip::refresh);
    connect(&session.job(), &BackgroundJob::changed, this, &MomentStrip::refresh);
    connect(&stage, &StagePicture::stateChanged, this, &MomentStrip::refresh);
    refresh();
}

void MomentStrip::refresh() {
    const bool working = session_.job().isRunning(), moment = session_.place().moment() >= 0 && session_.review();
    const bool open = session_.isOpen() && !session_.isFiled(),
               asking = open && moment && !working && !stage_.isMending();
    agree_->setVisible(asking);
    reject_->setVisible(asking);
    if (asking) {
        const auto& agreed = session_.moments()[size_t(session_.place().moment())].agreed;
        agree_->setKind(agreed && !*agreed ? KeyButton::Kind::OnStage : KeyButton::Kind::OnStagePrimary);
        reject_->setKind(agreed && !*agreed ? KeyButton::Kind::OnStagePrimary : KeyButton::Kind::OnStage);
    }
    const bool unmeasured = open && !session_.review() && !working;
    const bool offered = unmeasured && session_.offered().proposals() && !session_.offered().proposals()->marks.empty();
    confirm_->setVisible(offered);
    skip_->setVisible(unmeasured && stage_.isPlacing());
    measure_->setVisible(unmeasured && !offered && !session_.inputs().marks.frames.empty());
    measure_->setKind(session_.isOpen() && session_.isMarked() ? KeyButton::Kind::OnStagePrimary
                                                               : KeyButton::Kind::OnStage);
    stop_->setVisible(working);
    update();
}

/// What is odd about the clip goes first; else what to do with the proposals.
QString MomentStrip::proposedWords() const {
    const Proposals& p = *session_.offered().proposals();
    if (p.frame != session_.place().frame())
        return tr("in the frame at %1 s").arg(coachLocale().toString(p.time_s, 'f', 2));
    if (p.facts && p.facts->anotherPerson) return tr("more than one person is in the picture: look twice");
    if (p.facts && !p.facts->guesses.empty()) {
        const auto guess = session_.catalogue().exercise(p.facts->guesses.front().first);
        if (guess && guess->bodyPosition() != session_.exercise().bodyPosition())
            return tr("this looks like another exercise: %1").arg(spoken(guess->name));
    }
    return tr("none counts yet; drag what is off");
}

void MomentStrip::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Palette& c = colours();
    p.fillRect(rect(), c.stage);
    const QColor dim(255, 255, 255, 190);
    double x = 16;
    int limit = width() - 16;
    for (const KeyButton* b : {agree_, reject_, confirm_, measure_, skip_, stop_})
        if (b->isVisible()) limit = std::min(limit, b->x() - 8);
    auto say = [&](const QString& words, Size size, QFont::Weight weight, const QColor& colour) {
        x += putText(p, QRectF(x, 0, std::max(0.0, limit - x), height()), words, size, colour, weight) + 8;
    };
    if (!session_.isOpen()) return;
    if (session_.job().isRunning()) {
        const Progress& done = session_.job().progress();
        const double left = session_.job().left_s();
        say(tr("Following the marks"), Size::Body, QFont::DemiBold, c.onStage);
        const QRectF bar(x, 14, 140, 12);
        p.setPen(QPen(c.onStage, 1));
        p.setBrush(Qt::NoBrush);
        p.drawRect(bar);
        if (done.total > 0)
            p.fillRect(QRectF(bar.x() + 2, bar.y() + 2, (bar.width() - 4) * double(done.done) / double(done.total),
                              bar.height() - 4),
                       c.onStage);
        x += 150;
        if (left >= 0) say(tr("about %1 s left").arg(int(std::ceil(left))), Size::Small, QFont::Normal, dim);
        return;
    }
    if (!session_.review()) {
        if (confirm_->isVisible()) {
            say(tr("%1 proposed")
                    .arg(counted(int(session_.offered().proposals()->marks.size()), tr("mark"), tr("marks"))),
                Size::Body, QFont::DemiBold, c.onStage);
            say(proposedWords(), Size::Small, QFont::Normal, dim);
        } else if (stage_.isPlacing()) {
            const QString next = stage_.toPlace().front();
            const auto& optional = session_.exercise().landmarksOptional;
            const auto it = std::find_if(optional.begin(), optional.end(),
                                         [&](const auto& o) { return o.first == next.toStdString(); });
            say(tr("Click the %1").arg(spoken(landmarkWords(next.toStdString()))), Size::Body, QFont::DemiBold,
                c.onStage);
            say(it == optional.end() ? tr("needed; %1 to go").arg(stage_.toPlace().size())
                                     : tr("if it can be seen: %1").arg(QString::fromStdString(it->second)),
                Size::Small, QFont::Normal, dim);
            if (const Proposals* none = session_.offered().proposals(); none && !none->missing.empty())
                say(tr("no proposals: the network for it has not been fetched"), Size::Small, QFont::Normal, dim);
            if (session_.offered().isLooking()) say(tr("looking for the body …"), Size::Small, QFont::Normal, dim);
        } else if (!session_.isFiled()) {
            say(tr("All marks are placed"), Size::Body, QFont::DemiBold, c.onStage);
        }
        return;
    }
    if (stage_.isMending()) {
        if (stage_.selected().isEmpty()) {
            say(tr("Editing"), Size::Body, QFont::DemiBold, c.onStage);
            say(tr("drag a mark, or [ and ] to choose one; M ends"), Size::Small, QFont::Normal, dim);
            if (const auto& mat = session_.review()->series().context.mat)
                say(tr("camera %1 ± %2 off square to the mat")
                        .arg(reading(std::abs(mat->turnDeg), "deg", 1, false), band(mat->turnU95)),
                    Size::Small, QFont::Normal, dim);
            return;
        }
        const TrackPoint* point =
            session_.review()->tracks().find(stage_.selected().toStdString(), size_t(session_.place().frame()));
        const QString name = spoken(landmarkWords(stage_.selected().toStdString()));
        say(name.left(1).toUpper() + name.mid(1), Size::Body, QFont::DemiBold, c.onStage);
        if (point)
            say(tr("%1, ± %2 px   drag, or Ctrl+arrows; Del: not visible from here")
                    .arg(QString::fromLatin1(stateName(point->state)), reading(1.96 * point->sd, "", 1, false)),
                Size::Small, QFont::Normal, dim);
        return;
    }
    if (session_.isFiled()) {
        say(tr("Filed and sent"), Size::Body, QFont::DemiBold, c.onStage);
        return;
    }
    if (session_.place().moment() < 0) {
        const auto& reps = session_.review()->events.reps;
        const auto& check = session_.review()->check;
        const bool marksLost = std::any_of(
            check.begin(), check.end(), [](const ClipCheck& k) { return k.id == "marks-kept" && k.verdict != "good"; });
        if (session_.moments().empty() &&
            (marksLost || std::any_of(reps.begin(), reps.end(), [](const Rep& r) { return r.unsure(); }))) {
            say(tr("Cannot tell from this clip"), Size::Body, QFont::DemiBold, c.onStage);
            say(tr("marks were lost on the way: edit them (M) or ask for it again"), Size::Small, QFont::Normal, dim);
            return;
        }
        say(session_.moments().empty()
                ? tr("Nothing out of tolerance was found")
                : tr("%1 to look at").arg(counted(int(session_.moments().size()), tr("moment"), tr("moments"))),
            Size::Body, QFont::DemiBold, c.onStage);
        return;
    }
    const Moment& m = session_.moments()[size_t(session_.place().moment())];
    say(tr("Moment %1 of %2").arg(session_.place().moment() + 1).arg(session_.moments().size()), Size::Small,
        QFont::Normal, dim);
    say(spoken(m.title), Size::Body, QFont::DemiBold, c.onStage);
    QString state = m.phase == Phase::SetUp ? tr("set-up") : tr("rep %1").arg(m.rep + 1);
    state += m.clear ? tr(", clear") : tr(", cannot tell for sure");
    if (m.agreed) state += *m.agreed ? tr(", agreed") : tr(", rejected");
    say(state, Size::Small, QFont::Normal, dim);
}

} // namespace deft::ui

#include "moc_moment_strip.cpp"
