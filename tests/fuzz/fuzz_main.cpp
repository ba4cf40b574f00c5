// SPDX-License-Identifier: GPL-3.0-or-later
// Entry for the fuzzer (AFL++, preset "fuzz"): fuzz_readers READER reads one input from standard input.
#include "fuzz/readers.h"

#include <iostream>
#include <iterator>

int main(int argc, char** argv) {
    const auto& all = deft::fuzz::readers();
    const auto reader = all.find(argc > 1 ? argv[1] : "");
    if (reader == all.end()) {
        std::cerr << "name a reader:";
        for (const auto& [name, of] : all) std::cerr << " " << name;
        std::cerr << "\n";
        return 2;
    }
    reader->second(std::string(std::istreambuf_iterator<char>(std::cin), {}));
    return 0;
}
