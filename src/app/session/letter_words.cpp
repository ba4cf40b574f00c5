// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/session/letter_words.h"

#include "store/own_words_file.h"

#include <algorithm>

namespace deft::ui {

LetterWords::LetterWords(std::filesystem::path library, QObject* parent)
    : QObject(parent), library_(std::move(library)), read_(readOwnWords(library_)) {
    if (read_) own_ = *read_;
}

Result<void> LetterWords::change(OwnWords words) {
    if (!read_) return tl::unexpected(read_.error());
    if (auto ok = writeOwnWords(library_, words); !ok) return ok;
    own_ = std::move(words);
    return {};
}

Result<void> LetterWords::keep(const OwnSentence& sentence) {
    if (auto ok = checkOwnSentence(sentence.text); !ok) return ok;
    OwnWords words = own_;
    const auto same = std::find_if(words.sentences.begin(), words.sentences.end(),
                                   [&](const OwnSentence& s) { return s.name == sentence.name; });
    same == words.sentences.end() ? words.sentences.push_back(sentence) : void(*same = sentence);
    return change(std::move(words));
}

Result<void> LetterWords::remove(const std::string& name) {
    OwnWords words = own_;
    std::erase_if(words.sentences, [&](const OwnSentence& s) { return s.name == name; });
    return change(std::move(words));
}

void LetterWords::setLanguage(const LanguagePtr& language, const std::vector<std::string>& names) {
    if (language_ && language->code() == language_->code() && names == names_) return;
    language_ = language, names_ = names;
    looked_.clear();
    const std::string code = language->code();
    const auto use = [this, code] {
        spelling_ = known_.at(code);
        looked_.clear();
        emit changed();
    };
    if (known_.count(code)) return use();
    spelling_.reset();
    reading_.run([code](StopToken, const ProgressFn&) { return Spelling::of(code); },
                 [this, code, use](const std::shared_ptr<Spelling>& spelling) {
                     known_[code] = spelling;
                     use();
                 });
}

bool LetterWords::isRight(const QString& word) const {
    if (!spelling_ || word.size() < 2) return true;
    if (const auto known = looked_.find(word); known != looked_.end()) return known->second;
    const std::string text = word.toStdString();
    const auto isOneOf = [&](const std::vector<std::string>& words) {
        return std::any_of(words.begin(), words.end(), [&](const std::string& w) {
            return QString::fromStdString(w).split(QLatin1Char(' ')).contains(word);
        });
    };
    const bool number = std::any_of(word.begin(), word.end(), [](QChar c) { return c.isDigit(); });
    return looked_[word] = number || isOneOf(names_) || isOneOf(own_.spelling) || language_->spelling().count(text) ||
                           spelling_->isRight(text);
}

QStringList LetterWords::suggestions(const QString& word) const {
    QStringList out;
    if (spelling_)
        for (const std::string& s : spelling_->suggestions(word.toStdString())) out << QString::fromStdString(s);
    return out;
}

Result<void> LetterWords::learn(const QString& word) {
    OwnWords words = own_;
    words.spelling.push_back(word.toStdString());
    if (auto ok = change(std::move(words)); !ok) return ok;
    looked_[word] = true;
    emit changed();
    return {};
}

} // namespace deft::ui

#include "moc_letter_words.cpp"
