// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <cmath>
#include <functional>
#include <span>
#include <vector>

namespace deft {

/// Standard deviation of f when every x[i], from which f is computed, has the independent standard deviation sd[i]: the
/// Jacobian is taken by central differences one standard deviation wide, which also catches the curvature that matters
/// at that size. Law of propagation of uncertainty: JCGM 100:2008 (GUM), equation 10. Gaps (NaN) in f give NaN.
/// @param f reads x, which is moved and put back
/// @param part of each sd² some share, added up in `partSd`: what that share alone makes of f; may be empty
template <class F>
double propagatedSd(const F& f, std::span<double> x, std::span<const double> sd, std::span<const double> part,
                    double& partSd) {
    double variance = 0, ofPart = 0;
    for (size_t i = 0; i < x.size(); ++i) {
        if (!(sd[i] > 0)) continue;
        const double middle = x[i];
        x[i] = middle + sd[i];
        const double above = f();
        x[i] = middle - sd[i];
        const double below = f();
        x[i] = middle;
        const double half = (above - below) / 2;
        variance += half * half;
        if (!part.empty()) ofPart += half * half * part[i];
    }
    partSd = std::sqrt(ofPart);
    return std::sqrt(variance);
}
/// The same of a function of numbers.
inline double propagatedSd(const std::function<double(const std::vector<double>&)>& f, std::vector<double> x,
                           const std::vector<double>& sd) {
    double none = 0;
    return propagatedSd([&] { return f(x); }, std::span(x), sd, {}, none);
}

} // namespace deft
