// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
// Reading a signal between its samples.

#include <vector>

namespace deft {

/// The natural cubic spline: through every sample, without a jump in slope or curvature, and without curvature at the
/// ends. Straight lines between samples cut peaks off, by up to slope change · step / 8; this does not.
/// de Boor, A Practical Guide to Splines, rev. ed. 2001, ch. IV.
class NaturalSpline {
public:
    /// @param x rising @param y as many, finite; one or more
    NaturalSpline(std::vector<double> x, std::vector<double> y);

    /// Beyond the ends the last value is held.
    double operator()(double at) const;

private:
    std::vector<double> x_, y_, curvature_;
};

} // namespace deft
