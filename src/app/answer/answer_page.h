#pragma once
#include "app/session/review_session.h"
#include "app/widgets/key_button.h"

#include <QScrollArea>
#include <set>

class QLabel;
class QVBoxLayout;

namespace deft::ui {

class AnswerRow;

/// The message as the client will read it, beside the parts that it is made of and what each rests on.
class AnswerPage : public QWidget {
    Q_OBJECT
public:
    explicit AnswerPage(ReviewSession& session, QWidget* parent = nullptr);
    KeyButton& fileButton() { return *file_; }
    void stepPart(int step);
    void togglePart();
    void useComputed();  ///< words and pictures of the chosen part
    void pickPicture();  ///< the next picture, to choose its frame
    bool leavePicture(); ///< @return whether one was picked
    AnswerRow* chosenRow() const;
    void editWords();

signals:
    void filePressed();

private:
    void refresh();
    void choose(int part);
    void requestPictures();

    ReviewSession& session_;
    QScrollArea* scroll_;
    QVBoxLayout* rows_;
    std::vector<AnswerRow*> parts_;
    int chosen_ = 0;
    std::set<std::pair<std::string, int64_t>> asked_; // part and frame of pictures on their way or there
    KeyButton* file_;
    QLabel* sendWords_;
};

} // namespace deft::ui
