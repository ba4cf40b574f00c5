// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "marks/tracks.h"
#include "tracking/segment_cloud.h"

#include <optional>
#include <set>

namespace deft {

/// Follows landmarks through pictures in one direction of time. A value: copying it saves its place.
///
/// Each landmark looks for the patch it was marked with; each body segment follows its own cloth. Where both agree, the
/// patch gives the position and the segment the proof; where the patch fails, the segment carries the mark, with a
/// wider band. Scene marks stand still unless their patch moves. Parameters: docs/tracking.md.
class LandmarkTracker {
public:
    /// Sets points of the newest picture by hand; nothing = not visible from here on. New patches and segments start
    /// here.
    /// @param joined those of them that will be told until they are set again, and need not be followed
    void mark(const cv::Mat& image, const std::map<std::string, std::optional<Point2>>& points,
              const std::set<std::string>& joined = {});
    /// Where joined landmarks are in the newest picture.
    void tell(const std::map<std::string, TrackPoint>& points);

    /// Takes in the next picture. @param seconds time since the one before, > 0
    /// @param seeds where a body finder sees joints in it: a lost mark is looked for there too, and its own patch
    /// decides
    void step(const cv::Mat& image, double seconds, const std::map<std::string, Point2>& seeds = {});

    const std::map<std::string, TrackPoint>& now() const { return now_; }

    /// Its place without the newest picture, which is by far the largest part of it. To go on, wake it with that.
    LandmarkTracker asleep() const;
    void wake(const cv::Mat& image);

    /// The marks whose picture alone proves their place.
    std::set<std::string> stickers() const {
        std::set<std::string> names;
        for (const auto& [name, anchor] : anchors_)
            if (anchor.sticker) names.insert(name);
        return names;
    }

private:
    struct Anchor {
        Patch patch;
        double bornAngle = 0;  ///< of the main segment when the patch was taken
        bool sticker = false;  ///< so much texture that the patch alone proves the place
        double lookalike = 0;  ///< best correlation with places beside it: what a match must surpass
        bool blank = false;    ///< it looks so much like its surroundings that it would be found anywhere
        double angle = 0;      ///< last found, relative to bornAngle
        double typical = 0.95; ///< correlation that it has had lately
        int failures = 0;
        int alone = 0;            ///< frames since a segment or a body finder has last backed it
        bool provenAlone = false; ///< it has moved alone, and a body finder saw it there
        Point2 carried = Point2::Zero(), aloneFrom = Point2::Zero();
        double speed = 0;     ///< px a frame, at which its segments have carried it lately
        bool wasStill = true; ///< when it was left alone
        // Skin and cloth slide over the bones: where the mark sits in each segment besides its first place.
        std::map<std::string, Vector2> slide;
        // The newest look of a mark whose patch has slowly changed (seen from another side), besides the first.
        std::optional<Patch> renewed;
        double renewedAngle = 0; ///< of the mark when it was renewed
        double renewedSd = 0;    ///< drift that renewing may have added (px)
        Vector2 velocity = Vector2::Zero();
    };
    struct Sight {
        PatchMatch match;
        bool good = false;
        bool distinct = false; ///< it surpasses what lies beside the mark; else it only supports the segments
        bool goesOn = false;   ///< it lies where optical flow leads from the place before
        bool bySeed = false;   ///< a body finder sees the joint there, too
        double extraSd = 0;
    };
    /// A mark that is looked for in the newest picture.
    struct Search {
        const std::string* name;
        const Anchor* anchor;
        Point2 predicted, going;
        double angle, limit;
        bool byFlow;
        Sight sight;
    };
    /// Stickers look like each other, so one that is covered would be found on the one that covers it: what two claim
    /// belongs to the one that was expected there.
    static void partClaims(std::vector<Search>& searches);
    static std::optional<Anchor> anchorAt(const cv::Mat& image, const Point2& place);
    /// Where its segments put a mark: weighted mean of all that are measured.
    struct Carried {
        Point2 at = Point2::Zero();
        double sd = 0, disagreement = 0; ///< px
        int segments = 0;
        double agreeing = 0; ///< of the segment that has kept most of its points
        int points = 0;      ///< of the segment that agrees in most
        double turn = 0;     ///< of the segment that has turned most since it was marked, rad
        double rolled = 0;   ///< px that a pelvis which rolls may have taken along what it alone carries
        double blindSd = 0;  ///< px that it may be off by what a trunk cannot tell
        bool atEnd = true;   ///< the mark is an end of every segment that it belongs to
    };
    Carried carriedBySegments(const std::string& name) const;
    Vector2 towardPelvis(const SegmentCloud& thigh, const std::string& name) const;
    double looseness(const SegmentCloud& segment, const std::string& name) const;
    double trunkOnlyHipSd(const SegmentCloud& segment, const std::string& name) const;
    double trunkBlindSd(const SegmentCloud& segment, const std::string& name) const;
    bool isBackground(const std::string& name, const Point2& patch) const;
    double goesRound(const std::string& name, const Carried& carried) const;
    static bool isBacked(const Carried& carried);
    bool mayContradict(const std::string& name, const Carried& carried, const Anchor& anchor) const;
    bool skinSlides(const std::string& name) const;
    double patchWeight(const std::string& name, double patchSd, double carriedSd, double gap) const;
    /// The mark's place, band and state in this picture, from what was seen and what its segments say.
    void settle(const cv::Mat& image, const std::string& name, TrackPoint& point,
                const std::map<std::string, Sight>& sights, double seconds);
    /// What a sticker in plain sight teaches: how far it has slid on its segments, and its newest look.
    void learn(const cv::Mat& image, const std::string& name, const Point2& at, Anchor& anchor,
               double correlation) const;
    cv::Mat smooth(const cv::Mat& image) const;
    /// @param going where it would be if it went on as it did: optical flow may stay with what lies beside it
    Sight look(const cv::Mat& image, const Anchor& anchor, const Point2& predicted, const Point2& going, double angle,
               double limitPx) const;
    /// The best match around a seed, which is right to within some ten pixels only.
    Sight lookAround(const cv::Mat& image, const Anchor& anchor, const Point2& seed, double angle) const;
    const SegmentCloud* mainSegment(const std::string& name) const;
    Point2 placeIn(const SegmentCloud& segment, const std::string& name, const Pose2& pose) const;
    void stepSegments(const cv::Mat& image, const std::vector<cv::Mat>& pyramid,
                      const std::map<std::string, Sight>& sights);
    void hangLostSegments(const cv::Mat& image, const std::map<std::string, Sight>& sights);
    void restartSegments(const cv::Mat& image, const std::vector<std::string>& moved);
    bool isFollowed(const std::string& name) const;

    std::map<std::string, TrackPoint> now_;
    std::set<std::string> joined_; ///< told from outside until they are set again
    std::map<std::string, Anchor> anchors_;
    std::vector<SegmentCloud> segments_;
    std::map<std::string, std::map<std::string, Point2>> layout_; ///< segment → landmark → place in its marked frame
    std::map<std::string, Vector2> across_; ///< hip, seen from the front → from there to the other one, as marked
    std::vector<cv::Mat> pyramid_;
};

} // namespace deft
