// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/message_stack.h"

#include "app/theme/palette.h"
#include "app/widgets/key_button.h"

#include <QAccessible>
#include <QEvent>
#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QTimer>

namespace deft::ui {
namespace {

constexpr int kMost = 3; // more would hide what one works at

/// One message with the button that ends it.
class MessageRow : public QWidget {
public:
    MessageRow(const QString& sentence, QWidget* parent) : QWidget(parent) {
        words_ = new QLabel(sentence);
        words_->setTextFormat(Qt::PlainText);
        words_->setWordWrap(true);
        words_->setFont(face(Size::Body, QFont::Medium));
        auto* away = new KeyButton(QStringLiteral("×"), {}, KeyButton::Kind::Link);
        away->setAccessibleName(MessageStack::tr("Dismiss this message"));
        away->setToolTip(away->accessibleName());
        auto* row = new QHBoxLayout(this);
        row->setContentsMargins(16, 6, 8, 6);
        row->addWidget(words_, 1);
        row->addWidget(away, 0, Qt::AlignTop);
        connect(away, &KeyButton::clicked, this, &QWidget::close);
        setAttribute(Qt::WA_DeleteOnClose);
        timer_.setSingleShot(true);
        connect(&timer_, &QTimer::timeout, this, [this] {
            // Not while somebody reads it, or has left the window.
            if (parentWidget()->underMouse() || !isActiveWindow())
                timer_.start(1000);
            else
                close();
        });
        readAnew();
    }
    QString words() const { return words_->text(); }
    bool isOfGoingWork() const { return words().endsWith(QStringLiteral("…")); }
    void readAnew() { timer_.start(readingTime_ms(words())); }

protected:
    void paintEvent(QPaintEvent*) override {
        QPainter p(this);
        p.fillRect(rect(), colours().soft);
        p.setPen(QPen(colours().strong, 1));
        p.drawRect(QRectF(rect()).adjusted(0.5, 0.5, -0.5, -0.5));
    }

private:
    QLabel* words_;
    QTimer timer_;
};

QList<MessageRow*> rowsOf(const QWidget& stack) {
    QList<MessageRow*> rows;
    for (QObject* child : stack.children())
        if (auto* row = dynamic_cast<MessageRow*>(child); row && !row->isHidden()) rows << row;
    return rows;
}

} // namespace

int readingTime_ms(const QString& sentence) {
    constexpr int kNotice_ms = 3000, kLeast_ms = 6000, kLettersASecond = 15;
    return std::max(kLeast_ms, kNotice_ms + int(sentence.size()) * 1000 / kLettersASecond);
}

MessageStack::MessageStack(QWidget* over, QWidget* line) : QWidget(over), line_(line) {
    rows_ = new QVBoxLayout(this);
    rows_->setContentsMargins(0, 0, 0, 0);
    rows_->setSpacing(2);
    over->installEventFilter(this);
    line->installEventFilter(this);
    hide();
}

int MessageStack::shown() const { return int(rowsOf(*this).size()); }

void MessageStack::say(const QString& sentence) {
    last_ = sentence;
    const auto rows = rowsOf(*this);
    if (sentence.isEmpty()) {
        for (MessageRow* row : rows) row->close();
        return place();
    }
    for (MessageRow* row : rows)
        if (row->words() == sentence) return row->readAnew();
    for (MessageRow* row : rows)
        if (row->isOfGoingWork()) row->close();
    if (const auto left = rowsOf(*this); left.size() >= kMost) left.front()->close();
    auto* row = new MessageRow(sentence, this);
    rows_->insertWidget(0, row);
    row->installEventFilter(this);
    row->show();
    setAccessibleName(sentence);
    place();
    QAccessibleEvent event(this, QAccessible::Alert);
    QAccessible::updateAccessibility(&event);
}

void MessageStack::dismiss() {
    if (const auto rows = rowsOf(*this); !rows.isEmpty()) rows.back()->close();
    place();
}

void MessageStack::place() {
    constexpr int kWidest = 720;
    const int width = std::min(kWidest, parentWidget()->width() - 32);
    setVisible(shown() > 0);
    rows_->invalidate();
    const int height = rows_->hasHeightForWidth() ? rows_->totalHeightForWidth(width) : rows_->totalSizeHint().height();
    const int x = layoutDirection() == Qt::RightToLeft ? 16 : parentWidget()->width() - width - 16;
    setGeometry(x, line_->y() + 3, width, height);
    raise();
}

bool MessageStack::eventFilter(QObject* watched, QEvent* event) {
    const bool around = watched == line_ || watched == parentWidget();
    if (around && (event->type() == QEvent::Resize || event->type() == QEvent::Move)) place();
    if (!around && event->type() == QEvent::Hide) // a message has ended
        QMetaObject::invokeMethod(this, &MessageStack::place, Qt::QueuedConnection);
    return QWidget::eventFilter(watched, event);
}

} // namespace deft::ui

#include "moc_message_stack.cpp"
