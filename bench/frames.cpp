// How long the window waits for a frame: stepping forwards, stepping back, and jumping (scrubbing), in a demo clip and
// in a 4K clip that is made here. Usage: bench_frames [STEPS]
#include "timing.h"

#include "app/session/frame_source.h"
#include "video/clip_reader.h"
#include "video/clip_writer.h"

#include <QCoreApplication>
#include <QElapsedTimer>
#include <QEventLoop>
#include <QTemporaryDir>

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

void settle() { // as long as an eye needs before the next key
    QElapsedTimer clock;
    clock.start();
    while (clock.elapsed() < 40) QCoreApplication::processEvents(QEventLoop::AllEvents, 5);
}

void tellOf(const char* clip, const std::string& path, int steps) {
    const auto reader = ClipReader::open(path);
    if (!reader) return;
    const qint64 frames = reader->info().frames();
    ui::FrameSource source(path);
    std::vector<double> forwards, back, jump;
    (void)waitFor(source, frames / 2, 1);
    for (int k = 1; k <= steps; ++k) settle(), forwards.push_back(waitFor(source, frames / 2 + k, 1));
    for (int k = 1; k <= steps; ++k) settle(), back.push_back(waitFor(source, frames / 2 + steps - k, -1));
    for (int k = 0; k < steps; ++k) jump.push_back(waitFor(source, (k * 7919) % frames, 1));
    std::printf("%s, %d x %d\n", clip, reader->info().width, reader->info().height);
    tell("  a step forwards", forwards, 1);
    tell("  a step back", back, 1);
    tell("  a jump to anywhere", jump, 1);
    std::printf("  peak memory %.0f MiB\n", peakMiB());
}

} // namespace

int main(int argc, char** argv) {
    QCoreApplication application(argc, argv);
    const int steps = argc > 1 ? std::atoi(argv[1]) : 30;
    tellOf("demo clip", DEFT_SOURCE_DIR "/demo/clips/ruta-bridge-may.mp4", steps);
    QTemporaryDir dir;
    const std::string large = dir.filePath(QStringLiteral("4k.mp4")).toStdString();
    WriterOptions options;
    options.width = 3840, options.height = 2160, options.preset = "veryfast", options.keyEvery = 30;
    auto writer = ClipWriter::create(large, options);
    if (!writer) return 1;
    cv::Mat picture(options.height, options.width, CV_8UC3);
    cv::randu(picture, 60, 190);
    for (int i = 0; i < 150; ++i) { // grain that moves along: work for the decoder
        if (!writer->add(picture, i / 30.0)) return 1;
        cv::Mat moved(picture.size(), picture.type());
        picture.colRange(8, picture.cols).copyTo(moved.colRange(0, picture.cols - 8));
        picture.colRange(0, 8).copyTo(moved.colRange(picture.cols - 8, picture.cols));
        picture = moved;
    }
    if (!writer->finish()) return 1;
    tellOf("made clip", large, steps);
    return 0;
}
