// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/parallel.h"

#include <algorithm>
#include <atomic>
#include <future>
#include <thread>
#include <vector>

namespace deft {

void inParallel(size_t count, const std::function<void(size_t)>& work) {
    std::atomic<size_t> next = 0;
    const auto worker = [&] {
        try {
            for (size_t i = next++; i < count; i = next++) work(i);
        } catch (...) {
            next = count;
            throw;
        }
    };
    const size_t processors = std::max(1u, std::thread::hardware_concurrency());
    std::vector<std::future<void>> others;
    for (size_t k = 1; k < std::min(processors, count); ++k) others.push_back(std::async(std::launch::async, worker));
    std::exception_ptr trouble;
    const auto keepTrouble = [&](auto&& run) {
        try {
            run();
        } catch (...) {
            if (!trouble) trouble = std::current_exception();
        }
    };
    keepTrouble(worker);
    for (auto& other : others) keepTrouble([&] { other.get(); });
    if (trouble) std::rethrow_exception(trouble);
}

} // namespace deft
