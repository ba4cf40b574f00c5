// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// How long work reports and how it is asked to stop. The functions that use these know no thread and no interface.

#include <cstdint>
#include <functional>
#include <stop_token>

namespace deft {

struct Progress {
    int64_t done = 0;
    int64_t total = 0; ///< 0 = not known
    const char* what = "";
};

/// Called from the working thread; must be quick. May be empty.
using ProgressFn = std::function<void(const Progress&)>;
using StopToken = std::stop_token;

} // namespace deft
