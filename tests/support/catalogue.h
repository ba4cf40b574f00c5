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

} // namespace deft
