#include "devices/inbox_folder.h"

#include "base/files.h"
#include "video/clip_reader.h"

#include <algorithm>
#include <fcntl.h>
#include <fstream>
#include <set>
#include <unistd.h>

namespace deft {
namespace fs = std::filesystem;
namespace {

const std::set<std::string> kClipEndings = {".mp4", ".mov", ".mkv", ".webm", ".m4v", ".avi"};

std::string lower(std::string s) {
    std::transform(s.begin(), s.end(), s.begin(), [](unsigned char c) { return char(std::tolower(c)); });
    return s;
}

/// The whole of it or nothing: a half-written copy does not stay.
Result<void> copyClip(const fs::path& from, const fs::path& to, StopToken stop, const ProgressFn& progress) {
    std::error_code ec;
    const auto size = int64_t(fs::file_size(from, ec));
    if (ec) return fail(Errc::NotFound, from.string() + " has gone while it was being taken in");
    const fs::path half = to.string() + ".part";
    auto undone = [&](Errc code, const std::string& why) {
        fs::remove(half, ec);
        return fail(code, why);
    };
    std::ifstream in(from, std::ios::binary);
    std::ofstream out(half, std::ios::binary | std::ios::trunc);
    std::vector<char> block(1 << 20);
    int64_t done = 0;
    while (in && done < size) {
        if (stop.stop_requested()) return undone(Errc::Cancelled, "taking in was stopped");
        in.read(block.data(), std::streamsize(block.size()));
        out.write(block.data(), in.gcount());
        if (!out) return undone(Errc::WriteFailed, to.string() + " could not be written; is the disk full?");
        done += in.gcount();
        if (progress) progress({done, size, "taking in"});
    }
    out.close();
    if (!out) return undone(Errc::WriteFailed, to.string() + " could not be written; is the disk full?");
    if (done != size) return undone(Errc::NotReadable, from.string() + " could not be read to its end");
    // On the disk before it is taken out of the inbox.
    const int fd = ::open(half.c_str(), O_RDONLY | O_CLOEXEC);
    const bool synced = fd >= 0 && ::fsync(fd) == 0;
    if (fd >= 0) ::close(fd);
    if (!synced) return undone(Errc::WriteFailed, to.string() + " could not be written; is the disk full?");
    fs::rename(half, to, ec);
    if (ec) return undone(Errc::WriteFailed, to.string() + " could not be written (" + ec.message() + ")");
    return {};
}

} // namespace

Result<InboxContent> lookIntoInbox(const fs::path& folder) {
    std::error_code ec;
    InboxContent content;
    std::vector<fs::path> notes;
    std::set<fs::path> clips;
    fs::directory_iterator files(folder, ec);
    if (ec) return fail(Errc::NotReadable, "the inbox " + folder.string() + " cannot be read (" + ec.message() + ")");
    for (const auto& entry : files) {
        const fs::path& file = entry.path();
        if (file.filename().string().starts_with('.') || !entry.is_regular_file(ec)) continue;
        const std::string ending = lower(file.extension().string());
        if (ending == ".json") notes.push_back(file);
        if (kClipEndings.count(ending)) clips.insert(file);
    }
    std::sort(notes.begin(), notes.end());
    for (const fs::path& note : notes) {
        auto json = readJsonFile(note);
        auto parcel = json ? parseParcel(*json, note.filename().string()) : tl::unexpected(json.error());
        if (!parcel) {
            content.refused.push_back({note, parcel.error().detail});
            continue;
        }
        clips.erase(folder / parcel->clip);
        if (!fs::exists(folder / parcel->clip, ec))
            content.refused.push_back({note, "the clip " + parcel->clip + " has not come yet"});
        else
            content.ready.push_back({note, std::move(*parcel)});
    }
    content.loose.assign(clips.begin(), clips.end());
    return content;
}

Result<KeptClip> keepClip(const InboxContent::Item& item, const fs::path& home, StopToken stop,
                          const ProgressFn& progress) {
    const fs::path from = item.note.parent_path() / item.parcel.clip;
    auto sha = sha256OfFile(from);
    if (!sha) return tl::unexpected(sha.error());
    if (!item.parcel.sha256.empty() && lower(item.parcel.sha256) != *sha)
        return fail(Errc::BadFormat, item.parcel.clip + " is not the file that was sent, or not all of it");
    auto reader = ClipReader::open(from.string());
    if (!reader) return tl::unexpected(reader.error());
    if (reader->info().frames() < 2)
        return fail(Errc::TooShort, item.parcel.clip + " has a single frame; movement needs at least two");
    std::error_code ec;
    fs::create_directories(home, ec);
    const fs::path to = home / (sha->substr(0, 16) + lower(from.extension().string()));
    if (!fs::exists(to, ec))
        if (auto ok = copyClip(from, to, stop, progress); !ok) return tl::unexpected(ok.error());
    return KeptClip{to, *sha};
}

void clearFromInbox(const InboxContent::Item& item) {
    std::error_code ec;
    fs::remove(item.note, ec); // first, so that a clip without its parcel is the worst that can be left
    fs::remove(item.note.parent_path() / item.parcel.clip, ec);
}

} // namespace deft
