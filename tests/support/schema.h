// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// The schemas that others write their files by, and whether a reader says the same as its schema.

#include "base/data_folder.h"
#include "base/json.h"
#include "exercises/json_schema.h"

#include <QTest>

namespace deft::test {

inline JsonSchema shippedSchema(const std::string& format) {
    const auto path = dataFolder() / "schemas" / (format + ".schema.json");
    return JsonSchema::parse(readJsonFile(path).value(), path.string()).value();
}

namespace detail {

/// Calls `check` for `whole` with every value below `at` in turn of another kind, too small, too large, or not there.
template <class Check> void disturb(const Json& whole, Json& at, const std::string& path, const Check& check) {
    const Json good = at;
    const Json others[] = {"nonsense", true, -1e6, 1e7, 1.5, Json::array({7}), Json{{"x", 7}}, nullptr};
    for (const Json& other : others) at = other, check(whole, path + " = " + other.dump());
    at = good;
    if (at.is_array())
        for (size_t i = 0; i < at.size(); ++i) disturb(whole, at[i], path + "/" + std::to_string(i), check);
    if (!at.is_object()) return;
    for (const auto& [key, value] : good.items()) {
        disturb(whole, at[key], path + "/" + key, check);
        at.erase(key);
        check(whole, path + "/" + key + " taken away");
        at = good;
    }
}

} // namespace detail

/// The reader must call the form of a disturbed document wrong where its schema does, and nowhere else; that an id is
/// not known (NotFound) is not of the form. @param read Result of anything from (document, where)
template <class Read> void verifyReaderObeys(const JsonSchema& schema, Json good, const Read& read) {
    int refused = 0;
    const auto check = [&](const Json& document, const std::string& what) {
        const auto bySchema = schema.check(document, "document");
        const auto parsed = read(document, "document");
        const bool byReader = !parsed && parsed.error().code != Errc::NotFound;
        refused += byReader;
        if (byReader == !bySchema) return;
        QFAIL((what + (byReader ? ": only the reader refuses: " + parsed.error().detail()
                                : ": only the schema refuses: " + bySchema.error().detail()))
                  .c_str());
    };
    check(good, "as it should be");
    QCOMPARE(refused, 0);
    detail::disturb(good, good, "", check);
    QVERIFY(refused > 0);
}

} // namespace deft::test
