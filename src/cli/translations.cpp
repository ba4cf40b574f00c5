// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/translations.h"

#include "base/json.h"
#include "cli/knowledge.h"
#include "exercises/language_check.h"

#include <iostream>

namespace deft::cli {
namespace {

void list(const char* what, const std::vector<std::string>& lines) {
    for (const std::string& line : lines) std::cout << what << ": " << line << "\n";
}

} // namespace

int checkTranslations(const Catalogue& catalogue, const std::string& code, bool json) {
    Json all = Json::array();
    bool complete = true;
    for (const std::string& one : code.empty() ? catalogue.languages() : std::vector{code}) {
        const auto check = checkLanguage(catalogue, one);
        if (!check) return failed(check.error());
        complete = complete && check->wrong.empty() && check->missingClient.empty();
        if (json) {
            all.push_back({{"language", one},
                           {"wrong", check->wrong},
                           {"missing_to_client", check->missingClient},
                           {"missing_to_coach", check->missingCoach},
                           {"unused", check->unused}});
            continue;
        }
        std::cout << one << ", " << catalogue.language(one)->name() << ": " << check->wrong.size() << " wrong, "
                  << check->missingClient.size() << " missing to clients, " << check->missingCoach.size()
                  << " missing to the coach, " << check->unused.size() << " unused\n";
        list("  wrong", check->wrong), list("  missing to clients", check->missingClient);
        list("  missing to the coach", check->missingCoach), list("  unused", check->unused);
    }
    if (json) std::cout << toText(all);
    return complete ? 0 : 1;
}

} // namespace deft::cli
