// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// What the benchmarks share. They print ratios within one run, which hold on a busy machine.

#include <algorithm>
#include <chrono>
#include <cstdio>
#include <cstdlib>
#include <functional>
#include <sys/resource.h>
#include <vector>

inline double secondsOf(const std::function<void()>& work) {
    const auto start = std::chrono::steady_clock::now();
    work();
    return std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
}

inline double peakMiB() {
    rusage use{};
    getrusage(RUSAGE_SELF, &use);
    return double(use.ru_maxrss) / 1024;
}

inline double least(const std::vector<double>& times) { return *std::min_element(times.begin(), times.end()); }

inline void tell(const char* what, std::vector<double> times, double count, const char* of = "a frame") {
    std::sort(times.begin(), times.end());
    std::printf("%-34s min %7.3f s   median %7.3f s   %6.2f ms %s\n", what, times.front(), times[times.size() / 2],
                1000 * times[times.size() / 2] / count, of);
}
