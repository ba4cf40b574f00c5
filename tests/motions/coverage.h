// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <QString>

namespace deft::test {

/// What the made motions cover, and what not: the text of docs/coverage.md.
QString coverage();

} // namespace deft::test
