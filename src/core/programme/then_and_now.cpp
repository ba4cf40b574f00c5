// SPDX-License-Identifier: GPL-3.0-or-later
#include "programme/then_and_now.h"

#include "answer/html.h"
#include "answer/phrases.h"
#include "base/dates.h"
#include "readings/over_time.h"

#include <cmath>

namespace deft {
namespace {

constexpr const char* kPairStyle = R"(
 @page{size:A4;margin:14mm}
 body{margin:0;color:#1c2023;font:15px/1.4 Inter,system-ui,sans-serif} main{max-width:760px;margin:0 auto;padding:12px}
 h1{font-size:23px;margin:0 0 4px} h2{font-size:18px;margin:20px 0 6px;break-after:avoid}
 .pictures{display:flex;flex-wrap:wrap} figure{flex:1 1 240px;max-width:360px;margin:0 12px 8px 0;break-inside:avoid}
 img{width:100%;display:block} figcaption{font-size:13px}
 table{border-collapse:collapse;width:100%} th,td{font-weight:400;text-align:left;padding:3px 12px 3px 0}
 tr{border-top:1px solid #a9a8a1} td.n{text-align:right;white-space:nowrap} .real{font-weight:600}
 .scope{color:#5a6164;font-size:13px}
)";

std::string dayOf(const Language& l, const std::string& iso) {
    const auto day = parseDate(iso);
    return day ? l.day({*day}) : iso;
}

std::vector<ReadingRow> rowsOf(const Exercise& e, const FiledReview& review) {
    std::vector<ReadingRow> rows;
    for (const Reading& r : review.readings) {
        ReadingRow row = toldReading(e, r.measure, r.stat);
        row.value = r.value, row.u95 = r.u95, row.unit = r.unit;
        rows.push_back(std::move(row));
    }
    return rows;
}

const char* verdictWords(const Difference& d) {
    switch (d.verdict) {
    case Difference::Verdict::Real:
        return !d.better ? "change.real" : *d.better ? "change.better" : "change.less-good";
    case Difference::Verdict::WithinReps:
        return "change.within-reps";
    case Difference::Verdict::WithinBand:
        return "change.within-band";
    case Difference::Verdict::CannotTell:
        break;
    }
    return "change.cannot-tell";
}

std::string valueOf(const Language& l, const ReadingRow& row) {
    return std::isfinite(row.value) ? l.number(reading(row.value, row.unit, 1, row.sign, row.u95)) : "–";
}

std::string figure(const PictureData& picture, const std::string& caption) {
    if (picture.base64.empty()) return {};
    return "<figure><img alt=\"" + escapedHtml(caption) + "\" src=\"data:" + picture.type + ";base64," +
           picture.base64 + "\"><figcaption>" + escapedHtml(caption) + "</figcaption></figure>\n";
}

} // namespace

std::optional<ThenAndNow> thenAndNow(const Catalogue& catalogue, const std::vector<FiledReview>& reviews) {
    if (reviews.size() < 2) return std::nullopt;
    const FiledReview& now = reviews.back();
    for (const FiledReview& then : reviews) {
        if (&then == &now) return std::nullopt;
        if (!isSameVersion(then.past.version, now.past.version)) continue;
        auto e = catalogue.form({now.exercise, now.past.version, {}, {}});
        if (!e) return std::nullopt;
        ThenAndNow pair{std::move(*e), then, now, {}};
        pair.differences = differences(rowsOf(pair.exercise, then), rowsOf(pair.exercise, now));
        return pair;
    }
    return std::nullopt;
}

std::string thenAndNowPage(const Language& l, const std::string& client, const std::vector<ThenAndNow>& pairs,
                           const PairOfPictures& pictures) {
    const std::string title = l.say({"change.title", {{"named", !client.empty()}, {"name", client}}});
    std::string h = "<!DOCTYPE html>\n<html" + htmlLanguage(l) + ">\n<head>\n<meta charset=\"utf-8\">\n<title>" +
                    escapedHtml(title) + "</title>\n<style>" + kPairStyle + "</style>\n</head>\n<body>\n<main>\n<h1>" +
                    escapedHtml(title) + "</h1>\n";
    for (const ThenAndNow& p : pairs) {
        const std::string then = dayOf(l, p.then.date), now = dayOf(l, p.now.date);
        h += "<h2>" + escapedHtml(l.text(p.exercise.name)) + "</h2>\n";
        const auto [before, after] = pictures ? pictures(p) : std::pair<PictureData, PictureData>();
        const std::string both = figure(before, then) + figure(after, now);
        if (!both.empty()) h += "<div class=\"pictures\">\n" + both + "</div>\n";
        h += "<table>\n<tr><th scope=\"col\">" + escapedHtml(l.say("change.reading")) + "</th><th scope=\"col\">" +
             escapedHtml(then) + "</th><th scope=\"col\">" + escapedHtml(now) + "</th><th scope=\"col\">" +
             escapedHtml(l.say("change.outcome")) + "</th></tr>\n";
        for (const Difference& d : p.differences)
            h += "<tr><th scope=\"row\">" + escapedHtml(l.say(d.b.name)) + "</th><td>" + escapedHtml(valueOf(l, d.a)) +
                 "</td><td>" + escapedHtml(valueOf(l, d.b)) + "</td><td" +
                 (d.verdict == Difference::Verdict::Real ? " class=\"real\">" : ">") +
                 escapedHtml(l.say(verdictWords(d))) + "</td></tr>\n";
        h += "</table>\n";
    }
    return h + "<p class=\"scope\">" + escapedHtml(scopeNote(l)) + "</p>\n</main>\n</body>\n</html>\n";
}

} // namespace deft
