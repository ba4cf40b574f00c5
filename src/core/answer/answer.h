// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "review/review.h"

namespace deft {

/// One picture of the answer: which frame, which line is drawn, what stands under it.
struct AnswerPicture {
    int64_t frame = 0;
    int rep = 0;
    std::string measure, caption;
    bool broken = false; ///< told by a ticked instead of a solid ruler under the picture
    int of = 0;          ///< which review of a visit's letter it shows, see composeVisit()
};

/// A part of the message that the coach can edit, leave out, and trace to its reasons.
struct AnswerPart {
    std::string id;                 ///< greeting, well, correction-<fault>, target, cautions, next, close
    std::string title;              ///< of the part, for the coach
    std::string text;               ///< to the client; paragraphs parted by line breaks
    std::vector<std::string> facts; ///< for the coach: what it rests on
    std::vector<AnswerPicture> pictures;
    bool sent = true;
    bool edited = false;
    std::string computed{}; ///< what the program would say
    std::string heading{};  ///< above it in the letter; of the first one only in a list; empty = none
    /// The computed words have changed since the coach edited them, in a way that the edited text could not follow.
    bool outdated = false;
    int of = 0; ///< which review of a visit's letter it is about, see composeVisit()
};

struct Answer {
    LanguagePtr language; ///< in which it speaks to the client; never null in one that was composed
    std::vector<AnswerPart> parts;
    std::string clientName, exerciseName, schoolWords;
    const char* subject = "subject.review"; ///< key of a mail's subject, with the exercise in it
    const AnswerPart* find(const std::string& id) const;
};

/// Words to the client in the language of the review (inputs.language), titles and facts in the coach's. Words and
/// pictures from the findings, the decision and what the coach has changed (inputs.words, inputs.parts). Where the
/// coach has only added to the computed words, these follow when the review changes; cautions may be added to but never
/// lose a line.
Answer composeAnswer(const Review& review, const std::string& coachLanguage = "en");

/// One letter for several reviews of a client whose clips came together: three corrections at most over all of them,
/// what comes first in each review before what comes second, and the same fault of the same name told once; one target
/// an exercise; each caution once. Parts and pictures say which review they are of. (At most three, upstream first:
/// common practice, no published source.)
/// @param reviews at least one, in the order in which they are told; of one alone it is composeAnswer()
Answer composeVisit(const std::vector<const Review*>& reviews, const std::string& coachLanguage = "en");
/// The parts that are about one review of a visit, as an answer of its own.
Answer partsOf(const Answer& visit, int review);

/// Always at the end of every answer.
std::string scopeNote(const Language& language);
/// What stands under the scope note: the exercise and, where a school was chosen, its way of measuring.
std::string footnote(const Answer& answer);
/// Corrections are numbered; the other parts are paragraphs.
bool isCorrection(const AnswerPart& part);
std::string faultOf(const AnswerPart& part); ///< the fault or check that a correction is about; else empty

/// A picture as base64 PNG or JPEG with its type ("image/jpeg"); empty when it cannot be made.
struct PictureData {
    std::string type, base64;
};
using PictureMaker = std::function<PictureData(const AnswerPicture&)>;
/// What stands in `src` of an image: a data or another address; empty when there is no picture.
using PictureSource = std::function<std::string(const AnswerPicture&)>;

/// The page as HTML with pictures wherever `sources` has them.
std::string answerPage(const Answer& answer, const PictureSource& sources);
/// A page that needs no other file. The same answer gives the same bytes.
std::string answerHtml(const Answer& answer, const PictureMaker& pictures);
/// Plain text for a message.
std::string answerText(const Answer& answer);

} // namespace deft
