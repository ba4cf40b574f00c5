// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/session/backlog.h"

namespace deft::ui {

/// Follows the marks of clips that wait, so that a clip is measured when it is opened. What is found lies in the
/// library's cache, where opening looks first.
class Measurer : public Backlog {
    Q_OBJECT
public:
    explicit Measurer(Library& library, QObject* parent = nullptr) : Backlog(library, "measuring", parent) {}
    ~Measurer() override { job_.stop(); }

protected:
    bool needs(const Clip& clip) const override;
    void start(const Clip& clip) override;
};

} // namespace deft::ui
