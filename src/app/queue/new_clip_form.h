// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/background_job.h"
#include "app/widgets/intake_button.h"
#include "app/widgets/key_button.h"
#include "store/library.h"

#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QPlainTextEdit>
#include <QSpinBox>

namespace deft::ui {

/// What has to be known about a clip that the coach brings in: whose it is, what was asked, what the client wrote. The
/// same for a clip that waits already and of which something is not right.
class NewClipForm : public QWidget {
    Q_OBJECT
public:
    explicit NewClipForm(Library& library, QWidget* parent = nullptr);
    /// Begins a new entry. `facts` says what was found in the file.
    void begin(const QString& path, const QString& facts);
    /// Another part of the film of a clip, as a clip of its own that came with it.
    void beginPart(const Clip& of, const FilmPart& part);
    /// Shows what is known of a clip that waits, to be corrected.
    void correct(const Clip& clip);
    QComboBox& clientBox() { return *client_; }
    IntakeButton& intakeButton() { return *intake_; }

signals:
    void added(qint64 clip);
    void corrected(qint64 clip);
    void cancelled();
    void failed(const QString& sentence);

private:
    void clear();
    void showClients();
    void choose(int64_t client); ///< 0 = nobody of those on record
    void add();
    void keep(int64_t client); ///< once it is certain whose it is
    void finish(int64_t client, const std::filesystem::path& file, const std::string& sha256);
    ReviewInputs filledIn(ReviewInputs in) const;
    void showKnown(const Clip& clip);
    void showPart(const std::optional<FilmPart>& part);
    std::optional<FilmPart> part() const; ///< nothing = the whole film
    void showExercise();                  ///< versions and places of the one that is chosen
    void showAsked();                     ///< side and dose of the version that is chosen
    void guessExercise();
    void showGuess(const std::vector<std::pair<std::string, double>>& guesses);
    Library& library_;
    QString path_;
    QLabel* facts_;
    QComboBox *client_, *exercise_, *version_, *side_, *felt_, *stop_;
    QLineEdit* role_;
    IntakeButton* intake_;
    QSpinBox *sets_, *reps_, *hold_;
    QDoubleSpinBox *from_, *to_; ///< of the film, s
    std::string received_;       ///< ISO date; empty = today
    QCheckBox* pain_;
    QPlainTextEdit* words_;
    QLabel* guess_;
    QLabel* whose_; ///< asks when a typed name is written like a known one
    KeyButton* go_;
    QLabel* title_;
    int64_t chosen_ = 0; ///< client
    int64_t clip_ = 0;   ///< that is corrected; 0 = a new one
    BackgroundJob copy_;
    bool exerciseChosen_ = false; ///< by the coach: a guess that comes later leaves it
    BackgroundJob look_;
};

} // namespace deft::ui
