// SPDX-License-Identifier: GPL-3.0-or-later
#include "store/schema.h"

#include <QCryptographicHash>
#include <QVariant>

namespace deft::schema {

const std::vector<QStringList>& steps() {
    static const auto all = [] {
        const auto list = [](std::initializer_list<const char*> statements) {
            QStringList out;
            for (const char* s : statements) out << QString::fromLatin1(s);
            return out;
        };
        return std::vector<QStringList>{
            list({"CREATE TABLE client (id INTEGER PRIMARY KEY, name TEXT NOT NULL CHECK (name <> ''), role TEXT NOT "
                  "NULL, flags TEXT NOT NULL)",
                  "CREATE TABLE clip (id INTEGER PRIMARY KEY, client INTEGER NOT NULL REFERENCES client, received TEXT "
                  "NOT NULL, draft TEXT NOT NULL, saved_at TEXT NOT NULL)",
                  "CREATE TABLE review (id INTEGER PRIMARY KEY, clip INTEGER NOT NULL REFERENCES clip, client INTEGER "
                  "NOT NULL REFERENCES client, exercise TEXT NOT NULL, date TEXT NOT NULL, past TEXT NOT NULL, result "
                  "TEXT NOT NULL, filed_at TEXT NOT NULL)",
                  "CREATE TABLE reading (review INTEGER NOT NULL REFERENCES review, measure TEXT NOT NULL, stat TEXT "
                  "NOT NULL, value REAL NOT NULL, u95 REAL NOT NULL, unit TEXT NOT NULL, PRIMARY KEY (review, measure, "
                  "stat))",
                  "CREATE TABLE answer (review INTEGER PRIMARY KEY REFERENCES review, html TEXT NOT NULL, text TEXT "
                  "NOT NULL)",
                  "CREATE TABLE audit (id INTEGER PRIMARY KEY, at TEXT NOT NULL, what TEXT NOT NULL, subject INTEGER "
                  "NOT NULL)",
                  // What was filed stays as it was filed.
                  "CREATE TRIGGER review_stays BEFORE UPDATE ON review BEGIN SELECT RAISE(ABORT, 'a filed review is "
                  "never changed'); END",
                  "CREATE TRIGGER reading_stays BEFORE UPDATE ON reading BEGIN SELECT RAISE(ABORT, 'a filed reading is "
                  "never changed'); END"}),
            // Reviews whose mail has not been made yet: the program may be closed while it is.
            list({"CREATE TABLE unsent (review INTEGER PRIMARY KEY REFERENCES review)"}),
            // What a client agreed to is a record: a later one takes its place, none is changed. And the reviews after
            // which no clip is waited for any more.
            list({"ALTER TABLE client ADD COLUMN wants TEXT NOT NULL DEFAULT ''",
                  "ALTER TABLE client ADD COLUMN address TEXT NOT NULL DEFAULT ''",
                  "CREATE TABLE coach (id INTEGER PRIMARY KEY CHECK (id = 1), name TEXT NOT NULL, address TEXT NOT "
                  "NULL)",
                  "CREATE TABLE consent (id INTEGER PRIMARY KEY, client INTEGER NOT NULL REFERENCES client, consent "
                  "TEXT NOT NULL, recorded_at TEXT NOT NULL)",
                  "CREATE INDEX review_of_clip ON review (clip)",
                  "CREATE INDEX review_of_client ON review (client, exercise)",
                  "CREATE INDEX clip_of_client ON clip (client)",
                  "CREATE TABLE not_expected (review INTEGER PRIMARY KEY REFERENCES review)",
                  "CREATE TRIGGER consent_stays BEFORE UPDATE ON consent BEGIN SELECT RAISE(ABORT, 'a recorded consent "
                  "is never changed'); END"}),
            // Clients by an id of their own; a sum in every row; what was put aside; erasures under way; mails made.
            // What was filed still stays, but two records of one person may become one.
            list({"ALTER TABLE client ADD COLUMN uid TEXT NOT NULL DEFAULT ''",
                  "ALTER TABLE client ADD COLUMN sum TEXT NOT NULL DEFAULT ''",
                  "ALTER TABLE clip ADD COLUMN sum TEXT NOT NULL DEFAULT ''",
                  "ALTER TABLE review ADD COLUMN sum TEXT NOT NULL DEFAULT ''",
                  "ALTER TABLE reading ADD COLUMN sum TEXT NOT NULL DEFAULT ''",
                  "ALTER TABLE answer ADD COLUMN sum TEXT NOT NULL DEFAULT ''",
                  "ALTER TABLE consent ADD COLUMN sum TEXT NOT NULL DEFAULT ''",
                  "ALTER TABLE coach ADD COLUMN sum TEXT NOT NULL DEFAULT ''", "DROP TRIGGER review_stays",
                  "DROP TRIGGER reading_stays", "DROP TRIGGER consent_stays",
                  "CREATE TRIGGER review_stays BEFORE UPDATE OF id, clip, exercise, date, past, result, filed_at ON "
                  "review BEGIN SELECT RAISE(ABORT, 'a filed review is never changed'); END",
                  "CREATE TRIGGER reading_stays BEFORE UPDATE OF review, measure, stat, value, u95, unit ON reading "
                  "BEGIN SELECT RAISE(ABORT, 'a filed reading is never changed'); END",
                  "CREATE TRIGGER consent_stays BEFORE UPDATE OF id, consent, recorded_at ON consent BEGIN SELECT "
                  "RAISE(ABORT, 'a recorded consent is never changed'); END",
                  "CREATE TABLE aside (kind TEXT NOT NULL, subject TEXT NOT NULL, begun INTEGER NOT NULL, why TEXT NOT "
                  "NULL, at TEXT NOT NULL, PRIMARY KEY (kind, subject))",
                  "CREATE TABLE known_as (uid TEXT PRIMARY KEY, client INTEGER NOT NULL REFERENCES client)",
                  "CREATE TABLE erasing (client INTEGER PRIMARY KEY, what INTEGER NOT NULL, inbox TEXT NOT NULL)",
                  "CREATE TABLE mail (review INTEGER PRIMARY KEY REFERENCES review, file TEXT NOT NULL, made_at TEXT "
                  "NOT NULL, sent_at TEXT NOT NULL DEFAULT '')"}),
            // What a client practises, one that is being made for each; what came home of it, the last word on each
            // day.
            list({"CREATE TABLE programme (id INTEGER PRIMARY KEY, client INTEGER NOT NULL REFERENCES client, document "
                  "TEXT NOT NULL, given_at TEXT NOT NULL, sum TEXT NOT NULL DEFAULT '')",
                  "CREATE INDEX programme_of_client ON programme (client)",
                  "CREATE TRIGGER programme_stays BEFORE UPDATE OF id, document, given_at ON programme WHEN "
                  "OLD.given_at <> '' BEGIN SELECT RAISE(ABORT, 'a programme that was given is never changed'); END",
                  "CREATE TABLE practised (id INTEGER PRIMARY KEY, client INTEGER NOT NULL REFERENCES client, day TEXT "
                  "NOT NULL, document TEXT NOT NULL, sum TEXT NOT NULL DEFAULT '', UNIQUE (client, day))"}),
            // Reviews that another one's letter answers, too: the clips of one visit.
            list(
                {"CREATE TABLE visit (review INTEGER PRIMARY KEY REFERENCES review, letter INTEGER NOT NULL REFERENCES "
                 "review)"}),
            // In which the client is written to. It is not summed: the sums of earlier rows stay what they are.
            list({"ALTER TABLE client ADD COLUMN language TEXT NOT NULL DEFAULT ''"})};
    }();
    return all;
}

const std::vector<Summed>& summed() {
    static const std::vector<Summed> all = {
        {"client", "name, role, flags, wants, address, uid"},
        {"clip", "client, received, draft, saved_at"},
        {"review", "clip, client, exercise, date, past, result, filed_at"},
        {"reading", "review, measure, stat, value, u95, unit"},
        {"answer", "html, text"},
        {"consent", "client, consent, recorded_at"},
        {"coach", "name, address"},
        {"programme", "client, document, given_at"},
        {"practised", "client, day, document"},
    };
    return all;
}

QString sumOf(const QSqlQuery& row, int columns) {
    QCryptographicHash hash(QCryptographicHash::Sha256);
    for (int i = 0; i < columns; ++i) {
        const QByteArray value = row.value(i).toString().toUtf8();
        hash.addData(QByteArray::number(value.size()) + ':' + value); // the length keeps neighbours apart
    }
    return QString::fromLatin1(hash.result().toHex().left(16));
}

} // namespace deft::schema
