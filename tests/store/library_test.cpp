// SPDX-License-Identifier: GPL-3.0-or-later
// The coach's records: complete after a kill, refused when they cannot be trusted, never overwritten.
#include "answer/answer.h"
#include "store/intake.h"
#include "store/library.h"
#include "support/demo_review.h"
#include "support/no_room.h"
#include "support/table.h"

#include <QCoreApplication>
#include <QDir>
#include <QProcess>
#include <QSqlQuery>
#include <QTemporaryDir>
#include <QTest>
#include <iostream>
#include <random>
#include <unistd.h>

using namespace deft;
using namespace deft::test;

namespace {

std::string page(int i) { return "<!DOCTYPE html><title>" + std::to_string(i) + "</title>" + std::string(20000, 'x'); }

/// What the killed program was doing: adds clips, changes drafts and files reviews, telling each number once it is
/// saved.
int writeUntilKilled(const std::filesystem::path& folder) {
    auto library = Library::open(folder).value();
    const auto client = library->addClient("Ruta Kalniņa", "puppeteer").value();
    for (int i = 1;; ++i) {
        Review review = demoReview();
        const auto clip = library->addClip(client, "2026-04-30", review.inputs).value();
        review.inputs.words["well"] = std::to_string(i);
        if (!library->saveDraft(clip, review.inputs) || !library->file(clip, review, page(i), "text")) return 1;
        std::cout << i << std::endl;
    }
}

/// Does another program get this through on the library of a folder?
bool canRun(const std::filesystem::path& folder, const char* sql) {
    bool ran = false;
    {
        QSqlDatabase db = QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), QStringLiteral("other"));
        db.setDatabaseName(QString::fromStdString((folder / "library.sqlite").string()));
        ran = db.open() && QSqlQuery(db).exec(QString::fromLatin1(sql));
    }
    QSqlDatabase::removeDatabase(QStringLiteral("other"));
    return ran;
}

} // namespace

class LibraryTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;
    std::filesystem::path at(const char* name) const { return dir_.filePath(QString::fromLatin1(name)).toStdString(); }

