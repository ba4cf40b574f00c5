// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// A published single-person network run by OpenCV. It proposes; it never measures.

#include "base/result.h"
#include "geometry/angle.h"

#include <array>
#include <filesystem>
#include <memory>

namespace cv {
class Mat;
}

namespace deft {

/// Points of the network in its own order. Left and right are the person's own, as the network believes.
enum Keypoint {
    Nose,
    EyeLeft,
    EyeRight,
    EarLeft,
    EarRight,
    ShoulderLeft,
    ShoulderRight,
    ElbowLeft,
    ElbowRight,
    WristLeft,
    WristRight,
    HipLeft,
    HipRight,
    KneeLeft,
    KneeRight,
    AnkleLeft,
    AnkleRight,
    kKeypoints
};

struct ScoredPoint {
    Point2 place = Point2::Zero(); ///< px of the picture that was searched
    double score = 0;              ///< 0…1
};

/// What one run over one square picture gives.
struct KeypointPass {
    std::array<ScoredPoint, kKeypoints> points;
    double presence = 0; ///< 0…1: how sure the network is that there is a person
    double second = 0;   ///< presence at the strongest place away from the first: another person
};

class KeypointNetwork {
public:
    static constexpr int kSide = 256; ///< width and height of the square that a pass takes

    /// DEFT_MIRROR_KEYPOINTS if set; the file that set-up leaves in the cache folder,
    /// $XDG_CACHE_HOME/deft-mirror/keypoints-1.onnx; where that is not there, the one that was installed with the data.
    static std::filesystem::path usualPlace();

    /// @errors NotFound (with what to do), BadFormat
    static Result<KeypointNetwork> load(const std::filesystem::path& file);
    KeypointNetwork(KeypointNetwork&&) noexcept;
    ~KeypointNetwork();

    /// @param square 8-bit BGR, kSide × kSide
    KeypointPass pass(const cv::Mat& square);

private:
    struct State;
    explicit KeypointNetwork(std::unique_ptr<State> state);
    std::unique_ptr<State> s;
};

} // namespace deft
