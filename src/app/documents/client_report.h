// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/result.h"
#include "records/client_story.h"

#include <filesystem>

namespace deft::ui {

/// What a client's filed reviews of one exercise tell, on one page: readings over the weeks, cues and what became of
/// them, the ladder, the last decision. By the file's ending: .pdf, .svg or .png. No pictures of the client are on it.
/// @errors Unsupported (another ending, or no filed review), WriteFailed
Result<void> writeClientReport(const ClientStory& story, const std::string& client, const std::string& role,
                               const std::string& scope, const std::filesystem::path& path);

} // namespace deft::ui
