// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/numbers.h"
#include "marks/names.h"
#include "marks/tracks.h"

namespace deft {

std::string toCsv(const Tracks& tracks) {
    std::string text = "frame,time_s";
    for (const auto& [name, points] : tracks.landmark)
        text += "," + name + "_x," + name + "_y," + name + "_sd," + name + "_state";
    text += "\n";
    for (size_t i = 0; i < tracks.frames(); ++i) {
        text += std::to_string(i) + ",";
        appendFixed(text, tracks.time_s[i], 6);
        for (const auto& [name, points] : tracks.landmark) {
            const TrackPoint& p = points[i];
            const bool told = p.state != PointState::Absent;
            for (const double number : {p.at.x(), p.at.y(), p.sd}) {
                text += ',';
                if (told) appendFixed(text, number, 3);
            }
            text += ',';
            text += stateName(p.state);
        }
        text += "\n";
    }
    return text;
}

Result<Tracks> parseTracks(const std::string& csv, const std::string& where) {
    Tracks t;
    std::vector<std::string> names;
    size_t at = 0;
    for (int64_t line = 0; at < csv.size(); ++line) {
        const size_t end = std::min(csv.find('\n', at), csv.size());
        std::vector<std::string_view> cells;
        for (size_t a = at; a <= end;) {
            const size_t b = std::min(csv.find(',', a), end);
            cells.push_back(std::string_view(csv).substr(a, b - a));
            a = b + 1;
        }
        at = end + 1;
        auto bad = [&](const char* what) {
            return fail(Errc::BadFormat,
                        {"{where}:{line}: {what}", {{"where", where}, {"line", int(line + 1)}, {"what", what}}});
        };
        if (line == 0) {
            if (cells.size() < 2 || cells[0] != "frame") return bad("is not a file of tracks");
            for (size_t i = 2; i + 3 < cells.size(); i += 4) {
                if (!cells[i].ends_with("_x") || !isLandmark(cells[i].substr(0, cells[i].size() - 2)))
                    return bad("names a column that is no landmark");
                names.emplace_back(cells[i].substr(0, cells[i].size() - 2));
            }
            continue;
        }
        if (cells.size() != 2 + 4 * names.size()) return bad("has the wrong number of cells");
        const auto time = parseNumber(cells[1]);
        if (!time || (!t.time_s.empty() && *time < t.time_s.back())) return bad("has no time, or an earlier one");
        t.time_s.push_back(*time);
        for (size_t k = 0; k < names.size(); ++k) {
            TrackPoint p;
            const std::string_view state = cells[5 + 4 * k];
            for (const PointState s : {PointState::Seen, PointState::Weak, PointState::Lost, PointState::ByHand})
                if (state == stateName(s)) p.state = s;
            if (p.state != PointState::Absent) {
                const auto x = parseNumber(cells[2 + 4 * k]), y = parseNumber(cells[3 + 4 * k]),
                           sd = parseNumber(cells[4 + 4 * k]);
                if (!x || !y || !sd || *sd < 0) return bad("has a point that is no position with its spread");
                p.at = {*x, *y}, p.sd = *sd;
            } else if (state != "absent") {
                return bad("has an unknown state");
            }
            t.landmark[names[k]].push_back(p);
        }
    }
    if (t.time_s.empty()) return fail(Errc::BadFormat, {"{where}: holds no frames", {{"where", where}}});
    return t;
}

} // namespace deft
