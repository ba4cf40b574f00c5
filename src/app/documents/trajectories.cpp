// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/documents/trajectories.h"

#include "marks/tracks_trc.h"

namespace deft::ui {
namespace {

/// From the ends of a length that the coach knows, where both are seen in one frame.
std::optional<double> pxPerMetre(const Review& r) {
    const auto& length_cm = r.inputs.marks.scaleLengthCm;
    if (!length_cm || *length_cm <= 0) return std::nullopt;
    for (size_t i = 0; i < r.tracks().frames(); ++i) {
        const TrackPoint *a = r.tracks().find("scale_a", i), *b = r.tracks().find("scale_b", i);
        if (a && b && a->usable() && b->usable()) return (a->at - b->at).norm() / (*length_cm / 100);
    }
    return std::nullopt;
}

std::string clock(double seconds) {
    char text[16];
    const int ms = int(seconds * 1000 + 0.5);
    std::snprintf(text, sizeof text, "%02d:%02d.%03d", ms / 60000, ms / 1000 % 60, ms % 1000);
    return text;
}

} // namespace

std::string trajectories(const Review& r) { return toTrc(r.tracks(), "tracks.trc", r.clip().height, pxPerMetre(r)); }

std::string captions(const std::string& text, double length_s) {
    std::vector<std::string> sentences;
    std::string one;
    for (size_t i = 0; i < text.size(); ++i) {
        if (text[i] == '\n') continue;
        one += text[i] == '<' ? "&lt;" : text[i] == '&' ? "&amp;" : std::string(1, text[i]);
        const bool ends = std::string_view(".!?").find(text[i]) != std::string_view::npos &&
                          (i + 1 == text.size() || text[i + 1] == ' ' || text[i + 1] == '\n');
        if (!ends && i + 1 < text.size()) continue;
        if (const size_t from = one.find_first_not_of(' '); from != std::string::npos)
            sentences.push_back(one.substr(from));
        one.clear();
    }
    size_t all = 0, told = 0;
    for (const std::string& s : sentences) all += s.size();
    std::string out = "WEBVTT\n";
    for (const std::string& s : sentences) {
        const double from = length_s * double(told) / double(all),
                     to = length_s * double(told + s.size()) / double(all);
        told += s.size();
        out += "\n" + clock(from) + " --> " + clock(to) + "\n" + s + "\n";
    }
    return out;
}

} // namespace deft::ui
