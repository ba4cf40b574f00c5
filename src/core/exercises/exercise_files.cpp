// Where exercise files are: those that ship, and the coach's own.
#include "exercises/exercise.h"

#include <sys/stat.h>

#include <map>
#include <mutex>
#include <set>

namespace deft {
namespace fs = std::filesystem;
namespace {

fs::path& ownFolder() {
    static fs::path folder;
    return folder;
}

/// Which writing of a file this is: a coach's own file may change under a running program, by rename or in place.
struct Stamp {
    ino_t inode = 0;
    off_t size = 0;
    timespec written{};

    static Stamp of(const fs::path& file) {
        struct stat at {};
        if (::stat(file.c_str(), &at) != 0) return {};
        return {at.st_ino, at.st_size, at.st_mtim};
    }
    bool operator==(const Stamp& o) const {
        return inode == o.inode && size == o.size && written.tv_sec == o.written.tv_sec &&
               written.tv_nsec == o.written.tv_nsec;
    }
};

struct Kept {
    Stamp stamp;
    std::shared_ptr<const Result<Exercise>> exercise;
};

/// Reading and checking a file takes milliseconds, a list of clips asks for hundreds: one reading for each writing.
std::shared_ptr<const Result<Exercise>> kept(const fs::path& file) {
    static std::mutex mutex;
    static std::map<fs::path, Kept> known;
    const Stamp now = Stamp::of(file); // before reading: a file that changes meanwhile is read again next time
    {
        const std::lock_guard lock(mutex);
        if (const auto it = known.find(file); it != known.end() && it->second.stamp == now) return it->second.exercise;
    }
    auto read = std::make_shared<const Result<Exercise>>(readExercise(file));
    const std::lock_guard lock(mutex);
    known[file] = {now, read};
    return read;
}

} // namespace

void setOwnExercises(const fs::path& folder) { ownFolder() = folder; }

fs::path exerciseFile(const std::string& id) {
    // Never a path: an id comes from files and from clients, too.
    if (id.empty() || id.find_first_not_of("abcdefghijklmnopqrstuvwxyz0123456789-") != std::string::npos) return {};
    for (const fs::path& folder : {ownFolder(), dataFolder() / "exercises"})
        if (std::error_code ec; !folder.empty() && fs::exists(folder / (id + ".json"), ec))
            return folder / (id + ".json");
    return {};
}

std::vector<std::string> exerciseIds() {
    std::set<std::string> ids;
    for (const fs::path& folder : {dataFolder() / "exercises", ownFolder()}) {
        std::error_code ec;
        if (folder.empty()) continue;
        for (const auto& entry : fs::directory_iterator(folder, ec))
            if (entry.path().extension() == ".json") ids.insert(entry.path().stem().string());
    }
    return {ids.begin(), ids.end()};
}

Result<Exercise> loadExercise(const std::string& id) {
    const fs::path file = exerciseFile(id);
    if (!file.empty()) return *kept(file);
    std::string known;
    for (const std::string& k : exerciseIds()) known += (known.empty() ? "" : ", ") + k;
    return fail(Errc::NotFound, "there is no exercise \"" + id + "\"; there are: " + known);
}

Result<Exercise> readExercise(const fs::path& path) {
    auto json = readJsonFile(path);
    if (!json) return tl::unexpected(json.error());
    return parseExercise(*json, path.string());
}

} // namespace deft
