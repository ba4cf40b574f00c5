// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/bench_page.h"

#include "app/bench/give_way_plot.h"
#include "app/bench/mark_panel.h"
#include "app/bench/mark_strips.h"
#include "app/bench/readings_panel.h"
#include "app/bench/rep_sheet.h"
#include "app/bench/target_panel.h"
#include "app/bench/threads.h"

#include <QGridLayout>

namespace deft::ui {

BenchPage::BenchPage(ReviewSession& session, QWidget* parent) : QWidget(parent), session_(session), player_(session), sound_(session, player_) {
    sheet_ = new RepSheet(session);
    stage_ = new StagePicture(session);
    strip_ = new MomentStrip(session, *stage_);
    giveWay_ = new GiveWayPlot(session);
    threads_ = new Threads(session, sound_);
    marks_ = new MarkPanel(session, *stage_);
    readings_ = new ReadingsPanel(session);
    target_ = new TargetPanel(session);

    auto* picture = new QVBoxLayout;
    picture->setSpacing(0);
    picture->addWidget(stage_, 1);
    picture->addWidget(strip_);
    auto* upper = new QHBoxLayout;
    upper->setSpacing(16);
    sheet_->setMinimumWidth(480);
    sheet_->setMaximumWidth(900);
    upper->addWidget(sheet_, 560);
    upper->addLayout(picture, 672);
    upper->addWidget(marks_);
    lower_ = new QWidget;
    auto* lower = new QHBoxLayout(lower_);
    lower->setContentsMargins(0, 0, 0, 0);
    lower->setSpacing(16);
    for (QWidget* w : {static_cast<QWidget*>(giveWay_), static_cast<QWidget*>(threads_),
                       static_cast<QWidget*>(readings_), static_cast<QWidget*>(target_)}) {
        w->setMinimumHeight(280);
        w->setMaximumHeight(360);
    }
    lower->addWidget(giveWay_, 240);
    lower->addWidget(threads_, 272);
    lower->addWidget(readings_, 424);
    lower->addWidget(target_, 264);
    auto* page = new QVBoxLayout(this);
    page->setContentsMargins(16, 16, 16, 0);
    page->setSpacing(16);
    page->addLayout(upper, 1);
    page->addWidget(lower_);
    connect(target_, &TargetPanel::left, stage_, qOverload<>(&QWidget::setFocus));

    connect(strip_, &MomentStrip::agreePressed, this, [this] { answerMoment(true); });
    connect(strip_, &MomentStrip::rejectPressed, this, [this] { answerMoment(false); });
    connect(strip_, &MomentStrip::skipPressed, stage_, &StagePicture::skipPlacing);
    connect(strip_, &MomentStrip::confirmPressed, stage_, &StagePicture::confirmGhosts);
    connect(strip_, &MomentStrip::measurePressed, &session, &ReviewSession::measure);
    for (auto signal : {&ReviewSession::opened, &ReviewSession::closed, &ReviewSession::reviewChanged})
        connect(&session, signal, this, &BenchPage::arrange);
    connect(&session.letter(), &Letter::filed, this, &BenchPage::arrange);
    connect(&session.job(), &BackgroundJob::changed, this, &BenchPage::arrange);
    connect(stage_, &StagePicture::stateChanged, this, &BenchPage::arrange);
    arrange();
    connect(target_, &TargetPanel::toAnswer, this, &BenchPage::toAnswer);
}

void BenchPage::foldThreads(bool fold) {
    folded_ = fold;
    showPlots();
}

/// Where there is no room for both plots, the time plots stand in place of the give-way plot.
void BenchPage::showPlots() {
    constexpr int kBoth = 1180;
    threads_->setVisible(!folded_);
    giveWay_->setVisible(folded_ || width() >= kBoth);
}

void BenchPage::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    showPlots();
}

bool BenchPage::threadsFolded() const { return folded_; }

void BenchPage::setPictureAlone(bool alone) {
    alone_ = alone;
    arrange();
}

void BenchPage::arrange() {
    const bool unmeasured =
        session_.isOpen() && !session_.isFiled() && !session_.review() && !session_.job().isRunning();
    const bool marking = unmeasured || stage_->isMending();
    sheet_->setVisible(!marking && !alone_);
    lower_->setVisible(!marking && !alone_);
    marks_->setVisible(marking && !alone_);
    marks_->showStrips(stage_->isMending());
}

void BenchPage::stepWeak(int step) {
    const QString mark = marks_->strips().step(step);
    if (mark.isEmpty()) return;
    player_.stop();
    stage_->setMending(true);
    stage_->select(mark);
}

void BenchPage::stepMoment(int step) {
    const int n = int(session_.moments().size());
    if (n > 0)
        session_.place().chooseMoment(session_.place().moment() < 0 ? (step > 0 ? 0 : n - 1)
                                                                    : (session_.place().moment() + step + n) % n);
}

void BenchPage::answerMoment(bool agree) {
    const int i = session_.place().moment();
    if (i < 0 || i >= int(session_.moments().size())) return;
    session_.deciding().agree(Moment(session_.moments()[size_t(i)]), agree);
    const int n = int(session_.moments().size());
    for (int k = 1; k < n; ++k)
        if (!session_.moments()[size_t((i + k) % n)].agreed) return session_.place().chooseMoment((i + k) % n);
}

void BenchPage::stepFrame(int step) {
    player_.stop();
    if (session_.isOpen()) session_.place().setFrame(session_.place().frame() + step);
}

void BenchPage::stepPhase(int step) {
    const int at = session_.place().rep() * kPhases + int(session_.place().phase()) + step;
    if (at >= 0) session_.place().choose(at / kPhases, Phase(at % kPhases));
}

void BenchPage::stepRep(int step) { session_.place().choose(session_.place().rep() + step, session_.place().phase()); }

} // namespace deft::ui

#include "moc_bench_page.cpp"
