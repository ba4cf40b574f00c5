// SPDX-License-Identifier: GPL-3.0-or-later
// Times decoding alone against decoding + tracking + measuring on a demo clip, one after the other in every round, so
// that the ratio holds on a busy machine. Usage: bench_pipeline [CLIP [ROUNDS]]
#include "../tests/support/catalogue.h"
#include "timing.h"

#include "review/review.h"
#include "tracking/track_clip.h"
#include "video/clip_reader.h"

using namespace deft;

int main(int argc, char** argv) {
    const std::string clip = argc > 1 ? argv[1] : DEFT_SOURCE_DIR "/demo/clips/ruta-bridge-april.mp4";
    const int rounds = argc > 2 ? std::atoi(argv[2]) : 5;
    auto reader = ClipReader::open(clip);
    auto marks = readMarks(std::filesystem::path(clip).replace_extension(".marks.json"));
    if (!reader || !marks)
        return std::fprintf(stderr, "bench_pipeline: %s\n", (reader ? marks.error() : reader.error()).detail().c_str()),
               1;
    const double frames = double(reader->info().frames());
    std::vector<double> decode, whole, measure, judge, moved, step, seek;
    double afterDecode = 0;
    for (int r = 0; r < rounds; ++r) {
        decode.push_back(secondsOf([&] {
            for (int64_t i = 0; i < reader->info().frames(); ++i) (void)reader->grey(i);
        }));
        afterDecode = std::max(afterDecode, peakMiB());
        Tracks tracks;
        whole.push_back(secondsOf([&] {
            tracks = trackClip(*reader, *marks).value();
            ReviewInputs in;
            in.clipPath = clip, in.marks = *marks;
            (void)measureReview(shippedCatalogue(), in, reader->info(), tracks);
        }));
        ReviewInputs in;
        in.clipPath = clip, in.marks = *marks;
        measure.push_back(secondsOf([&] { (void)measureReview(shippedCatalogue(), in, reader->info(), tracks); }));
        // Another word from the coach: nothing is measured again.
        Review review = measureReview(shippedCatalogue(), in, reader->info(), tracks).value();
        for (const bool agrees : {true, false}) {
            ReviewInputs other = review.inputs;
            other.agreed["back-bend@1"] = agrees;
            const double seconds = secondsOf([&] { review = judgeAgain(std::move(review), other).value(); });
            if (!agrees) judge.push_back(seconds);
        }
        // A mark in the middle of the clip, and the same one moved.
        TrackingMemory memory;
        (void)trackClip(*reader, *marks, {}, {}, &memory);
        const auto& [name, points] = *tracks.landmark.begin();
        for (const double off : {1.0, 2.0}) {
            Marks more = *marks;
            const size_t middle = tracks.frames() / 2;
            more.set(tracks.time_s[middle], name, Point2(points[middle].at + Vector2(off, 0)));
            const double seconds = secondsOf([&] { (void)trackClip(*reader, more, {}, {}, &memory); });
            if (off > 1) moved.push_back(seconds);
        }
        seek.push_back(secondsOf([&] { (void)reader->bgra(reader->info().frames() / 2 + 7 * r); }));
        step.push_back(secondsOf([&] { (void)reader->bgra(reader->info().frames() / 2 + 7 * r + 1); }));
    }
    tell("decode alone", decode, frames);
    tell("decode + track + measure", whole, frames);
    tell("measure and judge alone", measure, frames);
    tell("judge anew", judge, frames);
    tell("a moved mark in the middle", moved, frames);
    tell("seek to a frame (one)", seek, 1);
    tell("next frame (one)", step, 1);
    std::sort(decode.begin(), decode.end());
    std::sort(whole.begin(), whole.end());
    std::printf("ratio, minima: %.2f   medians: %.2f\n", whole.front() / decode.front(),
                whole[whole.size() / 2] / decode[decode.size() / 2]);
    std::printf("peak memory: %.0f MiB after decoding, %.0f MiB in all\n", afterDecode, peakMiB());
    return 0;
}
