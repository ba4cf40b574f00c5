// Rules of the house that a compiler does not check.
#include "app/theme/palette.h"
#include "app/theme/words.h"

#include <QDir>
#include <QDirIterator>
#include <QFile>
#include <QRegularExpression>
#include <QTest>
#include <cmath>

using namespace deft::ui;

class RulesTest : public QObject {
    Q_OBJECT
    const QString source_ = QStringLiteral(DEFT_SOURCE_DIR "/src/");

    static QStringList includesOf(const QString& file) {
        QFile f(file);
        if (!f.open(QIODevice::ReadOnly)) return {};
        QStringList out;
        auto all =
            QRegularExpression(QStringLiteral("^#include\\s+[\"<]([^\">]+)[\">]"), QRegularExpression::MultilineOption)
                .globalMatch(QString::fromUtf8(f.readAll()));
        while (all.hasNext()) out << all.next().captured(1);
        return out;
    }
    static void forEachFile(const QString& folder, const std::function<void(const QString&)>& f,
                            const QStringList& names = {QStringLiteral("*.cpp"), QStringLiteral("*.h")}) {
        QDirIterator it(folder, names, QDir::Files, QDirIterator::Subdirectories);
        while (it.hasNext()) f(it.next());
    }

private slots:
    /// The core computes; it knows no window, no database of the window's toolkit, no command line.
    void coreIsFreeOfInterface() {
        int seen = 0;
        forEachFile(source_ + QStringLiteral("core"), [&](const QString& file) {
            ++seen;
            for (const QString& i : includesOf(file)) {
                QVERIFY2(!i.contains(QRegularExpression(QStringLiteral("^Q[A-Z]"))),
                         qPrintable(file + QStringLiteral(" includes ") + i));
                QVERIFY2(!i.startsWith(QLatin1String("app/")) && !i.startsWith(QLatin1String("store/")) &&
                             !i.startsWith(QLatin1String("cli/")),
                         qPrintable(file));
            }
        });
        QVERIFY(seen > 60);
    }

    /// A floor includes from itself and from what its CMakeLists.txt links, at first or second hand: all of src.
    void floorsIncludeDownwards() {
        QMap<QString, QStringList> links; // floor → what it links
        QMap<QString, QString> floorOf;   // folder below src → floor
        forEachFile(source_,
                    [&](const QString& file) {
                        QFile f(file);
                        QVERIFY2(f.open(QIODevice::ReadOnly), qPrintable(file));
                        const QString text = QString::fromUtf8(f.readAll()),
                                      folder = QFileInfo(file).path().mid(source_.size());
                        static const QRegularExpression declared(
                            QStringLiteral("^(deft_library|deft_app_part|add_library|target_link_libraries)\\(\\s*(?:"
                                           "deft_)?(\\w+)([^)]*)\\)"),
                            QRegularExpression::MultilineOption);
                        for (auto all = declared.globalMatch(text); all.hasNext();) {
                            const auto one = all.next();
                            const QString name = one.captured(2), rest = one.captured(3);
                            static const QRegularExpression linked(QStringLiteral("deft::(\\w+)"));
                            for (auto l = linked.globalMatch(rest); l.hasNext();) links[name] << l.next().captured(1);
                            if (one.captured(1) == QLatin1String("deft_library")) floorOf[folder] = name, links[name];
                            if (one.captured(1) == QLatin1String("deft_app_part"))
                                for (const QString& part : rest.section(QLatin1String("FOLDERS"), 1)
                                                               .section(QLatin1String("LINK"), 0, 0)
                                                               .split(QLatin1Char(' '), Qt::SkipEmptyParts))
                                    floorOf[folder + QLatin1Char('/') + part.trimmed()] = name, links[name];
                        }
                    },
                    {QStringLiteral("CMakeLists.txt")});
        QVERIFY(floorOf.size() > 30);
        auto reaches = [&](const QString& from, const QString& to) {
            QStringList open{from}, seen;
            while (!open.isEmpty()) {
                const QString at = open.takeLast();
                if (at == to) return true;
                if (seen.contains(at)) continue;
                seen << at;
                open << links[at];
            }
            return false;
        };
        int checked = 0;
        for (auto it = floorOf.begin(); it != floorOf.end(); ++it)
            forEachFile(source_ + it.key(), [&](const QString& file) {
                for (const QString& i : includesOf(file)) {
                    const QString folder = i.section(QLatin1Char('/'), 0, -2); // of the core, or below src
                    const QString to =
                        floorOf.value(floorOf.contains(folder) ? folder : QStringLiteral("core/") + folder);
                    if (to.isEmpty()) continue;
                    ++checked;
                    QVERIFY2(reaches(it.value(), to), qPrintable(file + QStringLiteral(" includes ") + i));
                }
            });
        QVERIFY(checked > 900);
        for (const QString& floor : links.keys())
            for (const QString& below : links[floor])
                QVERIFY2(!reaches(below, floor),
                         qPrintable(floor + QStringLiteral(" and ") + below + QStringLiteral(" need each other")));
    }

