// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/proposer.h"

namespace deft::ui {

class ReviewSession;

/// Marks of the open review that the program proposes and nobody has confirmed.
class OfferedMarks : public QObject {
    Q_OBJECT
public:
    OfferedMarks(ReviewSession& session, Library& library);

    /// Null when there are none left or none yet.
    const Proposals* proposals() const { return left_ ? &*left_ : nullptr; }
    bool isLooking() const; ///< for them, at the open clip
    /// Every proposal but the named ones becomes a mark, as one step that can be undone.
    void confirm(const QStringList& butNot);
    Proposer& proposer() { return proposer_; }

    /// Key points for tracking that were found with them; null without.
    const std::vector<MarkedFrame>* seeds() const { return found_ ? &found_->seeds : nullptr; }
    void ask(const Clip& clip); ///< of the clip that was just opened
    void follow();              ///< marks have changed: points that depend on joints go where the marked joints are
    void forget();              ///< nobody is told

signals:
    void changed();

private:
    void fetch();

    ReviewSession& session_;
    Library& library_;
    Proposer proposer_;
    std::optional<Proposals> found_, left_; ///< as found, and what is left of it beside the marks
    BodyLayout layout_;                     ///< of this client
};

} // namespace deft::ui
