// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/mail.h"
#include "exercises/catalogue.h"
#include "programme/practice_note.h"
#include "records/consent.h"
#include "records/filed_review.h"

#include <QLockFile>
#include <QSqlDatabase>
#include <QSqlQuery>
#include <QVariantList>
#include <functional>
#include <memory>
#include <mutex>

namespace deft {

struct Client {
    int64_t id = 0;
    std::string uid; ///< the same in every copy of the library, and in what the client's phone sends
    std::string name, role;
    std::vector<std::string> flags;
    std::string wants;              ///< what the client comes for, in the coach's words
    std::string address;            ///< for mail; empty = not known
    std::string language;           ///< in which the client is written to; empty = English
    std::optional<Consent> consent; ///< the last that was recorded
};

/// The coach whose library it is.
struct Coach {
    std::string name, address; ///< address for mail; both may be empty
};

/// A clip that a client sent. Waiting until a review of it has been filed.
struct Clip {
    int64_t id = 0, client = 0;
    std::string received; ///< ISO date
    bool filed = false;
    ReviewInputs draft; ///< the review as it stands; saved at every change
    std::string savedAt;
};

/// Filed, but its mail has not been made yet.
struct UnsentReview {
    int64_t review = 0;
    ReviewInputs inputs;
    std::vector<ReviewInputs> with; ///< the other reviews that the same letter answers, in its order
};

/// A review to be filed, of a clip that waits.
struct Answered {
    int64_t clip = 0;
    const Review* review = nullptr;
};

/// The mail made for a filed review.
struct Mail {
    std::filesystem::path file;
    std::string made, sent; ///< times, UTC; sent is empty until the coach says so
};

/// A mail that was made, to whom and about what.
struct MadeLetter {
    int64_t review = 0; ///< under whose number it lies
    std::string client;
    std::vector<std::string> exercises; ///< ids, one of each review that it answers
    Mail mail;
};

/// A clip that was asked for in the last review of a client and exercise, while none has come since.
struct ExpectedClip {
    int64_t review = 0, client = 0;  ///< review 0: asked for by the programme, without a review before
    std::string name, exercise, due; ///< ISO day
    Target target;                   ///< what the client was asked to do
    std::string coach;
};

/// A programme as it was given to a client.
struct GivenProgramme {
    int64_t id = 0;
    std::string given; ///< time, UTC
    Programme programme;
};

/// What an erasure is to take.
enum class Erasing {
    Videos,    ///< of one client: clips and all that shows or was followed in them; the numbers stay
    Everything ///< of one client, numbers and records too
};

/// What an erasure takes, or has taken.
struct Erasure {
    int clips = 0, reviews = 0;                 ///< reviews whose numbers go; none with Erasing::Videos
    std::vector<std::filesystem::path> files;   ///< in the library's and the inbox's folder
    std::vector<std::filesystem::path> outside; ///< the client's clips outside of it, which are left alone
    /// Why traces may still stand in the database's own files although the records are gone; empty = they do not.
    /// Whoever opens the library next makes another attempt.
    Message traces;
};

/// Work that failed, or that the program did not live to end: it is not tried again by itself.
struct Aside {
    std::string kind, subject; ///< "measuring", "proposing", "picture" and a clip's id; "note" and its file; "mail" and
                               ///< a review's id
    Message why;               ///< a sentence without a full stop
};

/// What to do about the lock of a library that seems to be open elsewhere.
enum class InUse { Respect, TakeOver };

/// A coach's records: one folder with library.sqlite, clips/, answers/ and cache/. Schema and rules: docs/library.md.
///
/// Every call is one transaction, synced to the disk before it returns: a program that is killed has lost at most the
/// call that it was in. Filed reviews are never changed or overwritten. Only the user may read the folder.
class Library {
public:
    /// Makes the folder when it is not there; finishes what a kill left half done. @errors WriteFailed (read-only, full
    /// disk), NewerVersion (the file is untouched), Conflict (another program has it open), BadFormat (no library, or
    /// damaged); those of Catalogue::load
    static Result<std::unique_ptr<Library>> open(const std::filesystem::path& folder, InUse inUse = InUse::Respect);
    ~Library();

