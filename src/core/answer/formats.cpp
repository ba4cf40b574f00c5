// SPDX-License-Identifier: GPL-3.0-or-later
#include "answer/answer.h"
#include "answer/html.h"

namespace deft {
namespace {

constexpr const char* kStyle = R"(
 @page{size:A4;margin:18mm}
 body{margin:0;background:#ebeae6;color:#1c2023;font:17px/1.5 Inter,system-ui,sans-serif;font-feature-settings:"calt" 0}
 main{max-width:760px;margin:0 auto;padding:24px;background:#fff}
 h1{font-size:24px;line-height:1.25;font-weight:600;margin:0 0 14px} h2{font-size:17px;font-weight:600;margin:0 0 4px}
 p{margin:0 0 14px} ol{padding-left:22px;margin:0 0 14px} li{margin:0 0 22px} li::marker{font-weight:600}
 .pictures{display:flex;flex-wrap:wrap;margin:8px -12px 0 0}
 figure{flex:1 1 240px;max-width:400px;margin:0 12px 8px 0;break-inside:avoid}
 img{width:100%;display:block;border-bottom:4px solid #1c2023} .broken img{border-bottom-style:dotted}
 figcaption{font-size:14px;font-weight:500;margin-top:4px}
 section{border-top:1px solid #a9a8a1;padding-top:14px} .scope{color:#5a6164;font-size:14px}
 @media print{body{background:none;font-size:14px} main{max-width:none;padding:0} h2{break-after:avoid}}
)";

std::string figures(const AnswerPart& part, const PictureSource& sources) {
    std::string h;
    for (const AnswerPicture& picture : part.pictures) {
        const std::string source = sources(picture);
        if (source.empty()) continue;
        h += std::string("<figure") + (picture.broken ? " class=\"broken\"" : "") + "><img alt=\"" +
             escapedHtml(picture.caption) + "\" src=\"" + source + "\"><figcaption>" + escapedHtml(picture.caption) +
             "</figcaption></figure>\n";
    }
    return h.empty() ? h : "<div class=\"pictures\">\n" + h + "</div>\n";
}

} // namespace

std::string escapedHtml(const std::string& text) {
    std::string out;
    for (const char c : text) {
        if (c == '&')
            out += "&amp;";
        else if (c == '<')
            out += "&lt;";
        else if (c == '>')
            out += "&gt;";
        else if (c == '"')
            out += "&quot;";
        else if (c == '\n')
            out += "<br>\n";
        else
            out += c;
    }
    return out;
}

std::string htmlLanguage(const Language& l) {
    return " lang=\"" + l.code() + "\"" + (l.isRightToLeft() ? " dir=\"rtl\"" : "");
}

constexpr std::string_view kCorrection = "correction-";

bool isCorrection(const AnswerPart& p) { return p.id.starts_with(kCorrection); }

std::string faultOf(const AnswerPart& p) { return isCorrection(p) ? p.id.substr(kCorrection.size()) : std::string(); }

std::string scopeNote(const Language& language) { return language.say("scope"); }

std::string footnote(const Answer& a) {
    return a.language->say(
        {"footnote", {{"exercise", a.exerciseName}, {"told", !a.schoolWords.empty()}, {"way", a.schoolWords}}});
}

std::string answerHtml(const Answer& answer, const PictureMaker& pictures) {
    return answerPage(answer, [&](const AnswerPicture& picture) {
        const PictureData data = pictures ? pictures(picture) : PictureData{};
        return data.base64.empty() ? std::string() : "data:" + data.type + ";base64," + data.base64;
    });
}

std::string answerPage(const Answer& a, const PictureSource& sources) {
    std::string h = "<!DOCTYPE html>\n<html" + htmlLanguage(*a.language) +
                    ">\n<head>\n<meta charset=\"utf-8\">\n<meta name=\"viewport\" "
                    "content=\"width=device-width\">\n<title>" +
                    escapedHtml(a.exerciseName) + "</title>\n<style>" + kStyle + "</style>\n</head>\n<body>\n<main>\n";
    h += "<h1>" + escapedHtml(a.exerciseName) + "</h1>\n";
    bool inList = false, inSection = false;
    int number = 0;
    std::string before; // id of the part before: the next of the same kind goes on in its section
    for (const AnswerPart& p : a.parts) {
        if (!p.sent) continue;
        if (inList && !isCorrection(p)) h += "</ol>\n", inList = false;
        if (inSection && !inList && p.id != before) h += "</section>\n", inSection = false;
        before = p.id;
        if (!p.heading.empty() && !inSection)
            h += "<section><h2>" + escapedHtml(p.heading) + "</h2>\n", inSection = true;
        if (isCorrection(p)) {
            ++number; // a list that another part interrupts goes on counting
            if (!inList) h += number == 1 ? "<ol>\n" : "<ol start=\"" + std::to_string(number) + "\">\n", inList = true;
            h += "<li>" + escapedHtml(p.text) + "\n" + figures(p, sources) + "</li>\n";
        } else {
            h += "<p>" + escapedHtml(p.text) + "</p>\n" + figures(p, sources);
        }
    }
    if (inList) h += "</ol>\n";
    if (inSection) h += "</section>\n";
    h += "<p class=\"scope\">" + escapedHtml(scopeNote(*a.language)) + "<br>" + escapedHtml(footnote(a)) +
         "</p>\n</main>\n</body>\n</html>\n";
    return h;
}

std::string answerText(const Answer& a) {
    std::string t;
    int number = 0;
    for (const AnswerPart& p : a.parts)
        if (p.sent) t += (isCorrection(p) ? std::to_string(++number) + ". " : "") + p.text + "\n\n";
    return t + scopeNote(*a.language) + "\n" + footnote(a) + "\n";
}

} // namespace deft
