// SPDX-License-Identifier: GPL-3.0-or-later
#include "devices/mail_drop.h"

#include "base/files.h"

namespace deft {

Result<std::filesystem::path> dropMail(const std::filesystem::path& folder, const std::string& name,
                                       const std::string& mail) {
    std::error_code ec;
    std::filesystem::create_directories(folder, ec);
    std::filesystem::path file = folder / (name + ".eml");
    for (int copy = 2; std::filesystem::exists(file, ec); ++copy)
        file = folder / (name + "-" + std::to_string(copy) + ".eml");
    if (auto ok = writeFileAtomically(file, mail); !ok) return tl::unexpected(ok.error());
    return file;
}

} // namespace deft