    const std::filesystem::path& folder() const { return folder_; }
    /// What ships, and the coach's own exercises in this library's exercises/: taken up anew once those files have
    /// changed. On any thread.
    CataloguePtr catalogue() const;
    /// What was found damaged when it was opened; those records are kept as they are.
    const Messages& damage() const { return damage_; }
    /// Called with a sentence when something cannot be read later on.
    void onTrouble(std::function<void(const Message&)> told) { told_ = std::move(told); }
    /// Looks through the whole database: references and sums. Empty = in order. @errors BadFormat when its structure is
    /// damaged, so that nothing should be written
    Result<Messages> check() const;
    /// A copy of the database in one file, as it is now. @errors WriteFailed
    Result<void> copyDatabase(const std::filesystem::path& to) const;

    /// Several calls as one: all of them or, when the work fails, none. @errors those of the work; WriteFailed
    Result<void> asOne(const std::function<Result<void>()>& work) { return transaction(work); }

    /// @param flags from intake, ids of data/safety.json
    /// @param uid as a phone tells it; empty = a new one is made
    Result<int64_t> addClient(const std::string& name, const std::string& role,
                              const std::vector<std::string>& flags = {}, const std::string& uid = {});
    std::vector<Client> clients() const;
    std::optional<Client> client(int64_t id) const;
    std::optional<Client> clientOf(const std::string& uid) const; ///< by the own id or one of alsoKnownAs()
    /// From now on what comes under this id is this client's, too. @errors WriteFailed
    Result<void> alsoKnownAs(int64_t client, const std::string& uid);
    /// Those whose names are written alike (nameKey): a reason to ask, never to decide.
    std::vector<Client> clientsLike(const std::string& name) const;
    /// Clips that wait go out under the new name; what was filed stays as it was. @errors WriteFailed, BadFormat
    /// (empty)
    Result<void> rename(int64_t client, const std::string& name);
    /// All of one client's clips, reviews and consents become another's, whose name and address stay; flags add up.
    /// @errors WriteFailed
    Result<void> merge(int64_t from, int64_t into);
    /// What intake says now; clips that already wait keep what they came with. @errors WriteFailed
    Result<void> setFlags(int64_t client, const std::vector<std::string>& flags);
    /// @param address for mail, empty = not known
    Result<void> setAbout(int64_t client, const std::string& wants, const std::string& address);
    /// In which the client is written to; clips that wait are answered in it. @errors WriteFailed
    Result<void> setLanguage(int64_t client, const std::string& language);
    Coach coach() const;
    Result<void> setCoach(const Coach& coach);
    int64_t clientOfReview(int64_t review) const; ///< 0 = there is no such review
    /// Names and addresses for a mail to a client. @param coach as the letter is signed; empty = as this library says
    Correspondents correspondents(int64_t client, const std::string& coach) const;
    /// Recorded beside the ones before it, which stay. The same one again changes nothing. @errors WriteFailed
    Result<void> recordConsent(int64_t client, const Consent& consent);
    std::vector<Consent> consents(int64_t client) const; ///< as they were recorded, oldest first

    /// Where clips come in; erasing looks there, too. Usually the library's own inbox/.
    void setInbox(const std::filesystem::path& folder) { inbox_ = folder; }
    const std::filesystem::path& inbox() const { return inbox_; }
    /// What erase() would take, as things are now: by content, wherever in the library and the inbox it lies.
    /// @errors WriteFailed, BadFormat (records cannot be read)
    Result<Erasure> whatErasingTakes(int64_t client, Erasing what) const;
    /// Takes it for good: files first, then the records, then what the database's files still hold of them. Clips of
    /// the same content that another client has, too, stay. No work on these clips may be running. Once begun it is
    /// ended by whoever opens the library next. @errors WriteFailed naming the file that could not be removed (nothing
    /// is recorded as gone then)
    Result<Erasure> erase(int64_t client, Erasing what);

