// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Every reader of what comes from outside, by name: it may refuse, and must not do anything else.

#include "base/files.h"
#include "base/json.h"
#include "figure/scene.h"
#include "proposals/proposals_json.h"
#include "records/parcel.h"
#include "review/review_json.h"
#include "support/catalogue.h"
#include "video/clip_reader.h"

#include <functional>
#include <map>
#include <unistd.h>

namespace deft::fuzz {

using Reader = std::function<void(const std::string& bytes)>;

template <class Parse> Reader json(Parse parse) {
    return [parse](const std::string& bytes) {
        if (const auto document = parseJson(bytes, "input")) parse(*document);
    };
}

/// The demuxer's use of a whole file, and its first frames.
inline void film(const std::string& bytes) {
    static const std::filesystem::path file =
        std::filesystem::temp_directory_path() / ("deft-fuzz-" + std::to_string(::getpid()) + ".mp4");
    if (!writeFileAtomically(file, bytes)) return;
    auto clip = ClipReader::open(file);
    for (int64_t frame = 0; clip && frame < std::min<int64_t>(4, clip->info().frames()); ++frame) {
        (void)clip->grey(frame);
        (void)clip->bgra(clip->info().frames() - 1 - frame);
    }
    std::error_code ec;
    std::filesystem::remove(file, ec);
}

inline const std::map<std::string, Reader>& readers() {
    static const std::map<std::string, Reader> all = {
        {"marks", json([](const Json& j) {
             if (auto marks = parseMarks(j, "input")) {
                 (void)toText(toJson(*marks));
                 (void)doubtfulMarks(*marks, 1280, 720);
             }
         })},
        {"review", json([](const Json& j) {
             if (auto inputs = parseInputs(j, "input")) (void)toText(toJson(*inputs));
         })},
        {"case", json([](const Json& j) {
             if (auto now = parseCase(shipped(), j, "input")) (void)decide(shipped(), *now);
         })},
        {"parcel", json([](const Json& j) {
             if (auto parcel = parseParcel(shipped(), j, "input")) (void)toText(toJson(*parcel));
         })},
        {"exercise", json([](const Json& j) { (void)shipped().parse(j, "input"); })},
        {"scene", json([](const Json& j) { (void)figure::parseScene(j, "input"); })},
        {"neutral", json([](const Json& j) { (void)parseNeutral(j, "input", 1); })},
        {"history", json([](const Json& j) { (void)parseHistory(j, "input"); })},
        {"consent", json([](const Json& j) { (void)parseConsent(shipped().safety(), j, "input"); })},
        {"proposals", json([](const Json& j) {
             ClipInfo clip;
             clip.time_s = {0, 0.1, 0.2};
             if (auto marks = parseMarks(j, "input")) (void)asProposals(*marks, clip);
         })},
        {"tracks",
         [](const std::string& bytes) {
             if (auto tracks = parseTracks(bytes, "input")) (void)toCsv(*tracks);
         }},
        {"film", film},
    };
    return all;
}

} // namespace deft::fuzz
