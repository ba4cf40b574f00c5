// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/clip_watch.h"

#include "base/files.h"

#include <QFileInfo>

namespace deft::ui {
namespace {
constexpr int kFileSettles_ms = 300;
} // namespace

ClipWatch::ClipWatch(QObject* parent) : QObject(parent) {
    job_.stayBehind();
    soon_.setSingleShot(true);
    soon_.setInterval(kFileSettles_ms);
    connect(&soon_, &QTimer::timeout, this, &ClipWatch::look);
    connect(&watcher_, &QFileSystemWatcher::fileChanged, &soon_, qOverload<>(&QTimer::start));
    connect(&watcher_, &QFileSystemWatcher::directoryChanged, &soon_, qOverload<>(&QTimer::start));
}

void ClipWatch::watch(const std::string& path, const std::string& sha256) {
    stop();
    path_ = path, sha256_ = sha256;
    const QFileInfo file(QString::fromStdString(path));
    watcher_.addPaths({file.filePath(), file.absolutePath()}); // the folder tells when a file comes back
    look();
}

void ClipWatch::stop() {
    job_.stop();
    soon_.stop();
    if (const QStringList all = watcher_.files() + watcher_.directories(); !all.isEmpty()) watcher_.removePaths(all);
    path_.clear(), trouble_.clear();
}

void ClipWatch::look() {
    if (path_.empty()) return;
    watcher_.addPath(QString::fromStdString(path_)); // a file that was replaced is watched no longer
    job_.run([path = path_](StopToken, const ProgressFn&) { return sha256OfFile(path); },
             [this](const Result<std::string>& sha) {
                 const QString name = QFileInfo(QString::fromStdString(path_)).fileName();
                 QString now;
                 if (!sha)
                     now = tr("%1 has gone or cannot be read. What was measured is kept; put the file back to go on.")
                               .arg(name);
                 else if (!sha256_.empty() && *sha != sha256_)
                     now = tr("%1 is another file now than the one that was marked. What was measured is kept; put the "
                              "earlier file back, or bring this one in as a clip of its own.")
                               .arg(name);
                 if (now == trouble_) return;
                 trouble_ = now;
                 if (trouble_.isEmpty())
                     emit wellAgain();
                 else
                     emit troubled(trouble_);
             });
}

} // namespace deft::ui

#include "moc_clip_watch.cpp"