    /// `draft` must name the clip's file; its history and flags are filled from the client's record, its cue record
    /// from the filed reviews of all clients.
    Result<int64_t> addClip(int64_t client, const std::string& received, ReviewInputs draft);
    /// Waiting ones first: pain or stop words, then the answer promised soonest, then oldest; then filed ones, newest
    /// first. @param filed at most so many of these; −1 = all
    std::vector<Clip> clips(int filed = -1) const;
    std::vector<Clip> clipsOf(int64_t client) const; ///< waiting ones first, oldest first
    std::optional<Clip> clip(int64_t id) const;
    std::optional<Clip> newestClip() const; ///< the last that was added
    Result<void> saveDraft(int64_t clip, const ReviewInputs& inputs);
    /// What is known of a clip that waits, with its client; its history and cue record become those of this client and
    /// exercise. @errors Conflict when it has been filed, WriteFailed
    Result<void> correct(int64_t clip, int64_t client, ReviewInputs draft);
    /// A clip that waits, its marks and its files leave the library; the inbox is not touched. @errors Conflict when it
    /// has been filed, WriteFailed
    Result<void> removeClip(int64_t clip);
    /// A new file for what the coach says over a clip's reply, erased with the clip; it goes at the next start unless
    /// the draft names it.
    std::filesystem::path newVoice(const ReviewInputs& draft) const;
    /// The clip's file is there now. @errors BadFormat when it is not the one that was taken in
    Result<void> relocate(int64_t clip, const std::filesystem::path& file);

    /// Files the review and its answer: readings, answer and audit entry in one transaction, the page beside it.
    Result<int64_t> file(int64_t clip, const Review& review, const std::string& html, const std::string& text);
    /// The same for the clips of one visit that one letter answers: all of them or none. The first one's number names
    /// page and mail. @pre at least one, all of one client @returns numbers of the reviews, in order
    Result<std::vector<int64_t>> file(const std::vector<Answered>& visit, const std::string& html,
                                      const std::string& text);
    /// Clips of this client that wait and came on the same day, this one among them, oldest first.
    std::vector<Clip> visitOf(const Clip& clip) const;
    /// The review under whose number the letter lies that answered this one: itself, unless it was one of several.
    int64_t letterOf(int64_t review) const;
    /// Soonest due first. A review that stopped the exercise asked for none.
    std::vector<ExpectedClip> expected() const;
    /// The coach does not wait for it any more. @errors WriteFailed
    Result<void> expectNoMore(int64_t review);
    std::vector<UnsentReview> unsent() const; ///< oldest first
    /// Its mail has been made and need not be any more. @param file in which it lies; empty = none was made
    Result<void> markMade(int64_t review, const std::filesystem::path& file = {});
    std::optional<Mail> mailOf(int64_t review) const; ///< nothing = none was made
    std::vector<MadeLetter> letters(int most) const;  ///< the newest that were made, newest first
    /// The coach says that it has been sent, or has not. @errors WriteFailed
    Result<void> setMailSent(int64_t review, bool sent);

    /// The programme that is being made for a client; empty = none is.
    std::optional<Programme> programmeDraft(int64_t client) const;
    /// @errors WriteFailed
    Result<void> saveProgrammeDraft(int64_t client, const Programme& programme);
    /// Given to the client and never changed after; the draft is done with. @errors WriteFailed
    Result<int64_t> giveProgramme(int64_t client, const Programme& programme);
    std::vector<GivenProgramme> programmes(int64_t client) const; ///< oldest first
    /// The coach's own programmes to begin with, by name: files in the library's programmes/ that name no client.
    std::vector<std::string> templates() const;
    /// @errors NotFound; those of parseProgramme
    Result<Programme> programmeTemplate(const std::string& name) const;
    /// Takes the client out of it. @errors BadFormat (no name for a file), WriteFailed
    Result<void> saveTemplate(const std::string& name, Programme programme);
    Result<void> removeTemplate(const std::string& name); ///< @errors WriteFailed
    /// What came home: of a day that is told again, the newer word counts. Clips that wait know of it.
    /// @errors WriteFailed
    Result<void> takePractice(int64_t client, const PracticeNote& note);
    std::vector<PractisedDay> practised(int64_t client) const; ///< in order of days

