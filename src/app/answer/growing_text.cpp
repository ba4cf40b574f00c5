// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/answer/growing_text.h"

#include "app/session/letter_words.h"
#include "app/theme/palette.h"
#include "app/theme/words.h"

#include <QContextMenuEvent>
#include <QKeyEvent>
#include <QMenu>
#include <QSyntaxHighlighter>
#include <QTextBlock>
#include <QTextBoundaryFinder>
#include <cmath>

namespace deft::ui {
namespace {

/// Where words of a text stand that are not spelt right: first letter and length.
std::vector<std::pair<int, int>> mistakes(const QString& text, const LetterWords& words) {
    std::vector<std::pair<int, int>> out;
    QTextBoundaryFinder finder(QTextBoundaryFinder::Word, text);
    for (qsizetype begin = 0; begin >= 0 && begin < text.size();) {
        const qsizetype end = finder.toNextBoundary();
        if (end < 0) break;
        const QString word = text.mid(begin, end - begin);
        if (word.front().isLetter() && !words.isRight(word)) out.emplace_back(int(begin), int(word.size()));
        begin = end;
    }
    return out;
}

} // namespace

class SpellingMarks : public QSyntaxHighlighter {
public:
    SpellingMarks(QTextDocument* text, const LetterWords& words) : QSyntaxHighlighter(text), words_(words) {}

protected:
    void highlightBlock(const QString& text) override {
        QTextCharFormat wrong;
        wrong.setUnderlineStyle(QTextCharFormat::SpellCheckUnderline);
        wrong.setUnderlineColor(colours().accent);
        for (const auto& [begin, length] : mistakes(text, words_)) setFormat(begin, length, wrong);
    }

private:
    const LetterWords& words_;
};

GrowingText::GrowingText(LetterWords& words, QWidget* parent) : QPlainTextEdit(parent), words_(words) {
    setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setUndoRedoEnabled(false);
    setObjectName(QStringLiteral("letter"));
    setTabChangesFocus(true);
    setFrameShape(QFrame::NoFrame);
    marks_ = new SpellingMarks(document(), words);
    connect(&words, &LetterWords::changed, marks_, &QSyntaxHighlighter::rehighlight);
    connect(this, &QPlainTextEdit::textChanged, this, &GrowingText::fit);
}

void GrowingText::fit() {
    double height = 0; // asking a block for its rectangle lays it out at today's width
    for (QTextBlock b = document()->firstBlock(); b.isValid(); b = b.next()) height += blockBoundingRect(b).height();
    setFixedHeight(int(std::ceil(height)) + 12);
}

void GrowingText::replaceText(const QString& text) {
    const QString now = toPlainText();
    if (now == text) return;
    const qsizetype most = std::min(now.size(), text.size());
    qsizetype same = 0, sameAtEnd = 0;
    while (same < most && now[same] == text[same]) ++same;
    while (sameAtEnd < most - same && now[now.size() - 1 - sameAtEnd] == text[text.size() - 1 - sameAtEnd]) ++sameAtEnd;
    QTextCursor change(document());
    change.setPosition(int(same));
    change.setPosition(int(now.size() - sameAtEnd), QTextCursor::KeepAnchor);
    change.insertText(text.mid(same, text.size() - same - sameAtEnd));
}

bool GrowingText::toNextMistake(bool toEnd) {
    const auto wrong = mistakes(toPlainText(), words_);
    if (wrong.empty()) return false;
    auto next = std::find_if(wrong.begin(), wrong.end(),
                             [at = textCursor().selectionEnd()](const auto& one) { return one.first >= at; });
    if (next == wrong.end() && toEnd) return false;
    if (next == wrong.end()) next = wrong.begin();
    QTextCursor cursor = textCursor();
    cursor.setPosition(next->first);
    cursor.setPosition(next->first + next->second, QTextCursor::KeepAnchor);
    setTextCursor(cursor);
    return true;
}

void GrowingText::addSuggestions(QMenu& menu) {
    QTextCursor word = textCursor();
    if (!word.hasSelection()) word.select(QTextCursor::WordUnderCursor);
    const QString text = word.selectedText();
    if (text.isEmpty() || text.contains(QLatin1Char(' ')) || words_.isRight(text) || isReadOnly()) return;
    const QStringList suggestions = words_.suggestions(text);
    for (const QString& suggestion : suggestions)
        connect(menu.addAction(suggestion), &QAction::triggered, this,
                [word, suggestion]() mutable { word.insertText(suggestion); });
    if (suggestions.isEmpty()) menu.addAction(tr("No word like it is known"))->setEnabled(false);
    connect(menu.addAction(tr("“%1” is right").arg(text)), &QAction::triggered, this, [this, text] {
        if (auto ok = words_.learn(text); !ok) emit said(tr("Not kept: %1.").arg(ui::said(ok.error())));
    });
    menu.addSeparator();
}

void GrowingText::addSentences(QMenu& menu) {
    if (isReadOnly()) return;
    QMenu* away = nullptr;
    for (const OwnSentence& sentence : words_.sentences()) {
        const QString name = QString::fromStdString(sentence.name);
        QAction* use = menu.addAction(name);
        use->setToolTip(QString::fromStdString(sentence.text));
        connect(use, &QAction::triggered, this, [this, name] { emit sentenceWanted(name); });
    }
    const QString selected = textCursor().selectedText().replace(QChar::ParagraphSeparator, QLatin1Char('\n'));
    const QString offered = selected.isEmpty() ? toPlainText() : selected;
    connect(menu.addAction(selected.isEmpty() ? tr("Keep this part as a sentence of your own…")
                                              : tr("Keep the selection as a sentence of your own…")),
            &QAction::triggered, this, [this, offered] { emit sentenceOffered(offered); });
    for (const OwnSentence& sentence : words_.sentences()) {
        if (!away) away = menu.addMenu(tr("Remove a sentence of your own"));
        const QString name = QString::fromStdString(sentence.name);
        connect(away->addAction(name), &QAction::triggered, this, [this, name] { emit sentenceUnwanted(name); });
    }
    menu.addSeparator();
}

void GrowingText::openMenu(const QPoint& at) {
    auto* menu = new QMenu(this);
    menu->setAttribute(Qt::WA_DeleteOnClose);
    menu->setToolTipsVisible(true);
    addSuggestions(*menu);
    addSentences(*menu);
    QMenu* usual = createStandardContextMenu();
    usual->setParent(menu);
    menu->addActions(usual->actions());
    menu->popup(at);
    if (!menu->actions().isEmpty()) menu->setActiveAction(menu->actions().front());
}

void GrowingText::openMenuAtCursor() { openMenu(viewport()->mapToGlobal(cursorRect().bottomLeft())); }

bool GrowingText::event(QEvent* e) {
    // Its own undo is off, and yet it would take the keys.
    if (e->type() == QEvent::ShortcutOverride)
        if (const auto* key = static_cast<QKeyEvent*>(e);
            key->matches(QKeySequence::Undo) || key->matches(QKeySequence::Redo)) {
            e->ignore();
            return true;
        }
    return QPlainTextEdit::event(e);
}

void GrowingText::resizeEvent(QResizeEvent* e) {
    QPlainTextEdit::resizeEvent(e);
    fit();
}

void GrowingText::keyPressEvent(QKeyEvent* e) {
    if (e->key() == Qt::Key_Escape)
        emit leave();
    else
        QPlainTextEdit::keyPressEvent(e);
}

void GrowingText::contextMenuEvent(QContextMenuEvent* e) {
    if (e->reason() == QContextMenuEvent::Mouse && !textCursor().hasSelection())
        setTextCursor(cursorForPosition(e->pos()));
    openMenu(e->reason() == QContextMenuEvent::Mouse ? e->globalPos()
                                                     : viewport()->mapToGlobal(cursorRect().bottomLeft()));
}

} // namespace deft::ui

#include "moc_growing_text.cpp"
