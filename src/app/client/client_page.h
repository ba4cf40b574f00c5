// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/client/client_form.h"
#include "app/client/erase_form.h"
#include "app/widgets/page.h"

#include <QComboBox>
#include <QStackedWidget>

namespace deft::ui {

class FactsPanel;
class WeeksPanel;

/// One client: who it is and what was agreed, the readings over the weeks, the cues and what became of them, and where
/// on the ladder.
class ClientPage : public Page {
    Q_OBJECT
public:
    explicit ClientPage(Library& library, QWidget* parent = nullptr);
    ClientRecord& record() { return record_; }
    ClientForm& form() { return *form_; }
    EraseForm& eraseForm() { return *erase_; }
    FactsPanel& agreed() { return *agreed_; }
    QString heading() const; ///< whose record it is
    void edit();
    void askWhatToErase();
    void openReview();                                                  ///< the chosen one, on the bench
    bool isEditing() const { return middle_->currentIndex() != Weeks; } ///< a form is open
    bool leaveForm();                                                   ///< @return false when none was open

signals:
    void openClip(qint64 clip);
    void said(const QString& sentence);
    void eraseWanted(qint64 client, deft::Erasing what);
    void reportWanted();
    void bundleWanted();

protected:
    void resizeEvent(QResizeEvent* event) override;

private:
    enum Middle { Weeks, Form, Erase };
    void turnTo(Middle what);
    void refresh();
    QString mailWords() const;
    QWidget* left();
    QWidget* right();
    Library& library_;
    ClientRecord record_;
    QComboBox* who_;
    QWidget* right_; ///< ladder and decision
    FactsPanel *about_, *agreed_;
    QStackedWidget* middle_;
    WeeksPanel* weeks_;
    ClientForm* form_;
    EraseForm* erase_;
    KeyButton *open_, *report_, *bundle_;
};

} // namespace deft::ui
