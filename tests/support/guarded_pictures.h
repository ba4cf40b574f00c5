// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Pictures with guard bytes behind them, to see what a library writes beyond its own.

#include <atomic>
#include <cstring>
#include <opencv2/core.hpp>

namespace deft::test {

/// While it lives, every picture of OpenCV is followed by guard bytes, which are looked at when it goes.
class GuardedPictures {
public:
    GuardedPictures() : before_(cv::Mat::getDefaultAllocator()) { cv::Mat::setDefaultAllocator(&allocator_); }
    ~GuardedPictures() { cv::Mat::setDefaultAllocator(before_); }
    int broken() const { return allocator_.broken; } ///< pictures behind which something was written
    int seen() const { return allocator_.seen; }

private:
    struct Allocator : cv::MatAllocator {
        static constexpr size_t kGuard = 256; // bytes
        static constexpr uchar kFill = 0xA5;
        static constexpr size_t kAnyStep = 0x7fffffff; // CV_AUTOSTEP of OpenCV's C interface
        mutable std::atomic<int> broken{0}, seen{0};

        cv::UMatData* allocate(int dims, const int* sizes, int type, void* data, size_t* step, cv::AccessFlag,
                               cv::UMatUsageFlags) const override {
            size_t total = CV_ELEM_SIZE(type);
            for (int i = dims - 1; i >= 0; --i) {
                if (step) {
                    if (data && step[i] != kAnyStep)
                        total = step[i];
                    else
                        step[i] = total;
                }
                total *= size_t(sizes[i]);
            }
            auto* u = new cv::UMatData(this);
            u->size = total;
            if (data) {
                u->data = u->origdata = static_cast<uchar*>(data);
                u->flags |= cv::UMatData::USER_ALLOCATED;
                return u;
            }
            u->data = u->origdata = static_cast<uchar*>(cv::fastMalloc(total + kGuard));
            std::memset(u->data + total, kFill, kGuard);
            return u;
        }
        bool allocate(cv::UMatData* data, cv::AccessFlag, cv::UMatUsageFlags) const override { return data != nullptr; }
        void deallocate(cv::UMatData* u) const override {
            if (!u) return;
            if (!(u->flags & cv::UMatData::USER_ALLOCATED)) {
                ++seen;
                for (size_t i = 0; i < kGuard; ++i)
                    if (u->origdata[u->size + i] != kFill) {
                        ++broken;
                        break;
                    }
                cv::fastFree(u->origdata);
            }
            delete u;
        }
    } allocator_;
    cv::MatAllocator* before_;
};

} // namespace deft::test
