// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QPlainTextEdit>

namespace deft::ui {

class LetterWords;
class SpellingMarks;

/// A text field as tall as its text, which marks what is not spelt right. Undo is the window's, which knows every edit.
class GrowingText : public QPlainTextEdit {
    Q_OBJECT
public:
    explicit GrowingText(LetterWords& words, QWidget* parent = nullptr);
    void fit();
    /// Another text in place of this one; the cursor stays beside what stays.
    void replaceText(const QString& text);
    /// Selects the next behind the cursor. @param toEnd only up to the end, else going round. @returns whether there is one
    bool toNextMistake(bool toEnd = false);
    /// Suggestions for the selected word, or the one at the cursor; then the coach's own sentences; then the usual.
    void openMenu(const QPoint& at);
    void openMenuAtCursor();

signals:
    void leave();
    void sentenceWanted(const QString& name);
    void sentenceOffered(const QString& text); ///< to be kept as the coach's own
    void sentenceUnwanted(const QString& name);
    void said(const QString& sentence);

protected:
    bool event(QEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;
    void contextMenuEvent(QContextMenuEvent* event) override;

private:
    void addSuggestions(QMenu& menu);
    void addSentences(QMenu& menu);

    LetterWords& words_;
    SpellingMarks* marks_;
};

} // namespace deft::ui
