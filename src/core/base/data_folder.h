// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <filesystem>

namespace deft {

/// Where the program's data lie: DEFT_MIRROR_DATA, beside the program, the source tree or the installed place.
std::filesystem::path dataFolder();

} // namespace deft
