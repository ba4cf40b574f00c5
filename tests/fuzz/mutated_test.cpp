// SPDX-License-Identifier: GPL-3.0-or-later
// Whatever stands in a file: every reader takes or refuses it. Valid files are mutated, and what was found before is
// read once more (tests/fuzz/corpus). The fuzzers of ./check --long go on from there.
#include "fuzz/readers.h"
#include "support/demo_review.h"

#include <QTest>
#include <random>

using namespace deft;
using namespace deft::test;
namespace fs = std::filesystem;

class MutatedTest : public QObject {
    Q_OBJECT

    static std::vector<std::string> corpus(const std::string& reader) {
        std::vector<std::string> all;
        std::error_code ec;
        for (const auto& entry : fs::directory_iterator(fs::path(DEFT_TEST_DATA "/fuzz/corpus") / reader, ec))
            all.push_back(readFile(entry.path()).value());
        return all;
    }

    /// Flips, drops, doubles and exchanges bytes, and puts in what breaks readers.
    static std::string mutated(std::string text, std::mt19937& random) {
        static const std::vector<std::string> nasty = {"1e999",   "-1e308", "99999999999999999999",
                                                       "null",    "[]",     "{}",
                                                       "\"\"",    "true",   "-1",
                                                       "\\u0000", "[1",     "\xff",
                                                       "0.5",     "[[[["};
        const auto at = [&] { return text.empty() ? 0 : random() % text.size(); };
        for (int k = 1 + int(random() % 4); k > 0; --k) {
            switch (random() % 6) {
            case 0:
                if (!text.empty()) text[at()] = char(random());
                break;
            case 1:
                text.erase(at(), 1 + random() % 12);
                break;
            case 2:
                text.insert(at(), nasty[random() % nasty.size()]);
                break;
            case 3:
                text.insert(at(), text.substr(at(), 1 + random() % 40));
                break;
            default: { // a whole value becomes another one
                const size_t colon = text.find(':', at());
                if (colon == std::string::npos) break;
                size_t end = colon + 1;
                while (end < text.size() && std::string_view(",}]\n").find(text[end]) == std::string_view::npos) ++end;
                text.replace(colon + 1, end - colon - 1, nasty[random() % nasty.size()]);
            }
            }
        }
        return text;
    }

private slots:
    void readers_data() {
        QTest::addColumn<QString>("name");
        for (const auto& [name, reader] : fuzz::readers()) QTest::newRow(name.c_str()) << QString::fromStdString(name);
    }
    void readers() {
        QFETCH(QString, name);
        const auto& reader = fuzz::readers().at(name.toStdString());
        const auto seeds = corpus(name.toStdString());
        QVERIFY2(!seeds.empty(), "there is no corpus");
        for (const std::string& seed : seeds) reader(seed);
        std::mt19937 random(3);
        const int tries = name == QLatin1String("film") ? 60 : name == QLatin1String("exercise") ? 150 : 500;
        for (int k = 0; k < tries; ++k) reader(mutated(seeds[size_t(k) % seeds.size()], random));
    }
};

QTEST_GUILESS_MAIN(MutatedTest)
#include "mutated_test.moc"
