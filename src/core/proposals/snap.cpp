// SPDX-License-Identifier: GPL-3.0-or-later
#include "proposals/snap.h"

#include "marks/names.h"
#include "tracking/stickers.h"

#include <algorithm>
#include <initializer_list>

namespace deft {
namespace {

constexpr double kStickerRadius = 0.028; // torso lengths: 27 mm across
constexpr double kStickerSd = 0.3;       // px
constexpr double kUnmatched = 2.2;       // cost of a landmark without a sticker, as a squared distance in bands
constexpr double kPlainlyBest = 1.6;     // by so much any other choice must cost more (chosen on forty made clips)

struct Wish {
    std::string name;
    const ProposedMark* mark;
    std::vector<size_t> near; ///< stickers within reach
};

bool oneOf(std::string_view name, std::initializer_list<std::string_view> parts) {
    return std::any_of(parts.begin(), parts.end(), [&](std::string_view part) {
        return name == part || (name.starts_with(part) && name.size() == part.size() + 2);
    });
}

bool onTorso(std::string_view name) {
    return oneOf(name, {"asis", "psis", "crest", "pubis", "sacrum", "hip", "rib", "t12", "back_mid", "sternum", "c7"});
}

bool onFoot(std::string_view name) { return oneOf(name, {"ankle", "heel", "toe"}); }

/// Points at the side of the body: from the front their stickers are turned away, and what is seen there is another's.
bool turnedAway(std::string_view name) { return !sideOf(name).empty() && oneOf(name, {"hip", "crest"}); }

/// Tries every way to give each wish one of its stickers or none, and keeps for every choice what the best way with it
/// costs: another choice that costs little more may as well be the right one.
class Matching {
public:
    Matching(const std::vector<Wish>& wishes, const std::vector<Sticker>& stickers, double shiftSd)
        : wishes_(wishes), stickers_(stickers), shiftSd_(shiftSd), now_(wishes.size(), -1), used_(stickers.size()),
          leastWith_(wishes.size()) {
        tryFrom(0);
    }
    /// The wish on its sticker; nothing when it has none. Where another choice is nearly as good the mark keeps the
    /// band of the proposal: the sticker may be somebody else's.
    std::optional<ProposedMark> markOf(size_t i) const {
        if (best_[i] < 0) return std::nullopt;
        const Sticker& mine = stickers_[size_t(best_[i])];
        const bool plain = std::all_of(leastWith_[i].begin(), leastWith_[i].end(), [&](const auto& choice) {
            return choice.first == best_[i] || choice.second > least_ + kPlainlyBest;
        });
        return ProposedMark{mine.centre, plain ? kStickerSd : wishes_[i].mark->sd, mine.score, MarkSource::Sticker};
    }

    int stickerOf(size_t i) const { return best_[i]; } ///< −1 = none

private:
    double cost() const {
        Vector2 sum = Vector2::Zero();
        double weight = 1 / (shiftSd_ * shiftSd_), cost = 0;
        for (size_t i = 0; i < now_.size(); ++i) {
            if (now_[i] < 0) continue;
            const double w = 1 / std::pow(wishes_[i].mark->sd, 2);
            sum += w * (stickers_[size_t(now_[i])].centre - wishes_[i].mark->at), weight += w;
        }
        const Vector2 shift = sum / weight;
        for (size_t i = 0; i < now_.size(); ++i)
            cost += now_[i] < 0 ? kUnmatched
                                : (stickers_[size_t(now_[i])].centre - wishes_[i].mark->at - shift).squaredNorm() /
                                      std::pow(wishes_[i].mark->sd, 2);
        return cost + shift.squaredNorm() / (shiftSd_ * shiftSd_);
    }
    void tryFrom(size_t i) {
        if (i == wishes_.size()) {
            const double c = cost();
            if (best_.empty() || c < least_) least_ = c, best_ = now_;
            for (size_t k = 0; k < now_.size(); ++k) {
                const auto [known, first] = leastWith_[k].try_emplace(now_[k], c);
                if (!first) known->second = std::min(known->second, c);
            }
            return;
        }
        for (const size_t s : wishes_[i].near) {
            if (used_[s]) continue;
            used_[s] = true, now_[i] = int(s);
            tryFrom(i + 1);
            used_[s] = false;
        }
        now_[i] = -1;
        tryFrom(i + 1);
    }

    const std::vector<Wish>& wishes_;
    const std::vector<Sticker>& stickers_;
    double shiftSd_, least_ = 0;
    std::vector<int> now_, best_;
    std::vector<bool> used_;
    std::vector<std::map<int, double>> leastWith_; ///< of each wish, by sticker; −1 = none
};

} // namespace

void snapToStickers(std::map<std::string, ProposedMark>& marks, const cv::Mat& grey, double torsoPx) {
    std::vector<Sticker> stickers;
    std::map<std::string, Wish> wishes;
    for (const auto& [name, mark] : marks) {
        if (!mayWearSticker(name) || turnedAway(name)) continue;
        const double reach = std::clamp(2.5 * mark.sd, 0.06 * torsoPx, 0.15 * torsoPx);
        const cv::Rect region(int(mark.at.x() - reach), int(mark.at.y() - reach), int(2 * reach), int(2 * reach));
        Wish wish{name, &mark, {}};
        for (const Sticker& s : findStickers(grey, region, kStickerRadius * torsoPx)) {
            const auto same = std::find_if(stickers.begin(), stickers.end(), [&](const Sticker& t) {
                return (t.centre - s.centre).norm() < std::max(t.radiusPx, s.radiusPx);
            });
            const auto index = size_t(same - stickers.begin());
            if (same == stickers.end())
                stickers.push_back(s);
            else if (s.score > same->score)
                *same = s;
            if ((s.centre - mark.at).norm() < reach) wish.near.push_back(index);
        }
        std::sort(wish.near.begin(), wish.near.end(), [&stickers, &mark = mark](size_t a, size_t b) {
            return (stickers[a].centre - mark.at).norm() < (stickers[b].centre - mark.at).norm();
        });
        if (wish.near.size() > 3) wish.near.resize(3); // farther ones are somebody else's
        wishes[name] = std::move(wish);
    }
    // What lies close together is matched together, each side of the body for itself; the rest one by one.
    std::map<std::string, std::vector<Wish>> groups;
    for (auto& [name, wish] : wishes) {
        const std::string side = sideOf(name);
        groups[onTorso(name) ? "torso" + side : onFoot(name) ? "foot" + side : name].push_back(std::move(wish));
    }
    struct Claim {
        std::string name;
        ProposedMark mark;
        double bands; ///< from where it was expected
    };
    std::map<int, std::vector<Claim>> claims; // by sticker
    for (const auto& [group, members] : groups) {
        const Matching matching(members, stickers, 0.08 * torsoPx);
        for (size_t i = 0; i < members.size(); ++i)
            if (const auto mark = matching.markOf(i)) {
                const ProposedMark& expected = *members[i].mark;
                claims[matching.stickerOf(i)].push_back(
                    {members[i].name, *mark, (mark->at - expected.at).norm() / expected.sd});
            }
    }
    // A sticker is one landmark's. Where groups want the same one, the nearest has it, and keeps its wide band.
    for (auto& [sticker, wanted] : claims) {
        const auto nearest = std::min_element(wanted.begin(), wanted.end(),
                                              [](const Claim& a, const Claim& b) { return a.bands < b.bands; });
        if (wanted.size() > 1) nearest->mark.sd = std::max(nearest->mark.sd, marks[nearest->name].sd);
        marks[nearest->name] = nearest->mark;
    }
}

} // namespace deft
