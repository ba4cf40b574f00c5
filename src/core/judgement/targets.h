#pragma once
#include "judgement/shown.h"

namespace deft {

/// Fills the target of a decision whose step is back, stay or up, and says every sum. `easier` asks for the version
/// below even where a shorter hold would do.
void setTarget(Decision& decision, const Exercise& exercise, const Case& now, const Shown& shown, bool easier);

} // namespace deft
