// SPDX-License-Identifier: GPL-3.0-or-later
// Libraries that earlier versions of the program wrote (libraries/README.md) are brought up to date: all that stood in
// the file is told as it was, and work goes on.
#include "answer/answer.h"
#include "store/library.h"
#include "support/demo_review.h"

#include <QSqlError>
#include <QSqlQuery>
#include <QSqlRecord>
#include <QTemporaryDir>
#include <QTest>
#include <set>

using namespace deft;
using namespace deft::test;
namespace fs = std::filesystem;

namespace {

/// Rows of a file that this program has not touched yet, a list of texts each.
class Rows {
public:
    explicit Rows(const fs::path& file) {
        db_ = QSqlDatabase::addDatabase(QStringLiteral("QSQLITE"), QStringLiteral("old"));
        db_.setDatabaseName(QString::fromStdString(file.string()));
        db_.open();
    }
    ~Rows() {
        db_ = {};
        QSqlDatabase::removeDatabase(QStringLiteral("old"));
    }
    std::vector<QVariantList> operator()(const char* sql) const {
        std::vector<QVariantList> rows;
        QSqlQuery query(db_);
        if (!query.exec(QString::fromLatin1(sql))) qFatal("%s", qPrintable(query.lastError().text()));
        while (query.next()) {
            QVariantList row;
            for (int k = 0; k < query.record().count(); ++k) row << query.value(k);
            rows.push_back(row);
        }
        return rows;
    }

private:
    QSqlDatabase db_;
};

std::string text(const QVariant& v) { return v.toString().toStdString(); }

} // namespace

class OldLibrariesTest : public QObject {
    Q_OBJECT
    QTemporaryDir dir_;

