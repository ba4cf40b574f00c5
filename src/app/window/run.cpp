#include "app/widgets/style.h"
#include "app/window/demo.h"
#include "app/window/main_window.h"

#include <QApplication>
#include <QIcon>
#include <QSettings>
#include <QStandardPaths>
#include <iostream>

namespace deft::ui {

int runWindow(int argc, char** argv, const std::string& libraryFolder, bool demo) {
    QApplication application(argc, argv);
    QCoreApplication::setOrganizationName(QStringLiteral("deft-mirror"));
    QCoreApplication::setApplicationName(QStringLiteral("deft-mirror"));
    QCoreApplication::setApplicationVersion(QStringLiteral(DEFT_VERSION));
    QGuiApplication::setWindowIcon(QIcon(QStringLiteral(":/icons/mark.svg")));
    loadTypeface();
    usePalette(QSettings().value(QStringLiteral("dark"), false).toBool());
    applyStyle(application);

    const std::filesystem::path base =
        QStandardPaths::writableLocation(QStandardPaths::GenericDataLocation).toStdString();
    const std::filesystem::path folder = !libraryFolder.empty()
                                             ? std::filesystem::path(libraryFolder)
                                             : base / "deft-mirror" / (demo ? "demo-library" : "library");
    auto library = Library::open(folder);
    if (library && demo && (*library)->clients().empty()) {
        if (auto ok = fillDemo(**library); !ok) {
            std::cerr << "deft-mirror: the demo could not be set up: " << ok.error().detail << ".\n";
            return 1;
        }
    }
    if (!library) {
        std::cerr << "deft-mirror: " << library.error().detail << ".\n";
        return 1;
    }
    MainWindow window(std::move(*library));
    if (demo) window.startDemo();
    window.show();
    return QApplication::exec();
}

} // namespace deft::ui