private slots:
    /// Pain and words that stop are answered first, then whoever has waited longest.
    void worstFirst() {
        auto library = Library::open(at("order")).value();
        const auto client = library->addClient("Ruta Kalniņa", "puppeteer").value();
        ReviewInputs calm = demoReview().inputs, pain = calm, stop = calm;
        pain.note.pain = true, stop.note.redFlags = {"dizziness"};
        const auto first = library->addClip(client, "2026-05-01", calm).value(),
                   second = library->addClip(client, "2026-05-02", calm).value(),
                   third = library->addClip(client, "2026-05-03", pain).value(),
                   fourth = library->addClip(client, "2026-05-04", stop).value();
        std::vector<int64_t> order;
        for (const Clip& c : library->clips()) order.push_back(c.id);
        QCOMPARE(order, (std::vector<int64_t>{third, fourth, first, second}));
    }

    void keepsWhatWasFiled() {
        int64_t client = 0, clip = 0;
        const Review review = demoReview();
        {
            auto library = Library::open(at("a")).value();
            client = library->addClient("Ruta Kalniņa", "puppeteer").value();
            clip = library->addClip(client, "2026-04-30", review.inputs).value();
            QVERIFY(!library->clips()[0].filed);
            QVERIFY(library->file(clip, review, page(1), "text"));
        }
        auto library = Library::open(at("a")).value();
        QCOMPARE(library->clients()[0].name, std::string("Ruta Kalniņa"));
        QVERIFY(library->clips()[0].filed);
        const auto filed = library->filed(client, "bridge");
        QCOMPARE(filed.size(), size_t(1));
        QVERIFY(filed[0].find("pelvis_on_trunk", "worst") && filed[0].find("knee_angle", "set-up") &&
                filed[0].find("clean_hold", "median"));
        QVERIFY(filed[0].find("pelvis_on_trunk", "worst")->value > 5);
        QCOMPARE(filed[0].step, review.decision.step);
        QVERIFY(toJson(filed[0].next) == toJson(review.decision.target));
        QVERIFY(filed[0].because == review.decision.because);
        QCOMPARE(filed[0].past.faults.empty(), false);
        QCOMPARE(QDir(QString::fromStdString((at("a") / "answers").string())).entryList(QDir::Files).size(), 1);
        // The next clip of this client knows what was said.
        const auto next = library->addClip(client, "2026-05-14", review.inputs).value();
        QCOMPARE(library->clip(next)->draft.history.size(), size_t(1));
        QCOMPARE(library->clip(next)->draft.history[0].cues.empty(), false);
        QVERIFY(library->filed(client, "forearm-plank").empty());
        QCOMPARE(library->auditEntries(), int64_t(4)); // client, clip, filed, clip
    }

    /// A program that is killed between filing and mailing takes the mail up again, with what was filed.
    void mailThatIsStillToBeMade() {
        const Review review = demoReview();
        int64_t filed = 0;
        {
            auto library = Library::open(at("unsent")).value();
            const auto client = library->addClient("Ruta Kalniņa", "puppeteer").value();
            const auto clip = library->addClip(client, "2026-04-30", demoInputs()).value();
            filed = library->file(clip, review, page(1), "text").value();
        }
        auto library = Library::open(at("unsent")).value();
        QCOMPARE(library->unsent().size(), size_t(1));
        QCOMPARE(library->unsent()[0].review, filed);
        QCOMPARE(toJson(library->unsent()[0].inputs).dump(), toJson(review.inputs).dump());
        QVERIFY(library->markMade(filed));
        QVERIFY(library->unsent().empty());
    }

    /// A library that lies as files of before wrote it: decisions as English sentences, work put aside with a reason
    /// in words.
    void sentencesOfBefore() {
        auto library = Library::open(at("sentences")).value();
        const auto client = library->addClient("Ruta Kalniņa", "puppeteer").value();
        const auto clip = library->addClip(client, "2026-04-30", demoInputs()).value();
        QVERIFY(library->file(clip, demoReview(), page(1), "text"));
        QSqlQuery q(QSqlDatabase::database(QSqlDatabase::connectionNames().constFirst()));
        QVERIFY(q.exec(QStringLiteral("DROP TRIGGER review_stays")));
        QVERIFY(q.exec(QStringLiteral("UPDATE review SET result = json_remove(json_set(result, '$.decision.because', "
                                      "json('[\"1 of 3 holds clean\"]')), '$.decision.messages')")));
        QVERIFY(q.exec(QStringLiteral("INSERT INTO aside (kind, subject, begun, why, at) VALUES ('note', 'a.json', 1, "
                                      "'a.json: /client is missing', '2026-05-01')")));
        const auto filed = library->filed(client, "bridge");
        QCOMPARE(filed.size(), size_t(1));
        QVERIFY(filed[0].because == Messages{"1 of 3 holds clean"} && !filed[0].arithmetic.empty());
        QCOMPARE(inEnglish(library->asides("note").at(0).why), std::string("a.json: /client is missing"));
        const Message why = inPlace("b.json", {"{where} is missing", {{"where", "/client"}}});
        QVERIFY(library->putAside({"note", "b.json", why}));
        QVERIFY(library->asides("note").at(1).why == why);
    }

    /// The language of a client: of new clips, and of those that wait; what was filed stays.
    void languageOfAClient() {
        auto library = Library::open(at("language")).value();
        const auto client = library->addClient("Ruta Kalniņa", "puppeteer").value();
        const auto filed = library->addClip(client, "2026-04-30", demoInputs()).value();
        QVERIFY(library->file(filed, demoReview(), page(1), "text"));
        const auto waiting = library->addClip(client, "2026-05-07", demoInputs()).value();
        QVERIFY(library->setLanguage(client, "de"));
        QCOMPARE(library->client(client)->language, std::string("de"));
        QCOMPARE(library->clip(waiting)->draft.language, std::string("de"));
        QVERIFY(library->clip(filed)->draft.language.empty());
        const auto later = library->addClip(client, "2026-05-14", newDraft(*library, client, "bridge", {})).value();
        QCOMPARE(library->clip(later)->draft.language, std::string("de"));
        const auto entries = library->auditEntries();
        QVERIFY(library->setLanguage(client, "de")); // nothing has changed, so nothing is said of it
        QCOMPARE(library->auditEntries(), entries);
        // Of two records of one person the kept one's language stays, and the other's fills what it lacks.
        const auto other = library->addClient("Ruta K.", "").value();
        QVERIFY(library->merge(client, other));
        QCOMPARE(library->client(other)->language, std::string("de"));
        QVERIFY(library->damage().empty());
    }

    /// The clips of one day are one visit; one letter, page and mail answer all of them, or nothing is filed.
    void oneLetterForAVisit() {
        auto library = Library::open(at("visit")).value();
        const auto client = library->addClient("Ruta Kalniņa", "puppeteer").value();
        const Review review = demoReview();
        std::vector<int64_t> clips;
        for (const char* day : {"2026-04-30", "2026-04-30", "2026-05-02"})
            clips.push_back(library->addClip(client, day, demoInputs()).value());
        const auto other = library->addClient("Oisín Gallagher", "rigger").value();
        (void)library->addClip(other, "2026-04-30", demoInputs()).value();
        const auto visit = library->visitOf(*library->clip(clips[1]));
        QCOMPARE(visit.size(), size_t(2));
        QVERIFY(visit[0].id == clips[0] && visit[1].id == clips[1]);

        // A clip that has gone meanwhile: none of it is filed.
        QVERIFY(!library->file({{clips[0], &review}, {999, &review}}, page(1), "words"));
        QVERIFY(library->filed(client, "bridge").empty() && library->unsent().empty());

        const auto ids = library->file({{clips[0], &review}, {clips[1], &review}}, page(1), "words").value();
        QCOMPARE(ids.size(), size_t(2));
        QVERIFY(library->letterOf(ids[0]) == ids[0] && library->letterOf(ids[1]) == ids[0]);
        const auto filed = library->filed(client, "bridge");
        QCOMPARE(filed.size(), size_t(2));
        for (const FiledReview& r : filed) QCOMPARE(r.answerText, std::string("words"));
        QCOMPARE(QDir(QString::fromStdString((at("visit") / "answers").string())).entryList(QDir::Files).size(), 1);
        QCOMPARE(library->unsent().size(), size_t(1));
        QVERIFY(library->unsent()[0].review == ids[0] && library->unsent()[0].with.size() == 1);
        QVERIFY(library->markMade(ids[0], at("visit") / "outbox/answer.eml"));
        QVERIFY(library->mailOf(ids[1]) && library->mailOf(ids[1])->file == library->mailOf(ids[0])->file);
        QVERIFY(library->setMailSent(ids[1], true));
        QVERIFY(!library->mailOf(ids[0])->sent.empty());
        QVERIFY(library->setMailSent(ids[1], false));
        QVERIFY(library->mailOf(ids[0])->sent.empty());
        QVERIFY(library->visitOf(*library->clip(clips[2])).size() == 1);
        QVERIFY(library->check()->empty());
        QVERIFY(library->erase(client, Erasing::Everything));
        QVERIFY(library->check()->empty());
        QCOMPARE(library->clients().size(), size_t(1));
    }

    /// Parts of one film are clips of their own; the film is kept as long as one of them needs it.
    void partsOfOneFilm() {
        auto library = Library::open(at("parts")).value();
        const auto client = library->addClient("Ruta Kalniņa", "puppeteer").value();
        ReviewInputs in = demoInputs();
        const std::filesystem::path film = at("parts") / "clips/film.mp4";
        std::filesystem::copy_file(in.clipPath, film);
        in.clipPath = film.string();
        in.part = FilmPart{0, 8};
        const auto first = library->addClip(client, "2026-04-30", in).value();
        in.part = FilmPart{8, 16.5};
        const auto second = library->addClip(client, "2026-04-30", in).value();
        QCOMPARE(library->clip(second)->draft.part->from_s, 8.0);
        Tracks tracks;
        tracks.time_s = {0, 1};
        library->cacheTracks(library->clip(first)->draft, tracks);
        QVERIFY(!library->cachedTracks(library->clip(second)->draft));
        QVERIFY(library->cachedTracks(library->clip(first)->draft));
        QVERIFY(library->removeClip(first));
        QVERIFY(std::filesystem::exists(film));
        QVERIFY(library->removeClip(second));
        QVERIFY(!std::filesystem::exists(film));
    }

    void filedReviewsCannotBeChanged() {
        auto library = Library::open(at("b")).value();
        const Review review = demoReview();
        const auto client = library->addClient("Oisín Gallagher", "rigger").value();
        const auto clip = library->addClip(client, "2026-05-15", review.inputs).value();
        QVERIFY(library->file(clip, review, page(1), "text"));
        QVERIFY(!canRun(at("b"), "UPDATE reading SET value = 0"));
        QVERIFY(!canRun(at("b"), "UPDATE review SET result = ''"));
        QVERIFY(canRun(at("b"), "UPDATE clip SET saved_at = saved_at")); // it is not the connection that refuses
    }

    void draftsAndTracksComeBack() {
        auto library = Library::open(at("c")).value();
        ReviewInputs in = demoInputs();
        const auto client = library->addClient("R", "").value();
        const auto clip = library->addClip(client, "2026-05-14", in).value();
        in.marks.set(1.0, "hip", Point2(700, 400));
        in.words["well"] = "Good.";
        QVERIFY(library->saveDraft(clip, in));
        QCOMPARE(library->clip(clip)->draft.words.at("well"), std::string("Good."));
        QCOMPARE(library->clip(clip)->draft.marks, in.marks);
        QVERIFY(!library->cachedTracks(in));
        const Tracks tracks = demoTracks();
        library->cacheTracks(in, tracks);
        QCOMPARE(library->cachedTracks(in)->frames(), tracks.frames());
        in.marks.set(1.0, "hip", Point2(701, 400));
        QVERIFY(!library->cachedTracks(in)); // other marks, other tracks
    }

    /// Intake flags belong to the client and go with every new clip; a clip that waits keeps those it came with.
    void intakeFlags() {
        auto library = Library::open(at("flags")).value();
        const auto client = library->addClient("Marit Solheim", "stage manager", {"osteoporosis"}).value();
        const auto first = library->addClip(client, "2026-05-01", demoInputs()).value();
        QVERIFY(library->setFlags(client, {"osteoporosis", "balance-risk"}));
        const auto second = library->addClip(client, "2026-05-08", demoInputs()).value();
        QCOMPARE(library->clip(first)->draft.flags, std::vector<std::string>{"osteoporosis"});
        QCOMPARE(library->clip(second)->draft.flags, (std::vector<std::string>{"osteoporosis", "balance-risk"}));
        QCOMPARE(library->clients().front().flags.size(), size_t(2));
        const auto entries = library->auditEntries();
        QVERIFY(library->setFlags(client, {"osteoporosis", "balance-risk"})); // nothing changes, nothing to tell
        QCOMPARE(library->auditEntries(), entries);
    }

    /// A clip that comes in, with its client, flags and consent, is there as a whole or not at all. What is told of a
    /// client adds to what is known, whichever way it comes.
    void wholeArrivals() {
        auto library = Library::open(at("arrivals")).value();
        Arrival a{0, "Marit Solheim", "stage manager", "phone-1", "bridge", at("film.mp4"), "abc", "2026-05-01"};
        a.flags = {"osteoporosis"}, a.consent = Consent{"2026-05-01", "", {"coaching"}};
        a.fill = [](ReviewInputs& in) { in.note.pain = true; };
        const auto clip = takeIn(*library, a, {}).value();
        const Client marit = library->clients().at(0);
        QVERIFY(library->clip(clip)->draft.note.pain);
        QCOMPARE(library->clip(clip)->draft.flags, marit.flags);
        QCOMPARE(library->consents(marit.id).size(), size_t(1));
        // By hand, and without saying the flag once more: it stays, and another one is added.
        Arrival more{marit.id, {}, {}, {}, "march", at("other.mp4"), "def", "2026-05-08"};
        more.flags = {"balance-risk"};
        const auto second = takeIn(*library, more, {}).value();
        QCOMPARE(library->clip(second)->draft.flags, (std::vector<std::string>{"osteoporosis", "balance-risk"}));
        more.client = 0, more.name = "Jo", more.exercise = "bridge";
        QVERIFY(correct(*library, second, more, {}));
        QCOMPARE(library->clip(second)->draft.client, std::string("Jo"));
        QCOMPARE(library->client(marit.id)->flags.size(), size_t(2)); // what was told of her stays hers
        // What fails on the way, or is thrown, leaves nothing behind.
        const auto before = library->auditEntries();
        QCOMPARE(takeIn(*library, {4711, {}, {}, {}, "bridge", at("x.mp4"), "ghi", "2026-05-09"}, {}).error().code,
                 Errc::NotFound);
        a.name = "Nobody", a.uid = "phone-2", a.fill = [](ReviewInputs&) { throw std::runtime_error("broken"); };
        QVERIFY_THROWS_EXCEPTION(std::runtime_error, (void)takeIn(*library, a, {}));
        QCOMPARE(library->clients().size(), size_t(2));
        QVERIFY(!library->clientOf("phone-2"));
        QCOMPARE(library->auditEntries(), before);
        QVERIFY(takeIn(*library, {marit.id, {}, {}, {}, "bridge", at("y.mp4"), "jkl", "2026-05-10"},
                       {})); // and all goes on
    }

    /// A list that does not grow with the years: what waits, and the last that were answered.
    void onlySomeOfTheFiledOnes() {
        auto library = Library::open(at("some")).value();
        const auto client = library->addClient("Ruta Kalniņa", "puppeteer").value();
        const Review review = demoReview();
        std::vector<int64_t> ids;
        for (int i = 0; i < 6; ++i) ids.push_back(library->addClip(client, "2026-04-30", review.inputs).value());
        for (const int i : {0, 1, 3, 4}) QVERIFY(library->file(ids[size_t(i)], review, page(i), "text"));
        const auto shown = [&](int filed) {
            std::vector<int64_t> out;
            for (const Clip& c : library->clips(filed)) out.push_back(c.id);
            return out;
        };
        QCOMPARE(shown(0), (std::vector<int64_t>{ids[2], ids[5]}));
        QCOMPARE(shown(2), (std::vector<int64_t>{ids[2], ids[5], ids[4], ids[3]}));
        QCOMPARE(shown(-1).size(), size_t(6));
        QCOMPARE(shown(60).size(), size_t(6));
    }

    /// What was asked for in the last review and has not come: until a clip comes, or the coach gives it up.
    void clipsThatAreExpected() {
        auto library = Library::open(at("expected")).value();
        QVERIFY(library->expected().empty());
        const auto ruta = library->addClient("Ruta Kalniņa", "puppeteer").value(),
                   oisin = library->addClient("Oisín Gallagher", "rigger").value();
        const auto fileOn = [&](int64_t client, const char* date, bool pain = false) {
            ReviewInputs in = demoInputs();
            in.date = date, in.note.pain = pain;
            const auto clip = library->addClip(client, date, in).value();
            return library->file(clip, demoReview(in), page(1), "text").value();
        };
        const auto last = fileOn(ruta, "2026-04-30");
        fileOn(ruta, "2026-04-09"); // of an earlier day, though it was filed later
        const auto early = fileOn(oisin, "2026-04-16");
        auto expected = library->expected();
        QCOMPARE(expected.size(), size_t(2));
        QCOMPARE(std::tuple(expected[0].review, expected[0].name, expected[0].due),
                 std::tuple(early, std::string("Oisín Gallagher"), std::string("2026-04-23")));
        QCOMPARE(std::pair(expected[1].review, expected[1].due), std::pair(last, std::string("2026-05-07")));
        QCOMPARE(expected[1].target.hold_s, demoReview().decision.target.hold_s);
        QVERIFY(library->expectNoMore(early));
        QVERIFY(library->expectNoMore(early));
        QCOMPARE(library->expected().size(), size_t(1));
        ReviewInputs other = demoInputs();
        other.exercise = "forearm-plank";
        library->addClip(ruta, "2026-05-14", other).value(); // another exercise is not what was asked for
        QCOMPARE(library->expected().size(), size_t(1));
        const auto came = library->addClip(ruta, "2026-05-14", demoInputs()).value();
        QVERIFY(library->expected().empty());
        // Answered with a stop: nothing is asked for.
        ReviewInputs in = demoInputs();
        in.date = "2026-05-14", in.note.pain = true;
        const Review stopped = demoReview(in);
        QCOMPARE(stopped.decision.step, std::string("stop"));
        QVERIFY(library->file(came, stopped, page(1), "text"));
        QVERIFY(library->expected().empty());
        QVERIFY(library->erase(oisin, Erasing::Everything).has_value());
    }

    /// What a client agreed to stays on record beside what came later; withdrawing is a record, too.
    void consentIsARecord() {
        auto library = Library::open(at("consent")).value();
        const auto client = library->addClient("Marit Solheim", "stage manager").value();
        QVERIFY(!library->clients().front().consent);
        const Consent march{"2026-03-12", "2026-09-12", {"coaching"}}, withdrawn{"2026-05-01", "", {}};
        QVERIFY(library->recordConsent(client, march));
        const auto entries = library->auditEntries();
        QVERIFY(library->recordConsent(client, march)); // the same again is no news
        QCOMPARE(library->auditEntries(), entries);
        QVERIFY(library->clients().front().consent->covers("coaching"));
        QVERIFY(!library->clients().front().consent->covers("pass-on"));
        QVERIFY(!march.isOver("2026-09-12") && march.isOver("2026-09-13") && !withdrawn.isOver("2036-01-01"));
        QVERIFY(library->recordConsent(client, withdrawn));
        QVERIFY(!library->clients().front().consent->covers("coaching"));
        QCOMPARE(library->consents(client), (std::vector<Consent>{march, withdrawn}));
        QVERIFY(!canRun(at("consent"), "UPDATE consent SET consent = ''"));
    }

    /// What cues have done for one client is known when the next one's clip comes in.
    void cuesAreRememberedAcrossClients() {
        auto library = Library::open(at("cues")).value();
        const auto one = library->addClient("Ruta Kalniņa", "puppeteer").value(),
                   other = library->addClient("Oisín Gallagher", "rigger").value();
        const Review review = demoReview();
        QVERIFY(!review.decision.cues.empty());
        QVERIFY(library->cueRecord().empty());
        for (const char* date : {"2026-04-01", "2026-04-08"}) {
            const auto clip = library->addClip(one, date, review.inputs).value();
            QVERIFY(library->file(clip, review, page(1), "text"));
        }
        // The same clip twice: every cue was tried once and nothing had changed.
        const auto record = library->cueRecord();
        QCOMPARE(record.size(), review.decision.cues.size());
        for (const CueRecord& r : record) QCOMPARE(std::pair(r.tried, r.helped), std::pair(1, 0));
        const auto clip = library->addClip(other, "2026-04-09", demoInputs()).value();
        QCOMPARE(library->clip(clip)->draft.cueRecord.size(), record.size());
    }

    void twoProgramsAtOnce() {
        auto first = Library::open(at("d")).value();
        const auto second = Library::open(at("d"));
        QVERIFY(!second);
        QCOMPARE(second.error().code, Errc::Conflict);
        first.reset();
        QVERIFY(Library::open(at("d")));
    }

    void newerVersion() {
        { auto library = Library::open(at("e")).value(); }
        {
            QSqlDatabase db = QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), QStringLiteral("newer"));
            db.setDatabaseName(QString::fromStdString((at("e") / "library.sqlite").string()));
            QVERIFY(db.open());
            QSqlQuery(db).exec(QStringLiteral("PRAGMA user_version = 99"));
            db.close();
        }
        const auto library = Library::open(at("e"));
        QVERIFY(!library);
        QCOMPARE(library.error().code, Errc::NewerVersion);
        QVERIFY(library.error().detail().find("99") != std::string::npos);
    }

    void notALibrary() {
        std::filesystem::create_directory(at("f"));
        QVERIFY(writeFileAtomically(at("f") / "library.sqlite", std::string(5000, 'n')));
        const auto library = Library::open(at("f"));
        QVERIFY(!library);
        QCOMPARE(library.error().code, Errc::BadFormat);
        QCOMPARE(readFile(at("f") / "library.sqlite")->size(), size_t(5000)); // left as it was
    }

    void readOnlyFolder() {
        // Root may write anywhere, so the folder that cannot be made lies under a file.
        QVERIFY(writeFileAtomically(at("file"), "x"));
        const auto library = Library::open(at("file") / "library");
        QVERIFY(!library);
        QCOMPARE(library.error().code, Errc::WriteFailed);
    }

    /// No room for the review: an error with its reason, nothing half filed, and all that was there before still is.
    void fullDisk() {
        auto library = Library::open(at("g")).value();
        const Review review = demoReview();
        const auto client = library->addClient("R", "").value();
        const auto clip = library->addClip(client, "2026-05-14", review.inputs).value();
        {
            const NoRoom limit(60000);
            const auto filed = library->file(clip, review, page(1) + std::string(200000, 'y'), "text");
            QVERIFY(!filed);
            QCOMPARE(filed.error().code, Errc::WriteFailed);
        }
        QVERIFY(!library->clip(clip)->filed);
        QVERIFY(library->filed(client, "bridge").empty());
        QVERIFY(library->file(clip, review, page(1), "text")); // and with room again it goes through
    }

    /// Killed at any moment, also between two writes: whole entries only, none that was told as saved is missing.
    void killed() {
        std::mt19937 random(3);
        const int rounds = qEnvironmentVariableIsSet("DEFT_LONG") ? 200 : 8;
        for (int round = 0; round < rounds; ++round) {
            const std::string folder = at("k").string() + std::to_string(round);
            QProcess writer;
            writer.start(QCoreApplication::applicationFilePath(),
                         {QStringLiteral("--write"), QString::fromStdString(folder)});
            QByteArray told;
            while (told.count('\n') < 2 && writer.waitForReadyRead(30000)) told += writer.readAllStandardOutput();
            QTest::qSleep(int(random() % 60)); // somewhere in the third
            writer.kill();
            writer.waitForFinished();
            told += writer.readAllStandardOutput();
            const int saved = int(told.count('\n'));
            QVERIFY(saved >= 2);
            auto library = Library::open(folder);
            QVERIFY2(library.has_value(), library ? "" : library.error().detail().c_str());
            int filed = 0;
            for (const Clip& c : (*library)->clips()) filed += c.filed;
            QVERIFY(filed == saved || filed == saved + 1);
            const auto reviews = (*library)->filed((*library)->clients()[0].id, "bridge");
            QCOMPARE(int(reviews.size()), filed);
            for (const FiledReview& r : reviews) {
                QVERIFY(r.readings.size() >= 8 && !r.answerText.empty());
                const auto html =
                    readFile(std::filesystem::path(folder) / "answers" / ("answer-" + std::to_string(r.id) + ".html"));
                QVERIFY(html.has_value() && html->size() > 20000);
            }
        }
    }
};

int main(int argc, char** argv) {
    QCoreApplication app(argc, argv);
    if (argc == 3 && QByteArray(argv[1]) == "--write") return writeUntilKilled(argv[2]);
    LibraryTest test;
    return QTest::qExec(&test, argc, argv);
}
#include "library_test.moc"
