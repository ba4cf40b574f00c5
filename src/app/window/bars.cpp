// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/bars.h"

#include "app/paint/strokes.h"
#include "app/session/review_session.h"
#include "app/theme/target_words.h"
#include "app/theme/words.h"
#include "app/widgets/key_button.h"

#include <QHBoxLayout>
#include <QSvgRenderer>
#include <QTextDocument>

namespace deft::ui {
namespace {

/// A room's name, underlined when one is in it.
class RoomTab : public QAbstractButton {
public:
    explicit RoomTab(QAction* action) : action_(action) {
        setText(action->text());
        setAccessibleName(action->text());
        setCheckable(true);
        setFocusPolicy(Qt::TabFocus);
        setToolTip(
            QStringLiteral("%1 (%2)").arg(action->text(), action->shortcut().toString(QKeySequence::NativeText)));
        connect(this, &QAbstractButton::clicked, action, &QAction::trigger);
        connect(action, &QAction::changed, this, [this] {
            setChecked(action_->isChecked());
            setEnabled(action_->isEnabled());
        });
        setChecked(action->isChecked());
    }
    QAction* action() const { return action_; }
    void setCount(int count) {
        count_ = count;
        updateGeometry();
        update();
    }
    QSize sizeHint() const override {
        return {QFontMetrics(face(Size::Body, QFont::DemiBold)).horizontalAdvance(text()) + (count_ ? 22 : 0) + 12, 40};
    }

protected:
    void paintEvent(QPaintEvent*) override {
        const Palette& c = colours();
        QPainter p(this);
        const QRectF box(6, 0, width() - 6, height());
        const int used = putText(p, box, text(), Size::Body,
                                 !isEnabled()  ? c.ink3
                                 : isChecked() ? c.ink
                                               : c.ink2,
                                 isChecked() ? QFont::DemiBold : QFont::Normal);
        if (count_) putText(p, box.adjusted(used + 6, 0, 0, 0), QString::number(count_), Size::Small, c.ink2);
        if (isChecked()) p.fillRect(QRectF(6, height() - 3, used, 3), c.accent);
        if (hasFocus()) {
            p.setPen(QPen(c.ink, 1.6));
            p.drawRect(QRectF(1, 5, width() - 2, height() - 10));
        }
    }

private:
    QAction* action_;
    int count_ = 0;
};

class IconButton : public QAbstractButton {
public:
    IconButton(const QString& name, const QString& text) {
        setText(text);
        setAccessibleName(name);
        setToolTip(name);
        setFixedSize(36, 40);
        setFocusPolicy(Qt::TabFocus);
    }

protected:
    void paintEvent(QPaintEvent*) override {
        const Palette& c = colours();
        QPainter p(this);
        p.setRenderHint(QPainter::Antialiasing);
        if (!text().isEmpty()) {
            putText(p, rect(), text(), Size::Body, c.ink, QFont::DemiBold, Qt::AlignCenter);
        } else {
            // The mark is drawn in ink, so that it follows the theme.
            QPixmap mark(QSize(16, 16) * devicePixelRatioF());
            mark.fill(Qt::transparent);
            QPainter q(&mark);
            QSvgRenderer(QStringLiteral(":/icons/mark.svg")).render(&q, QRectF(QPointF(), mark.size()));
            q.setCompositionMode(QPainter::CompositionMode_SourceIn);
            q.fillRect(mark.rect(), c.ink);
            q.end();
            p.drawPixmap(QRectF(16, 12, 16, 16), mark, mark.rect());
        }
        if (hasFocus()) {
            p.setPen(QPen(c.ink, 1.6));
            p.setBrush(Qt::NoBrush);
            p.drawRect(QRectF(rect()).adjusted(2, 4, -1, -4));
        }
    }
};

} // namespace

RoomBar::RoomBar(QMenu* menu, QWidget* parent) : QWidget(parent), menu_(menu) {
    setFixedHeight(40);
    mark_ = new IconButton(tr("Menu (F10)"), {});
    help_ = new IconButton(tr("All keys (?)"), QStringLiteral("?"));
    connect(mark_, &QAbstractButton::clicked, this, &RoomBar::openMenu);
    connect(help_, &QAbstractButton::clicked, this, &RoomBar::helpPressed);
    row_ = new QHBoxLayout(this);
    row_->setContentsMargins(0, 0, 4, 0);
    row_->setSpacing(4);
    row_->addWidget(mark_);
    row_->addStretch();
    row_->addWidget(help_);
}

void RoomBar::openMenu() { menu_->popup(mapToGlobal(QPoint(8, height()))); }

void RoomBar::addRoom(QAction* room) {
    auto* tab = new RoomTab(room);
    rooms_.push_back(tab);
    row_->insertWidget(int(rooms_.size()), tab);
}

void RoomBar::setCount(QAction* room, int count) {
    for (QAbstractButton* b : rooms_)
        if (auto* tab = static_cast<RoomTab*>(b); tab->action() == room) tab->setCount(count);
}

void RoomBar::setWords(const QString& undo, const QString& saved) {
    undo_ = undo, saved_ = saved;
    update();
}

void RoomBar::paintEvent(QPaintEvent*) {
    const Palette& c = colours();
    QPainter p(this);
    p.fillRect(rect(), c.paper);
    p.setPen(QPen(c.hairline, 1));
    p.drawLine(QPointF(0, height() - 0.5), QPointF(width(), height() - 0.5));
    const double right = help_->x() - 12;
    const int saved = putText(p, QRectF(right - 120, 0, 120, height()), saved_, Size::Small, c.ink2, QFont::Normal,
                              Qt::AlignRight | Qt::AlignVCenter);
    putText(p, QRectF(right - saved - 420, 0, 400, height()), undo_, Size::Small, c.ink2, QFont::Normal,
            Qt::AlignRight | Qt::AlignVCenter);
}

ClientLine::ClientLine(ReviewSession& session, QWidget* parent) : QWidget(parent), session_(session) {
    setFixedHeight(40);
    for (auto signal : {&ReviewSession::opened, &ReviewSession::reviewChanged})
        connect(&session, signal, this, qOverload<>(&QWidget::update));
    connect(&session.letter(), &Letter::filed, this, qOverload<>(&QWidget::update));
}

void ClientLine::setHeading(const QString& heading) {
    heading_ = heading;
    update();
}

void ClientLine::paintEvent(QPaintEvent*) {
    const Palette& c = colours();
    QPainter p(this);
    p.fillRect(rect(), c.ground);
    p.setPen(QPen(c.hairline, 1));
    p.drawLine(QPointF(0, height() - 0.5), QPointF(width(), height() - 0.5));
    double x = 16;
    auto say = [&](const QString& words, const QColor& colour, QFont::Weight weight, double gap,
                   Size size = Size::Body) {
        if (!words.isEmpty())
            x +=
                putText(p, QRectF(x, 0, std::max(0.0, width() - x - 240), height()), words, size, colour, weight) + gap;
    };
    if (!heading_.isEmpty() || !session_.isOpen()) {
        say(heading_, c.ink, QFont::DemiBold, 8);
        return;
    }
    const ReviewInputs& in = session_.inputs();
    say(QString::fromStdString(in.client), c.ink, QFont::DemiBold, 8);
    say(QString::fromStdString(in.clientRole), c.ink2, QFont::Normal, 24);
    say(spoken(session_.exercise().name), c.ink, QFont::DemiBold, 8);
    if (const auto& schools = session_.exercise().schools; !schools.empty()) {
        // The school of the movement itself when there is one, else the first.
        const SchoolsAnswer* main = session_.exercise().answerTo("bridge");
        if (!main) main = session_.exercise().answerTo("pelvis");
        if (!main) main = &schools.front();
        const std::string chosen = session_.exercise().schoolsFor(in.schools)[main->question];
        if (const SchoolQuestion* q = session_.catalogue().schools().find(main->question); q && q->choice(chosen))
            say(inLine(spoken(q->choice(chosen)->name)), c.ink2, QFont::Normal, 24);
    }
    say(tr("asked %1").arg(targetWords(session_.exercise(), in.asked)), c.ink2, QFont::Normal, 24);
    if (in.practice)
        say(tr("done on %1 of %2 days").arg(in.practice->done).arg(in.practice->asked), c.ink2, QFont::Normal, 24);
    if (in.note.pain) say(tr("Pain was named"), c.ink, QFont::DemiBold, 24);
    say(in.note.words.empty() ? QString() : quoted(in.note.words), c.ink2, QFont::Normal, 24);
    QString check;
    if (session_.isFiled())
        check = tr("filed %1; kept as it was sent").arg(QString::fromStdString(in.date));
    else if (const Review* r = session_.review()) {
        QStringList poor;
        for (const ClipCheck& k : r->check)
            if (k.verdict != "good")
                poor << said(Message("fact.clip-check",
                                     {{"check", Message("fact.clip-check." + k.id)}, {"verdict", k.verdict}}));
        check = poor.isEmpty() ? tr("clip check: good, %1 view").arg(said(Message("fact.view." + r->exercise.view)))
                               : tr("clip check: %1").arg(poor.join(QStringLiteral(", ")));
    }
    putText(p, QRectF(width() - 236, 0, 220, height()), check, Size::Small, c.ink2, QFont::Normal,
            Qt::AlignRight | Qt::AlignVCenter);
}

KeysBar::KeysBar(QWidget* parent) : QWidget(parent) {
    setFixedHeight(32);
    work_ = new KeyButton({}, {}, KeyButton::Kind::Link, this);
    work_->hide();
    connect(work_, &KeyButton::clicked, this, &KeysBar::workPressed);
}

void KeysBar::setKeys(const std::vector<std::pair<QString, QString>>& keys) {
    keys_ = keys;
    update();
}

void KeysBar::showWork(const QString& words) {
    if (words == work_->text()) return;
    work_->setText(words);
    work_->setAccessibleName(words);
    work_->setVisible(!words.isEmpty());
    resizeEvent(nullptr);
    update();
}

void KeysBar::resizeEvent(QResizeEvent*) {
    const int wide = work_->minimumSizeHint().width();
    work_->setGeometry(width() - wide - 12, 4, wide, 24);
}

void KeysBar::paintEvent(QPaintEvent*) {
    const Palette& c = colours();
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(rect(), c.paper);
    p.setPen(QPen(c.hairline, 1));
    p.drawLine(QPointF(0, 0.5), QPointF(width(), 0.5));
    const int room = work_->isVisible() ? work_->x() : width();
    // Whole entries only; the last one leads to all that found no room.
    const auto widthOf = [](const QString& key) {
        return std::max(20, QFontMetrics(face(Size::Small, QFont::Medium)).horizontalAdvance(key) + 10);
    };
    const auto widthOfEntry = [&](const std::pair<QString, QString>& entry) {
        int width = QFontMetrics(face(Size::Small)).horizontalAdvance(entry.second) + 24;
        for (const QString& one : entry.first.split(QLatin1Char(' '))) width += widthOf(one) + 4;
        return width;
    };
    double x = 16;
    for (size_t i = 0; i < keys_.size(); ++i) {
        const bool last = i + 1 == keys_.size();
        if (!last && x + widthOfEntry(keys_[i]) + widthOfEntry(keys_.back()) > room) continue;
        for (const QString& one : keys_[i].first.split(QLatin1Char(' '))) {
            const double w = widthOf(one);
            p.setPen(QPen(c.strong, 1));
            p.setBrush(c.raised);
            p.drawRoundedRect(QRectF(x + 0.5, 7.5, w, 18), 2, 2);
            putText(p, QRectF(x, 7, w, 19), one, Size::Small, c.ink, QFont::Medium, Qt::AlignCenter);
            x += w + 4;
        }
        x += putText(p, QRectF(x + 4, 0, std::max(0.0, room - x - 4), height()), keys_[i].second, Size::Small, c.ink2) +
             20;
    }
}

} // namespace deft::ui

#include "moc_bars.cpp"
