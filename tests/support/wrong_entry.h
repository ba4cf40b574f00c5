// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// One wrong entry in a good file: the reader must refuse it and say where.

#include "base/json.h"

#include <QTest>

namespace deft::test {

inline void wrongEntryColumns() {
    QTest::addColumn<QString>("pointer");
    QTest::addColumn<QString>("value");
    QTest::addColumn<QString>("told");
}

/// Puts the row's value at its pointer; `parse(json, "mine.json")` must fail, naming the file and what the row says.
template <class Parse> void verifyWrongEntry(Json good, Parse parse) {
    QFETCH(QString, pointer);
    QFETCH(QString, value);
    QFETCH(QString, told);
    good[Json::json_pointer(pointer.toStdString())] = Json::parse(value.toStdString());
    const auto parsed = parse(good, "mine.json");
    QVERIFY(!parsed);
    QCOMPARE(parsed.error().code, Errc::BadFormat);
    QVERIFY2(parsed.error().detail().find(told.toStdString()) != std::string::npos &&
                 parsed.error().detail().starts_with("mine.json"),
             parsed.error().detail().c_str());
}

} // namespace deft::test
