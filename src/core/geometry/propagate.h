#pragma once
#include <cmath>
#include <functional>
#include <vector>

namespace deft {

/// Standard deviation of f(x) when every x[i] has the independent standard deviation sd[i]: the Jacobian is taken by
/// central differences one standard deviation wide, which also catches the curvature that matters at that size.
/// Law of propagation of uncertainty: JCGM 100:2008 (GUM), equation 10. Gaps (NaN) in f give NaN.
inline double propagatedSd(const std::function<double(const std::vector<double>&)>& f, std::vector<double> x,
                           const std::vector<double>& sd) {
    double variance = 0;
    for (size_t i = 0; i < x.size(); ++i) {
        if (!(sd[i] > 0)) continue;
        const double middle = x[i];
        x[i] = middle + sd[i];
        const double above = f(x);
        x[i] = middle - sd[i];
        const double below = f(x);
        x[i] = middle;
        variance += std::pow((above - below) / 2, 2);
    }
    return std::sqrt(variance);
}

} // namespace deft
