// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/result.h"

#include <QPrinter>
#include <QTemporaryDir>
#include <filesystem>

namespace deft::ui {

/// What is printed is a PDF first, in a folder that goes with it.
struct PrintJob {
    QPrinter printer;
    QTemporaryDir folder;
    QString file() const { return folder.filePath(QStringLiteral("page.pdf")); }
};

/// Prints a PDF: each page as large as the paper lets it be, turned the way that suits it. On any thread.
/// @errors NotReadable, WriteFailed (the printer refuses)
Result<void> printPages(const std::filesystem::path& pdf, QPrinter& printer);

} // namespace deft::ui
