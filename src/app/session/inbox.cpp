#include "app/session/inbox.h"

#include "app/session/usual_schools.h"
#include "store/intake.h"

#include <QDate>

namespace deft::ui {
namespace {
constexpr int kSettle_ms = 400;   // files come in pieces
constexpr int kAgain_ms = 10'000; // for folders whose changes the system does not tell of
} // namespace

Inbox::Inbox(Library& library, std::filesystem::path folder, QObject* parent) : QObject(parent), library_(library) {
    soon_.setSingleShot(true);
    soon_.setInterval(kSettle_ms);
    again_.setInterval(kAgain_ms);
    connect(&soon_, &QTimer::timeout, this, &Inbox::look);
    connect(&again_, &QTimer::timeout, this, &Inbox::look);
    connect(&watcher_, &QFileSystemWatcher::directoryChanged, &soon_, qOverload<>(&QTimer::start));
    again_.start();
    setFolder(folder);
}

void Inbox::setFolder(const std::filesystem::path& folder) {
    job_.stop();
    waiting_.clear();
    folder_ = folder;
    if (!watcher_.directories().isEmpty()) watcher_.removePaths(watcher_.directories());
    soon_.start();
}

void Inbox::retry() {
    givenUp_.clear();
    look();
}

void Inbox::look() {
    if (!isIdle()) return; // what is waiting was seen a moment ago; the end of it looks again
    const QString path = QString::fromStdString(folder_.string());
    if (!watcher_.directories().contains(path)) watcher_.addPath(path); // it may have come back
    job_.run([folder = folder_](StopToken, const ProgressFn&) { return lookIntoInbox(folder); },
             [this](Result<InboxContent> content) { seen(std::move(content)); });
}

void Inbox::seen(Result<InboxContent> content) {
    const auto before = std::tuple(refused_.size(), loose_, trouble_);
    refused_.clear(), loose_.clear(), trouble_.clear();
    if (!content) {
        trouble_ = QString::fromStdString(content.error().detail);
    } else {
        refused_ = std::move(content->refused), loose_ = std::move(content->loose);
        for (InboxContent::Item& item : content->ready) {
            std::error_code ec;
            const auto known = givenUp_.find(item.note);
            if (known == givenUp_.end() || known->second.first != std::filesystem::last_write_time(item.note, ec))
                waiting_.push_back(std::move(item));
            else
                refused_.push_back({item.note, known->second.second});
        }
    }
    if (before != std::tuple(refused_.size(), loose_, trouble_)) emit changed();
    next();
}

void Inbox::refuse(const std::filesystem::path& note, const std::string& why) {
    std::error_code ec;
    givenUp_[note] = {std::filesystem::last_write_time(note, ec), why};
    refused_.push_back({note, why});
    emit changed();
}

void Inbox::next() {
    if (waiting_.empty()) return;
    const InboxContent::Item item = std::move(waiting_.front());
    waiting_.pop_front();
    job_.run([item, home = library_.folder() / "clips"](
                 StopToken stop, const ProgressFn& progress) { return keepClip(item, home, stop, progress); },
             [this, item](const Result<KeptClip>& kept) {
                 if (!kept) {
                     refuse(item.note, kept.error().detail);
                 } else {
                     const std::string today = QDate::currentDate().toString(Qt::ISODate).toStdString();
                     const auto clip = takeIn(library_, item.parcel, kept->path, kept->sha256, today, usualSchools());
                     if (clip || clip.error().code == Errc::Conflict) clearFromInbox(item);
                     if (clip)
                         emit tookIn(*clip);
                     else if (clip.error().code != Errc::Conflict)
                         refuse(item.note, clip.error().detail);
                 }
                 waiting_.empty() ? soon_.start() : next();
             });
}

} // namespace deft::ui
