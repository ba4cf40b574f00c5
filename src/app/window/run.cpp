// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/run.h"

#include "app/theme/words.h"

#include "app/session/desktop_link.h"
#include "app/session/log.h"
#include "app/theme/text_size.h"
#include "app/theme/window_language.h"
#include "app/widgets/style.h"
#include "app/window/demo.h"
#include "app/window/main_window.h"

#include <QApplication>
#include <QFileInfo>
#include <QIcon>
#include <QMessageBox>
#include <QPushButton>
#include <QSettings>
#include <QStandardPaths>
#include <clocale>
#include <iostream>

namespace deft::ui {
namespace {

/// What a key or click throws ends that key or click alone; what was saved stays saved.
class Application : public QApplication {
public:
    using QApplication::QApplication;
    MainWindow* window = nullptr;
    bool notify(QObject* receiver, QEvent* event) override {
        try {
            return QApplication::notify(receiver, event);
        } catch (const std::exception& e) {
            qCCritical(lcWork) << "an action was broken off:" << kindOf(e);
            if (window)
                window->say(tr("The program could not do this (%1). What was saved is safe. The log is in %2.")
                                .arg(QLatin1String(e.what()), QString::fromStdString(logFile().string())));
            return false;
        }
    }
};

/// Another window may have it open, or a lock was left behind: the coach knows.
Result<std::unique_ptr<Library>> openLibrary(const std::filesystem::path& folder, bool takeOver) {
    auto library = Library::open(folder, takeOver ? InUse::TakeOver : InUse::Respect);
    if (library || library.error().code != Errc::Conflict ||
        QGuiApplication::platformName() == QLatin1String("offscreen"))
        return library;
    QMessageBox ask(QMessageBox::Warning, QObject::tr("Deft Mirror"),
                    QObject::tr("The library seems to be open in another window."));
    ask.setTextFormat(Qt::PlainText);
    ask.setInformativeText(said(library.error()) + QLatin1Char('.'));
    auto* anyway = ask.addButton(QObject::tr("Open anyway"), QMessageBox::AcceptRole);
    ask.setDefaultButton(ask.addButton(QObject::tr("Cancel"), QMessageBox::RejectRole));
    ask.exec();
    if (ask.clickedButton() == anyway) return Library::open(folder, InUse::TakeOver);
    return library;
}

} // namespace

int runWindow(int argc, char** argv, const WindowStart& start) {
    // Files are chosen in the desktop's own dialogs where it offers them to all programs.
    if (!qEnvironmentVariableIsSet("QT_QPA_PLATFORMTHEME")) qputenv("QT_QPA_PLATFORMTHEME", "xdgdesktopportal");
    QCoreApplication::setOrganizationName(QStringLiteral("deft-mirror"));
    QCoreApplication::setApplicationName(QStringLiteral("deft-mirror"));
    useTextSize(); // on top of what the desktop asks for
    Application application(argc, argv);
    std::setlocale(LC_NUMERIC, "C"); // Qt has taken the user's; files and libraries want a point
    QCoreApplication::setApplicationVersion(QStringLiteral(DEFT_VERSION));
    QGuiApplication::setDesktopFileName(QStringLiteral("org.deft_mirror.DeftMirror"));
    QStringList files;
    for (const std::string& file : start.files)
        files << QFileInfo(QString::fromStdString(file)).absoluteFilePath(); // the other program has its own folder
    const bool isOwn = start.library.empty() && !start.demo; // there is one window over the coach's own library
    DesktopLink link;
    if (isOwn && !link.take() && !start.takeOver && DesktopLink::handOver(files)) return 0;
    keepLog();
    qCInfo(lcWork) << "started:" << DEFT_VERSION << "with Qt" << qVersion();
    QGuiApplication::setWindowIcon(QIcon(QStringLiteral(":/icons/mark.svg")));
    loadTypeface();
    usePalette(QSettings().value(QStringLiteral("dark"), false).toBool());
    applyStyle(application);

    const std::filesystem::path base =
        QStandardPaths::writableLocation(QStandardPaths::GenericDataLocation).toStdString();
    const std::filesystem::path folder = !start.library.empty()
                                             ? std::filesystem::path(start.library)
                                             : base / "deft-mirror" / (start.demo ? "demo-library" : "library");
    auto library = openLibrary(folder, start.takeOver);
    if (library && start.demo && (*library)->clients().empty()) {
        const QDate today = QDate::currentDate();
        if (auto ok = fillDemo(**library, today).and_then([&] { return fillSeason(**library, today); }); !ok) {
            std::cerr << "deft-mirror: the demo could not be set up: " << ok.error().detail() << ".\n";
            return 1;
        }
    }
    if (!library) {
        std::cerr << "deft-mirror: " << library.error().detail() << ".\n";
        if (QGuiApplication::platformName() != QLatin1String("offscreen")) { // started from a menu, nobody reads that
            QMessageBox told(QMessageBox::Critical, QObject::tr("Deft Mirror"),
                             said(library.error()) + QLatin1Char('.'));
            told.setTextFormat(Qt::PlainText);
            told.exec();
        }
        return 1;
    }
    speakToCoach(*(*library)->catalogue());
    MainWindow window(std::move(*library));
    application.window = &window;
    start.demo ? window.startDemo() : window.comeBack();
    window.show();
    QObject::connect(&link, &DesktopLink::wanted, &window, [&window](const QStringList& wanted) {
        window.setWindowState((window.windowState() & ~Qt::WindowMinimized) | Qt::WindowActive);
        window.raise();
        window.activateWindow();
        window.openFiles(wanted);
    });
    window.openFiles(files);
    const int exit = QApplication::exec();
    application.window = nullptr;
    return exit;
}

} // namespace deft::ui
