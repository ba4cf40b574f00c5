// Taking a client's videos, or everything of a client, out of the library for good.
#include "store/cache_names.h"
#include "store/library.h"

#include <QSqlQuery>
#include <algorithm>

namespace deft {
namespace {

namespace fs = std::filesystem;

bool liesIn(const fs::path& file, const fs::path& folder) {
    std::error_code ec;
    const auto from = fs::weakly_canonical(file, ec).lexically_relative(fs::weakly_canonical(folder, ec));
    return !from.empty() && *from.begin() != "..";
}

/// Files of a folder whose names begin with one of these.
void addFiles(std::vector<fs::path>& files, const fs::path& folder, const std::vector<std::string>& beginnings) {
    std::error_code ec;
    for (const auto& entry : fs::directory_iterator(folder, ec)) {
        const std::string name = entry.path().filename().string();
        if (std::any_of(beginnings.begin(), beginnings.end(),
                        [&](const std::string& b) { return name.compare(0, b.size(), b) == 0; }))
            files.push_back(entry.path());
    }
}

} // namespace

std::vector<int64_t> Library::reviewsOf(int64_t client) const {
    std::vector<int64_t> ids;
    QSqlQuery query(QSqlDatabase::database(connection_));
    query.prepare(QStringLiteral("SELECT id FROM review WHERE client = ?"));
    query.addBindValue(qlonglong(client));
    query.exec();
    while (query.next()) ids.push_back(query.value(0).toLongLong());
    return ids;
}

Erasure Library::whatErasingTakes(int64_t client, Erasing what) const {
    Erasure erasure;
    const auto isOfOthers = [&, all = clips()](auto same) {
        return std::any_of(all.begin(), all.end(), [&](const Clip& c) { return c.client != client && same(c.draft); });
    };
    std::vector<std::string> kept; // beginnings of names in cache/
    for (const Clip& c : clipsOf(client)) {
        ++erasure.clips;
        const fs::path file = c.draft.clipPath;
        std::error_code ec;
        if (!isOfOthers([&](const ReviewInputs& other) { return other.clipSha256 == c.draft.clipSha256; }))
            kept.push_back(cachePrefix(c.draft.clipSha256));
        if (!fs::exists(file, ec) ||
            isOfOthers([&](const ReviewInputs& other) { return other.clipPath == c.draft.clipPath; }))
            continue;
        auto& list = liesIn(file, folder_) ? erasure.files : erasure.outside;
        if (std::find(list.begin(), list.end(), file) == list.end()) list.push_back(file);
    }
    addFiles(erasure.files, folder_ / "cache", kept);
    const auto reviews = reviewsOf(client);
    std::vector<std::string> answers; // answer-7.html, answer-7.mp4, answer-7-2.eml
    for (const int64_t id : reviews)
        for (const char* after : {".", "-"}) answers.push_back("answer-" + std::to_string(id) + after);
    addFiles(erasure.files, folder_ / "answers", answers);
    addFiles(erasure.files, folder_ / "outbox", answers);
    if (what == Erasing::Everything) erasure.reviews = int(reviews.size());
    return erasure;
}

Result<Erasure> Library::erase(int64_t client, Erasing what) {
    const Erasure erasure = whatErasingTakes(client, what);
    for (const fs::path& file : erasure.files) {
        std::error_code ec;
        if (!fs::remove(file, ec) && ec)
            return fail(Errc::WriteFailed,
                        file.string() + " could not be removed (" + ec.message() + "); the records are still there");
    }
    const QString of = QStringLiteral("IN (SELECT id FROM review WHERE client = ?)"),
                  waiting = QStringLiteral("DELETE FROM clip WHERE client = ? AND id NOT IN (SELECT clip FROM review)");
    const QStringList statements =
        what == Erasing::Videos ? QStringList{QStringLiteral("DELETE FROM unsent WHERE review ") + of,
                                              QStringLiteral("UPDATE answer SET html = '' WHERE review ") + of, waiting}
                                : QStringList{QStringLiteral("DELETE FROM unsent WHERE review ") + of,
                                              QStringLiteral("DELETE FROM not_expected WHERE review ") + of,
                                              QStringLiteral("DELETE FROM answer WHERE review ") + of,
                                              QStringLiteral("DELETE FROM reading WHERE review ") + of,
                                              QStringLiteral("DELETE FROM review WHERE client = ?"),
                                              QStringLiteral("DELETE FROM clip WHERE client = ?"),
                                              QStringLiteral("DELETE FROM consent WHERE client = ?"),
                                              QStringLiteral("DELETE FROM client WHERE id = ?")};
    auto ok = transaction([&]() -> Result<void> {
        for (const QString& sql : statements)
            if (auto r = run(sql, {qlonglong(client)}); !r) return r;
        return audit(what == Erasing::Videos ? "videos erased" : "client erased", client);
    });
    if (!ok) return tl::unexpected(ok.error());
    // What was written over still stands in the log until it is folded into the database.
    if (auto folded = run(QStringLiteral("PRAGMA wal_checkpoint(TRUNCATE)")); !folded)
        return tl::unexpected(folded.error());
    return erasure;
}

} // namespace deft
