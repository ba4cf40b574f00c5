// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <functional>

namespace deft {

/// Calls work(0) … work(count - 1), spread over the processors, and returns when all are done. The first exception
/// stops what has not begun and is passed on.
void inParallel(size_t count, const std::function<void(size_t)>& work);

} // namespace deft
