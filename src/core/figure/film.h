// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/progress.h"
#include "figure/scene.h"
#include "figure/skin.h"

#include <memory>
#include <opencv2/core.hpp>

namespace deft::figure {

/// Where a landmark is in a frame, seen by the camera.
struct TruePoint {
    double x = 0, y = 0;
    bool visible = true; ///< false: turned away from the camera or behind another part
};

/// What the frame shows, known from the bones in three dimensions (signs of docs/measures.md).
struct TrueBody {
    double tilt_deg = 0;            ///< pelvis against the mat
    double pelvis_on_trunk_deg = 0; ///< pelvis against hip joint → shoulder joint
    double trunk_deg = 0;           ///< hip joint → shoulder joint above the mat
    double hip_deg = 0, knee_deg = 0;
};

struct FilmedFrame {
    cv::Mat picture; ///< 8-bit BGR, upright
    std::map<std::string, TruePoint> points;
    std::map<std::string, TruePoint> joints; ///< joint centres of both sides, hip_l …; `visible` is not looked at
    /// What makes a face known: nose, mouth, eyes and ears, wherever the head turns; `visible` is not looked at.
    std::map<std::string, TruePoint> face;
    TrueBody body;
};

/// Renders the frames of a scene. Building one takes seconds (mesh, skin, room); a frame a fraction of one. Loose
/// clothes hang on what was before: then frames are quickest in the order of time.
class FilmStudio {
public:
    explicit FilmStudio(const Scene& scene);
    ~FilmStudio();
    FilmedFrame frame(double seconds) const;

private:
    struct Set;
    std::unique_ptr<Set> set_;
};

/// Films a scene into CLIP, CLIP.truth.csv and CLIP.marks.json (the ending .mp4 replaced). Same scene, same bytes.
/// @returns the landmarks that are asked for but lie outside the first picture: they are not in the marks
/// @errors those of ClipWriter; Cancelled
Result<std::vector<std::string>> filmScene(const Scene& scene, const std::filesystem::path& clip, StopToken stop = {},
                                           const ProgressFn& progress = {});

} // namespace deft::figure
