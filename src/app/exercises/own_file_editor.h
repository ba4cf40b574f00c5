// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/widgets/key_button.h"
#include "exercises/exercise.h"
#include "store/library.h"

#include <QLabel>
#include <QPlainTextEdit>
#include <QTimer>

namespace deft::ui {

/// The coach's own file for one exercise, with a check that follows every key. What ships is never changed: the own
/// file lies in the library and takes its place.
class OwnFileEditor : public QWidget {
    Q_OBJECT
public:
    explicit OwnFileEditor(Library& library, QWidget* parent = nullptr);
    /// Shows the own file, or a beginning that changes nothing yet.
    void edit(const Exercise& exercise);
    QPlainTextEdit& text() { return *text_; }
    QString verdict() const { return verdict_->text(); }
    bool isInOrder() const { return checked_.has_value(); }
    void save();
    void remove();

signals:
    void changed(); ///< a file was saved or taken away
    void said(const QString& sentence);
    void left();

private:
    void check();
    std::filesystem::path file() const;

    Library& library_;
    std::filesystem::path folder_;
    std::string id_;
    std::optional<Exercise> checked_;
    QPlainTextEdit* text_;
    QLabel* verdict_;
    KeyButton *save_, *remove_;
    QTimer wait_;
};

} // namespace deft::ui
