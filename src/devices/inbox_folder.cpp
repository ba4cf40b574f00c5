// SPDX-License-Identifier: GPL-3.0-or-later
#include "devices/inbox_folder.h"

#include "base/files.h"
#include "base/json.h"
#include "store/cache_names.h"
#include "video/clip_reader.h"

#include <algorithm>
#include <cerrno>
#include <cstdlib>
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

/// The whole of it or nothing: a half-written copy does not stay, and the copy has the sum that was told.
Result<void> copyClip(const fs::path& from, const fs::path& to, const std::string& sha256, StopToken stop,
                      const ProgressFn& progress) {
    std::error_code ec;
    const auto size = int64_t(fs::file_size(from, ec));
    if (ec) return fail(Errc::NotFound, {"{from} has gone while it was being taken in", {{"from", from.string()}}});
    std::string half = to.string() + kHalfWritten + "XXXXXX";
    const int fd = ::mkstemp(half.data()); // mode 0600
    auto undone = [&](Errc code, const Message& why) {
        if (fd >= 0) ::close(fd), ::unlink(half.c_str());
        return fail(code, why);
    };
    const auto full = [&] {
        return undone(Errc::WriteFailed, {"{file} could not be written; is the disk full?", {{"file", to.string()}}});
    };
    if (fd < 0) return full();
    std::ifstream in(from, std::ios::binary);
    std::vector<char> block(1 << 20);
    int64_t done = 0;
    while (in && done < size) {
        if (stop.stop_requested()) return undone(Errc::Cancelled, "taking in was stopped");
        in.read(block.data(), std::streamsize(block.size()));
        for (ssize_t written = 0; written < in.gcount();) {
            const ssize_t n = ::write(fd, block.data() + written, size_t(in.gcount() - written));
            if (n < 0 && errno == EINTR) continue;
            if (n < 0) return full();
            written += n;
        }
        done += in.gcount();
        if (progress) progress({done, size, "taking in"});
    }
    if (done != size)
        return undone(Errc::NotReadable, {"{file} could not be read to its end", {{"file", from.string()}}});
    // On the disk before it is taken out of the inbox.
    if (::fsync(fd) != 0) return full();
    if (sha256OfFile(half).value_or("") != sha256)
        return undone(Errc::NotReadable, {"{file} has changed while it was being taken in", {{"file", from.string()}}});
    if (::rename(half.c_str(), to.c_str()) != 0) return full();
    ::close(fd);
    return {};
}

bool isPlainFile(const fs::path& file) {
    std::error_code ec;
    return fs::symlink_status(file, ec).type() == fs::file_type::regular; // no link, pipe or device
}

} // namespace

bool isFilmName(const std::string& name) { return kClipEndings.count(lower(fs::path(name).extension().string())) > 0; }

Result<InboxContent> lookIntoInbox(const Catalogue& catalogue, const fs::path& folder) {
    std::error_code ec;
    InboxContent content;
    std::vector<fs::path> notes;
    std::set<fs::path> clips;
    fs::directory_iterator files(folder, ec);
    if (ec)
        return fail(Errc::NotReadable, {"the inbox {folder} cannot be read ({why})",
                                        {{"folder", folder.string()}, {"why", ec.message()}}});
    for (const auto& entry : files) {
        const fs::path& file = entry.path();
        if (file.filename().string().starts_with('.') || !isPlainFile(file)) continue;
        const std::string ending = lower(file.extension().string());
        if (ending == ".json") notes.push_back(file);
        if (kClipEndings.count(ending)) clips.insert(file);
    }
    std::sort(notes.begin(), notes.end());
    for (const fs::path& note : notes) {
        auto json = readJsonFile(note);
        if (json && isPracticeNote(*json)) {
            auto home = parsePracticeNote(catalogue, *json, note.filename().string());
            home ? content.home.push_back({note, std::move(*home)})
                 : content.refused.push_back({note, home.error().message});
            continue;
        }
        auto parcels =
            json.and_then([&](const Json& j) { return parseParcels(catalogue, j, note.filename().string()); });
        if (!parcels) {
            content.refused.push_back({note, parcels.error().message});
            continue;
        }
        Message why;
        for (const Parcel& parcel : *parcels) {
            clips.erase(folder / parcel.clip);
            const auto kind = fs::symlink_status(folder / parcel.clip, ec).type();
            if (kind == fs::file_type::not_found)
                why = {"the clip {clip} has not come yet", {{"clip", parcel.clip}}};
            else if (kind != fs::file_type::regular)
                why = {"{clip} is a link, folder or device and no clip", {{"clip", parcel.clip}}};
        }
        if (!why.empty()) {
            content.refused.push_back({note, why});
            continue;
        }
        content.ready.push_back({note, std::move(*parcels)});
    }
    content.loose.assign(clips.begin(), clips.end());
    return content;
}

