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

/// What has to be known about a clip that the coach brings in: whose it is, what was asked, what the client wrote.
class NewClipForm : public QWidget {
    Q_OBJECT
public:
    explicit NewClipForm(Library& library, QWidget* parent = nullptr);
    /// Begins a new entry. `facts` says what was found in the file.
    void begin(const QString& path, const QString& facts);
    QComboBox& clientBox() { return *client_; }
    IntakeButton& intakeButton() { return *intake_; }

signals:
    void added(qint64 clip);
    void cancelled();
    void failed(const QString& sentence);

private:
    void add();
    void guessExercise();
    void showGuess(const std::vector<std::pair<std::string, double>>& guesses);
    Library& library_;
    QString path_;
    QLabel* facts_;
    QComboBox *client_, *exercise_, *side_, *felt_, *stop_;
    QLineEdit* role_;
    IntakeButton* intake_;
    QSpinBox *sets_, *reps_, *hold_;
    QCheckBox* pain_;
    QPlainTextEdit* words_;
    QLabel* guess_;
    bool exerciseChosen_ = false; ///< by the coach: a guess that comes later leaves it
    BackgroundJob look_;
};

} // namespace deft::ui
