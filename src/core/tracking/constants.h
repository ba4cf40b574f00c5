// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Every threshold of the tracker: what it trades, and what was measured to choose it. All are chosen here, on made
// clips with known truth, unless they say otherwise. docs/tracking.md has the same as a table: tools/constants writes
// it.

#include <cstddef>
#include <cstdint>

namespace deft::tracking {

// clang-format off
// One line each, as tools/constants reads them.

// A patch: the picture around a mark or a point of cloth, found again.
constexpr double kAnchorRadius = 14; ///< px; wider tells places apart, narrower bends less; made clips
constexpr double kAnchorSigma = 6; ///< px; weight of the middle against the rim; made clips
constexpr double kNear_px = 0.4; ///< px; a step shorter than this goes on with all pixels instead of a quarter; 4.0 s instead of 5.4 s a clip; same places
constexpr int kStepsWithAll = 2; ///< steps; left when all pixels are used, whatever the step; as above
constexpr double kLookalikeFrom = 8; ///< px; surroundings that a mark is compared with when it is set: from; made clips
constexpr double kLookalikeTo = 24; ///< px; … and up to; made clips
constexpr double kDistinct = 0.04; ///< correlation; by how much a match must surpass the best lookalike (twice that after a loss); wrists 0.98, ankles 0.76–0.99, hips 0.5–0.83, stickers 0.34–0.64 beside themselves
constexpr double kBlank = 0.9; ///< correlation; such a patch is not searched for: it would be found anywhere; chosen here
constexpr double kGood = 0.60; ///< correlation; of a match that is believed: lower follows longer and strays; made clips
constexpr double kGoodAgain = 0.75; ///< correlation; … of a mark that was lost; made clips
constexpr double kRough = 0.2; ///< correlation; less suffices while few pixels are looked at; as kNear_px
constexpr size_t kPlacesToTry = 2; ///< places; rough places that are looked at closely; as kNear_px
constexpr double kSamePlace_px = 1.5; ///< px; rough places nearer than this are one; as kNear_px

// A sticker: texture in both directions, the same after half a turn.
constexpr double kStickerTexture = 35; ///< grey² / px²; less is cloth or skin; cloth and skin 0.1–26, stickers 41–440; bare ankles before a mat's edge 48–96
constexpr double kStickerGate = 0.75; ///< score; proposed from this on; made clips
constexpr double kMinContrast = 22; ///< grey levels; between a sticker and what is around it; made clips
constexpr int kMostCorners = 60; ///< corners; looked at for stickers in a picture; made clips
constexpr double kPattern = 60; ///< grey² / px²; far above that of cloth: a patterned one; made clips
constexpr double kSameTurned = 0.8; ///< correlation; with itself after half a turn; made clips
constexpr double kMostOblong = 1.8; ///< ratio; a disc seen at 56 degrees; geometry
constexpr double kGoesOn = 0.7; ///< correlation; above it the patch has its like beside it and is no sticker; chosen here
constexpr double kSameContrast = 0.5; ///< share; of its contrast that such a like has at least; as kGoesOn
constexpr double kApart = 5; ///< radii; nobody puts two stickers nearer to each other; chosen here
constexpr double kOnePlace_px = 6; ///< px; two stickers found nearer to each other are one that is seen twice: one of them is covered; crossing stickers of made clips
constexpr double kAsNear_px = 1; ///< px; expected there equally well: then neither is told seen; as kOnePlace_px
constexpr double kMarkReach_px = 16; ///< px; from a mark to the middle of a sticker that it may mean, if it lies within it; chosen here
constexpr double kSameSticker_px = 8; ///< px; a mark this near to where its sticker is followed means that one, and need not be looked for; 50 s instead of 74 with fourteen marks in every eighth frame
constexpr double kChanged = 0.90; ///< correlation; below it a sticker is also known by its newest look; made clips
constexpr double kCovered = 0.1; ///< correlation; lost at once: it is covered, and not followed with what covers it; made clips
constexpr double kRenewalSd = 0.35; ///< px; added to the band by each newer look; made clips
constexpr double kBends = 0.12; ///< share; of the way that skin has slid, in a covered sticker's band; made clips
constexpr double kGoneAway = 6; ///< px; a limb must have gone this far to tell that a patch belongs to the room; outlines across a post
constexpr double kStayed = 0.25; ///< share; of that way that such a patch has gone at most; as kGoneAway

// Which cloth belongs to a segment.
constexpr double kPlainlyLess = 0.5; ///< share; of the spread of grey beside it: the mark lies in the limb's middle, not on its outline; 0.62 and more in seven scenes with marks on the outline
constexpr double kHand = 0.7; ///< share; of the forearm, beyond the wrist: kept clear of trunk, pelvis and thigh; chosen here
constexpr double kOtherGrey = 4; ///< spreads; of an arm's own grey: more, and it is not the arm; made clips
constexpr double kLeastSpread = 3; ///< grey levels; of bare skin with the picture's noise; made clips
constexpr double kBesideJoint = 0.22; ///< share; of the way from hip to hip that a hip's skin lies beside its joint; joints 18 cm apart, hips 32 (from memory)

// The cloud of points on a segment and its pose.
constexpr double kPointRadius = 7; ///< px; of a point's patch; made clips
constexpr double kPointSigma = 4.5; ///< px; weight of its middle; made clips
constexpr double kLeastTexture = 0.12; ///< grey² / px²; less is lost in the picture's noise; made clips
constexpr double kMostAlike = 0.92; ///< correlation; with what lies 6 to 12 px beside it: more, and it slides along an edge; made clips
constexpr double kMaxTurnPerFrame = 0.12; ///< rad; at 30 frames a second: 200 degrees a second; chosen here
constexpr double kRenewAfterTurn = 0.35; ///< rad; of trunk and pelvis, then newer patches stand beside the first; a covered mark 0.4 px off after eleven cycles, 1.2 with the newest alone
constexpr double kRenewLimbAfterTurn = 0.2; ///< rad; … of limbs, which show another side sooner; as above
constexpr double kEnough = 0.25; ///< share; of its usual points: fewer, and a segment is lost; made clips
constexpr double kFoundAgain = 0.4; ///< share; … that find a lost leg again; five of fourteen were 34 px off
constexpr double kMost = 0.6; ///< share; … with which it may have turned any way meanwhile; made clips
constexpr int kLookAtStart = 5; ///< frames; between two searches where it was marked; chosen here
constexpr int kSurePoints = 12; ///< points; fewer slide along when nothing holds them; made clips
constexpr double kStill_px = 1; ///< px a frame; slower needs no optical flow; chosen here
constexpr double kStillAgree = 0.9; ///< share; of its points that must go on to agree then; chosen here
constexpr int kStillNeeds = 20; ///< points; … of a segment of so many; chosen here
constexpr double kStretchPrior = 0.1; ///< scale; how firmly a leg's length toward the camera is held; made clips
constexpr double kStretchBegins = 1.15; ///< times; as many points must agree on a stretch, for it to begin; as above
constexpr double kStretchGoesOn = 0.95; ///< times; … to go on; as above
constexpr double kUneven = 0.3; ///< share; of what the stretch moves a place by: its spread; a raised thigh is no evenly shortened one
constexpr double kBeyond = 0.5; ///< share; of the way that the agreeing points have gone to the other end; as above
constexpr double kUsuallyLost = 0.25; ///< share; … of the segment, which is usual; as above
constexpr double kAround_px = 12; ///< px; points around a place that tell how skin there has moved; made clips
constexpr double kFewAround = 0.3; ///< points; against a third of a point that has stayed; made clips

// What segments say of a mark.
constexpr double kLowBack = 0.20; ///< of the trunk; times the turn between trunk and pelvis: how loosely the hip is held; made clips
constexpr double kShoulderBlade = 0.12; ///< of the trunk; times the turn between trunk and arm: … the shoulder; made clips
constexpr double kBetween = 0.07; ///< of the trunk; … what lies between: ribs, mid-back; made clips
constexpr double kUntoldTurn = 0.35; ///< rad; that an arm may have turned since it was lost, or a low back bent; two clips drawn by lot: 26 and 40 px
constexpr int kManyOfTrunk = 24; ///< points; a trunk of fewer may be an arm that hangs before it; as above
constexpr double kBacked_px = 3; ///< px; between two segments that agree; made clips
constexpr double kFarApart = 20; ///< px; between two segments of which one follows what lies beside the body; made clips
constexpr double kBackTurns = 5; ///< px a rad; ribs and mid-back that the trunk carries alone; made clips
constexpr double kFewSeen = 0.1; ///< px; for each point less than many, once a segment has turned; made clips
constexpr double kTurned = 0.005; ///< rad; … by this; made clips
constexpr int kManySeen = 24; ///< points; many; made clips
constexpr double kLeastCarriedSd = 0.5; ///< px; standard deviation of what one segment says; made clips
constexpr double kHeld = 0.7; ///< share; of the segment's say beside a patch, where skin does not slide; the segment had 2 to 3 times less error
constexpr double kLeastHeld = 0.1; ///< px; … at least; as above
constexpr double kSlidAway = 0.5; ///< share; of their distance that counts against the patch; as above
constexpr double kBareTurns = 0.12; ///< rad; by which a bare foot may have turned unseen; made clips
constexpr double kRolls = 8; ///< px; by which a pelvis seen from the front may have rolled; made clips

// A mark: its place, band and state.
constexpr double kSure = 0.85; ///< correlation; a patch on cloth that needs no other witness; made clips
constexpr double kStill = 0.7; ///< px a frame; slower is still; made clips
constexpr double kSkinSlides = 12; ///< px; over the bone beneath, at most; shoulders: 2.4 px off against 5.8 of the segments
constexpr double kBackBends = 30; ///< px; that the middle of a back leaves the line of its ends; 1 px off there, the segment 16
constexpr double kSupports = 4; ///< px; within which a match that is not distinct supports the segments; made clips
constexpr double kSkinOff = 0.45; ///< share; of the distance to the segment that it contradicts, at the end of a limb; made clips
constexpr double kBackOff = 0.6; ///< share; … between the ends of a back; made clips
constexpr double kAlone = 0.3; ///< px a frame; a patch whose segments are all lost, for 40 frames; it may have stayed with the background
constexpr double kAloneMoves = 0.45; ///< share; of the way that it has gone alone; 370 of 378 such patches were more than 3 px wrong
constexpr double kGoneAlong = 12; ///< px; of such a way with the network's joint beside it: it goes along; made clips
constexpr double kProvenMoves = 0.1; ///< share; of its farther way then; as above
constexpr double kCarried = 1.25; ///< times; what the segments' scatter says, and one pixel more; eight sets of scenes
constexpr double kFewPoints = 0.25; ///< px; for each point that a segment has less than many: some lie beside it; bare feet
constexpr int kManyPoints = 12; ///< points; many; made clips
constexpr double kFewTurned = 0.4; ///< px; … of a patch that goes round with the skin, seen from the front; made clips
constexpr double kEndOfLimb = 0.06; ///< px a frame; carried by one limb alone, for 25 frames; made clips
constexpr double kFewAgree = 5; ///< px; … times the share of its points that no longer agree; it shows another side
constexpr double kFewOfArm = 15; ///< px; … of an arm: what is left may be cloth behind it; made clips
constexpr double kFewOfTrunk = 28; ///< px; for each part of a trunk's points below half; made clips
constexpr double kHalfAgree = 0.5; ///< share; of a trunk's points: with fewer it is a poor witness; made clips
constexpr double kWeak = 2.5; ///< px; more, and a mark whose patch is seen is told as weak; chosen here
constexpr double kPatchLost = 5; ///< px; … as lost; chosen here
constexpr double kLost = 9; ///< px; more, and a mark that segments carry is not told as weak but as lost; chosen here
constexpr double kAnywhere = 0.12; ///< of the picture's longer side; up to which a lost band grows; an arm may be anywhere
constexpr double kSceneSd = 0.5; ///< px; a still mark on an edge; as precisely as it was set
constexpr double kCalibratedSeen = 0.5; ///< times; the parts of a band together, of a seen mark on cloth; 93–99 % inside in eight sets of scenes
constexpr double kCalibratedWaist = 0.65; ///< times; … of the pelvis; as above
constexpr double kCalibrated = 0.8; ///< times; … of a weak one; as above

constexpr double kSlipWindow_s = 0.3; ///< s; marks that slide past each other agree for a moment: the largest change of a bone's length within it counts; six clips in loose clothes

// The way through a clip.
constexpr double kMaxSpeed = 300; ///< px a second; a quicker jump is not believed; chosen here
constexpr double kGoesOn_px = 1.5; ///< px; between a match and where optical flow leads; made clips
constexpr double kSeedReach_px = 24; ///< px; of a body finder's joint around its mark; chosen here
constexpr int kLookAgain = 15; ///< frames; between two searches for a lost mark; chosen here
constexpr int kLevels = 2; ///< halvings; of the pictures for optical flow, which only tells where to look; as kNear_px
constexpr int64_t kPlaces = 8; ///< places; of a clip where the tracker's state is kept, so that a moved mark costs its stretch; chosen here
constexpr double kUnseenSd = 30; ///< px; in a frame that cannot be decoded; chosen here
constexpr double kJoined_s = 0.15; ///< s; marks so near in time are joined by a curve and not followed; a limb that swings by 300 px once a second leaves it by 3 px
constexpr double kOffCurve = 0.3; ///< share; of the distance between that curve and the straight line; as above
constexpr double kLeastSd = 0.3; ///< px; standard deviation on that curve; as above

// clang-format on

} // namespace deft::tracking
