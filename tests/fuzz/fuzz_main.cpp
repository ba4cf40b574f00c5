// Entry for the fuzzer (AFL++, preset "fuzz"): fuzz_readers READER. Without a fuzzer it reads one input from standard
// input.
#include "fuzz/readers.h"

#include <iostream>
#include <iterator>

#ifdef __AFL_FUZZ_TESTCASE_LEN
__AFL_FUZZ_INIT();
#endif

int main(int argc, char** argv) {
    const auto& all = deft::fuzz::readers();
    const auto reader = all.find(argc > 1 ? argv[1] : "");
    if (reader == all.end()) {
        std::cerr << "name a reader:";
        for (const auto& [name, of] : all) std::cerr << " " << name;
        std::cerr << "\n";
        return 2;
    }
#ifdef __AFL_FUZZ_TESTCASE_LEN
    __AFL_INIT();
    const unsigned char* input = __AFL_FUZZ_TESTCASE_BUF;
    while (__AFL_LOOP(2000))
        reader->second(std::string(reinterpret_cast<const char*>(input), size_t(__AFL_FUZZ_TESTCASE_LEN)));
#else
    reader->second(std::string(std::istreambuf_iterator<char>(std::cin), {}));
#endif
    return 0;
}
