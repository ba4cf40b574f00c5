#pragma once
#include <cmath>
#include <functional>
#include <vector>

namespace deft {

/// Standard deviation of f(x) when every x[i] has the independent standard deviation sd[i]: the Jacobian is taken by
/// central differences one standard deviation wide, which also catches the curvature that matters at that size.
/// Law of propagation of uncertainty: JCGM 100:2008 (GUM), equation 10. Gaps (NaN) in f give NaN.
/// @param part of each sd² some share, added up in `partSd`: what that share alone makes of f
inline double propagatedSd(const std::function<double(const std::vector<double>&)>& f, std::vector<double> x,
                           const std::vector<double>& sd, const std::vector<double>& part, double& partSd) {
    double variance = 0, ofPart = 0;
    for (size_t i = 0; i < x.size(); ++i) {
        if (!(sd[i] > 0)) continue;
        const double middle = x[i];
        x[i] = middle + sd[i];
        const double above = f(x);
        x[i] = middle - sd[i];
        const double below = f(x);
        x[i] = middle;
        const double one = std::pow((above - below) / 2, 2);
        variance += one;
        if (!part.empty()) ofPart += one * part[i];
    }
    partSd = std::sqrt(ofPart);
    return std::sqrt(variance);
}
inline double propagatedSd(const std::function<double(const std::vector<double>&)>& f, std::vector<double> x,
                           const std::vector<double>& sd) {
    double none = 0;
    return propagatedSd(f, std::move(x), sd, {}, none);
}

} // namespace deft
