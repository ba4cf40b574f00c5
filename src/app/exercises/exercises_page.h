// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/exercises/own_file_editor.h"
#include "store/library.h"

#include <QListWidget>
#include <QStackedWidget>
#include <QTextBrowser>

namespace deft::ui {

/// The drawn start and far end of an exercise, side by side.
class SketchPair : public QWidget {
    Q_OBJECT
public:
    using QWidget::QWidget;
    void show(const Exercise* exercise);

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    std::optional<Exercise> exercise_;
};

/// All exercises: a list by position, the chosen one as a page to read, and the coach's own file of it to edit.
class ExercisesPage : public QWidget {
    Q_OBJECT
public:
    /// @param ownFolder where the coach's own files lie
    explicit ExercisesPage(Library& library, QWidget* parent = nullptr);
    QListWidget& list() { return *list_; }
    OwnFileEditor& editor() { return *editor_; }
    QTextBrowser& page() { return *text_; }
    void choose(const std::string& id);
    std::string chosen() const; ///< id; empty = none
    void setEditing(bool editing);
    bool isEditing() const { return pages_->currentIndex() == 1; }
    void step(int by);

signals:
    void said(const QString& sentence);

protected:
    void showEvent(QShowEvent* event) override;

private:
    void refresh();
    void showChosen();
    void showPage(); ///< what is being written stays

    Library& library_;
    QListWidget* list_;
    QLabel *title_, *about_;
    SketchPair* drawing_;
    QTextBrowser* text_;
    QStackedWidget* pages_;
    OwnFileEditor* editor_;
    KeyButton* edit_;
};

} // namespace deft::ui
