// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/result.h"

#include <filesystem>
#include <string>
#include <string_view>

namespace deft {

/// Nothing when a file may be written under this name: there is none yet, or an ordinary file. A device, pipe, folder
/// or link is never replaced. @errors WriteFailed
Result<void> mayBeWritten(const std::filesystem::path& path);

/// Opens an ordinary file for reading; never waits (as a pipe would make one). @returns a descriptor that the caller
/// closes @param follow a link that the path ends in @errors NotFound, NotReadable (also folders, pipes and devices)
Result<int> openOrdinaryFile(const std::filesystem::path& path, bool follow = true);

/// Whole content of an ordinary file. @param most bytes; 0 = no limit
/// @errors NotFound, NotReadable, BadFormat (larger than that)
Result<std::string> readFile(const std::filesystem::path& path, size_t most = 0);

/// With what a half-written file's name goes on after that of its target; six more characters follow.
constexpr const char* kHalfWritten = ".part";

/// Whether a file has to outlive a power cut in the seconds after it was written. What can be made again need not wait
/// for the disk.
enum class Sync { Yes, No };

/// Writes beside the target, syncs, renames: the target is either the old or the whole new content, whatever happens
/// (without the sync: unless the power fails). Only the user may read it (mode 0600).
/// @errors WriteFailed with the operating system's reason (read-only folder, full disk, no ordinary file); the old file
/// is then untouched.
Result<void> writeFileAtomically(const std::filesystem::path& path, std::string_view content, Sync sync = Sync::Yes);

/// Lower-case hexadecimal SHA-256 of a file's content. @errors NotFound, NotReadable
Result<std::string> sha256OfFile(const std::filesystem::path& path);

} // namespace deft
