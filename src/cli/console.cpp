// SPDX-License-Identifier: GPL-3.0-or-later
#include "cli/console.h"

#include <iostream>

namespace deft::cli {
namespace {

const char* codeName(Errc code) {
    switch (code) {
    case Errc::NotFound:
        return "not-found";
    case Errc::NotReadable:
        return "not-readable";
    case Errc::BadFormat:
        return "bad-format";
    case Errc::Unsupported:
        return "unsupported";
    case Errc::OutOfRange:
        return "out-of-range";
    case Errc::TooShort:
        return "too-short";
    case Errc::Degenerate:
        return "degenerate";
    case Errc::NotFinite:
        return "not-finite";
    case Errc::Cancelled:
        return "cancelled";
    case Errc::WriteFailed:
        return "write-failed";
    case Errc::NewerVersion:
        return "newer-version";
    case Errc::DamagedFrame:
        return "damaged-frame";
    case Errc::Conflict:
        return "conflict";
    case Errc::Ambiguous:
        return "ambiguous";
    case Errc::Internal:
        break;
    }
    return "internal";
}

} // namespace

int Console::failed(const Error& error) const {
    std::cerr << "deft-mirror: " << error.detail() << ".\n";
    if (json)
        std::cout << toText({{"format", "deft-mirror-failed"},
                             {"version", 1},
                             {"command", command},
                             {"code", codeName(error.code)},
                             {"sentence", error.detail()}});
    return 1;
}

void Console::remark(const std::string& sentence) const {
    if (!quiet) std::cerr << "deft-mirror: " << sentence << "\n";
}

int Console::done(const std::vector<std::string>& wrote, const std::string& sentences, const Json& more) const {
    Json document = {{"format", "deft-mirror-done"}, {"version", 1}, {"command", command}, {"wrote", wrote}};
    if (more.is_object()) document.update(more);
    return tell(document, quiet ? std::string() : sentences);
}

int Console::tell(const Json& document, const std::string& text) const {
    std::cout << (json ? toText(document) : text);
    return 0;
}

} // namespace deft::cli
