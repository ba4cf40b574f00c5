// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/bench/picture_window.h"

#include "app/bench/stage_picture.h"

#include <QCoreApplication>
#include <QGuiApplication>
#include <QScreen>
#include <QVBoxLayout>

namespace deft::ui {

PictureWindow::PictureWindow(ReviewSession& session, StagePicture& bench, QWidget* parent)
    : QWidget(parent, Qt::Window | Qt::WindowDoesNotAcceptFocus) {
    setAttribute(Qt::WA_DeleteOnClose);
    setAttribute(Qt::WA_ShowWithoutActivating);
    setWindowTitle(QCoreApplication::translate("deft::ui::PictureWindow", "Picture"));
    stage_ = new StagePicture(session);
    auto* whole = new QVBoxLayout(this);
    whole->setContentsMargins(0, 0, 0, 0);
    whole->addWidget(stage_);
    const auto follow = [this, &bench] { stage_->setBestOver(bench.bestOver()); };
    connect(&bench, &StagePicture::stateChanged, this, follow);
    follow();
    resize(960, 640);
    for (QScreen* screen : QGuiApplication::screens())
        if (screen != parent->screen()) {
            setGeometry(screen->geometry());
            setWindowState(Qt::WindowFullScreen);
            break;
        }
}

} // namespace deft::ui
