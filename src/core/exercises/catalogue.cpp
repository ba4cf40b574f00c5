// SPDX-License-Identifier: GPL-3.0-or-later
#include "exercises/catalogue.h"

#include "base/files.h"
#include "base/json.h"
#include "exercises/json_schema.h"
#include "exercises/written_out.h"

#include <sys/stat.h>

#include <mutex>

namespace deft {
namespace fs = std::filesystem;

/// A file's text as it was taken up. Its content is checked when it is asked for: most programs need few of many.
struct Catalogue::File {
    fs::path path;
    Result<std::string> text;

    static std::shared_ptr<const File> at(const fs::path& path) {
        return std::make_shared<const File>(File{path, readFile(path, kMostJsonBytes)});
    }
    Result<Json> document() const {
        return text.and_then([&](const std::string& words) { return parseJson(words, path.string()); });
    }
};

struct Catalogue::Known {
    std::mutex mutex;
    std::map<ExerciseForm, std::shared_ptr<const Result<Exercise>>> made;
    std::map<std::string, JsonSchema> schemas;
    std::map<std::string, LanguagePtr> languages;
};

namespace {

std::vector<fs::path> exerciseFilesIn(const fs::path& folder) {
    std::vector<fs::path> files;
    std::error_code ec;
    if (!folder.empty())
        for (const auto& entry : fs::directory_iterator(folder, ec))
            if (entry.path().extension() == ".json") files.push_back(entry.path());
    return files;
}

/// Which writing of its files a folder holds: they may change under a running program, by rename or in place.
std::string stampOf(const fs::path& folder) {
    std::map<std::string, std::string> stamps;
    for (const fs::path& file : exerciseFilesIn(folder)) {
        struct stat at {};
        if (::stat(file.c_str(), &at) != 0) continue;
        stamps[file.filename().string()] = std::to_string(at.st_ino) + " " + std::to_string(at.st_size) + " " +
                                           std::to_string(at.st_mtim.tv_sec) + "." + std::to_string(at.st_mtim.tv_nsec);
    }
    std::string all;
    for (const auto& [name, stamp] : stamps) all += name + " " + stamp + "\n";
    return all;
}

} // namespace

Catalogue::Catalogue() : known_(std::make_unique<Known>()) {}
Catalogue::~Catalogue() = default;

Result<std::shared_ptr<const Catalogue>> Catalogue::load(const fs::path& data, const fs::path& own) {
    std::shared_ptr<Catalogue> c(new Catalogue);
    const auto schools = data / "schools.json", safety = data / "safety.json", shared = data / "shared.json",
               schema = data / "schemas/exercise.schema.json";
    auto questions =
        readJsonFile(schools).and_then([&](const Json& j) { return SchoolQuestions::parse(j, schools.string()); });
    if (!questions) return tl::unexpected(questions.error());
    auto rules = readJsonFile(safety).and_then([&](const Json& j) { return parseSafetyRules(j, safety.string()); });
    if (!rules) return tl::unexpected(rules.error());
    auto entries = readJsonFile(shared);
    if (!entries) return tl::unexpected(entries.error());
    if (auto ok = expectFormat(*entries, "deft-mirror-shared", 1, shared.string()); !ok)
        return tl::unexpected(ok.error());
    auto goals = readMembers(shared.string(), [&]() -> Result<std::map<std::string, std::string>> {
        return entries->at("goals").get<std::map<std::string, std::string>>();
    });
    if (!goals) return tl::unexpected(goals.error());
    c->goals_ = std::move(*goals);
    auto rulesOfFiles =
        readJsonFile(schema).and_then([&](const Json& j) { return JsonSchema::parse(j, schema.string()); });
    if (!rulesOfFiles) return tl::unexpected(rulesOfFiles.error());
    c->schools_ = std::move(*questions), c->safety_ = std::move(*rules);
    c->shared_ = std::make_unique<const Json>(std::move(*entries));
    c->schema_ = std::make_unique<const JsonSchema>(std::move(*rulesOfFiles));
    auto english = Language::load(data / "languages", "en");
    if (!english) return tl::unexpected(english.error());
    c->english_ = std::move(*english), c->languages_ = Language::in(data / "languages");
    c->data_ = data, c->own_ = own;
    c->ownStamp_ = stampOf(own); // before reading: what changes meanwhile is not current
    for (const fs::path& file : exerciseFilesIn(data / "exercises")) c->shipped_[file.stem().string()] = File::at(file);
    c->files_ = c->shipped_;
    for (const fs::path& file : exerciseFilesIn(own)) c->files_[file.stem().string()] = File::at(file);
    for (const auto& [id, file] : c->files_) c->ids_.push_back(id);
    return c;
}

Result<void> Catalogue::obeysSchema(const std::string& kind, const Json& document, const std::string& where) const {
    const std::lock_guard lock(known_->mutex);
    auto it = known_->schemas.find(kind);
    if (it == known_->schemas.end()) {
        const fs::path file = data_ / "schemas" / (kind + ".schema.json");
        auto schema = readJsonFile(file).and_then([&](const Json& j) { return JsonSchema::parse(j, file.string()); });
        if (!schema) return tl::unexpected(schema.error());
        it = known_->schemas.emplace(kind, std::move(*schema)).first;
    }
    return it->second.check(document, where);
}

LanguagePtr Catalogue::language(const std::string& code) const {
    if (code.empty() || code == "en") return english_;
    const std::lock_guard lock(known_->mutex);
    auto it = known_->languages.find(code);
    if (it == known_->languages.end()) {
        const auto read = Language::load(data_ / "languages", code);
        if (!read) return english_; // words of a file that somebody wrote; it is not kept
        it = known_->languages.emplace(code, *read).first;
    }
    return it->second;
}

bool Catalogue::isCurrent() const { return stampOf(own_) == ownStamp_; }

Result<Exercise> Catalogue::form(const ExerciseForm& wanted) const {
    {
        const std::lock_guard lock(known_->mutex);
        if (const auto it = known_->made.find(wanted); it != known_->made.end()) return *it->second;
    }
    auto anew = std::make_shared<const Result<Exercise>>(made(wanted));
    // Words that no file has come from clients, too: they are not kept, so that what is kept cannot grow without end.
    if (!*anew || (!wanted.version.empty() && (*anew)->versionIndex(wanted.version) < 0)) return *anew;
    const std::lock_guard lock(known_->mutex);
    return *known_->made.emplace(wanted, std::move(anew)).first->second;
}

Result<Exercise> Catalogue::made(const ExerciseForm& wanted) const {
    if (wanted.schools)
        return form({wanted.id, wanted.version, wanted.view}).and_then([&](const Exercise& e) {
            return inSchools(e, *wanted.schools);
        });
    if (!wanted.view.empty())
        return form({wanted.id, wanted.version}).and_then([&](const Exercise& e) { return inView(e, wanted.view); });
    if (!wanted.version.empty())
        return exercise(wanted.id).and_then([&](const Exercise& e) { return inVersion(e, wanted.version); });
    const auto it = files_.find(wanted.id);
    if (it == files_.end()) {
        std::string known;
        for (const std::string& id : ids_) known += (known.empty() ? "" : ", ") + id;
        return fail(Errc::NotFound,
                    {"there is no exercise \"{id}\"; there are: {known}", {{"id", wanted.id}, {"known", known}}});
    }
    const File& file = *it->second;
    return file.document().and_then([&](const Json& j) -> Result<Exercise> {
        auto e = parse(j, file.path.string());
        if (e && e->id != wanted.id)
            return fail(Errc::BadFormat, {"{file}: /id is \"{id}\", so the file should be called {id}.json",
                                          {{"file", file.path.string()}, {"id", e->id}}});
        return e;
    });
}

Result<Json> Catalogue::shippedDocument(const std::string& id) const {
    const auto it = shipped_.find(id);
    if (it == shipped_.end())
        return fail(Errc::NotFound, {"\"{id}\", which is not an exercise that ships", {{"id", id}}});
    return it->second->document().and_then(
        [&](const Json& j) { return withSharedEntries(j, *shared_, it->second->path.string()); });
}

} // namespace deft
