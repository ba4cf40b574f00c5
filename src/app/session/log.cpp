// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/log.h"

#include <QDateTime>
#include <QDir>
#include <QFile>
#include <QMutex>
#include <boost/core/demangle.hpp>
#include <typeinfo>

namespace deft::ui {

Q_LOGGING_CATEGORY(lcWork, "deft.work")

const char* kindOf(const std::exception& e) {
    static thread_local std::string name;
    name = boost::core::demangle(typeid(e).name());
    return name.c_str();
}

std::filesystem::path logFile() {
    const QString state = qEnvironmentVariable("XDG_STATE_HOME", QDir::homePath() + QLatin1String("/.local/state"));
    return std::filesystem::path(state.toStdString()) / "deft-mirror" / "deft-mirror.log";
}

namespace {

QtMessageHandler before = nullptr;

void append(const QString& line) {
    static QMutex mutex; // messages come from any thread
    const QMutexLocker lock(&mutex);
    const QString path = QString::fromStdString(logFile().string());
    if (QFile(path).size() + line.size() > kLogBytes) {
        QFile::remove(path + QLatin1String(".1"));
        QFile::rename(path, path + QLatin1String(".1"));
    }
    QFile file(path);
    if (file.open(QIODevice::Append | QIODevice::Text)) file.write(line.toUtf8());
}

void handle(QtMsgType type, const QMessageLogContext& context, const QString& message) {
    if (qstrcmp(context.category, "deft.work") == 0)
        append(QDateTime::currentDateTimeUtc().toString(Qt::ISODate) + QLatin1Char(' ') + message + QLatin1Char('\n'));
    if (before) before(type, context, message);
}

} // namespace

void keepLog() {
    QDir().mkpath(QString::fromStdString(logFile().parent_path().string()));
    before = qInstallMessageHandler(handle);
}

} // namespace deft::ui
