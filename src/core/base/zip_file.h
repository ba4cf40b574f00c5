// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/result.h"

#include <string>
#include <vector>

namespace deft {

struct ZipEntry {
    std::string name; ///< within the archive, with / between folders
    std::string content;
};

/// The bytes of a zip archive with these files. The same entries give the same bytes: their time is the start of 1980,
/// where the format's clock begins. @errors WriteFailed (with the library's reason)
Result<std::string> zipOf(const std::vector<ZipEntry>& entries);

} // namespace deft
