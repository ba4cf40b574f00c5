// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <string>

namespace deft::ui {

/// What is said in a clip, as captions beside it (WebVTT, w3.org/TR/webvtt1): the sentences one after the other, each
/// for as long as its share of the words. @param length_s of the clip
std::string captions(const std::string& text, double length_s);

} // namespace deft::ui
