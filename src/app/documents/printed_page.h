// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/result.h"

#include <string>

namespace deft::ui {

/// A page of the answer as PDF/UA: tagged, with the pictures' alternative texts, so that it can be read aloud. Printed
/// by WeasyPrint, a program of its own that comes with this one; it needs nothing but the page. The same page gives the
/// same bytes. @errors Unsupported when WeasyPrint is not there or refuses
Result<std::string> printedPage(const std::string& html);

} // namespace deft::ui