Result<int> takeOver(const fs::path& folder, const fs::path& inbox, StopToken stop, const ProgressFn& progress) {
    std::vector<fs::path> films, files;
    std::error_code ec;
    fs::directory_iterator all(folder, ec);
    if (ec)
        return fail(Errc::NotReadable,
                    {"{folder} cannot be read ({why})", {{"folder", folder.string()}, {"why", ec.message()}}});
    for (const auto& entry : all) {
        const std::string name = entry.path().filename().string();
        if (name.starts_with('.') || !isPlainFile(entry.path())) continue;
        if (isFilmName(name)) films.push_back(entry.path());
        if (lower(entry.path().extension().string()) == ".json") files.push_back(entry.path());
    }
    files.insert(files.begin(), films.begin(), films.end());
    int copied = 0;
    for (const fs::path& from : files) {
        const fs::path to = inbox / from.filename();
        const auto sum = sha256OfFile(from);
        if (!sum) return tl::unexpected(sum.error());
        if (fs::exists(to, ec)) {
            if (sha256OfFile(to).value_or("") == *sum) continue;
            return fail(Errc::Conflict,
                        {"the inbox has another file called {from}", {{"from", from.filename().string()}}});
        }
        if (auto ok = copyClip(from, to, *sum, stop, progress); !ok) return tl::unexpected(ok.error());
        ++copied;
    }
    return copied;
}

Result<KeptClip> keepFilm(const fs::path& from, const std::string& told, const fs::path& home, StopToken stop,
                          const ProgressFn& progress) {
    const std::string name = from.filename().string();
    auto reader = ClipReader::open(from); // first: it refuses what is no ordinary file
    if (!reader) return tl::unexpected(reader.error());
    if (reader->info().frames() < 2)
        return fail(Errc::TooShort, {"{name} has a single frame; movement needs at least two", {{"name", name}}});
    auto sha = sha256OfFile(from);
    if (!sha) return tl::unexpected(sha.error());
    if (!told.empty() && lower(told) != *sha)
        return fail(Errc::BadFormat, {"{name} is not the file that was sent, or not all of it", {{"name", name}}});
    std::error_code ec;
    fs::create_directories(home, ec);
    fs::permissions(home, fs::perms::owner_all, ec);
    const std::string ending = lower(from.extension().string());
    const fs::path to = home / (sha->substr(0, kClipNameLength) + (kClipEndings.count(ending) ? ending : ".clip"));
    if (sha256OfFile(to).value_or("") != *sha)
        if (auto ok = copyClip(from, to, *sha, stop, progress); !ok) return tl::unexpected(ok.error());
    return KeptClip{to, *sha};
}

Result<KeptClip> keepClip(const InboxContent::Item& item, const fs::path& home, StopToken stop,
                          const ProgressFn& progress) {
    return keepFilm(item.note.parent_path() / item.parcel().clip, item.parcel().sha256, home, stop, progress);
}

void clearFromInbox(const InboxContent::Item& item) {
    std::error_code ec;
    fs::remove(item.note, ec); // first, so that clips without their parcel are the worst that can be left
    for (const Parcel& parcel : item.parcels) fs::remove(item.note.parent_path() / parcel.clip, ec);
}

} // namespace deft
