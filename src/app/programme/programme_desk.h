// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "store/programme_need.h"

#include <QObject>
#include <QUndoStack>

namespace deft::ui {

/// The programme that is being made for one client, as the room shows it: proposed, changed, given. Every change is
/// kept in the library at once and can be undone.
class ProgrammeDesk : public QObject {
    Q_OBJECT
public:
    explicit ProgrammeDesk(Library& library, QObject* parent = nullptr);

    /// @param client 0, or one that is gone = the first there is
    void show(int64_t client);
    void refresh() { show(client_.id); }
    bool isEmpty() const { return client_.id == 0; }

    const Library& library() const { return library_; }
    const Client& client() const { return client_; }
    const std::vector<Client>& clients() const { return clients_; }
    const Programme& programme() const { return programme_; }
    const ProgrammeNeed& need() const { return need_; }
    const std::vector<LeftOut>& leftOut() const { return leftOut_; } ///< of the last proposal
    const std::vector<GivenProgramme>& given() const { return given_; }
    const GivenProgramme* running() const; ///< the last that was given, while its weeks last; null = none
    bool isGiven() const;                  ///< it is what the client has already
    const std::vector<PractisedDay>& practised() const { return practised_; }
    const QString& trouble() const { return trouble_; } ///< why nothing can be proposed; empty = it can
    QUndoStack& undoStack() { return undo_; }

    int chosen() const { return chosen_; } ///< −1 = there is no item
    void choose(int item);
    const ProgrammeItem* item() const; ///< the chosen one; null = none
    /// The exercise of an item in its version; nothing when its file is gone.
    std::optional<Exercise> exercise(const ProgrammeItem& item) const;
    Schools schoolsOf(const std::string& exercise) const;

    void propose(); ///< anew, from what is on record
    /// Exercises and doses of another programme, or of a template, as far as they are open to this client.
    /// @param what was done, as the undo list and the message say it: "imported"
    void begin(const QString& what, const Programme& from);
    void useTemplate(const std::string& name);
    void saveTemplate(const std::string& name); ///< what is on the desk, without its client
    void removeTemplate(const std::string& name);
    bool isLookedAtAgain(const std::string& exercise) const;
    void lookAgain(const std::string& exercise, bool again); ///< is it filmed again when the weeks are over?
    /// One change by a name, as the undo list tells it.
    void change(const QString& what, Programme programme);
    void move(int by);
    void moveTo(int place); ///< the chosen one to another place, the others close up
    void remove();
    void add(ProgrammeItem item); ///< behind the chosen one
    void replace(ProgrammeItem item);
    void stepVersion(int by);
    /// What could stand in place of the chosen item, and what could be added; none of it is locked.
    std::vector<ProgrammeItem> instead() const;
    std::vector<ProgrammeItem> more() const;

    /// @errors Unsupported (nothing to give), those of Library
    Result<int64_t> give();

signals:
    void changed();
    void said(const QString& sentence);

private:
    void take(const Programme& programme);
    friend class ProgrammeChange;

    Library& library_;
    std::vector<Client> clients_;
    Client client_;
    ProgrammeNeed need_;
    Programme programme_;
    std::vector<LeftOut> leftOut_;
    std::vector<GivenProgramme> given_;
    std::vector<PractisedDay> practised_;
    QString trouble_;
    QUndoStack undo_;
    int chosen_ = -1;
};

} // namespace deft::ui
