// SPDX-License-Identifier: GPL-3.0-or-later
// The shapes of sounds, each for the state that its file was in.
#pragma once

#include <vector>

#include "core/library/records.h"
#include "core/library/store/database.h"

namespace moorfrost::library {

class PeaksTable {
public:
    explicit PeaksTable(Database& db) : db_(db) {}

    /// Heights, 0 to 1; empty if there are none.
    std::vector<float> find(FileId file, const files::FileState& state);
    void save(FileId file, const files::FileState& state, const std::vector<float>& heights);

private:
    Database& db_;
};

} // namespace moorfrost::library
