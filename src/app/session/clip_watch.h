// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/background_job.h"

#include <QFileSystemWatcher>
#include <QTimer>

namespace deft::ui {

/// Is the file of the open clip still there, and still the one that was marked? Looks when it is opened and whenever
/// the file changes, off the window's thread.
class ClipWatch : public QObject {
    Q_OBJECT
public:
    explicit ClipWatch(QObject* parent = nullptr);
    void watch(const std::string& path, const std::string& sha256);
    void stop();
    /// What is wrong with it, one sentence; empty = nothing.
    const QString& trouble() const { return trouble_; }

signals:
    void troubled(const QString& sentence);
    void wellAgain(); ///< the file that was marked is back

private:
    void look();
    QFileSystemWatcher watcher_;
    QTimer soon_;
    BackgroundJob job_;
    std::string path_, sha256_;
    QString trouble_;
};

} // namespace deft::ui
