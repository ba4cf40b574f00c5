// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <string>

namespace deft {

/// Text as it may stand in an HTML page, in an attribute, too; line breaks become <br>.
std::string escapedHtml(const std::string& text);

} // namespace deft
