// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "language/language.h"

namespace deft {

/// Attributes of an html element in this language: ` lang="de"`, with its direction where it runs from the right.
std::string htmlLanguage(const Language& language);

/// Text as it may stand in an HTML page, in an attribute, too; line breaks become <br>.
std::string escapedHtml(const std::string& text);

} // namespace deft
