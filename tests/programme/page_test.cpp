// SPDX-License-Identifier: GPL-3.0-or-later
// The practice page in a real browser, as wide as a phone, with a clock of the test's own: what it counts, what it
// keeps, what it lets nobody write into it, and the note that it writes.
#include "base/files.h"
#include "base/json.h"
#include "programme/phases.h"
#include "programme/practice_note.h"
#include "programme/practice_page.h"
#include "support/catalogue.h"

#include <QProcess>
#include <QStandardPaths>
#include <QTemporaryDir>
#include <QTest>
#include <cmath>

using namespace deft;

class PageTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;
    PageParts parts_;
    std::string clock_;  ///< the page's time
    std::string driver_; ///< helpers: press a button by its words, look, and tell what was found

    static constexpr const char* kToday = "2026-03-02";
    static ProgrammeItem item(const char* exercise, const char* version, int sets, std::optional<int> reps,
                              std::optional<double> hold) {
        ProgrammeItem i;
        i.exercise = exercise, i.target.version = version, i.target.sets = sets, i.target.reps = reps;
        i.target.hold_s = hold, i.target.daysPerWeek = 7, i.rest_s = usualRest_s(i.target);
        return i;
    }
    static Programme programme(std::vector<ProgrammeItem> items) {
        Programme p;
        p.uid = "p-1", p.clientUid = "c-1", p.client = "Ruta", p.coach = "Deniz", p.from = kToday, p.weeks = 1;
        for (unsigned day = 1; day <= 7; ++day) p.days.emplace_back(day);
        p.items = std::move(items);
        return p;
    }
    /// What the script of that name told.
    Json driven(const Programme& p, const std::string& name, const std::string& argument = {}) {
        std::string page = practicePage(shipped(), p, parts_).value();
        std::string driver = driver_;
        const std::string script = readFile(DEFT_TEST_DATA "/programme/scripts/" + name + ".js").value();
        driver.replace(driver.find("SCRIPT"), 6, "const ARG = " + toLine(argument) + ";\n" + script);
        page.replace(page.rfind("</body>"), 7, driver);
        page.insert(page.find("<head>") + 6, clock_);
        const std::string file = dir_.filePath("page.html").toStdString();
        if (!writeFileAtomically(file, page)) qFatal("no room for the page");
        QTemporaryDir profile; // nothing is remembered from the test before
        QProcess browser;
        browser.start(QStandardPaths::findExecutable(QStringLiteral("chromium")),
                      {"--headless", "--no-sandbox", "--disable-gpu", "--disable-dev-shm-usage",
                       "--window-size=390,844", "--mute-audio", "--user-data-dir=" + profile.path(),
                       "--virtual-time-budget=10000", "--dump-dom",
                       "file://" + dir_.filePath(QStringLiteral("page.html"))});
        if (!browser.waitForFinished(300'000)) qFatal("the browser does not end");
        const QString dom = QString::fromUtf8(browser.readAllStandardOutput());
        const QString open = QStringLiteral("<pre id=\"told\" hidden=\"\">");
        const qsizetype from = dom.indexOf(open) + open.size(), to = dom.indexOf(QLatin1String("</pre>"), from);
        QString told = dom.mid(from, to - from);
        for (const auto& [entity, sign] : {std::pair{"&lt;", "<"}, {"&gt;", ">"}, {"&amp;", "&"}})
            told.replace(QLatin1String(entity), QLatin1String(sign));
        auto json = parseJson(told.toStdString(), "told");
        if (!json) qFatal("%s\n%s", json.error().detail().c_str(), qPrintable(dom.right(3000)));
        if (json->contains("error")) qFatal("%s", (*json)["error"].get<std::string>().c_str());
        return *json;
    }

private slots:
    void initTestCase() {
        QVERIFY2(!QStandardPaths::findExecutable(QStringLiteral("chromium")).isEmpty(), "chromium is not installed");
        parts_ = loadPageParts(dataFolder()).value();
        clock_ = readFile(DEFT_TEST_DATA "/programme/scripts/clock.html").value();
        clock_.replace(clock_.find("DAY"), 3, kToday);
        driver_ = readFile(DEFT_TEST_DATA "/programme/scripts/driver.html").value();
    }

    /// Phases begin within a tenth of a second of where the sum of those before says, over more than ten minutes.
    void countsExactlyForTenMinutes() {
        const auto p = programme({item("side-plank", "up-down", 9, 10, std::nullopt)});
        const auto phases = phasesOf(exerciseOf(shipped(), p.items[0]).value(), p.items[0]);
        double total = 0;
        for (const Phase& phase : phases) total += phase.seconds;
        QVERIFY(total > 600);
        const Json told = driven(p, "counts");
        std::vector<double> expected; // where words on screen change
        double at = 0;
        std::string before;
        for (const Phase& phase : phases) {
            const std::string now = std::to_string(int(phase.kind)) + phase.side + std::to_string(phase.set);
            if (now != before) expected.push_back(at);
            before = now, at += phase.seconds;
        }
        QCOMPARE(told["seen"].size(), expected.size());
        for (size_t i = 0; i < expected.size(); ++i) { // every timer comes late, and nothing of it adds up
            const double late = told["seen"][i][0].get<double>() - expected[i];
            QVERIFY2(late > -0.001 && late <= 0.1, qPrintable(QString::number(late)));
        }
        QVERIFY(std::abs(told["end"].get<double>() - total) <= 0.1);
        QVERIFY(told["text"].get<std::string>().find("Well done") != std::string::npos);
    }

    /// A pause, and a page that is loaded anew in the middle, lose nothing.
    void pauseAndReload() {
        const auto p = programme({item("forearm-plank", "knees", 3, std::nullopt, 20)});
        const Json told = driven(p, "reload");
        QCOMPARE(told["before"].get<int>(), 15);
        QCOMPARE(told["paused"].get<int>(), 15);
        QVERIFY(std::abs(told["after"].get<int>() - 12) <= 1); // what is kept is at most a second old
        QVERIFY(told["still"] == told["after"]);               // it waits until the client is ready
        QVERIFY2(std::abs(told["on"].get<int>() - told["after"].get<int>() + 4) <= 1, told.dump().c_str());
    }

    void theNoteComesHome() {
        const auto p =
            programme({item("bridge", "both", 2, std::nullopt, 5), item("march", "one-foot", 1, 2, std::nullopt)});
        const Json told = driven(p, "note");
        const auto note = parsePracticeNote(
            shipped(), parseJson(noteInText(told["note"].get<std::string>()), "note").value(), "note");
        QVERIFY2(note, note ? "" : note.error().detail().c_str());
        QCOMPARE(note->clientUid, std::string("c-1"));
        QCOMPARE(note->programme, std::string("p-1"));
        QCOMPARE(note->days.size(), size_t(1));
        QCOMPARE(note->days[0].day, std::string(kToday));
        QCOMPARE(note->days[0].words, std::string("fine <b>\"really\"</b>"));
        QCOMPARE(note->days[0].items.size(), size_t(2));
        QVERIFY((note->days[0].items[0] == Practised{"bridge", "both", 2, "right", {"seat"}}));
        QVERIFY((note->days[0].items[1] == Practised{"march", "one-foot", 0, "too-hard", {}}));
        QVERIFY(told["text"].get<std::string>().find("week 1: 1 of 7 days") != std::string::npos);
    }

    /// Pain in an exercise leaves that one out; a red flag stops everything, with the words of the letter.
    void painStops_data() {
        QTest::addColumn<QString>("flag");
        QTest::newRow("pain") << "";
        QTest::newRow("a red flag") << "fever";
    }
    void painStops() {
        QFETCH(QString, flag);
        const auto p =
            programme({item("bridge", "both", 3, std::nullopt, 5), item("march", "one-foot", 1, 2, std::nullopt)});
        const Json told = driven(p, "pain", flag.toStdString());
        const SafetyRules& rules = shipped().safety();
        QVERIFY(told["stopped"].get<std::string>().find(flag.isEmpty() ? rules.pain : rules.urgent) !=
                std::string::npos);
        const auto note = parsePracticeNote(
            shipped(), parseJson(noteInText(told["note"].get<std::string>()), "note").value(), "note");
        QVERIFY(note && note->days.size() == 1 && note->days[0].pain);
        QCOMPARE(note->days[0].where, std::string("low back"));
        QCOMPARE(note->days[0].redFlags.size(), size_t(flag.isEmpty() ? 0 : 1));
        QCOMPARE(note->days[0].items.at(0).sets, 1); // what was done before it hurt
        QCOMPARE(told["back"].get<bool>(), flag.isEmpty());
        if (flag.isEmpty()) QVERIFY(told["after"].get<std::string>().find("left out") != std::string::npos);
    }

    /// What coach and client wrote is text, whatever it looks like; and the page may not reach any network.
    void nothingIsRunThatWasWritten() {
        auto p = programme({item("bridge", "both", 1, std::nullopt, 5)});
        const std::string evil =
            "</script><script>window.hit=1</script><img src=x onerror='window.hit=1'> {{data}} & \"q\"";
        p.client = evil, p.coach = evil, p.items[0].watch = evil;
        const Json told = driven(p, "written");
        QCOMPARE(told["hit"].get<int>(), 0);
        QCOMPARE(told["images"].get<int>(), 0);
        QVERIFY(told["refused"].get<int>() > 0);
        QVERIFY2(told["shown"].get<std::string>().find(evil) != std::string::npos,
                 told["shown"].get<std::string>().c_str());
    }

    /// Every button has words, and is large enough for a thumb (44 px, as accessibility guides ask for).
    void forThumbsAndEars() {
        const Json told = driven(programme({item("bridge", "both", 1, std::nullopt, 5)}), "thumbs");
        QVERIFY2(told["small"].empty(), told["small"].dump().c_str());
        QVERIFY(told["nameless"].empty());
        QCOMPARE(told["over"].get<int>(), 0); // nothing hangs out of the screen
        QVERIFY(told["labels"].get<bool>() && told["status"].get<int>() > 0);
    }
};

QTEST_GUILESS_MAIN(PageTest)
#include "page_test.moc"
