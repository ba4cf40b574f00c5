// SPDX-License-Identifier: GPL-3.0-or-later
#include "exercises/schools.h"

#include "base/json.h"
#include "exercises/by_id.h"

#include <algorithm>

namespace deft {
namespace {

std::string idsOf(const auto& items) {
    std::string out;
    for (const auto& item : items) out += (out.empty() ? "" : ", ") + item.id;
    return out;
}

} // namespace

const SchoolChoice* SchoolQuestion::choice(const std::string& wanted) const { return byId(choices, wanted); }

Result<SchoolQuestions> SchoolQuestions::parse(const Json& json, const std::string& where) {
    if (auto ok = expectFormat(json, "deft-mirror-schools", 1, where); !ok) return tl::unexpected(ok.error());
    return readMembers(where, [&]() -> Result<SchoolQuestions> {
        SchoolQuestions out;
        for (const auto& [id, q] : json.at("questions").items()) {
            SchoolQuestion question{id, q.at("name"), {}};
            for (const auto& [name, c] : q.at("choices").items()) {
                SchoolChoice choice{name, c.at("name"), c.at("aim"), {}, {}, 1, {}, false};
                if (c.contains("hold_cap_s")) choice.holdCap_s = c["hold_cap_s"].get<double>();
                if (c.contains("breath_s")) choice.breath_s = c["breath_s"].get<double>();
                choice.insteadOfHold = c.value("instead", std::vector<std::string>{});
                choice.toleranceFactor = c.value("tolerance_factor", 1.0);
                choice.tremorIsTheEnd = c.value("shaking_is_the_end", false);
                question.choices.push_back(std::move(choice));
            }
            out.questions_.push_back(std::move(question));
        }
        return out;
    });
}

const SchoolQuestion* SchoolQuestions::find(const std::string& id) const { return byId(questions_, id); }

Result<void> SchoolQuestions::know(const Schools& schools) const {
    for (const auto& [id, choice] : schools) {
        const SchoolQuestion* q = find(id);
        if (!q)
            return fail(Errc::NotFound, {"there is no school question \"{id}\"; there are: {known}",
                                         {{"id", id}, {"known", idsOf(questions_)}}});
        if (!q->choice(choice))
            return fail(Errc::NotFound, {"there is no school \"{choice}\" for the question {id}; there are: {known}",
                                         {{"choice", choice}, {"id", id}, {"known", idsOf(q->choices)}}});
    }
    return {};
}

Result<void> SchoolQuestions::add(Schools& schools, const std::string& text) const {
    const size_t equals = text.find('=');
    if (equals == std::string::npos)
        return fail(Errc::BadFormat, {"--school {text}: expected QUESTION=SCHOOL", {{"text", text}}});
    const std::string question = text.substr(0, equals);
    schools[question] = text.substr(equals + 1);
    return know({{question, schools[question]}});
}

} // namespace deft
