// SPDX-License-Identifier: GPL-3.0-or-later
#include "marks/tracks_trc.h"

#include "base/numbers.h"

namespace deft {

std::string toTrc(const Tracks& tracks, int height_px, double pxPerCm) {
    const size_t n = tracks.frames();
    const double span = n > 1 ? tracks.time_s.back() - tracks.time_s.front() : 0;
    const std::string rate = fixed(span > 0 ? double(n - 1) / span : 0, 4); // the mean: each row has its own time
    const std::string count = std::to_string(n);
    std::string out = "PathFileType\t4\t(X/Y/Z)\ttracks.trc\n";
    out += "DataRate\tCameraRate\tNumFrames\tNumMarkers\tUnits\tOrigDataRate\tOrigDataStartFrame\tOrigNumFrames\n";
    out += rate + "\t" + rate + "\t" + count + "\t" + std::to_string(tracks.landmark.size()) + "\t" +
           (pxPerCm > 0 ? "m" : "px") + "\t" + rate + "\t1\t" + count + "\n";
    out += "Frame#\tTime";
    for (const auto& [name, points] : tracks.landmark) out += "\t" + name + "\t\t";
    out += "\n\t";
    for (size_t k = 1; k <= tracks.landmark.size(); ++k)
        for (const char* axis : {"X", "Y", "Z"}) out += "\t" + (axis + std::to_string(k));
    out += "\n\n";
    const int decimals = pxPerCm > 0 ? 5 : 3;
    const double unit = pxPerCm > 0 ? 100 * pxPerCm : 1; // pixels
    for (size_t i = 0; i < n; ++i) {
        out += std::to_string(i + 1) + "\t" + fixed(tracks.time_s[i], 5);
        for (const auto& [name, points] : tracks.landmark) {
            if (!points[i].usable()) {
                out += "\t\t\t";
                continue;
            }
            out += "\t" + fixed(points[i].at.x() / unit, decimals) + "\t" +
                   fixed((height_px - points[i].at.y()) / unit, decimals) + "\t" + fixed(0, decimals);
        }
        out += "\n";
    }
    return out;
}

} // namespace deft
