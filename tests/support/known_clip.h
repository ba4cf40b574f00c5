// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// A clip that waits in a library with its tracks known: the window has nothing to follow.

#include "store/library.h"
#include "support/demo_review.h"

namespace deft::test {

/// @param client a new one where nobody is called that @param name of a demo clip that ships with its tracks
inline int64_t addKnownClip(Library& library, const std::string& client, const std::string& received,
                            const std::string& name = "ruta-bridge-april",
                            const std::function<void(ReviewInputs&)>& change = {}) {
    const auto known = library.clientsLike(client);
    const int64_t id = known.empty() ? library.addClient(client, "lighting").value() : known.front().id;
    ReviewInputs in = demoInputs(name);
    in.client = client;
    if (change) change(in);
    const auto clip = library.addClip(id, received, in).value();
    library.cacheTracks(library.clip(clip)->draft, demoTracks(name));
    return clip;
}

} // namespace deft::test
