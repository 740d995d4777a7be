// SPDX-License-Identifier: GPL-3.0-or-later
// Which of the other files of a folder go along with its music, and what they are called then.
#pragma once

#include <cstdint>
#include <string>
#include <string_view>
#include <vector>

#include "core/base/result.h"

namespace moorfrost::placing {

enum class AlongKind : uint8_t { Picture, Booklet, CueSheet, Log, Text, Playlist, Other };
inline constexpr int alongKinds = 7;

/// By the ending of its name.
AlongKind alongKindOf(const Path& file);
/// "pictures", "booklets" ...: in settings, on the command line.
std::string keyOf(AlongKind kind);

struct AlongRule {
    unsigned kinds = (1U << alongKinds) - 1; // bit by AlongKind
    std::string name;                        // a plan of their names; "": as they are called

    bool takes(AlongKind kind) const { return (kinds >> static_cast<int>(kind) & 1U) != 0; }
    void set(AlongKind kind, bool on);
    static AlongRule none() { return {0, {}}; }
    bool operator==(const AlongRule&) const = default;

    /// "all", "none" or the kinds with commas, and behind a "|" the plan of their names.
    std::string text() const;
    /// What is not known in it is passed over.
    static AlongRule fromText(std::string_view text);
};

} // namespace moorfrost::placing
