// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include "exercises/catalogue.h"
#include "exercises/data_folder.h"

namespace deft {

/// What ships, taken up once for each test program.
inline const CataloguePtr& shippedCatalogue() {
    static const CataloguePtr catalogue = Catalogue::load(dataFolder()).value();
    return catalogue;
}
inline const Catalogue& shipped() { return *shippedCatalogue(); }

} // namespace deft
