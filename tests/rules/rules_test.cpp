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
    static void forEachFile(const QString& folder, const std::function<void(const QString&)>& f) {
        QDirIterator it(folder, {QStringLiteral("*.cpp"), QStringLiteral("*.h")}, QDir::Files,
                        QDirIterator::Subdirectories);
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

    /// A floor of the core includes from itself and from what its own CMakeLists.txt links, at first or second hand.
    void floorsIncludeDownwards() {
        QMap<QString, QStringList> links;
        for (const QString& floor :
             QDir(source_ + QStringLiteral("core")).entryList(QDir::Dirs | QDir::NoDotAndDotDot)) {
            QFile f(source_ + QStringLiteral("core/") + floor + QStringLiteral("/CMakeLists.txt"));
            QVERIFY2(f.open(QIODevice::ReadOnly), qPrintable(floor));
            auto all =
                QRegularExpression(QStringLiteral("deft::([a-z_]+)")).globalMatch(QString::fromUtf8(f.readAll()));
            while (all.hasNext()) links[floor] << all.next().captured(1);
        }
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
        for (const QString& floor : links.keys())
            forEachFile(source_ + QStringLiteral("core/") + floor, [&](const QString& file) {
                for (const QString& i : includesOf(file)) {
                    const QString to = i.section(QLatin1Char('/'), 0, 0);
                    if (i.contains(QLatin1Char('/')) && links.contains(to))
                        QVERIFY2(reaches(floor, to), qPrintable(file + QStringLiteral(" includes ") + i));
                }
            });
        for (const QString& floor : links.keys())
            for (const QString& below : links[floor])
                QVERIFY2(!reaches(below, floor),
                         qPrintable(floor + QStringLiteral(" and ") + below + QStringLiteral(" need each other")));
    }

    void filesStaySmall() {
        forEachFile(source_, [](const QString& file) {
            QFile f(file);
            QVERIFY(f.open(QIODevice::ReadOnly));
            QVERIFY2(f.readAll().count('\n') <= 400, qPrintable(file));
        });
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
