// SPDX-License-Identifier: GPL-3.0-or-later
// How long the window waits for a frame: stepping forwards, stepping back, and jumping (scrubbing), in a demo clip and
// in two 4K clips that are made here. Usage: bench_frames [STEPS]
#include "timing.h"

#include "app/session/frame_source.h"
#include "video/clip_reader.h"
#include "video/clip_writer.h"

#include <QCoreApplication>
#include <QElapsedTimer>
#include <QEventLoop>
#include <QTemporaryDir>
#include <filesystem>
#include <opencv2/imgproc.hpp>

using namespace deft;

namespace {

/// Until the frame is at hand, with the event loop running as in the window.
double waitFor(ui::FrameSource& source, qint64 frame, int direction) {
    QElapsedTimer clock;
    clock.start();
    while (source.frame(frame, direction).isNull() && clock.elapsed() < 5000)
        QCoreApplication::processEvents(QEventLoop::AllEvents | QEventLoop::WaitForMoreEvents, 1);
    return double(clock.nsecsElapsed()) * 1e-9;
}

void settle(int ms = 40) { // as long as an eye needs before the next key
    QElapsedTimer clock;
    clock.start();
    while (clock.elapsed() < ms) QCoreApplication::processEvents(QEventLoop::AllEvents, 5);
}

void tellOf(const char* clip, const std::string& path, int steps) {
    const auto reader = ClipReader::open(path);
    if (!reader) return;
    const qint64 frames = reader->info().frames();
    ui::FrameSource source(path);
    std::vector<double> forwards, back, jump, near;
    settle(2500); // previews are made meanwhile
    (void)waitFor(source, frames / 2, 1);
    for (int k = 1; k <= steps; ++k) settle(), forwards.push_back(waitFor(source, frames / 2 + k, 1));
    for (int k = 1; k <= steps; ++k) settle(), back.push_back(waitFor(source, frames / 2 + steps - k, -1));
    for (int k = 0; k < steps; ++k) {
        const qint64 to = (k * 7919) % frames;
        QElapsedTimer clock;
        clock.start();
        // The window shows the nearer one of two: what it has, and the preview.
        (void)source.frame(to);
        if (!source.nearest(to).second.isNull()) near.push_back(double(clock.nsecsElapsed()) * 1e-9);
        jump.push_back(waitFor(source, to, 1));
    }
    std::printf("%s, %d x %d\n", clip, reader->info().width, reader->info().height);
    tell("  a step forwards", forwards, 1);
    tell("  a step back", back, 1);
    tell("  a jump to anywhere", jump, 1);
    std::printf("  a picture near it at once: %zu of %zu jumps\n", near.size(), jump.size());
    if (!near.empty()) tell("  until it is seen", near, 1);
    std::printf("  peak memory %.0f MiB\n", peakMiB());
}

WriterOptions large() {
    WriterOptions options;
    options.width = 3840, options.height = 2160, options.preset = "veryfast", options.keyEvery = 30;
    return options;
}

/// The demo clip enlarged, with some sensor noise over it: about 50 megabits a second, as phones write 4K.
bool writePhoneClip(const std::string& path) {
    auto source = ClipReader::open(DEFT_SOURCE_DIR "/demo/clips/ruta-bridge-may.mp4");
    WriterOptions options = large();
    options.crf = 20, options.bFrames = 0;
    auto writer = ClipWriter::create(path, options);
    if (!source || !writer) return false;
    cv::Mat noise(2160, 3840, CV_8UC3);
    for (int i = 0; i < 150; ++i) {
        const auto frame = source->bgra(100 + i);
        if (!frame) return false;
        cv::Mat bgr, big;
        cv::cvtColor(*frame, bgr, cv::COLOR_BGRA2BGR);
        cv::resize(bgr, big, {3840, 2160}, 0, 0, cv::INTER_CUBIC);
        cv::randn(noise, 4, 5);
        cv::add(big, noise, big);
        if (!writer->add(big, i / 30.0)) return false;
    }
    if (!writer->finish()) return false;
    std::printf("as a phone films: %.0f megabits a second\n", double(std::filesystem::file_size(path)) * 8 / 5 / 1e6);
    return true;
}

/// Grain that moves along: the hardest work for the decoder.
bool writeGrain(const std::string& path) {
    auto writer = ClipWriter::create(path, large());
    if (!writer) return false;
    cv::Mat picture(2160, 3840, CV_8UC3);
    cv::randu(picture, 60, 190);
    for (int i = 0; i < 150; ++i) {
        if (!writer->add(picture, i / 30.0)) return false;
        cv::Mat moved(picture.size(), picture.type());
        picture.colRange(8, picture.cols).copyTo(moved.colRange(0, picture.cols - 8));
        picture.colRange(0, 8).copyTo(moved.colRange(picture.cols - 8, picture.cols));
        picture = moved;
    }
    return bool(writer->finish());
}

} // namespace

int main(int argc, char** argv) {
    QCoreApplication application(argc, argv);
    const int steps = argc > 1 ? std::atoi(argv[1]) : 30;
    tellOf("demo clip", DEFT_SOURCE_DIR "/demo/clips/ruta-bridge-may.mp4", steps);
    QTemporaryDir dir;
    const std::string phone = dir.filePath(QStringLiteral("phone.mp4")).toStdString(),
                      grain = dir.filePath(QStringLiteral("grain.mp4")).toStdString();
    if (!writePhoneClip(phone) || !writeGrain(grain)) return 1;
    tellOf("as a phone films", phone, steps);
    tellOf("moving grain", grain, steps);
    return 0;
}
