// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/own_words.h"
#include "app/session/background_job.h"
#include "language/language.h"
#include "language/spelling.h"

#include <filesystem>
#include <map>

namespace deft::ui {

/// What helps with the words of letters: the coach's own sentences, and spelling in the language of the client. Kept
/// in the library's folder at each change.
class LetterWords : public QObject {
    Q_OBJECT
public:
    explicit LetterWords(std::filesystem::path library, QObject* parent = nullptr);

    const Result<OwnWords>& read() const { return read_; } ///< as the library's file was read @errors readOwnWords()'s
    const std::vector<OwnSentence>& sentences() const { return own_.sentences; }
    /// In place of the one of the same name. @errors those of checkOwnSentence, WriteFailed; what could not be read
    Result<void> keep(const OwnSentence& sentence);
    Result<void> remove(const std::string& name); ///< @errors WriteFailed

    /// From now on words are looked up in this language; its dictionary is read aside, then changed() comes.
    /// @param names that are right in any language, of client and coach
    void setLanguage(const LanguagePtr& language, const std::vector<std::string>& names);
    /// Words that no dictionary can say anything about (numbers, and all without a dictionary) are right.
    bool isRight(const QString& word) const;
    QStringList suggestions(const QString& word) const;
    bool hasDictionary() const { return spelling_ != nullptr; }
    Result<void> learn(const QString& word); ///< right from now on, in every language @errors WriteFailed

signals:
    void changed(); ///< other words are right now

private:
    Result<void> change(OwnWords words);

    std::filesystem::path library_;
    Result<OwnWords> read_; ///< a file that could not be read is never overwritten
    OwnWords own_;
    LanguagePtr language_;
    std::vector<std::string> names_;
    std::map<std::string, std::shared_ptr<Spelling>> known_; ///< by language; null = no dictionary
    std::shared_ptr<Spelling> spelling_;
    mutable std::map<QString, bool> looked_; ///< words of this language that were looked up
    BackgroundJob reading_;
};

} // namespace deft::ui
