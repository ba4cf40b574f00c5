#pragma once
#include "app/session/background_job.h"
#include "proposals/propose.h"
#include "store/library.h"

#include <deque>

namespace deft::ui {

/// Looks at clips that wait for their marks, one after the other in the background, and keeps what it finds in the
/// library's cache. The network is loaded once, when it is first needed.
class Proposer : public QObject {
    Q_OBJECT
public:
    explicit Proposer(Library& library, QObject* parent = nullptr);
    ~Proposer() override { job_.stop(); }

    /// Takes in clips without marks that have not been looked at. @param first before those that already wait
    void look(const std::vector<Clip>& clips, bool first = false);
    void stop();
    bool isLookingAt(int64_t clip) const { return now_ == clip; }
    bool isIdle() const { return now_ == 0 && waiting_.empty(); }

    /// What is kept of a clip. Nothing when it has not been looked at.
    std::optional<Proposals> found(const ReviewInputs& inputs, const ClipInfo& clip) const;
    /// What the library knows that helps to propose: the client's own layout, the marks of last time.
    static ProposeContext contextFor(const Library& library, const Clip& clip);

signals:
    void ready(qint64 clip);

private:
    bool wasLookedAt(const Clip& clip) const;
    void next();

    struct Network;
    Library& library_;
    std::shared_ptr<Network> network_;
    std::deque<Clip> waiting_;
    int64_t now_ = 0;
    BackgroundJob job_;
};

} // namespace deft::ui
