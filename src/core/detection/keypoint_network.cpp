// SPDX-License-Identifier: GPL-3.0-or-later
#include "detection/keypoint_network.h"

#include "base/data_folder.h"

#include <cstdlib>
#include <opencv2/dnn.hpp>

namespace deft {
namespace {

constexpr int kGrid = 64;                               // cells each way
constexpr float kCell = KeypointNetwork::kSide / kGrid; // px
constexpr double kNear = 1.8;                           // softens the pull of the expected place
constexpr double kElsewhere = 16;                       // cells: farther than this is somebody else

double sigmoid(float x) { return 1 / (1 + std::exp(-double(x))); }

struct Peak {
    int y = 0, x = 0;
    double score = 0;
};

/// Strongest cell of one plane, weighed down by the distance to an expected cell.
Peak strongest(const float* plane, double aboutY, double aboutX) {
    Peak best;
    double bestWeighed = -1;
    for (int y = 0; y < kGrid; ++y)
        for (int x = 0; x < kGrid; ++x) {
            const double score = sigmoid(plane[y * kGrid + x]);
            const double weighed = score / (std::hypot(y - aboutY, x - aboutX) + kNear);
            if (weighed > bestWeighed) bestWeighed = weighed, best = {y, x, score};
        }
    return best;
}

} // namespace

struct KeypointNetwork::State {
    cv::dnn::Net net;
};

KeypointNetwork::KeypointNetwork(std::unique_ptr<State> state) : s(std::move(state)) {}
KeypointNetwork::KeypointNetwork(KeypointNetwork&&) noexcept = default;
KeypointNetwork::~KeypointNetwork() = default;

std::filesystem::path KeypointNetwork::usualPlace() {
    if (const char* file = std::getenv("DEFT_MIRROR_KEYPOINTS")) return file;
    std::filesystem::path cache;
    if (const char* xdg = std::getenv("XDG_CACHE_HOME"); xdg && *xdg)
        cache = xdg;
    else if (const char* home = std::getenv("HOME"))
        cache = std::filesystem::path(home) / ".cache";
    const auto fetched = cache / "deft-mirror" / "keypoints-1.onnx";
    const auto installed = dataFolder() / "keypoints" / "keypoints-1.onnx";
    std::error_code ec;
    return !std::filesystem::exists(fetched, ec) && std::filesystem::exists(installed, ec) ? installed : fetched;
}

Result<KeypointNetwork> KeypointNetwork::load(const std::filesystem::path& file) {
    if (std::error_code ec; !std::filesystem::is_regular_file(file, ec))
        return fail(Errc::NotFound,
                    {"marks cannot be proposed from the picture: the keypoint network is not at {file}; the package "
                     "deft-mirror-data brings it, and ./start fetches it when there is a network",
                     {{"file", file.string()}}});
    auto state = std::make_unique<State>();
    try {
        state->net = cv::dnn::readNetFromONNX(file.string());
        state->net.setPreferableBackend(cv::dnn::DNN_BACKEND_OPENCV);
        // With fused layers OpenCV 4.6 gives wrong numbers at the four heads without saying so.
        state->net.enableFusion(false);
        KeypointNetwork network(std::move(state));
        network.pass(cv::Mat3b(kSide, kSide, cv::Vec3b(0, 0, 0)));
        return network;
    } catch (const cv::Exception& e) {
        return fail(Errc::BadFormat, {"{file} is not the keypoint network of this program: {why}",
                                      {{"file", file.string()}, {"why", e.err}}});
    }
}

KeypointPass KeypointNetwork::pass(const cv::Mat& square) {
    CV_Assert(square.rows == kSide && square.cols == kSide && square.type() == CV_8UC3);
    s->net.setInput(cv::dnn::blobFromImage(square, 1 / 127.5, {}, cv::Scalar::all(127.5), true));
    std::vector<cv::Mat> heads;
    s->net.forward(heads, std::vector<std::string>{"center", "heat", "regress", "offset"});
    auto plane = [&](int head, int k) { return heads[size_t(head)].ptr<float>(0, k); };

    KeypointPass out;
    const double middle = kGrid / 2.0;
    const Peak centre = strongest(plane(0, 0), middle, middle);
    for (int y = 0; y < kGrid; ++y)
        for (int x = 0; x < kGrid; ++x) {
            const double score = sigmoid(plane(0, 0)[y * kGrid + x]);
            out.presence = std::max(out.presence, score);
            if (std::hypot(y - centre.y, x - centre.x) > kElsewhere) out.second = std::max(out.second, score);
        }
    const int here = centre.y * kGrid + centre.x;
    for (int k = 0; k < kKeypoints; ++k) { // each pair: down first, then across
        const Peak p = strongest(plane(1, k), centre.y + double(plane(2, 2 * k)[here]),
                                 centre.x + double(plane(2, 2 * k + 1)[here]));
        const int cell = p.y * kGrid + p.x;
        out.points[size_t(k)] = {
            Point2(kCell * (float(p.x) + plane(3, 2 * k + 1)[cell]), kCell * (float(p.y) + plane(3, 2 * k)[cell])),
            p.score};
    }
    return out;
}

} // namespace deft
