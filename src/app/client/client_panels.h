// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/client/client_record.h"
#include "app/widgets/panel.h"

namespace deft::ui {

/// A part of the client room that shows something of the record, and again whenever that changes.
class RecordPanel : public Panel {
    Q_OBJECT
protected:
    RecordPanel(const QString& title, ClientRecord& record, QWidget* parent);
    virtual void refresh() = 0;
    ClientRecord& record_;
};

/// The client's exercises: when the last clip came, how many reviews, how many wait.
class PractisedPanel : public RecordPanel {
    Q_OBJECT
public:
    explicit PractisedPanel(ClientRecord& record, QWidget* parent = nullptr);

protected:
    void refresh() override;
    void paintBody(QPainter& painter, const QRect& body) override;
    void mousePressEvent(QMouseEvent* event) override;
};

/// Cues given for the chosen exercise, and what became of them.
class CuesPanel : public RecordPanel {
    Q_OBJECT
public:
    explicit CuesPanel(ClientRecord& record, QWidget* parent = nullptr);

protected:
    void refresh() override;
    void paintBody(QPainter& painter, const QRect& body) override;
};

/// Where the client is on the exercise's ladder.
class LadderPanel : public RecordPanel {
    Q_OBJECT
public:
    explicit LadderPanel(ClientRecord& record, QWidget* parent = nullptr);

protected:
    void refresh() override;
    void paintBody(QPainter& painter, const QRect& body) override;
};

/// What was decided in the chosen review, with its sum.
class DecidedPanel : public RecordPanel {
    Q_OBJECT
public:
    explicit DecidedPanel(ClientRecord& record, QWidget* parent = nullptr);

protected:
    void refresh() override;
    void paintBody(QPainter& painter, const QRect& body) override;
};

} // namespace deft::ui
