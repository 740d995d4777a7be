// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/store/peaks_table.h"

#include <algorithm>
#include <cmath>

namespace moorfrost::library {

std::vector<float> PeaksTable::find(FileId file, const files::FileState& state) {
    Statement s(db_, "SELECT shape FROM peaks WHERE file=? AND size=? AND modified_ns=?");
    std::vector<float> out;
    if (s.bind(file).bind(static_cast<int64_t>(state.size)).bind(state.modifiedNs).step())
        for (char c : s.view(0))
            out.push_back(static_cast<float>(static_cast<unsigned char>(c)) / 255);
    return out;
}

void PeaksTable::save(FileId file, const files::FileState& state, const std::vector<float>& heights) {
    std::string shape;
    for (float h : heights)
        shape += static_cast<char>(std::lround(std::clamp(h, 0.0f, 1.0f) * 255));
    Statement s(db_,
                "INSERT OR REPLACE INTO peaks SELECT ?,?,?,? WHERE EXISTS (SELECT 1 FROM file WHERE id=?)");
    s.bind(file)
        .bind(static_cast<int64_t>(state.size))
        .bind(state.modifiedNs)
        .bindBlob(shape)
        .bind(file)
        .run();
}

} // namespace moorfrost::library
