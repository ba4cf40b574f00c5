// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once
#include <algorithm>
#include <string>

namespace deft {

/// The item of that id in a list; null without one.
template <class List> auto* byId(List& list, const std::string& id) {
    const auto it = std::find_if(list.begin(), list.end(), [&](const auto& item) { return item.id == id; });
    return it == list.end() ? nullptr : &*it;
}

} // namespace deft
