#pragma once
#include "app/client/client_record.h"
#include "app/widgets/panel.h"

namespace deft::ui {

/// The client's exercises: when, how many reviews, and for each of them whether its target was met cleanly.
class PractisedPanel : public Panel {
    Q_OBJECT
public:
    explicit PractisedPanel(ClientRecord& record, QWidget* parent = nullptr);

protected:
    void paintBody(QPainter& painter, const QRect& body) override;
    void mousePressEvent(QMouseEvent* event) override;

private:
    void refresh();
    ClientRecord& record_;
};

/// Cues given for the chosen exercise, and what became of them.
class CuesPanel : public Panel {
    Q_OBJECT
public:
    explicit CuesPanel(ClientRecord& record, QWidget* parent = nullptr);

protected:
    void paintBody(QPainter& painter, const QRect& body) override;

private:
    void refresh();
    ClientRecord& record_;
};

/// Where the client is on the exercise's ladder.
class LadderPanel : public Panel {
    Q_OBJECT
public:
    explicit LadderPanel(ClientRecord& record, QWidget* parent = nullptr);

protected:
    void paintBody(QPainter& painter, const QRect& body) override;

private:
    void refresh();
    ClientRecord& record_;
};

/// What was decided in the chosen review, with its sum.
class DecidedPanel : public Panel {
    Q_OBJECT
public:
    explicit DecidedPanel(ClientRecord& record, QWidget* parent = nullptr);

protected:
    void paintBody(QPainter& painter, const QRect& body) override;

private:
    void refresh();
    ClientRecord& record_;
};

} // namespace deft::ui