    static fs::path kept(int version) {
        return fs::path(DEFT_TEST_DATA "/store/libraries") / ("version-" + std::to_string(version) + ".sqlite");
    }

private slots:
    void broughtUpToDate_data() {
        QTest::addColumn<int>("version");
        for (int v = 1; v < kLibraryVersion; ++v) QTest::addRow("%d", v) << v; // a new version needs its file
    }
    void broughtUpToDate() {
        QFETCH(int, version);
        const fs::path folder = dir_.filePath(QString::number(version)).toStdString();
        fs::create_directories(folder);
        std::error_code ec;
        QVERIFY2(fs::copy_file(kept(version), folder / "library.sqlite", ec), ec.message().c_str());
        std::vector<QVariantList> clients, clips, reviews, readings;
        {
            const Rows old(folder / "library.sqlite");
            QCOMPARE(old("PRAGMA user_version")[0][0].toInt(), version);
            clients = old("SELECT id, name, role FROM client ORDER BY id");
            clips = old("SELECT id, client, received FROM clip ORDER BY id");
            reviews = old("SELECT review.id, client, date, text FROM review JOIN answer ON answer.review = review.id "
                          "ORDER BY review.id");
            readings = old("SELECT review, measure, stat, value, u95, unit FROM reading ORDER BY review, rowid");
        }
        QVERIFY(clients.size() == 2 && clips.size() >= 3 && reviews.size() >= 2 && readings.size() > 10);

        for (const bool again : {false, true}) { // and what was brought up to date is opened as it is
            auto library = Library::open(folder).value();
            QVERIFY2(library->damage().empty(),
                     library->damage().empty() ? "" : inEnglish(library->damage()[0]).c_str());
            QVERIFY(library->check()->empty());
            std::vector<std::string> told;
            library->onTrouble([&](const Message& sentence) { told.push_back(inEnglish(sentence)); });
            std::set<std::string> uids;
            for (const QVariantList& row : clients) {
                const auto client = library->client(row[0].toLongLong());
                QVERIFY(client && client->name == text(row[1]) && client->role == text(row[2]));
                uids.insert(client->uid);
            }
            QVERIFY(uids.size() == clients.size() && !uids.count(""));
            const int64_t ruta = clients[0][0].toLongLong(), tove = clients[1][0].toLongLong();
            QCOMPARE(library->client(ruta)->flags, std::vector<std::string>{"pregnancy"});
            QVERIFY(library->client(tove)->flags.empty());
            for (const QVariantList& row : clips) {
                const auto clip = library->clip(row[0].toLongLong());
                QVERIFY(clip && clip->client == row[1].toLongLong() && clip->received == text(row[2]));
                QVERIFY(clip->draft.exercise == "bridge" && !clip->draft.marks.frames.empty());
                QCOMPARE(clip->draft.clipSha256, demoInputs().clipSha256);
            }
            const auto filed = library->filed(ruta, "bridge");
            QCOMPARE(filed.size(), reviews.size());
            size_t reading = 0;
            for (size_t k = 0; k < filed.size(); ++k) {
                const FiledReview& review = filed[k];
                QVERIFY(review.id == reviews[k][0].toLongLong() && review.date == text(reviews[k][2]));
                QVERIFY(review.answerText == text(reviews[k][3]) && review.past.date == review.date);
                QVERIFY(review.past.version == "both" && review.past.target.sets == 2 && !review.past.faults.empty());
                QVERIFY(!review.step.empty() && !review.because.empty());
                for (const Reading& r : review.readings) {
                    const QVariantList& row = readings.at(reading++);
                    QVERIFY(row[0].toLongLong() == review.id && r.measure == text(row[1]) && r.stat == text(row[2]));
                    QVERIFY(r.value == row[3].toDouble() && r.u95 == row[4].toDouble() && r.unit == text(row[5]));
                }
            }
            QCOMPARE(reading, readings.size());
            const Clip waiting = library->clipsOf(tove).at(0);
            QVERIFY(waiting.draft.note.pain && waiting.draft.note.words == "Mir tat danach das Knie weh.");
            QCOMPARE(library->clip(filed[0].clip)->draft.words.at("well"), std::string("Fünf ruhige Brücken – schön."));
            // Of version 1 all mails went out long ago; later ones know which have not.
            QCOMPARE(library->unsent().size(), size_t(version < 2 ? 0 : version < 6 ? 1 : 2));
            if (version >= 3) {
                QVERIFY(library->client(ruta)->wants == "no stiff back at load-in" &&
                        library->client(ruta)->address == "ruta@example.net");
                QVERIFY(library->coach().name == "Jonna" && library->coach().address == "jonna@example.net");
                QCOMPARE(library->client(ruta)->consent->scopes, std::vector<std::string>{"coaching"});
            }
            if (version >= 4) {
                QCOMPARE(library->clientOf("tove-on-the-old-phone")->id, tove);
                QCOMPARE(library->asides("measuring").size(), size_t(1));
                QVERIFY(!library->mailOf(filed[0].id)->sent.empty());
            }
            if (version >= 5) {
                QCOMPARE(library->programmes(ruta).at(0).programme.items.at(0).target.hold_s, std::optional<double>(5));
                QCOMPARE(library->practised(ruta).size(), size_t(1));
            }
            if (version >= 6) QCOMPARE(library->letterOf(filed.back().id), filed[filed.size() - 2].id);
            QVERIFY2(told.empty(), told.empty() ? "" : told[0].c_str());

            if (!again) continue;
            // What waits is measured and filed, and the client's next clip knows what was filed long ago.
            const Review review = demoReview(waiting.draft);
            QVERIFY(library->file(waiting.id, review, "<p>page</p>", answerText(composeAnswer(review))));
            const auto next = library->addClip(ruta, "2026-05-21", demoInputs()).value();
            QCOMPARE(library->clip(next)->draft.history.size(), reviews.size());
            QVERIFY(library->check()->empty());
        }
    }
};

QTEST_GUILESS_MAIN(OldLibrariesTest)
#include "old_libraries_test.moc"
