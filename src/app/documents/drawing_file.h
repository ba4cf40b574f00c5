// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/result.h"

#include <QPainter>
#include <filesystem>
#include <functional>

namespace deft::ui {

/// A sheet of paper as a drawing, px.
constexpr int kSheetWidth = 1000, kSheetMargin = 24;

/// What a painter draws as a file, by its ending: .png, .svg (lines and letters stay such) or .pdf (one page, 96 px an
/// inch). @param size px @errors Unsupported (another ending), WriteFailed
Result<void> writeDrawing(const std::filesystem::path& path, const QSize& size, const QString& title,
                          const std::function<void(QPainter&)>& draw);

} // namespace deft::ui