    /// Work on something begins; begun twice and never ended, it is put aside. @errors WriteFailed
    Result<void> begin(const std::string& kind, const std::string& subject);
    /// It has ended well, or is to be tried again.
    Result<void> end(const std::string& kind, const std::string& subject);
    Result<void> putAside(const Aside& aside);
    std::vector<Aside> asides(const std::string& kind) const;
    /// The same for what is too short to be written down each time: a clip is looked at for its picture; 0 = none is.
    /// If the program does not live to the next call, that clip is put aside as "picture".
    void lookingAt(int64_t clip) const;
    /// Filed reviews of a client and exercise, oldest first.
    std::vector<FiledReview> filed(int64_t client, const std::string& exercise) const;
    /// How the cues of this coach have done, over all clients and exercises.
    std::vector<CueRecord> cueRecord() const;
    int64_t auditEntries() const;

    /// Tracks computed before from the same clip and marks.
    std::optional<Tracks> cachedTracks(const ReviewInputs& inputs) const;
    void cacheTracks(const ReviewInputs& inputs, const Tracks& tracks) const; ///< failing to cache is no failure

    /// Marks that were proposed for this clip and exercise, as proposals_json.h writes them.
    std::optional<Marks> cachedProposals(const ReviewInputs& inputs) const;
    void cacheProposals(const ReviewInputs& inputs, const Marks& proposals) const;

private:
    Library() = default;
    Result<void> openDatabase();
    Result<void> migrate();
    void expectAgain(std::vector<ExpectedClip>& out) const;
    Result<void> fillNew(int found); ///< what a newer schema wants of older rows
    Result<void> finishErasures();
    Result<void> foldTraces() const;
    Result<void> sweep();
    Erasure gatherErasure(int64_t client, Erasing what) const; ///< within reading()
    void trouble(const Message& sentence) const;
    std::vector<int64_t> reviewsOf(int64_t client) const;
    Result<int64_t> fileOne(const Answered& one, const std::string& html, const std::string& text);
    std::vector<Client> readClients(const QString& which, const QVariantList& values) const;
    std::optional<Consent> readConsent(const std::string& json) const;
    std::vector<Clip> readClips(const QString& where, const QVariantList& values = {}) const;
    /// Reads that belong together: when one of them failed, the whole fails with its error. What changes or removes
    /// anything reads within this (a transaction does), so that nothing unread is taken for nothing there.
    Result<void> reading(const std::function<Result<void>()>& work) const;
    /// Reads rows one after the other; a failure is the error of reading(), and told where it is only shown.
    void each(const QString& sql, const QVariantList& values, const std::function<void(const QSqlQuery&)>& row) const;
    Result<void> run(const QString& sql, const QVariantList& values = {}, int64_t* id = nullptr) const;
    Result<void> seal(const char* table, int64_t row) const;             ///< writes the row's sum
    Result<void> audit(const char* what, int64_t subject);               ///< within a transaction
    Result<void> transaction(const std::function<Result<void>()>& work); ///< within another one: as part of it
    Result<void> isStillThere() const;
    Result<void> writeDraft(int64_t clip, const ReviewInputs& inputs) const; ///< within a transaction
    void remember(int64_t client, ReviewInputs& draft) const;                ///< fills in what earlier reviews tell
    void askAsProgrammed(int64_t client, ReviewInputs& draft) const;         ///< days of practice, day of the next clip
    Result<void> followProgrammes(int64_t client);  ///< within a transaction: clips that wait know what they ask for
    ReviewInputs stored(ReviewInputs inputs) const; ///< paths relative to the library
    void resolve(ReviewInputs& inputs) const;       ///< and back

    std::filesystem::path folder_, inbox_;
    QString connection_;
    std::unique_ptr<QLockFile> lock_;
    Messages damage_;
    std::function<void(const Message&)> told_;
    bool inTransaction_ = false;
    mutable bool reading_ = false;
    mutable std::optional<Error> unread_; ///< why the first of these reads failed
    uint64_t inode_ = 0; ///< of library.sqlite as it was opened
    mutable std::mutex catalogueLock_;
    mutable CataloguePtr catalogue_;
};

/// A name as names are compared: composed accents, single spaces, no case.
std::string nameKey(const std::string& name);

/// The newest schema that this program reads and writes.
constexpr int kLibraryVersion = 7;

} // namespace deft
