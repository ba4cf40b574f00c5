// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/result.h"

#include <filesystem>
#include <string>

namespace deft::ui {

/// What somebody hands to the program: by a double click, dropped onto it, or named on the command line.
struct FileKind {
    enum Kind { Folder, Film, Marks, Programme, PracticeNote, Exercise, Review, Bundle, Other };
    Kind kind = Other;
    std::string format; ///< of a file of ours, such as "deft-mirror-marks"
};

/// By what stands in it, not by its name; what is none of ours is taken for a film unless it is text or an archive.
/// Only its beginning is read. @errors NotFound, NotReadable
Result<FileKind> kindOf(const std::filesystem::path& file);

} // namespace deft::ui
