// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/result.h"

#include <filesystem>

namespace deft {

/// Stand-in for a mail service: a folder of mail files (RFC 5322) that any mail program can open and send. Nothing
/// leaves this machine.
/// @param name of the file without its ending @returns the file; an earlier one of that name is not touched
/// @errors WriteFailed
Result<std::filesystem::path> dropMail(const std::filesystem::path& folder, const std::string& name,
                                       const std::string& mail);

} // namespace deft
