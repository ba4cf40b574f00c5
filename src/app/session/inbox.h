// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/background_job.h"
#include "devices/inbox_folder.h"
#include "store/intake.h"

#include <QFileSystemWatcher>
#include <QTimer>
#include <deque>

namespace deft::ui {

/// Watches the inbox folder and takes what comes into the library, one clip after the other, off the window's thread.
/// A parcel that cannot be taken in is put aside with its reason and waits; one whose client is not certain is a
/// question. Neither holds anything else up.
class Inbox : public QObject {
    Q_OBJECT
public:
    Inbox(Library& library, std::filesystem::path folder, QObject* parent = nullptr);

    const std::filesystem::path& folder() const { return folder_; }
    void setFolder(const std::filesystem::path& folder);
    void stop();  ///< what is under way stays in the inbox
    void look();  ///< now, and not only when the folder changes
    void retry(); ///< also what was put aside before

    /// A parcel from somebody whose name is written like that of people on record.
    struct Question {
        InboxContent::Item item;
        std::vector<Client> alike;
    };
    const std::vector<Question>& questions() const { return questions_; }
    /// The coach's answer. @param client 0 = somebody who is not on record yet
    void answer(const std::filesystem::path& note, int64_t client);

    const std::vector<InboxContent::Refusal>& refused() const { return refused_; }
    const std::vector<std::filesystem::path>& loose() const { return loose_; }
    const QString& trouble() const { return trouble_; } ///< of the folder itself; empty = none
    bool isIdle() const { return !job_.isRunning() && waiting_.empty(); }

signals:
    void tookIn(qint64 clip);
    void practised(const deft::PracticeNote& note, qint64 client);
    void changed(); ///< refused, questions, loose or trouble

private:
    void seen(Result<InboxContent> content);
    void next();
    void took(const InboxContent::Item& item, const Result<KeptClip>& kept);
    void takeHome(const InboxContent::Home& home);
    void refuse(const std::filesystem::path& note, const Message& why);

    Library& library_;
    std::filesystem::path folder_;
    QFileSystemWatcher watcher_;
    QTimer soon_, again_;
    BackgroundJob job_;
    std::deque<InboxContent::Item> waiting_;
    std::vector<InboxContent::Refusal> refused_;
    std::vector<std::filesystem::path> loose_;
    std::string now_; ///< the note that is being taken in, as the library knows it
    std::vector<Question> questions_;
    std::map<std::filesystem::path, Sender> answers_;
    QString trouble_;
};

} // namespace deft::ui
