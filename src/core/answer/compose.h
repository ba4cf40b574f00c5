// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "answer/answer.h"

#include <functional>
#include <set>

namespace deft {

/// A review as it is told: to the client in one language, to the coach in another.
struct Speaker {
    const Review& r;
    LanguagePtr client, coach;
    Exercise e;   ///< in the client's words
    Exercise own; ///< in the coach's

    Speaker(const Review& review, const std::string& coachLanguage);
    std::string say(const Message& message) const { return client->say(message); }
    std::string fact(const Message& message) const { return coach->say(message); }
};

/// Which of a review's findings its letter tells.
struct Telling {
    std::vector<ChosenCue> cues;      ///< those of the decision's that are told now; the others wait
    std::set<std::string> sidesShown; ///< "left", "right": in other clips of the same exercise
};

Answer composeTelling(const Speaker& speaker, const Telling& telling);

/// Titles of the corrections, counted as the letter counts them: in its order, without those that are left out.
void numberCorrections(Answer& answer, const std::function<const Speaker&(const AnswerPart&)>& speakerOf);

/// "Next clip: in a week (Thursday 21 May)." @param names of what is filmed, in a letter on several; else empty
Message nextClipWords(const Review& review, const std::string& names, int clips);

/// What stands in every letter before the dose of a target, so that a name may be put into it.
std::string beforeTarget(const Language& language);

} // namespace deft
