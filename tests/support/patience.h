// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

/// How long a test waits for what must come, ms. Only something that hangs may end it: a busy machine takes many times
/// as long as an idle one, and speed is the benchmarks' matter.
constexpr int kPatience_ms = 300000;
