// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/translations.h"

#include "cli/knowledge.h"
#include "exercises/language_check.h"

namespace deft::cli {
namespace {

void list(std::string& text, const char* what, const std::vector<std::string>& lines) {
    for (const std::string& line : lines) text += std::string(what) + ": " + line + "\n";
}

} // namespace

int checkTranslations(const Catalogue& catalogue, const std::string& code, const Console& console) {
    std::string text;
    Json all = Json::array();
    bool complete = true;
    for (const std::string& one : code.empty() ? catalogue.languages() : std::vector{code}) {
        const auto check = checkLanguage(catalogue, one);
        if (!check) return console.failed(check.error());
        complete = complete && check->wrong.empty() && check->missingClient.empty();
        all.push_back({{"language", one},
                       {"wrong", check->wrong},
                       {"missing_to_client", check->missingClient},
                       {"missing_to_coach", check->missingCoach},
                       {"unused", check->unused}});
        text += one + ", " + catalogue.language(one)->name() + ": " + std::to_string(check->wrong.size()) + " wrong, " +
                std::to_string(check->missingClient.size()) + " missing to clients, " +
                std::to_string(check->missingCoach.size()) + " missing to the coach, " +
                std::to_string(check->unused.size()) + " unused\n";
        list(text, "  wrong", check->wrong), list(text, "  missing to clients", check->missingClient);
        list(text, "  missing to the coach", check->missingCoach), list(text, "  unused", check->unused);
    }
    console.tell(all, text);
    return complete ? 0 : 1;
}

} // namespace deft::cli
