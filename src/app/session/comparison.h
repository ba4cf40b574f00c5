// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/review_session.h"
#include "readings/over_time.h"

namespace deft::ui {

/// Two parts of one client's movement side by side: this time and last time, first and last rep, left and right; or
/// its readings over all visits.
class Comparison : public QObject {
    Q_OBJECT
public:
    enum class Of { Times, Reps, Sides, Weeks };

    struct Side {
        QString title;
        const Review* review = nullptr;
        std::vector<Rep> reps; ///< that the table counts
        FrameSource* frames = nullptr;
    };

    Comparison(ReviewSession& session, Library& library, QObject* parent = nullptr);

    /// Looks at other clips only while somebody looks at it. It begins where the coach looked on the bench.
    void setActive(bool active);
    void choose(Of of);
    Of of() const { return of_; }
    /// Nothing while the other clip is being measured, or when there is nothing to compare with; see why().
    const Side* side(int which) const { return sides_ ? &(*sides_)[size_t(which)] : nullptr; }
    const QString& why() const { return why_; }
    bool isBusy() const { return job_.isRunning(); }
    const std::vector<Difference>& table() const { return table_; }
    /// Of::Weeks: what was filed before too, in the order of the readings; else nothing.
    const std::vector<OverTime>& weeks() const { return weeks_; }

    double place() const { return place_; } ///< within the rep; see alignedTime
    void setPlace(double place);
    int rep() const { return rep_; } ///< the pair that is shown, of each side's reps
    int pairs() const;
    void setRep(int rep);
    const Rep& shownRep(int which) const;
    int64_t frame(int which) const;

signals:
    void changed();
    void placeChanged();

private:
    void refresh();
    void compareTimes();
    void compareReps();
    void compareSides();
    void compareWeeks();
    /// Another clip of this client, measured; null until it is. @param then called with it, soon or later
    void withReview(int64_t clip, const std::function<void(const Review&)>& then);
    void show(Side a, Side b, bool onlyTolerances = false);
    void clear();
    void nothing(const QString& why);
    void goToFrameOfBench();

    ReviewSession& session_;
    Library& library_;
    bool active_ = false, fromBench_ = false;
    Of of_ = Of::Times;
    QString why_;
    std::optional<std::array<Side, 2>> sides_;
    std::vector<Difference> table_;
    std::vector<OverTime> weeks_;
    double place_ = kAlignTop;
    int rep_ = 0;
    int64_t otherClip_ = 0;
    std::unique_ptr<Review> other_;
    std::unique_ptr<FrameSource> otherFrames_;
    BackgroundJob job_;
};

} // namespace deft::ui
