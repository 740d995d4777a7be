// SPDX-License-Identifier: GPL-3.0-or-later
// A draft of a place, taken apart. It says how to find the place, not the place: that is worked out from the
// fields as they are when it is shown and when it is written.
#pragma once

#include <cstdint>
#include <string>
#include <vector>

#include "core/placing/along_rule.h"
#include "core/placing/placement.h"

namespace moorfrost::library {

struct PlaceWish {
    enum class Mode { Move, Copy, Rename }; // Rename: it stays in its folder
    int64_t shelf = 0;                      // none for Rename
    std::string plan;
    Mode mode = Mode::Move;
    placing::AlongRule along = {};
    bool removeEmptied = true;
    placing::OnClash onClash = placing::OnClash::Ask;
    /// As a draft under placeKey has it.
    std::vector<std::string> toValues() const;
    /// Of values that are none: no shelf, no plan.
    static PlaceWish fromValues(const std::vector<std::string>& values);
    bool operator==(const PlaceWish&) const = default;
};

} // namespace moorfrost::library
