#pragma once
#include "base/result.h"

#include <filesystem>
#include <string>
#include <string_view>

namespace deft {

/// Whole content of a file. @errors NotFound, NotReadable
Result<std::string> readFile(const std::filesystem::path& path);

/// Writes beside the target, syncs, renames: the target is either the old or the whole new content, whatever happens.
/// @errors WriteFailed with the operating system's reason (read-only folder, full disk); the old file is then
/// untouched.
Result<void> writeFileAtomically(const std::filesystem::path& path, std::string_view content);

/// Lower-case hexadecimal SHA-256 of a file's content. @errors NotFound, NotReadable
Result<std::string> sha256OfFile(const std::filesystem::path& path);

} // namespace deft
