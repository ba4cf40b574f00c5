// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// A function that can fail returns Result<T>: a value, or an Error with a code for programs and a message for people.

#include "base/message.h"

#include <tl/expected.hpp>

namespace deft {

enum class Errc {
    NotFound,     ///< a file, landmark or entry that should be there is not
    NotReadable,  ///< the operating system refused to read
    BadFormat,    ///< the content is not what the format asks for
    Unsupported,  ///< understood, but cannot be done by this program
    OutOfRange,   ///< a value outside what is possible
    TooShort,     ///< too few frames or samples for the job
    Degenerate,   ///< geometry without a solution (a zero-length segment)
    NotFinite,    ///< a missing or infinite coordinate
    Cancelled,    ///< the caller asked to stop
    WriteFailed,  ///< full disk, read-only folder
    NewerVersion, ///< made by a newer version of the program
    DamagedFrame, ///< one frame could not be decoded; the others may be fine
    Conflict,     ///< somebody else changed or holds it
    Ambiguous,    ///< can be meant in more than one way: a person has to say
    Internal,     ///< a fault of this program
};

/// `message` is one English sentence with {places} (see inEnglish()): what happened, where, and what was expected; it
/// ends without a full stop. data/languages/en.json lists them all in `coach_texts`, so that they can be translated.
struct Error {
    Errc code;
    Message message;

    std::string detail() const { return inEnglish(message); } ///< in English, for files, the command line and the log
};

template <class T> using Result = tl::expected<T, Error>;

inline tl::unexpected<Error> fail(Errc code, Message message) {
    return tl::unexpected<Error>(Error{code, std::move(message)});
}

} // namespace deft
