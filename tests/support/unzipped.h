// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// What is in a zip, read by the library's own reader.

#include <archive.h>
#include <archive_entry.h>
#include <map>
#include <memory>
#include <string>

namespace deft::test {

/// Name → content of every file; empty when the bytes are no zip.
inline std::map<std::string, std::string> unzipped(const std::string& zip) {
    std::map<std::string, std::string> files;
    const std::unique_ptr<archive, int (*)(archive*)> reader(archive_read_new(), archive_read_free);
    archive_read_support_format_zip(reader.get());
    if (archive_read_open_memory(reader.get(), zip.data(), zip.size()) != ARCHIVE_OK) return files;
    archive_entry* entry = nullptr;
    while (archive_read_next_header(reader.get(), &entry) == ARCHIVE_OK) {
        std::string& content = files[archive_entry_pathname_utf8(entry)];
        char piece[4096];
        for (la_ssize_t n = 0; (n = archive_read_data(reader.get(), piece, sizeof piece)) > 0;)
            content.append(piece, size_t(n));
    }
    return files;
}

} // namespace deft::test
