// SPDX-License-Identifier: GPL-3.0-or-later
// Times what a library of many filed reviews costs: the queue's list against reading every clip, clips that are
// expected, one client's reviews, a clip that comes in. Usage: bench_library [CLIENTS [REVIEWS EACH [ROUNDS]]]
#include "../tests/support/catalogue.h"
#include "timing.h"

#include "base/files.h"
#include "review/review_json.h"
#include "store/library.h"
#include "video/clip_reader.h"

#include <QCoreApplication>
#include <QTemporaryDir>

using namespace deft;

namespace {

Review anyReview() {
    const std::string clip = DEFT_SOURCE_DIR "/demo/clips/ruta-bridge-april";
    ReviewInputs in;
    in.clipPath = clip + ".mp4", in.clipSha256 = sha256OfFile(in.clipPath).value();
    in.marks = readMarks(clip + ".marks.json").value();
    auto tracks = parseTracks(readFile(clip + ".tracks.csv").value(), clip).value();
    const ClipInfo info = ClipReader::open(in.clipPath)->info();
    tracks.time_s = info.time_s;
    return measureReview(shippedCatalogue(), in, info, std::move(tracks)).value();
}

} // namespace

int main(int argc, char** argv) {
    QCoreApplication app(argc, argv);
    const int clients = argc > 1 ? std::atoi(argv[1]) : 50, reviews = argc > 2 ? std::atoi(argv[2]) : 10,
              rounds = argc > 3 ? std::atoi(argv[3]) : 5;
    const QTemporaryDir folder;
    auto library = Library::open(folder.path().toStdString()).value();
    Review review = anyReview();
    int64_t client = 0;
    for (int c = 0; c < clients; ++c) {
        client = library->addClient("Client " + std::to_string(c), "").value();
        for (int r = 0; r < reviews; ++r) {
            review.inputs.date = "2026-01-" + std::to_string(10 + r % 20);
            const auto clip = library->addClip(client, review.inputs.date, review.inputs).value();
            if (!library->file(clip, review, "<p>", "text")) return 1;
        }
    }
    std::printf("%d filed reviews of %d clients\n", clients * reviews, clients);
    std::vector<double> all, list, waiting, expected, filed, cues, come;
    for (int r = 0; r < rounds; ++r) {
        all.push_back(secondsOf([&] { (void)library->clips(); }));
        list.push_back(secondsOf([&] { (void)library->clips(60); }));
        waiting.push_back(secondsOf([&] { (void)library->clips(0); }));
        expected.push_back(secondsOf([&] { (void)library->expected(); }));
        filed.push_back(secondsOf([&] { (void)library->filed(client, review.inputs.exercise); }));
        cues.push_back(secondsOf([&] { (void)library->cueRecord(); }));
        come.push_back(secondsOf([&] { (void)library->addClip(client, "2026-02-01", review.inputs); }));
    }
    for (const auto& [what, times] : {std::pair{"every clip", &all},
                                      {"the queue's list", &list},
                                      {"what waits", &waiting},
                                      {"clips that are expected", &expected},
                                      {"one client's reviews", &filed},
                                      {"the record of cues", &cues},
                                      {"a clip that comes in", &come}})
        tell(what, *times, 1, "each");
    std::printf("the queue's list against every clip, minima: %.2f\n", least(list) / least(all));
    return 0;
}
