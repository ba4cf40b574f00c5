// SPDX-License-Identifier: GPL-3.0-or-later
// How the window looks and speaks: theme, full screen, messages, size of text, language.
#include "app/bench/bench_page.h"
#include "app/bench/picture_window.h"
#include "app/theme/palette.h"
#include "app/theme/text_size.h"
#include "app/theme/window_language.h"
#include "app/window/bars.h"
#include "app/window/main_window.h"
#include "app/window/message_stack.h"

#include <QActionGroup>
#include <QMenu>

namespace deft::ui {

void MainWindow::makeViewActions(QMenu* view) {
    using K = QKeySequence;
    dark_ = add(view, tr("Dark"), {K(Qt::CTRL | Qt::SHIFT | Qt::Key_D)}, this, [this] { setDark(dark_->isChecked()); });
    dark_->setCheckable(true);
    dark_->setChecked(colours().dark);
    add(view, tr("Full screen"), {K(Qt::SHIFT | Qt::Key_F11)}, this,
        [this] { setWindowState(windowState() ^ Qt::WindowFullScreen); });
    add(view, tr("Menu"), {K(Qt::Key_F10)}, this, [this] { rooms_->openMenu(); });
    add(view, tr("Dismiss the newest message"), {K(Qt::CTRL | Qt::Key_Period)}, this,
        [this] { messages_->dismiss(); });
    add(view, tr("Pause the work in the background, or go on"), {K(Qt::Key_Pause), K(Qt::CTRL | Qt::SHIFT | Qt::Key_W)},
        this, [this] { pauseWork(); });
    makeTextSizeActions(view->addMenu(tr("Size of text")));
    makeLanguageActions(view->addMenu(tr("Language of the window")));
}

void MainWindow::togglePictureWindow() {
    if (picture_) return void(picture_->close());
    picture_ = new PictureWindow(*session_, bench_->stage(), this);
    picture_->show();
}

void MainWindow::makeTextSizeActions(QMenu* menu) {
    auto* one = new QActionGroup(menu);
    for (const int percent : kTextSizes) {
        QAction* a = menu->addAction(tr("%1 %").arg(percent));
        a->setCheckable(true);
        a->setChecked(textSize() == percent);
        one->addAction(a);
        connect(a, &QAction::triggered, this, [this, percent] {
            chooseTextSize(percent);
            say(tr("Text and controls at %1 % from the next start on.").arg(percent));
        });
    }
}

void MainWindow::makeLanguageActions(QMenu* menu) {
    auto* one = new QActionGroup(menu);
    const auto offer = [&](const QString& name, const QString& code) {
        QAction* a = menu->addAction(name);
        a->setCheckable(true);
        a->setChecked(chosenLanguage() == code);
        one->addAction(a);
        connect(a, &QAction::triggered, this, [this, name, code] {
            chooseLanguage(code);
            say(tr("%1: from the next start on.").arg(name));
        });
    };
    offer(tr("As the desktop"), {});
    for (const QString& code : windowLanguages()) {
        QString name = QLocale(code).nativeLanguageName();
        offer(code == QLatin1String("en") ? QStringLiteral("English") : name, code);
    }
}

} // namespace deft::ui
