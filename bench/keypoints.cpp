// SPDX-License-Identifier: GPL-3.0-or-later
// Times the body finder and what is built on it, against decoding the same clip once, one after the other in every
// round. Usage: bench_keypoints [CLIP [ROUNDS]]
#include "../tests/support/catalogue.h"
#include "timing.h"

#include "checks/clip_check.h"
#include "proposals/picture_quality.h"
#include "proposals/propose.h"
#include "tracking/stickers.h"
#include "video/clip_reader.h"

#include <opencv2/imgproc.hpp>

using namespace deft;

int main(int argc, char** argv) {
    const std::string clip = argc > 1 ? argv[1] : DEFT_SOURCE_DIR "/demo/clips/tomas-plank-may.mp4";
    const int rounds = argc > 2 ? std::atoi(argv[2]) : 5;
    auto reader = ClipReader::open(clip);
    if (!reader) return std::fprintf(stderr, "bench_keypoints: %s\n", reader.error().detail().c_str()), 1;
    const double before = peakMiB();
    std::optional<Result<KeypointNetwork>> network;
    const double load = secondsOf([&] { network.emplace(KeypointNetwork::load(KeypointNetwork::usualPlace())); });
    if (!*network) return std::fprintf(stderr, "bench_keypoints: %s\n", network->error().detail().c_str()), 1;
    std::printf("loading, with a first pass %.3f s, %.0f MiB more\n", load, peakMiB() - before);
    const auto exercise = shipped().exercise("forearm-plank").value();
    const cv::Mat picture = withoutAlpha(*reader->bgra(0));
    cv::Mat square;
    cv::resize(picture, square, {KeypointNetwork::kSide, KeypointNetwork::kSide});
    const cv::Mat grey = reader->grey(0)->clone();
    std::vector<double> decode, pass, body, propose, check, stickers;
    for (int r = 0; r < rounds; ++r) {
        decode.push_back(secondsOf([&] {
            for (int64_t i = 0; i < reader->info().frames(); ++i) (void)reader->grey(i);
        }));
        pass.push_back(secondsOf([&] { (void)(*network)->pass(square); }));
        body.push_back(secondsOf([&] { (void)findBody(**network, picture); }));
        propose.push_back(secondsOf([&] { (void)proposeMarks(shipped(), *reader, *network, exercise, {}); }));
        check.push_back(secondsOf([&] { (void)pictureQuality(*reader); }));
        stickers.push_back(secondsOf([&] { (void)findStickers(grey, {400, 200, 300, 200}, 7); }));
    }
    tell("decode the clip once", decode, double(reader->info().frames()));
    tell("one pass of the network", pass, 1);
    tell("one body (six passes)", body, 1);
    tell("proposals for a clip (five bodies)", propose, 1);
    tell("picture quality for the check", check, 1);
    tell("stickers in 300 x 200 px", stickers, 1);
    std::printf("proposals against decoding, minima: %.2f\n", least(propose) / least(decode));
    std::printf("peak memory %.0f MiB\n", peakMiB());
    return 0;
}
