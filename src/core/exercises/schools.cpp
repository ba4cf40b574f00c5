#include "exercises/schools.h"

#include "exercises/data.h"

#include <algorithm>

namespace deft {
namespace {

std::string listOf(const auto& items) {
    std::string out;
    for (const auto& item : items) out += (out.empty() ? "" : ", ") + item.id;
    return out;
}

Result<std::vector<SchoolQuestion>> read() {
    const auto file = dataFolder() / "schools.json";
    auto json = readJsonFile(file);
    if (!json) return tl::unexpected(json.error());
    if (auto ok = expectFormat(*json, "deft-mirror-schools", 1, file.string()); !ok) return tl::unexpected(ok.error());
    try {
        std::vector<SchoolQuestion> out;
        for (const auto& [id, q] : json->at("questions").items()) {
            SchoolQuestion question{id, q.at("name"), {}};
            for (const auto& [name, c] : q.at("choices").items()) {
                SchoolChoice choice{name, c.at("name"), c.at("aim"), {}, {}, 1, {}, false};
                if (c.contains("hold_cap_s")) choice.holdCap_s = c["hold_cap_s"].get<double>();
                if (c.contains("breath_s")) choice.breath_s = c["breath_s"].get<double>();
                choice.insteadOfHold = c.value("instead", std::vector<std::string>{});
                choice.toleranceFactor = c.value("tolerance_factor", 1.0);
                choice.shakingIsTheEnd = c.value("shaking_is_the_end", false);
                question.choices.push_back(std::move(choice));
            }
            out.push_back(std::move(question));
        }
        return out;
    } catch (const nlohmann::json::exception& e) {
        return fail(Errc::BadFormat, file.string() + ": " + e.what());
    }
}

} // namespace

const SchoolChoice* SchoolQuestion::choice(const std::string& wanted) const {
    const auto it = std::find_if(choices.begin(), choices.end(), [&](const SchoolChoice& c) { return c.id == wanted; });
    return it == choices.end() ? nullptr : &*it;
}

Result<std::vector<SchoolQuestion>> schoolQuestions() {
    static const auto questions = read();
    return questions;
}

const SchoolQuestion* findSchoolQuestion(const std::string& id) {
    static const auto questions = schoolQuestions().value_or(std::vector<SchoolQuestion>{});
    const auto it =
        std::find_if(questions.begin(), questions.end(), [&](const SchoolQuestion& q) { return q.id == id; });
    return it == questions.end() ? nullptr : &*it;
}

Result<void> knownSchools(const Schools& schools) {
    auto questions = schoolQuestions();
    if (!questions) return tl::unexpected(questions.error());
    for (const auto& [id, choice] : schools) {
        const SchoolQuestion* q = findSchoolQuestion(id);
        if (!q)
            return fail(Errc::NotFound, "there is no school question \"" + id + "\"; there are: " + listOf(*questions));
        if (!q->choice(choice))
            return fail(Errc::NotFound, "there is no school \"" + choice + "\" for the question " + id +
                                            "; there are: " + listOf(q->choices));
    }
    return {};
}

Result<void> addSchool(Schools& schools, const std::string& text) {
    const size_t equals = text.find('=');
    if (equals == std::string::npos) return fail(Errc::BadFormat, "--school " + text + ": expected QUESTION=SCHOOL");
    const std::string question = text.substr(0, equals);
    schools[question] = text.substr(equals + 1);
    return knownSchools({{question, schools[question]}});
}

} // namespace deft
