// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "exercises/exercise.h"
#include "exercises/safety_rules.h"
#include "language/language.h"

#include <filesystem>
#include <memory>

namespace deft {

class JsonSchema;

/// Which form of an exercise is meant.
struct ExerciseForm {
    std::string id;
    std::string version{}; ///< a version; empty, unknown or one that changes nothing: as its file says it first
    std::string view{};    ///< empty = its first one
    std::optional<Schools> schools{}; ///< none = with what any school says

    auto operator<=>(const ExerciseForm&) const = default;
};

/// Everything that files say of the trade: the exercises that ship and the coach's own, schools, safety rules. It is
/// loaded once and never changes after; every stage is handed it, and none reads a file. Many threads may ask one.
class Catalogue {
public:
    /// Takes up the files of a data folder and of the coach's own exercises; one of those with the id of a shipped
    /// exercise takes its place. An exercise file that is wrong is an error of that exercise alone.
    /// @param own may be empty, or a folder that is not there
    /// @errors those of readJsonFile; BadFormat, NewerVersion of schema, shared entries, schools and safety rules
    static Result<std::shared_ptr<const Catalogue>> load(const std::filesystem::path& data,
                                                         const std::filesystem::path& own = {});
    ~Catalogue();

    const SchoolQuestions& schools() const { return schools_; }
    const SafetyRules& safety() const { return safety_; }
    /// What clients come for: id → name, as in "for “steady on one leg”".
    const std::map<std::string, std::string>& goals() const { return goals_; }
    /// Of all exercise files, in order.
    const std::vector<std::string>& exerciseIds() const { return ids_; }
    bool hasExercise(const std::string& id) const { return files_.count(id) > 0; }
    /// Are the coach's own files still what they were when they were taken up?
    bool isCurrent() const;

    /// @errors NotFound (naming those that exist; an unknown view or school), BadFormat naming file, path and reason;
    /// NewerVersion
    Result<Exercise> form(const ExerciseForm& wanted) const;
    Result<Exercise> exercise(const std::string& id) const { return form(ExerciseForm{id}); }

    /// Codes of the languages there are: data/languages.
    const std::vector<std::string>& languages() const { return languages_; }
    /// The words of a language, read when it is first asked for. English for one that is not there or cannot be read.
    LanguagePtr language(const std::string& code) const;

    /// Does a document that others may write too obey its JSON Schema? @param kind "parcel", "practice" or "programme":
    /// data/schemas/<kind>.schema.json, read when it is first asked for
    /// @errors BadFormat naming path and reason; those of readJsonFile
    Result<void> obeysSchema(const std::string& kind, const Json& document, const std::string& where) const;

    /// Validates a document: schema, then what a schema cannot say (units, landmarks for the measures, causes without a
    /// circle). One with "extends": ID takes everything from that shipped exercise, puts its own members over it, and
    /// changes single tolerances in "limits": {fault or check: {low, high}}.
    /// @errors BadFormat naming path and reason; NewerVersion
    Result<Exercise> parse(const Json& document, const std::string& where) const;

    /// An exercise with the limits, caps and start of these schools. @errors NotFound
    Result<Exercise> inSchools(const Exercise& exercise, const Schools& wanted) const;
    /// As this version of its ladder is done: with what the version changes, or, where the version has an exercise file
    /// of its own, with everything from that but the ladder; in the same schools. An unknown version, or one that
    /// changes nothing: as it is. @errors those of parse() and form()
    Result<Exercise> inVersion(const Exercise& exercise, const std::string& version) const;
    /// As it is read from another view. @errors NotFound naming the views there are
    Result<Exercise> inView(const Exercise& exercise, const std::string& view) const;

private:
    struct File;
    Catalogue();
    Result<Exercise> made(const ExerciseForm& wanted) const;
    Result<Json> shippedDocument(const std::string& id) const;

    std::filesystem::path data_, own_;
    std::string ownStamp_;
    SchoolQuestions schools_;
    SafetyRules safety_;
    std::map<std::string, std::string> goals_;
    std::vector<std::string> languages_;
    LanguagePtr english_;
    std::unique_ptr<const Json> shared_;
    std::unique_ptr<const JsonSchema> schema_;
    std::vector<std::string> ids_;
    std::map<std::string, std::shared_ptr<const File>> files_, shipped_;
    struct Known; ///< what has been asked for before
    std::unique_ptr<Known> known_;
};

using CataloguePtr = std::shared_ptr<const Catalogue>;

} // namespace deft
