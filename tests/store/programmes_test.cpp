// SPDX-License-Identifier: GPL-3.0-or-later
// Programmes in the library: made, given and never changed after; what comes home, and whose it is.
#include "answer/answer.h"
#include "base/json.h"
#include "devices/inbox_folder.h"
#include "store/intake.h"
#include "store/programme_need.h"
#include "support/demo_review.h"

#include <QCoreApplication>
#include <QDate>
#include <QSqlQuery>
#include <QTemporaryDir>
#include <QTest>

using namespace deft;
using namespace deft::test;

class ProgrammesTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;
    std::unique_ptr<Library> library_;
    std::string folder_;
    int64_t ruta_ = 0;

    static Programme programme(const std::string& uid, const std::string& from) {
        Programme p;
        p.uid = uid, p.from = from, p.weeks = 4,
        p.days = {std::chrono::Monday, std::chrono::Wednesday, std::chrono::Friday};
        ProgrammeItem bridge;
        bridge.exercise = "bridge", bridge.target.version = "both", bridge.target.hold_s = 5;
        bridge.target.daysPerWeek = 3;
        p.items = {bridge};
        return p;
    }
    static PracticeNote noteOf(const std::string& client, std::initializer_list<const char*> days, int sets = 3) {
        PracticeNote n{"", client, "p-1", {}};
        for (const char* day : days)
            n.days.push_back({day, {{"bridge", "both", sets, "right", {}}}, false, "", {}, ""});
        return n;
    }
    bool fails(const char* sql) {
        bool ran = true;
        {
            QSqlDatabase db = QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), QStringLiteral("other"));
            db.setDatabaseName(QString::fromStdString(folder_ + "/library.sqlite"));
            ran = db.open() && QSqlQuery(db).exec(QString::fromLatin1(sql));
        }
        QSqlDatabase::removeDatabase(QStringLiteral("other"));
        return !ran;
    }

