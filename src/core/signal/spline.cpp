// SPDX-License-Identifier: GPL-3.0-or-later
#include "signal/spline.h"

#include <algorithm>

namespace deft {

NaturalSpline::NaturalSpline(std::vector<double> x, std::vector<double> y)
    : x_(std::move(x)), y_(std::move(y)), curvature_(x_.size(), 0.0) {
    // Slopes of neighbouring pieces meet: a tridiagonal system for the curvatures, forwards and back.
    std::vector<double> next(x_.size(), 0.0);
    for (size_t i = 1; i + 1 < x_.size(); ++i) {
        const double h = x_[i] - x_[i - 1], g = x_[i + 1] - x_[i];
        const double bend = 6 * ((y_[i + 1] - y_[i]) / g - (y_[i] - y_[i - 1]) / h);
        const double pivot = 2 * (h + g) - h * next[i - 1];
        next[i] = g / pivot;
        curvature_[i] = (bend - h * curvature_[i - 1]) / pivot;
    }
    for (size_t i = x_.size() - 1; i-- > 1;) curvature_[i] -= next[i] * curvature_[i + 1];
}

double NaturalSpline::operator()(double at) const {
    if (at <= x_.front()) return y_.front();
    if (at >= x_.back()) return y_.back();
    // Mostly the piece of an even signal that one would guess, else it is looked for.
    const auto guess = size_t((at - x_.front()) / (x_.back() - x_.front()) * double(x_.size() - 1));
    const bool found = guess + 1 < x_.size() && x_[guess] <= at && at < x_[guess + 1];
    const size_t k = found ? guess : size_t(std::upper_bound(x_.begin(), x_.end(), at) - x_.begin()) - 1;
    const double h = x_[k + 1] - x_[k], b = (at - x_[k]) / h, a = 1 - b;
    return a * y_[k] + b * y_[k + 1] +
           (a * (a * a - 1) * curvature_[k] + b * (b * b - 1) * curvature_[k + 1]) * h * h / 6;
}

} // namespace deft
