// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "app/widgets/choices_button.h"
#include "exercises/safety_rules.h"

namespace deft::ui {

/// The intake flags of a client: their names on the button, all there are in its menu.
class IntakeButton : public ChoicesButton {
    Q_OBJECT
public:
    explicit IntakeButton(const SafetyRules& rules, QWidget* parent = nullptr);
    std::vector<std::string> flags() const { return chosen(); } ///< ids of data/safety.json
    void setFlags(const std::vector<std::string>& flags) { setChosen(flags); }
    /// The same, and none of them can be taken away here: that is done on the client's page.
    void setKnown(const std::vector<std::string>& flags);
};

} // namespace deft::ui
