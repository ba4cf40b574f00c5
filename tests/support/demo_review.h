// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// The earlier demo clip with its tracks, measured: a real review without the time that tracking takes.

#include "base/files.h"
#include "review/review_json.h"
#include "support/catalogue.h"
#include "video/clip_reader.h"

namespace deft::test {

inline std::filesystem::path demoClip(const std::string& name) {
    return std::string(DEFT_SOURCE_DIR "/demo/clips/") + name + ".mp4";
}

inline ReviewInputs demoInputs(const std::string& name = "ruta-bridge-april") {
    ReviewInputs in;
    in.clipPath = demoClip(name).string();
    in.clipSha256 = sha256OfFile(in.clipPath).value();
    in.marks = readMarks(std::string(DEFT_SOURCE_DIR "/demo/clips/") + name + ".marks.json").value();
    in.client = "Ruta Kalniņa", in.clientRole = "puppeteer", in.coach = "Jonna", in.date = "2026-04-30";
    in.asked = {"both", 2, std::nullopt, 5.0, std::nullopt, 3};
    return in;
}

inline ClipInfo demoClipInfo(const std::string& name = "ruta-bridge-april") {
    return ClipReader::open(demoClip(name))->info();
}

inline Tracks demoTracks(const std::string& name = "ruta-bridge-april") {
    const std::string path = DEFT_SOURCE_DIR "/demo/clips/" + name + ".tracks.csv";
    Tracks t = parseTracks(readFile(path).value(), path).value();
    t.time_s = demoClipInfo(name).time_s;
    return t;
}

inline Review demoReview(ReviewInputs in = demoInputs(), CataloguePtr catalogue = shippedCatalogue()) {
    return measureReview(std::move(catalogue), std::move(in), demoClipInfo(), demoTracks()).value();
}

} // namespace deft::test
