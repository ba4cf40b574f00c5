// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "video/clip_writer.h"

namespace deft::ui {

/// What is said in a clip, as captions: its sentences one after the other, each for as long as its share of the words.
/// @param length_s of the clip
std::vector<Caption> captionsOf(const std::string& text, double length_s);

/// The file beside a clip (WebVTT, w3.org/TR/webvtt1).
std::string webVtt(const std::vector<Caption>& captions);

} // namespace deft::ui
