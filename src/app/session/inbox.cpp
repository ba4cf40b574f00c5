// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/inbox.h"

#include "app/theme/words.h"

#include "app/session/usual_schools.h"
#include "store/intake.h"

#include <QDate>
#include <algorithm>

namespace deft::ui {
namespace {
constexpr int kSettle_ms = 400;   // files come in pieces
constexpr int kAgain_ms = 10'000; // for folders whose changes the system does not tell of
constexpr const char* kNoteWork = "note";

/// A note as the library knows it was put aside: another one of that name is another.
std::string subjectOf(const std::filesystem::path& note) {
    std::error_code ec;
    const auto changed = std::filesystem::last_write_time(note, ec).time_since_epoch().count();
    return note.filename().string() + " " + std::to_string(changed);
}
} // namespace

Inbox::Inbox(Library& library, std::filesystem::path folder, QObject* parent) : QObject(parent), library_(library) {
    job_.stayBehind();
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
    stop();
    questions_.clear();
    folder_ = folder;
    library_.setInbox(folder);
    if (!watcher_.directories().isEmpty()) watcher_.removePaths(watcher_.directories());
    soon_.start();
}

void Inbox::stop() {
    job_.stop();
    waiting_.clear();
    if (!now_.empty()) (void)library_.end(kNoteWork, std::exchange(now_, {}));
}

void Inbox::retry() {
    for (const Aside& a : library_.asides(kNoteWork)) (void)library_.end(kNoteWork, a.subject);
    look();
}

void Inbox::answer(const std::filesystem::path& note, int64_t client) {
    const auto asked =
        std::find_if(questions_.begin(), questions_.end(), [&](const Question& q) { return q.item.note == note; });
    if (asked == questions_.end()) return;
    answers_[note] = {true, client};
    waiting_.push_back(std::move(asked->item));
    questions_.erase(asked);
    emit changed();
    if (!job_.isRunning()) next();
}

void Inbox::look() {
    if (!isIdle()) { // what changed since it looked is seen when it is done
        soon_.start();
        return;
    }
    const QString path = QString::fromStdString(folder_.string());
    if (!watcher_.directories().contains(path)) watcher_.addPath(path); // it may have come back
    job_.run([catalogue = library_.catalogue(),
              folder = folder_](StopToken, const ProgressFn&) { return lookIntoInbox(*catalogue, folder); },
             [this](Result<InboxContent> content) { seen(std::move(content)); });
}

void Inbox::seen(Result<InboxContent> content) {
    const auto before = std::tuple(refused_.size(), questions_.size(), loose_, trouble_);
    refused_.clear(), loose_.clear(), trouble_.clear();
    if (!content) {
        trouble_ = said(content.error());
    } else {
        refused_ = std::move(content->refused), loose_ = std::move(content->loose);
        const auto aside = library_.asides(kNoteWork);
        const auto isAsked = [this](const std::filesystem::path& note) {
            return std::any_of(questions_.begin(), questions_.end(),
                               [&](const Question& q) { return q.item.note == note; });
        };
        for (InboxContent::Item& item : content->ready) {
            const auto known = std::find_if(aside.begin(), aside.end(),
                                            [&](const Aside& a) { return a.subject == subjectOf(item.note); });
            if (known != aside.end())
                refused_.push_back({item.note, known->why});
            else if (!isAsked(item.note))
                waiting_.push_back(std::move(item));
        }
        for (const InboxContent::Home& home : content->home) takeHome(home);
        std::error_code ec;
        std::erase_if(questions_, [&](const Question& q) { return !std::filesystem::exists(q.item.note, ec); });
    }
    if (before != std::tuple(refused_.size(), questions_.size(), loose_, trouble_)) emit changed();
    next();
}

void Inbox::takeHome(const InboxContent::Home& home) {
    const auto aside = library_.asides(kNoteWork);
    const auto known =
        std::find_if(aside.begin(), aside.end(), [&](const Aside& a) { return a.subject == subjectOf(home.file); });
    if (known != aside.end()) return void(refused_.push_back({home.file, known->why}));
    const auto client = takePractice(library_, home.note);
    if (!client) return refuse(home.file, client.error().message);
    std::error_code ec;
    std::filesystem::remove(home.file, ec);
    emit practised(home.note, *client);
}

void Inbox::refuse(const std::filesystem::path& note, const Message& why) {
    (void)library_.putAside({kNoteWork, subjectOf(note), why});
    refused_.push_back({note, why});
    emit changed();
}

void Inbox::next() {
    if (waiting_.empty()) return;
    const InboxContent::Item item = std::move(waiting_.front());
    waiting_.pop_front();
    now_ = subjectOf(item.note);
    (void)library_.begin(kNoteWork, now_);
    job_.run([item, home = library_.folder() / "clips"](
                 StopToken stop, const ProgressFn& progress) { return keepClip(item, home, stop, progress); },
             [this, item](const Result<KeptClip>& kept) {
                 took(item, kept);
                 waiting_.empty() ? soon_.start() : next();
             });
}

void Inbox::took(const InboxContent::Item& item, const Result<KeptClip>& kept) {
    (void)library_.end(kNoteWork, std::exchange(now_, {}));
    if (!kept) {
        if (kept.error().code != Errc::Cancelled) refuse(item.note, kept.error().message);
        return;
    }
    const std::string today = QDate::currentDate().toString(Qt::ISODate).toStdString();
    const Sender sender = answers_.count(item.note) ? answers_[item.note] : Sender{};
    const auto clip = takeIn(library_, item.parcel(), kept->path, kept->sha256, today, usualSchools(), sender);
    if ((clip || clip.error().code == Errc::Conflict) && item.isLast()) {
        answers_.erase(item.note);
        clearFromInbox(item);
    } else if (clip || clip.error().code == Errc::Conflict) {
        // What came together is one person's, also where this clip had been taken in before.
        for (const Clip& known : library_.clips())
            if (known.draft.clipSha256 == kept->sha256 && known.draft.exercise == item.parcel().exercise &&
                (!clip || known.id == *clip))
                answers_[item.note] = {true, known.client};
        waiting_.push_front(item);
        ++waiting_.front().next;
    }
    if (clip) {
        emit tookIn(*clip);
    } else if (clip.error().code == Errc::Ambiguous) {
        questions_.push_back({item, library_.clientsLike(item.parcel().client)});
        emit changed();
    } else if (clip.error().code != Errc::Conflict) {
        refuse(item.note, clip.error().message);
    }
}

} // namespace deft::ui

#include "moc_inbox.cpp"
