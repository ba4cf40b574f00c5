// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/widgets/link_label.h"
#include "store/library.h"

namespace deft::ui {

/// Clips that were asked for and have not come, soonest due first, each with what can be done about it.
class ExpectedList : public LinkLabel {
    Q_OBJECT
public:
    explicit ExpectedList(const Library& library, QWidget* parent = nullptr);
    /// @param today ISO day
    void show(const std::vector<ExpectedClip>& expected, const std::string& today);

signals:
    void remind(qint64 review);
    void expectNoMore(qint64 review);

private:
    const Library& library_;
};

} // namespace deft::ui
