// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json_fwd.h"
#include "base/result.h"

#include <map>
#include <optional>
#include <string>
#include <vector>

namespace deft {

/// Question → choice, such as "bridge" → "flat-first". What is not named stays at the default.
using Schools = std::map<std::string, std::string>;

/// One answer to a question on which practitioners differ. A school changes targets and tolerances, never measures.
struct SchoolChoice {
    std::string id, name, aim;
    std::optional<double> holdCap_s;        ///< no longer holds than this are asked for
    std::vector<std::string> insteadOfHold; ///< what grows when the hold does not, see Dose::instead
    double toleranceFactor = 1;             ///< on the tolerances of the anchor
    std::optional<double> breath_s;         ///< holds are told in breaths of this length
    bool tremorIsTheEnd = false; ///< shaking with position kept ends a hold, and says that the dose is enough
};

struct SchoolQuestion {
    std::string id, name;
    std::vector<SchoolChoice> choices;
    const SchoolChoice* choice(const std::string& id) const;
};

/// Every question of data/schools.json.
class SchoolQuestions {
public:
    /// File format `deft-mirror-schools` 1. @errors BadFormat naming file and member; NewerVersion
    static Result<SchoolQuestions> parse(const Json& json, const std::string& where);

    const SchoolQuestion* find(const std::string& id) const;
    /// Checks every question and choice. @errors NotFound naming those that exist
    Result<void> know(const Schools& schools) const;
    /// "Q=S" as on the command line. @errors BadFormat, NotFound
    Result<void> add(Schools& schools, const std::string& text) const;

    const std::vector<SchoolQuestion>& all() const { return questions_; }

private:
    std::vector<SchoolQuestion> questions_;
};

} // namespace deft
