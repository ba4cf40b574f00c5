// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/zip_file.h"

#include <archive.h>
#include <archive_entry.h>
#include <memory>

namespace deft {
namespace {

constexpr time_t kBeginOfZip = 315532800; // 1980-01-01T00:00:00Z

la_ssize_t append(archive*, void* to, const void* bytes, size_t length) {
    static_cast<std::string*>(to)->append(static_cast<const char*>(bytes), length);
    return la_ssize_t(length);
}

} // namespace

Result<std::string> zipOf(const std::vector<ZipEntry>& entries) {
    std::string bytes;
    const std::unique_ptr<archive, int (*)(archive*)> zip(archive_write_new(), archive_write_free);
    const auto failed = [&] { return fail(Errc::WriteFailed, archive_error_string(zip.get())); };
    if (archive_write_set_format_zip(zip.get()) != ARCHIVE_OK ||
        archive_write_open(zip.get(), &bytes, nullptr, append, nullptr) != ARCHIVE_OK)
        return failed();
    for (const ZipEntry& e : entries) {
        const std::unique_ptr<archive_entry, void (*)(archive_entry*)> entry(archive_entry_new(), archive_entry_free);
        archive_entry_set_pathname_utf8(entry.get(), e.name.c_str());
        archive_entry_set_size(entry.get(), la_int64_t(e.content.size()));
        archive_entry_set_filetype(entry.get(), AE_IFREG);
        archive_entry_set_perm(entry.get(), 0644);
        archive_entry_set_mtime(entry.get(), kBeginOfZip, 0);
        if (archive_write_header(zip.get(), entry.get()) != ARCHIVE_OK ||
            archive_write_data(zip.get(), e.content.data(), e.content.size()) != la_ssize_t(e.content.size()))
            return failed();
    }
    if (archive_write_close(zip.get()) != ARCHIVE_OK) return failed();
    return bytes;
}

} // namespace deft
