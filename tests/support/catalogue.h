// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "base/data_folder.h"
#include "exercises/catalogue.h"

namespace deft {

/// What ships, taken up once for each test program.
inline const CataloguePtr& shippedCatalogue() {
    static const CataloguePtr catalogue = Catalogue::load(dataFolder()).value();
    return catalogue;
}
inline const Catalogue& shipped() { return *shippedCatalogue(); }

/// A message as a file of the program has it: in English.
inline std::string said(const Message& message) { return shipped().language("en")->say(message); }
inline std::vector<std::string> said(const Messages& messages) {
    std::vector<std::string> lines;
    for (const Message& m : messages) lines.push_back(said(m));
    return lines;
}

} // namespace deft
