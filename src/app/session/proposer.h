// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/backlog.h"
#include "proposals/propose.h"

namespace deft::ui {

/// Looks at clips that wait for their marks, one after the other in the background, and keeps what it finds in the
/// library's cache. The network is loaded once, when it is first needed.
class Proposer : public Backlog {
    Q_OBJECT
public:
    explicit Proposer(Library& library, QObject* parent = nullptr);
    ~Proposer() override { job_.stop(); }

    /// What is kept of a clip. Nothing when it has not been looked at.
    std::optional<Proposals> found(const ReviewInputs& inputs, const ClipInfo& clip) const;
    /// What the library knows that helps to propose: the client's own layout, the marks of last time.
    static ProposeContext contextFor(const Library& library, const Clip& clip);

protected:
    /// Without marks, and not looked at yet, or only while the network was missing.
    bool needs(const Clip& clip) const override;
    void start(const Clip& clip) override;

private:
    struct Network;
    std::shared_ptr<Network> network_;
};

} // namespace deft::ui