    /// Every threshold of the tracker stands in one header, and docs/tracking.md tells what it is for
    /// (tools/constants).
    void constantsAreToldOf() {
        QFile header(source_ + QStringLiteral("core/tracking/constants.h")),
            page(source_ + QStringLiteral("../docs/tracking.md"));
        QVERIFY(header.open(QIODevice::ReadOnly) && page.open(QIODevice::ReadOnly));
        const QString table = QString::fromUtf8(page.readAll());
        static const QRegularExpression constant(QStringLiteral("^constexpr \\w+ (k\\w+) = ([^;]+); ///< \\S"),
                                                 QRegularExpression::MultilineOption);
        int told = 0;
        for (auto all = constant.globalMatch(QString::fromUtf8(header.readAll())); all.hasNext(); ++told) {
            const auto one = all.next();
            const QString row = QStringLiteral("| `%1` | %2 |").arg(one.captured(1), one.captured(2));
            QVERIFY2(table.contains(row), qPrintable(row + QStringLiteral(": run tools/constants")));
        }
        QVERIFY(told > 100);
        forEachFile(source_ + QStringLiteral("core/tracking"), [](const QString& file) {
            QFile f(file);
            QVERIFY(f.open(QIODevice::ReadOnly));
            if (!file.endsWith(QLatin1String("constants.h")))
                QVERIFY2(!f.readAll().contains("\nconstexpr "), qPrintable(file));
        });
    }

    /// Small enough to be read in one go, and each says its licence.
    void filesStaySmall() {
        forEachFile(source_, [](const QString& file) {
            QFile f(file);
            QVERIFY(f.open(QIODevice::ReadOnly));
            const QByteArray text = f.readAll();
            QVERIFY2(text.count('\n') <= 400, qPrintable(file));
            QVERIFY2(text.startsWith("// SPDX-License-Identifier: GPL-3.0-or-later\n"), qPrintable(file));
        });
    }

    /// What moc makes of a header is compiled with the header's own file: else every library compiles all its headers
    /// once more, an eighth of the application's build.
    void mocsGoWithTheirFile() {
        int seen = 0;
        forEachFile(source_,
                    [&](const QString& header) {
                        QFile f(header), own(header.chopped(2) + QStringLiteral(".cpp"));
                        QVERIFY(f.open(QIODevice::ReadOnly));
                        if (!f.readAll().contains("Q_OBJECT")) return;
                        ++seen;
                        QVERIFY2(own.open(QIODevice::ReadOnly), qPrintable(header));
                        QVERIFY2(includesOf(own.fileName())
                                     .contains(QStringLiteral("moc_%1.cpp").arg(QFileInfo(header).completeBaseName())),
                                 qPrintable(own.fileName()));
                    },
                    {QStringLiteral("*.h")});
        QVERIFY(seen > 60);
    }

    /// Contrast as in WCAG 2.1, success criterion 1.4.3: relative luminance and 4.5 : 1 for text.
    void contrast_data() {
        QTest::addColumn<bool>("dark");
        QTest::newRow("light") << false;
        QTest::newRow("dark") << true;
    }
    void contrast() {
        QFETCH(bool, dark);
        const Palette& c = dark ? darkPalette() : lightPalette();
        auto luminance = [](const QColor& colour) {
            auto linear = [](double v) { return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4); };
            return 0.2126 * linear(colour.redF()) + 0.7152 * linear(colour.greenF()) + 0.0722 * linear(colour.blueF());
        };
        auto ratio = [&](const QColor& a, const QColor& b) {
            const double x = luminance(a), y = luminance(b);
            return (std::max(x, y) + 0.05) / (std::min(x, y) + 0.05);
        };
        for (const QColor& text : {c.ink, c.ink2, c.ink3, c.accent})
            for (const QColor& under : {c.ground, c.paper, c.raised, c.soft})
                QVERIFY2(ratio(text, under) >= 4.5, qPrintable(text.name() + QStringLiteral(" on ") + under.name() +
                                                               QStringLiteral(": %1").arg(ratio(text, under))));
        for (const QColor& text : {c.ink, c.ink2}) QVERIFY(ratio(text, c.zone) >= 4.5);
        QVERIFY(ratio(c.onAccent, c.accent) >= 4.5);
        QVERIFY(ratio(c.onStage, c.stage) >= 7);
    }

    void typefaceShips() { QVERIFY(loadTypeface()); }

    void countedWords() {
        QCOMPARE(counted(1, QStringLiteral("rep"), QStringLiteral("reps")), QStringLiteral("1 rep"));
        QCOMPARE(counted(0, QStringLiteral("rep"), QStringLiteral("reps")), QStringLiteral("0 reps"));
    }
};

QTEST_MAIN(RulesTest)
#include "rules_test.moc"
