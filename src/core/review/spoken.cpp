// SPDX-License-Identifier: GPL-3.0-or-later
#include "review/spoken.h"

#include "base/json.h"

namespace deft {

Json toJson(const Spoken& s) {
    Json lines = Json::array();
    for (const PenLine& line : s.lines) {
        Json points = Json::array();
        for (const PenLine::Point& p : line.points)
            points.push_back({rounded(p.time_s, 3), rounded(p.x, 4), rounded(p.y, 4)});
        lines.push_back(std::move(points));
    }
    return {{"voice", s.voice},     {"begins_s", rounded(s.begins_s, 3)}, {"best_s", s.best_s},
            {"worst_s", s.worst_s}, {"captions", s.captions},             {"lines", lines}};
}

Result<Spoken> parseSpoken(const Json& j, const std::string& where) {
    return readMembers(where, [&]() -> Result<Spoken> {
        Spoken s{j.at("voice"), j.value("begins_s", 0.0), j.at("best_s"), j.at("worst_s"), j.value("captions", ""), {}};
        for (const Json& points : j.value("lines", Json::array())) {
            PenLine line;
            for (const Json& p : points) {
                line.points.push_back({p.at(0), p.at(1), p.at(2)});
                if (line.points.size() > 1 && line.points.back().time_s < line.points[line.points.size() - 2].time_s)
                    return fail(Errc::BadFormat, {"{where}: expected points in order of time",
                                                  {{"where", where + "/lines/" + std::to_string(s.lines.size())}}});
            }
            s.lines.push_back(std::move(line));
        }
        return s;
    });
}

} // namespace deft
