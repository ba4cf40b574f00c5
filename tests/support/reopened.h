// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "store/library.h"

namespace deft::test {

/// A library after a kill. One at the very moment in which the lock was made leaves a lock that names nobody: the
/// program explains it, and the coach opens the library all the same.
inline Result<std::unique_ptr<Library>> reopened(const std::filesystem::path& folder) {
    auto library = Library::open(folder);
    if (!library && library.error().code == Errc::Conflict) return Library::open(folder, InUse::TakeOver);
    return library;
}

} // namespace deft::test