private slots:
    void init() {
        static int number = 0;
        folder_ = dir_.filePath(QString::number(++number)).toStdString();
        library_ = Library::open(folder_).value();
        ruta_ = library_->addClient("Ruta Kalniņa", "puppeteer").value();
    }
    void cleanup() { library_.reset(); }

    void draftThenGiven() {
        QVERIFY(!library_->programmeDraft(ruta_));
        Programme p = programme("p-1", "2026-05-04");
        QVERIFY(library_->saveProgrammeDraft(ruta_, p));
        p.minutes = 20;
        QVERIFY(library_->saveProgrammeDraft(ruta_, p));
        QVERIFY(library_->programmeDraft(ruta_) == p && library_->programmes(ruta_).empty());
        QVERIFY(library_->giveProgramme(ruta_, p));
        QVERIFY(!library_->programmeDraft(ruta_));
        QVERIFY(library_->giveProgramme(ruta_, programme("p-2", "2026-06-01")));
        library_.reset();
        library_ = Library::open(folder_).value();
        const auto given = library_->programmes(ruta_);
        QCOMPARE(given.size(), size_t(2));
        QVERIFY(given[0].programme == p && given[1].programme.uid == "p-2");
        QVERIFY(fails("UPDATE programme SET document = '{}'")); // by nobody
        QVERIFY(library_->check()->empty());
    }

    /// The last word on a day counts, and a clip that waits knows how often its exercise was done before it.
    void whatCameHome() {
        QVERIFY(library_->giveProgramme(ruta_, programme("p-1", "2026-05-04")));
        ReviewInputs in = demoInputs();
        in.date = "2026-05-15";
        const auto clip = library_->addClip(ruta_, in.date, in).value();
        QVERIFY(!library_->clip(clip)->draft.practice);
        QCOMPARE(takePractice(*library_, noteOf("Ruta Kalniņa", {"2026-05-04", "2026-05-06"})).value(), ruta_);
        QCOMPARE(library_->clip(clip)->draft.practice, (std::optional<Practice>{{5, 2}}));
        QVERIFY(takePractice(*library_, noteOf("ruta  kalniņa", {"2026-05-06"}, 0))); // it was not done after all
        QCOMPARE(library_->practised(ruta_).size(), size_t(2));
        QCOMPARE(library_->clip(clip)->draft.practice, (std::optional<Practice>{{5, 1}}));
        QVERIFY(library_->check()->empty());
    }
    /// Pain at home stops the clip that waits, in the client's words, once; another exercise's clip is left alone.
    void painAtHome() {
        QVERIFY(library_->giveProgramme(ruta_, programme("p-1", "2026-05-04")));
        ReviewInputs in = demoInputs();
        in.date = "2026-05-15", in.note = {};
        const auto bridge = library_->addClip(ruta_, in.date, in).value();
        in.exercise = "forearm-plank";
        const auto plank = library_->addClip(ruta_, in.date, in).value();
        PracticeNote note = noteOf("Ruta Kalniņa", {"2026-05-13"});
        note.days[0].pain = true, note.days[0].where = "low back", note.days[0].redFlags = {"fever"};
        QVERIFY(takePractice(*library_, note) && takePractice(*library_, note));
        const ClientNote hurt = library_->clip(bridge)->draft.note;
        QVERIFY(hurt.pain && hurt.redFlags == std::vector<std::string>{"fever"});
        QCOMPARE(hurt.words, std::string("At home on Wednesday 13 May: low back"));
        QVERIFY(!library_->clip(plank)->draft.note.isAlarming());
        QCOMPARE(library_->clips()[0].id, bridge);      // and comes first
        in.exercise = "bridge", in.date = "2026-06-10"; // a month later it is over
        const auto later = library_->addClip(ruta_, in.date, in).value();
        QVERIFY(!library_->clip(later)->draft.note.isAlarming());
    }
    void whoseItIs() {
        const auto nobody = takePractice(*library_, noteOf("Saoirse", {"2026-05-04"}));
        QCOMPARE(nobody.error().code, Errc::NotFound);
        const auto other = library_->addClient("Ruta Kalniņa", "carpenter").value();
        QCOMPARE(takePractice(*library_, noteOf("Ruta Kalniņa", {"2026-05-04"})).error().code, Errc::Ambiguous);
        QCOMPARE(takePractice(*library_, noteOf("Ruta Kalniņa", {"2026-05-04"}), other).value(), other);
        PracticeNote byId = noteOf("Somebody", {"2026-05-06"});
        byId.clientUid = library_->client(ruta_)->uid;
        QCOMPARE(takePractice(*library_, byId).value(), ruta_);
        // One person after all: nothing that was told is lost, and nothing is there twice.
        QVERIFY(takePractice(*library_, noteOf("Ruta Kalniņa", {"2026-05-06"}, 1), other));
        QVERIFY(library_->merge(other, ruta_));
        const auto days = library_->practised(ruta_);
        QCOMPARE(days.size(), size_t(2));
        QCOMPARE(days[1].items[0].sets, 3); // the kept one's word
        QVERIFY(library_->check()->empty());
    }

    /// Everything that a proposal is made from.
    void need() {
        const Review review = demoReview();
        const auto clip = library_->addClip(ruta_, "2026-04-30", review.inputs).value();
        QVERIFY(library_->file(clip, review, "<p>", "text"));
        QVERIFY(library_->setFlags(ruta_, {"hypertension"}));
        Programme p = programme("p-1", "2026-05-04");
        p.minutes = 22;
        QVERIFY(library_->giveProgramme(ruta_, p));
        PracticeNote note = noteOf("Ruta Kalniņa", {"2026-05-04", "2026-05-08"});
        QVERIFY(takePractice(*library_, note));
        const ProgrammeNeed n = programmeNeed(*library_, ruta_, "2026-05-18", {});
        QCOMPARE(n.record.size(), size_t(1));
        QCOMPARE(n.record[0].reviews.back().exercise, std::string("bridge"));
        QCOMPARE(n.flags, std::vector<std::string>{"hypertension"});
        QCOMPARE(n.lastPractised, std::string("2026-05-08"));
        QCOMPARE(n.minutes, 22);
        QCOMPARE(n.practice, (std::optional<Practice>{{6, 2}}));
        QVERIFY(!n.record[0].note.pain);
        note.days = {{"2026-05-11", {{"bridge", "both", 1, "", {}}}, true, "low back", {"fever"}, ""}};
        QVERIFY(takePractice(*library_, note));
        const ProgrammeNeed hurt = programmeNeed(*library_, ruta_, "2026-05-18", {});
        QVERIFY(hurt.record[0].note.pain && !hurt.record[0].note.redFlags.empty());
        QVERIFY(!proposeProgramme(*library_->catalogue(), hurt));
    }

    /// The programme's own day for the next clip goes before the usual week, in the letter and in what is waited for.
    void lookAgain() {
        const std::string today = QDate::currentDate().toString(Qt::ISODate).toStdString(),
                          soon = QDate::currentDate().addDays(5).toString(Qt::ISODate).toStdString(),
                          late = QDate::currentDate().addDays(20).toString(Qt::ISODate).toStdString();
        Review review = demoReview();
        ReviewInputs in = review.inputs;
        in.date = today;
        const auto clip = library_->addClip(ruta_, today, in).value();
        Programme p = programme("p-1", today);
        p.lookAgain = LookAgain{late, {"bridge", "one-leg-stand"}};
        QVERIFY(library_->giveProgramme(ruta_, p));
        QCOMPARE(library_->clip(clip)->draft.nextClip, late);
        review.inputs = library_->clip(clip)->draft;
        const Answer answer = composeAnswer(review);
        QVERIFY2(answer.find("next")->text.starts_with("Next clip: on "), answer.find("next")->text.c_str());
        QVERIFY(library_->file(clip, review, "<p>", "text"));
        QCOMPARE(library_->expected().size(), size_t(1)); // the stand is not near yet
        QCOMPARE(library_->expected()[0].due, late);
        p.uid = "p-2", p.lookAgain->on = soon;
        QVERIFY(library_->giveProgramme(ruta_, p));
        const auto expected = library_->expected();
        QCOMPARE(expected.size(), size_t(2));
        QCOMPARE(expected[0].exercise, std::string("one-leg-stand"));
        QCOMPARE(expected[0].due, soon);
        QCOMPARE(expected[0].review, int64_t(0));
        QVERIFY(library_->expectNoMore(expected[1].review)); // of the bridge
        QCOMPARE(library_->expected().size(), size_t(1));
    }

    /// A note lies in the inbox like a parcel, and a bad one is put aside with its reason.
    void inTheInbox() {
        const std::filesystem::path inbox = dir_.filePath(QStringLiteral("inbox")).toStdString();
        std::filesystem::create_directories(inbox);
        const auto put = [&](const char* name, const Json& document) {
            QVERIFY(writeFileAtomically(inbox / name, toText(document)));
        };
        put("good.json", toJson(noteOf("Ruta Kalniņa", {"2026-05-04"})));
        Json bad = toJson(noteOf("Ruta Kalniņa", {"2026-05-04"}));
        bad["days"][0]["items"][0]["sets"] = "many";
        put("bad.json", bad);
        const auto seen = lookIntoInbox(*library_->catalogue(), inbox);
        QVERIFY(seen && seen->home.size() == 1 && seen->refused.size() == 1 && seen->ready.empty());
        QVERIFY(inEnglish(seen->refused[0].why).find("/days/0/items/0/sets") != std::string::npos);
    }

    /// A library of the version before gets the new tables and keeps what it has.
    void olderLibrary() {
        library_.reset();
        QVERIFY(!fails("DROP TABLE visit") && !fails("DROP TABLE programme") && !fails("DROP TABLE practised") &&
                !fails("ALTER TABLE client DROP COLUMN language") && !fails("PRAGMA user_version = 4"));
        library_ = Library::open(folder_).value();
        QCOMPARE(library_->clients().size(), size_t(1));
        QVERIFY(library_->giveProgramme(ruta_, programme("p-1", "2026-05-04")));
    }
};

QTEST_GUILESS_MAIN(ProgrammesTest)
#include "programmes_test.moc"
