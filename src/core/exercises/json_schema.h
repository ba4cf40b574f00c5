// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json_fwd.h"
#include "base/result.h"

#include <memory>
#include <string>

namespace deft {

/// What a JSON Schema demands of a document: data/schemas/*.schema.json.
class JsonSchema {
public:
    /// @errors BadFormat
    static Result<JsonSchema> parse(const Json& schema, const std::string& where);
    JsonSchema(JsonSchema&&) noexcept;
    ~JsonSchema();

    /// @errors BadFormat naming the deepest path that disobeys, and why
    Result<void> check(const Json& document, const std::string& where) const;

private:
    struct Rules;
    explicit JsonSchema(std::unique_ptr<const Rules> rules);
    std::unique_ptr<const Rules> rules_;
};

} // namespace deft
