// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json_fwd.h"
#include "base/result.h"
#include "geometry/angle.h"
#include "marks/clip_info.h"

#include <filesystem>
#include <map>
#include <optional>

namespace deft {

/// Points set by hand in one frame; an empty point means "not visible from here on until marked again".
struct MarkedFrame {
    double time_s = 0;
    std::map<std::string, std::optional<Point2>> points;
    bool operator==(const MarkedFrame&) const = default;
};

/// Standard deviation of a mark on the scene, px: an edge of the mat or of a door is seen (chosen here).
constexpr double kSceneMarkingSd_px = 1.5;
/// Of a mark on the body until the coach's own has been measured: a bone is felt for and guessed under cloth. In a
/// picture of 720 lines, and where a scale is known (common practice, no published source).
constexpr double kMarkingSd_px = 3, kMarkingSd_cm = 0.8;
/// The same in pixels of a picture of another size.
double usualMarkingSd_px(int width, int height);

/// An exercise mat: 183 by 61 cm, as most are sold (common practice, no published source).
struct MatSize {
    double length_cm = 183, width_cm = 61;
    bool operator==(const MatSize&) const = default;
};

/// Content of a marks file: `deft-mirror-marks` 1.
struct Marks {
    bool mirrored = false;
    std::optional<double> scaleLengthCm;
    /// Standard deviation with which these marks are set, px: of a coach whose own is known. Nothing = the usual one.
    std::optional<double> markingSd_px;
    std::optional<MatSize> mat;      ///< of the mat whose corners are mat_a … mat_d; nothing = the usual one
    std::vector<MarkedFrame> frames; ///< rising times
    /// Where a body finder saw joints, right to within some ten pixels. They belong to the marks, so that a clip is
    /// measured alike however its marks came about.
    std::vector<MarkedFrame> seeds;
    /// Keys of other programs, kept: name and JSON text, in the file's order. As text, so that not every file that
    /// knows marks compiles all of JSON's copying.
    std::vector<std::pair<std::string, std::string>> more;

    /// Sets or replaces one point of the frame at that time.
    void set(double time_s, const std::string& landmark, std::optional<Point2> point);
    /// Takes a point out again; a frame without points goes with it.
    void unset(double time_s, const std::string& landmark);
    std::vector<std::string> landmarks() const;
    void keep(const std::string& key, const Json& value); ///< into `more`; null takes it out
    Json kept(const std::string& key) const;              ///< null = there is none
    bool operator==(const Marks&) const = default;
};

/// @errors NotFound, NotReadable, BadFormat (with the path of the entry), NewerVersion
Result<Marks> readMarks(const std::filesystem::path& path);
Result<Marks> parseMarks(const Json& json, const std::string& where);
/// Marks that can hardly be right: two of the body on one spot, or one at the picture's edge. They may stand, with a
/// wider band.
struct DoubtfulMark {
    std::string name;
    Message why; ///< "lies on the same spot as the crest", "lies at the edge of the picture"
    bool operator==(const DoubtfulMark&) const = default;
};
std::vector<DoubtfulMark> doubtfulMarks(const Marks& marks, int width, int height);

/// Do these marks still hold proposals that nobody has confirmed?
bool areUnconfirmed(const Marks& marks);

Json toJson(const Marks& marks);

/// Do these marks fit this clip? Times are moved onto the nearest frame. @errors OutOfRange naming the point or the
/// time; Conflict when the file says that it belongs to another clip.
Result<Marks> fitToClip(Marks marks, const ClipInfo& clip, const std::string& sha256);

} // namespace deft
