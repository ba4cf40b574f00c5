// SPDX-License-Identifier: GPL-3.0-or-later
// Not a test: draws scenes by lot, to be filmed and measured before anybody has looked at them.
// draw_lot SEED COUNT FOLDER    writes FOLDER/cases.json and FOLDER/scenes
#include "accuracy/lot.h"

#include "base/files.h"
#include "base/json.h"

#include <cstdio>
#include <cstdlib>

using namespace deft;
using namespace deft::test;

int main(int argc, char** argv) {
    if (argc != 4) return std::fprintf(stderr, "draw_lot SEED COUNT FOLDER\n"), 2;
    const std::filesystem::path folder = argv[3];
    std::filesystem::create_directories(folder / "scenes");
    Lot lot(unsigned(std::strtoul(argv[1], nullptr, 10)));
    Json cases = Json::array();
    for (int i = 0; i < std::atoi(argv[2]); ++i) {
        auto [scene, listed] = lot.draw(i);
        const auto file = folder / "scenes" / (listed["clip"].get<std::string>() + ".json");
        if (!writeFileAtomically(file, scene.dump(1))) return 1;
        cases.push_back(std::move(listed));
    }
    return writeFileAtomically(folder / "cases.json", cases.dump(1)) ? 0 : 1;
}
