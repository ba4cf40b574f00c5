// SPDX-License-Identifier: GPL-3.0-or-later
// Clips and their drafts.
#include "base/files.h"
#include "base/json.h"
#include "review/review_json.h"
#include "store/cache_names.h"
#include "store/library.h"
#include "store/sql_values.h"

#include <algorithm>

namespace deft {
using namespace sql;
namespace fs = std::filesystem;

/// A library is a folder: what lies in it is named from there, so that it can be copied and moved.
ReviewInputs Library::stored(ReviewInputs inputs) const {
    const auto fromHere = [this](std::string& file) {
        const fs::path relative = fs::path(file).lexically_normal().lexically_relative(folder_);
        if (!relative.empty() && *relative.begin() != "..") file = relative.string();
    };
    fromHere(inputs.clipPath);
    if (inputs.spoken) fromHere(inputs.spoken->voice);
    return inputs;
}

void Library::resolve(ReviewInputs& inputs) const {
    const auto found = [this](std::string& file) {
        if (!file.empty() && fs::path(file).is_relative()) file = (folder_ / file).string();
    };
    found(inputs.clipPath);
    if (inputs.spoken) found(inputs.spoken->voice);
}

void Library::remember(int64_t client, ReviewInputs& draft) const {
    draft.history.clear();
    for (const FiledReview& past : filed(client, draft.exercise)) draft.history.push_back(past.past);
    if (const auto of = this->client(client)) {
        draft.language = of->language;
        if (draft.flags.empty()) draft.flags = of->flags;
    }
    draft.cueRecord = cueRecord();
    askAsProgrammed(client, draft);
}

Result<void> Library::correct(int64_t id, int64_t client, ReviewInputs draft) {
    return transaction([&]() -> Result<void> {
        if (const auto of = clip(id); !of)
            return fail(Errc::NotFound, "the clip is not in this library any more");
        else if (of->filed)
            return fail(Errc::Conflict, "this clip has been answered, and what was filed stays as it was");
        remember(client, draft);
        if (auto r = run(QStringLiteral("UPDATE clip SET client = ?, draft = ?, saved_at = ? WHERE id = ?"),
                         {qlonglong(client), text(toJson(stored(draft))), now(), qlonglong(id)});
            !r)
            return r;
        if (auto r = seal("clip", id); !r) return r;
        return audit("clip corrected", id);
    });
}

Result<int64_t> Library::addClip(int64_t client, const std::string& received, ReviewInputs draft) {
    int64_t id = 0;
    auto ok = transaction([&]() -> Result<void> {
        remember(client, draft);
        if (auto r = run(QStringLiteral("INSERT INTO clip (client, received, draft, saved_at) VALUES (?, ?, ?, ?)"),
                         {qlonglong(client), q(received), text(toJson(stored(draft))), now()}, &id);
            !r)
            return r;
        if (auto r = seal("clip", id); !r) return r;
        return audit("clip added", id);
    });
    return ok ? Result<int64_t>(id) : tl::unexpected(ok.error());
}

std::vector<Clip> Library::readClips(const QString& where, const QVariantList& values) const {
    std::vector<Clip> out;
    each(
        QStringLiteral("SELECT id, client, received, draft, saved_at, EXISTS (SELECT 1 FROM review WHERE review.clip = "
                       "clip.id) AS filed FROM clip %1 ORDER BY filed, CASE WHEN filed THEN -id ELSE id END")
            .arg(where),
        values, [&](const QSqlQuery& row) {
            const std::string place = "clip " + s(row.value(0)) + " of the library";
            auto draft =
                parseJson(s(row.value(3)), place).and_then([&](const Json& j) { return parseInputs(j, place); });
            if (!draft)
                return trouble(
                    {"A clip cannot be shown: {what}. Its record is kept.", {{"what", draft.error().message}}});
            resolve(*draft);
            out.push_back({row.value(0).toLongLong(), row.value(1).toLongLong(), s(row.value(2)), row.value(5).toBool(),
                           std::move(*draft), s(row.value(4))});
        });
    return out;
}

std::vector<Clip> Library::clips(int filed) const {
    std::vector<Clip> out = filed < 0
                                ? readClips({})
                                : readClips(QStringLiteral("WHERE id NOT IN (SELECT clip FROM review) OR id IN "
                                                           "(SELECT clip FROM review ORDER BY clip DESC LIMIT ?)"),
                                            {filed});
    // Pain and words that stop come first, whoever has waited longer; then what was promised soonest.
    std::stable_sort(out.begin(), out.end(), [](const Clip& a, const Clip& b) {
        auto key = [](const Clip& c) {
            const std::string& promised = c.draft.answerBy;
            return std::tuple(c.filed, c.filed || !c.draft.note.isAlarming(),
                              c.filed || promised.empty() ? std::string("~") : promised);
        };
        return key(a) < key(b);
    });
    return out;
}

std::vector<Clip> Library::clipsOf(int64_t client) const {
    return readClips(QStringLiteral("WHERE client = ?"), {qlonglong(client)});
}

std::vector<Clip> Library::visitOf(const Clip& clip) const {
    std::vector<Clip> out =
        readClips(QStringLiteral("WHERE client = ? AND received = ? AND id NOT IN (SELECT clip FROM review)"),
                  {qlonglong(clip.client), q(clip.received)});
    std::sort(out.begin(), out.end(), [](const Clip& a, const Clip& b) { return a.id < b.id; });
    return out;
}

std::optional<Clip> Library::clip(int64_t id) const {
    auto found = readClips(QStringLiteral("WHERE id = ?"), {qlonglong(id)});
    return found.empty() ? std::nullopt : std::optional(std::move(found.front()));
}

std::optional<Clip> Library::newestClip() const {
    auto found = readClips(QStringLiteral("WHERE id = (SELECT max(id) FROM clip)"));
    return found.empty() ? std::nullopt : std::optional(std::move(found.front()));
}

Result<void> Library::writeDraft(int64_t clip, const ReviewInputs& inputs) const {
    if (auto r = run(QStringLiteral("UPDATE clip SET draft = ?, saved_at = ? WHERE id = ?"),
                     {text(toJson(stored(inputs))), now(), qlonglong(clip)});
        !r)
        return r;
    return seal("clip", clip);
}

Result<void> Library::saveDraft(int64_t clip, const ReviewInputs& inputs) {
    return transaction([&] { return writeDraft(clip, inputs); });
}

fs::path Library::newVoice(const ReviewInputs& draft) const {
    for (int number = 1;; ++number) {
        const fs::path file = folder_ / "clips" / (voicePrefix(draft.clipSha256) + std::to_string(number) + ".wav");
        if (std::error_code ec; !fs::exists(file, ec)) return file;
    }
}

Result<void> Library::relocate(int64_t id, const fs::path& file) {
    const auto of = clip(id);
    if (!of) return fail(Errc::NotFound, "the clip is not in this library any more");
    const auto sum = sha256OfFile(file);
    if (!sum) return tl::unexpected(sum.error());
    if (!of->draft.clipSha256.empty() && *sum != of->draft.clipSha256)
        return fail(Errc::BadFormat,
                    {"{file}: is another film than the one that was taken in", {{"file", file.string()}}});
    ReviewInputs inputs = of->draft;
    inputs.clipPath = fs::absolute(file).lexically_normal().string();
    return saveDraft(id, inputs);
}

} // namespace deft
