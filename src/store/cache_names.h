#pragma once
#include <string>

namespace deft {

/// With what the name of every file in cache/ begins that was computed from this clip.
inline std::string cachePrefix(const std::string& clipSha256) { return clipSha256.substr(0, 32) + "-"; }

} // namespace deft
