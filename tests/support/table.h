// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Reads the reference tables: CSV with lines of explanation that begin with '#'.

#include "base/files.h"
#include "base/json.h"

#include <charconv>
#include <cmath>
#include <fstream>
#include <map>
#include <sstream>
#include <string>
#include <vector>

namespace deft::test {

/// A table by column. Cells that are no number are NaN; `words` keeps them.
struct Table {
    std::map<std::string, std::vector<double>> column;
    std::map<std::string, std::vector<std::string>> words;
    size_t rows = 0;
    const std::vector<double>& operator[](const std::string& name) const { return column.at(name); }
    /// Column without the NaN that pads a shorter one.
    std::vector<double> filled(const std::string& name) const {
        std::vector<double> out;
        for (const double v : column.at(name))
            if (std::isfinite(v)) out.push_back(v);
        return out;
    }
};

inline Table readTable(const std::string& path) {
    Table t;
    std::ifstream in(path);
    std::string line;
    std::vector<std::string> names;
    while (std::getline(in, line)) {
        if (line.empty() || line[0] == '#') continue;
        std::vector<std::string> cells;
        std::stringstream split(line);
        for (std::string cell; std::getline(split, cell, ',');) cells.push_back(cell);
        if (names.empty()) {
            names = cells;
            continue;
        }
        cells.resize(names.size());
        for (size_t i = 0; i < names.size(); ++i) {
            double v = std::nan(""); // stays so where there is no number; no locale changes the point
            std::from_chars(cells[i].data(), cells[i].data() + cells[i].size(), v);
            t.column[names[i]].push_back(v);
            t.words[names[i]].push_back(cells[i]);
        }
        ++t.rows;
    }
    return t;
}

inline std::string reference(const std::string& file) { return std::string(DEFT_TEST_DATA "/reference/") + file; }
/// Read by the library alone: check values are no input of the program's and hold counts beyond its limits.
inline Json referenceJson(const std::string& file) { return Json::parse(readFile(reference(file)).value()); }

} // namespace deft::test

/// Compares two numbers within a tolerance and says both when they differ.
#define NEAR(actual, expected, tolerance)                                                                              \
    do {                                                                                                               \
        const double a_ = double(actual), e_ = double(expected);                                                       \
        QVERIFY2(std::abs(a_ - e_) <= (tolerance), qPrintable(QStringLiteral("%1 is %2, expected %3 within %4")        \
                                                                  .arg(QLatin1String(#actual))                         \
                                                                  .arg(a_, 0, 'g', 12)                                 \
                                                                  .arg(e_, 0, 'g', 12)                                 \
                                                                  .arg(double(tolerance))));                           \
    } while (false)
