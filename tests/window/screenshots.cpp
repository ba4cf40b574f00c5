// Pictures of every main view with the demo data, for the documentation: screenshots OUTDIR
#include "app/answer/answer_page.h"
#include "app/bench/bench_page.h"
#include "app/queue/queue_page.h"
#include "app/widgets/style.h"
#include "app/window/demo.h"
#include "app/window/main_window.h"

#include <QApplication>
#include <QStandardPaths>
#include <QTemporaryDir>
#include <QTest>
#include <iostream>

using namespace deft;
using namespace deft::ui;

int main(int argc, char** argv) {
    if (argc < 2) return 2;
    QStandardPaths::setTestModeEnabled(true);
    QApplication app(argc, argv);
    QCoreApplication::setApplicationName(QStringLiteral("deft-mirror-screenshots"));
    loadTypeface();
    applyStyle(app);
    const QString out = QString::fromLocal8Bit(argv[1]);
    QTemporaryDir folder;
    auto library = Library::open(folder.path().toStdString());
    if (!library || !fillDemo(**library)) return 1;
    MainWindow window(std::move(*library));
    window.resize(1280, 800);
    window.show();
    auto shot = [&](const char* name) {
        QTest::qWait(1800); // pictures arrive from their own threads
        window.grab().save(out + QLatin1Char('/') + QLatin1String(name) + QStringLiteral(".png"));
        std::cout << name << "\n";
    };
    shot("queue");
    qint64 ruta = 0;
    for (const Clip& c : window.library().clips())
        if (!c.filed && c.draft.client.starts_with("Ruta")) ruta = c.id;
    window.openClip(ruta);
    shot("measuring");
    if (!QTest::qWaitFor([&] { return window.session().review() != nullptr; }, 120000)) return 1;
    window.benchPage().answerMoment(true);
    shot("bench");
    QTest::keyClick(&window.benchPage().stage(), Qt::Key_B);
    QTest::keyClick(&window.benchPage().stage(), Qt::Key_M);
    window.benchPage().stage().selectNext(1);
    shot("mending");
    QTest::keyClick(&window.benchPage().stage(), Qt::Key_M);
    window.setDark(true);
    shot("bench-dark");
    window.setDark(false);
    window.go(MainWindow::Letter);
    shot("answer");
    window.setDark(true);
    shot("answer-dark");
    window.setDark(false);
    return 0;
}
