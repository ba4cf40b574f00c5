// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Values as the database has them.

#include "base/json.h"

#include <QDateTime>
#include <QString>
#include <QVariant>

namespace deft::sql {

inline QString q(const std::string& s) { return QString::fromStdString(s); }
inline std::string s(const QVariant& v) { return v.toString().toStdString(); }
inline QString text(const Json& j) { return QString::fromStdString(toLine(j)); }
inline std::string today() { return QDate::currentDate().toString(Qt::ISODate).toStdString(); }
inline QString now() { return QDateTime::currentDateTimeUtc().toString(Qt::ISODateWithMs); }

} // namespace deft::sql
