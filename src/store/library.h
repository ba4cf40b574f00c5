#pragma once
#include "answer/mail.h"
#include "review/consent.h"
#include "review/filed_review.h"

#include <QLockFile>
#include <QSqlDatabase>
#include <QVariantList>
#include <functional>
#include <memory>

namespace deft {

struct Client {
    int64_t id = 0;
    std::string name, role;
    std::vector<std::string> flags;
    std::string wants;              ///< what the client comes for, in the coach's words
    std::string address;            ///< for mail; empty = not known
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
};

/// A clip that was asked for in the last review of a client and exercise, while none has come since.
struct ExpectedClip {
    int64_t review = 0, client = 0;
    std::string name, exercise, due; ///< ISO day
    Target target;                   ///< what the client was asked to do
    std::string coach;
};

/// What an erasure is to take.
enum class Erasing {
    Videos,    ///< of one client: clips and all that shows or was followed in them; the numbers stay
    Everything ///< of one client, numbers and records too
};

/// What an erasure takes, or has taken.
struct Erasure {
    int clips = 0, reviews = 0;                 ///< reviews whose numbers go; none with Erasing::Videos
    std::vector<std::filesystem::path> files;   ///< in the library's folder
    std::vector<std::filesystem::path> outside; ///< the client's clips outside of it, which are left alone
};

/// A coach's records: one folder with library.sqlite, answers/ and cache/. Schema and rules: docs/library.md.
///
/// Every call is one transaction, synced to the disk before it returns: a program that is killed has lost at most the
/// call that it was in. Filed reviews are never changed or overwritten.
class Library {
public:
    /// Makes the folder when it is not there. @errors WriteFailed (read-only, full disk), NewerVersion, Conflict
    /// (another program has it open), BadFormat (the file is no library)
    static Result<std::unique_ptr<Library>> open(const std::filesystem::path& folder);
    ~Library();

    const std::filesystem::path& folder() const { return folder_; }

    /// @param flags from intake, ids of data/safety.json
    Result<int64_t> addClient(const std::string& name, const std::string& role,
                              const std::vector<std::string>& flags = {});
    std::vector<Client> clients() const;
    /// What intake says now; clips that already wait keep what they came with. @errors WriteFailed
    Result<void> setFlags(int64_t client, const std::vector<std::string>& flags);
    /// @param address for mail, empty = not known
    Result<void> setAbout(int64_t client, const std::string& wants, const std::string& address);
    Coach coach() const;
    Result<void> setCoach(const Coach& coach);
    int64_t clientOfReview(int64_t review) const; ///< 0 = there is no such review
    /// Names and addresses for a mail to a client. @param coach as the letter is signed; empty = as this library says
    Correspondents correspondents(int64_t client, const std::string& coach) const;
    /// Recorded beside the ones before it, which stay. The same one again changes nothing. @errors WriteFailed
    Result<void> recordConsent(int64_t client, const Consent& consent);
    std::vector<Consent> consents(int64_t client) const; ///< as they were recorded, oldest first

    /// What erase() would take, as things are now.
    Erasure whatErasingTakes(int64_t client, Erasing what) const;
    /// Takes it for good: files first, then the records, which the database writes over. Clips of the same content that
    /// another client has, too, stay. No work on these clips may be running. @errors WriteFailed naming the file that
    /// could not be removed (nothing is recorded as gone then, and it can be asked for again)
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

    /// Files the review and its answer: readings, answer and audit entry in one transaction, the page beside it.
    Result<int64_t> file(int64_t clip, const Review& review, const std::string& html, const std::string& text);
    /// Soonest due first. A review that stopped the exercise asked for none.
    std::vector<ExpectedClip> expected() const;
    /// The coach does not wait for it any more. @errors WriteFailed
    Result<void> expectNoMore(int64_t review);
    std::vector<UnsentReview> unsent() const; ///< oldest first
    Result<void> markSent(int64_t review);
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
    Result<void> migrate();
    std::vector<int64_t> reviewsOf(int64_t client) const;
    std::vector<Clip> readClips(const QString& where, const QVariantList& values = {}) const;
    Result<void> run(const QString& sql, const QVariantList& values = {}, int64_t* id = nullptr) const;
    Result<void> audit(const char* what, int64_t subject); ///< within a transaction
    Result<void> transaction(const std::function<Result<void>()>& work);

    std::filesystem::path folder_;
    QString connection_;
    std::unique_ptr<QLockFile> lock_;
};

/// The newest schema that this program reads and writes.
constexpr int kLibraryVersion = 3;

} // namespace deft
