// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/json_fwd.h"
#include "base/result.h"

#include <memory>
#include <string>

namespace deft {

/// What a JSON Schema demands of an exercise file: data/schemas/exercise.schema.json.
class ExerciseSchema {
public:
    /// @errors BadFormat
    static Result<ExerciseSchema> parse(const Json& schema, const std::string& where);
    ExerciseSchema(ExerciseSchema&&) noexcept;
    ~ExerciseSchema();

    /// @errors BadFormat naming the deepest path that disobeys, and why
    Result<void> check(const Json& document, const std::string& where) const;

private:
    struct Rules;
    explicit ExerciseSchema(std::unique_ptr<const Rules> rules);
    std::unique_ptr<const Rules> rules_;
};

} // namespace deft
