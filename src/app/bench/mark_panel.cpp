// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/mark_panel.h"

#include "app/bench/mark_strips.h"
#include "app/documents/sketch_picture.h"
#include "app/theme/landmark_hints.h"
#include "app/theme/words.h"
#include "app/widgets/plain_table.h"
#include "marks/names.h"

#include <QHeaderView>
#include <QPainter>
#include <QVBoxLayout>

namespace deft::ui {

LandmarkCard::LandmarkCard(ReviewSession& session, StagePicture& stage, QWidget* parent)
    : Panel(tr("Landmark"), parent), session_(session), stage_(stage) {
    setFixedHeight(236);
    for (auto signal : {&ReviewSession::opened, &ReviewSession::marksChanged, &ReviewSession::reviewChanged})
        connect(&session, signal, this, &LandmarkCard::refresh);
    connect(&session.offered(), &OfferedMarks::changed, this, &LandmarkCard::refresh);
    connect(&stage, &StagePicture::stateChanged, this, &LandmarkCard::refresh);
    refresh();
}

QString LandmarkCard::landmark() const {
    if (!session_.isOpen()) return {};
    if (stage_.isMending()) return stage_.selected();
    const auto ghosts = stage_.ghosts();
    if (ghosts.count(stage_.selected())) return stage_.selected();
    if (!ghosts.empty()) return ghosts.begin()->first;
    return stage_.isPlacing() ? stage_.toPlace().front() : stage_.selected();
}

void LandmarkCard::refresh() {
    const QString name = landmark();
    const QString words = spoken(landmarkWords(name.toStdString()));
    setTitle(name.isEmpty() ? tr("Landmark") : words.left(1).toUpper() + words.mid(1));
    setAccessibleDescription(landmarkHint(name.toStdString()));
    update();
}

void LandmarkCard::paintBody(QPainter& p, const QRect& body) {
    const std::string name = landmark().toStdString();
    const QString words = name.empty() ? tr("Drag a mark, or choose one with [ and ].") : landmarkHint(name);
    p.setFont(face(Size::Small));
    p.setPen(colours().ink2);
    p.drawText(QRectF(body.left(), body.top() - 4, body.width(), 66), Qt::TextWordWrap, words);
    const Exercise& e = session_.exercise();
    if (name.empty() || !e.start.count(name)) return;
    const QRectF box(body.left() + 0.5, body.top() + 70.5, body.width() - 1, body.height() - 79);
    p.setPen(QPen(colours().hairline, 1));
    p.setBrush(colours().paper);
    p.drawRect(box);
    drawSketch(p, box.adjusted(12, 10, -12, -10), e, e.start, nullptr, name);
}

MarkList::MarkList(ReviewSession& session, StagePicture& stage, QWidget* parent)
    : Panel(tr("Marks"), parent), session_(session), stage_(stage) {
    table_ = new MarkTable(session, stage, this);
    view_ = new PlainTable(table_, tr("Marks"), this);
    view_->horizontalHeader()->hide();
    view_->verticalHeader()->setDefaultSectionSize(26);
    view_->setColumnWidths({20, 0, 16});
    view_->horizontalHeader()->setSectionResizeMode(MarkTable::State, QHeaderView::ResizeToContents);
    connect(view_, &PlainTable::picked, this, [this](int row) { stage_.select(table_->landmark(row)); });
    for (auto signal : {&ReviewSession::opened, &ReviewSession::marksChanged})
        connect(&session, signal, this, &MarkList::refresh);
    connect(&session.offered(), &OfferedMarks::changed, this, &MarkList::refresh);
    connect(&session.place(), &Place::changed, this, &MarkList::refresh);
    connect(&stage, &StagePicture::stateChanged, this, &MarkList::refresh);
    setFocusProxy(view_);
}

void MarkList::resizeEvent(QResizeEvent*) { view_->setGeometry(body().adjusted(0, -4, 0, 0)); }

void MarkList::refresh() {
    const auto proposed = int(stage_.ghosts().size());
    int placed = 0;
    if (session_.isOpen()) placed = int(session_.inputs().marks.landmarks().size());
    setTitle(proposed ? tr("%1 proposed").arg(counted(proposed, tr("mark"), tr("marks")))
                      : tr("%1 placed").arg(counted(placed, tr("mark"), tr("marks"))));
    setAside(proposed ? tr("none counts yet") : tr("%1 to go").arg(stage_.toPlace().size()));
    view_->choose(table_->rowOf(stage_.selected()));
}

MarkPanel::MarkPanel(ReviewSession& session, StagePicture& stage, QWidget* parent) : QWidget(parent) {
    list_ = new MarkList(session, stage);
    strips_ = new MarkStrips(session);
    strips_->hide();
    auto* column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    column->setSpacing(16);
    column->addWidget(new LandmarkCard(session, stage));
    column->addWidget(list_, 1);
    column->addWidget(strips_, 1);
    setFixedWidth(256);
}

void MarkPanel::showStrips(bool on) {
    strips_->setVisible(on);
    list_->setVisible(!on);
}

} // namespace deft::ui

#include "moc_mark_panel.cpp"
