// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QAbstractButton>
#include <QAction>
#include <QMenu>

class QHBoxLayout;

namespace deft::ui {

class KeyButton;
class ReviewSession;

/// The rooms of the window, the menu behind the mark, what undo would take back, and when it was last saved.
class RoomBar : public QWidget {
    Q_OBJECT
public:
    RoomBar(QMenu* menu, QWidget* parent = nullptr);
    void addRoom(QAction* room);
    void setCount(QAction* room, int count);
    void setWords(const QString& undo, const QString& saved);
    void openMenu();

signals:
    void helpPressed();

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    QMenu* menu_;
    QAbstractButton *mark_, *help_;
    std::vector<QAbstractButton*> rooms_;
    QHBoxLayout* row_;
    QString undo_, saved_;
};

/// Whose review this is and what was asked.
class ClientLine : public QWidget {
    Q_OBJECT
public:
    ClientLine(ReviewSession& session, QWidget* parent = nullptr);
    /// In the queue nobody in particular is meant.
    void setHeading(const QString& heading);

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    ReviewSession& session_;
    QString heading_;
};

/// Keys that matter in this room, and what goes on in the background.
class KeysBar : public QWidget {
    Q_OBJECT
public:
    explicit KeysBar(QWidget* parent = nullptr);
    void setKeys(const std::vector<std::pair<QString, QString>>& keys);
    /// What is being done with clips that wait; empty = nothing. Pressing it pauses that, or goes on with it.
    void showWork(const QString& words);

signals:
    void workPressed();

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    std::vector<std::pair<QString, QString>> keys_;
    KeyButton* work_;
};

} // namespace deft::ui
