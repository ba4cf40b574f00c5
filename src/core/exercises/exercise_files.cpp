// Where exercise files are: those that ship, and the coach's own.
#include "exercises/exercise.h"

#include <set>

namespace deft {
namespace fs = std::filesystem;
namespace {

fs::path& ownFolder() {
    static fs::path folder;
    return folder;
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
    if (!file.empty()) return readExercise(file);
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
