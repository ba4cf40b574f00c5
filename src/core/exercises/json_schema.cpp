// SPDX-License-Identifier: GPL-3.0-or-later
#include "exercises/json_schema.h"

#include "base/json.h"

#include <valijson/adapters/nlohmann_json_adapter.hpp>
#include <valijson/schema.hpp>
#include <valijson/schema_parser.hpp>
#include <valijson/validator.hpp>

namespace deft {

struct JsonSchema::Rules {
    valijson::Schema schema;
};

JsonSchema::JsonSchema(std::unique_ptr<const Rules> rules) : rules_(std::move(rules)) {}
JsonSchema::JsonSchema(JsonSchema&&) noexcept = default;
JsonSchema::~JsonSchema() = default;

Result<JsonSchema> JsonSchema::parse(const Json& schema, const std::string& where) {
    return readMembers(where, [&]() -> Result<JsonSchema> {
        auto rules = std::make_unique<Rules>();
        const nlohmann::json plain = schema; // valijson's adapter wants the default json type
        valijson::SchemaParser().populateSchema(valijson::adapters::NlohmannJsonAdapter(plain), rules->schema);
        return JsonSchema(std::move(rules));
    });
}

Result<void> JsonSchema::check(const Json& document, const std::string& where) const {
    const nlohmann::json plain = document;
    valijson::Validator validator;
    valijson::ValidationResults results;
    if (validator.validate(rules_->schema, valijson::adapters::NlohmannJsonAdapter(plain), &results)) return {};
    // The deepest complaint is the most exact one.
    valijson::ValidationResults::Error error, deepest;
    size_t depth = 0;
    while (results.popError(error))
        if (error.context.size() >= depth) depth = error.context.size(), deepest = error;
    std::string path;
    for (std::string part : deepest.context) {
        if (part == "<root>") continue;
        if (part.size() > 2 && part.front() == '[') part = part.substr(1, part.size() - 2);
        path += "/" + part;
    }
    return fail(Errc::BadFormat, inPlace(where + ": " + (path.empty() ? "/" : path), deepest.description));
}

} // namespace deft
