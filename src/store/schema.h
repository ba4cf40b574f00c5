// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// The database's tables, version by version, and the sums of their rows. Private to the store.

#include <QSqlQuery>
#include <QStringList>

namespace deft::schema {

/// Statements that lead from one version to the next, in order; the first makes version 1 of an empty file.
const std::vector<QStringList>& steps();

struct Summed {
    const char* table;
    const char* columns; ///< that the row's sum is made from
};
/// Tables whose rows carry a sum, so that a flipped bit is noticed where the structure still holds.
const std::vector<Summed>& summed();

/// Sum of the first `columns` values of a row: 16 hexadecimal digits.
QString sumOf(const QSqlQuery& row, int columns);

} // namespace deft::schema
