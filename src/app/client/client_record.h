// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "records/client_story.h"
#include "store/library.h"

#include <QObject>

namespace deft::ui {

/// One client's record as the room shows it: who it is, which exercises, and what the filed reviews of the chosen one
/// tell. Nothing is measured for it; it is what was filed.
class ClientRecord : public QObject {
    Q_OBJECT
public:
    explicit ClientRecord(Library& library, QObject* parent = nullptr) : QObject(parent), library_(library) {}
    const Library& library() const { return library_; }

    struct Practised {
        std::string id;
        QString name;
        int waiting = 0, reviews = 0;
        std::string last; ///< ISO day of the last clip
    };

    /// @param client 0, or one that is gone = the first there is @param exercise empty = that of the newest clip
    void show(int64_t client, const std::string& exercise = {});
    /// Reads everything anew and stays where it is.
    void refresh() { show(client_.id, exercise_); }
    void chooseExercise(int index);
    void stepExercise(int by);
    void stepClient(int by);
    void chooseReview(int index);

    bool isEmpty() const { return client_.id == 0; } ///< there is no client
    const std::vector<Client>& clients() const { return clients_; }
    const Client& client() const { return client_; }
    const std::vector<Clip>& clips() const { return clips_; } ///< of this client, waiting ones first
    const std::vector<Practised>& exercises() const { return exercises_; }
    const std::string& exercise() const { return exercise_; }
    int exerciseIndex() const;
    /// Null when the exercise's file is gone.
    const ClientStory* story() const { return story_ ? &*story_ : nullptr; }
    int review() const { return review_; }   ///< the chosen one of the story's, −1 = none
    const FiledReview* chosenReview() const; ///< null = none
    const Clip* newestClip() const;          ///< of the chosen exercise; null = none
    std::string since() const;               ///< ISO day of the first clip; empty = none

    /// What the coach writes down; no consent = as it was.
    struct Written {
        std::string name, wants, address, language;
        std::vector<std::string> flags;
        std::optional<Consent> consent;
        int64_t samePerson = 0; ///< another client who is the same person: all of this one's becomes theirs
    };
    /// @errors those of Library
    Result<void> keep(const Written& written);

signals:
    void changed();

private:
    void tell();
    Library& library_;
    std::vector<Client> clients_;
    Client client_;
    std::vector<Clip> clips_;
    std::vector<Practised> exercises_;
    std::string exercise_;
    std::optional<ClientStory> story_;
    int review_ = -1;
};

} // namespace deft::ui
