// SPDX-License-Identifier: GPL-3.0-or-later
// Only the precompiled headers that the tests share; see cmake/DeftTargets.cmake.
