#pragma once
#include "store/library.h"

namespace deft::ui {

/// Where the demo's clips and its list lie. Empty when they are not installed.
std::filesystem::path demoFolder();

/// Fills an empty library from demo/library.json: clients, clips that wait, and reviews filed before. Needs a
/// QGuiApplication, because the filed answers have pictures. Paths and dates come from the list alone.
Result<void> fillDemo(Library& library);

} // namespace deft::ui
