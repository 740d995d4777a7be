// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/naming/positions.h"

#include <algorithm>
#include <string>

namespace moorfrost::naming {

Positions::Positions(const std::vector<Position>& all) {
    size_t hundreds = 0;
    for (const Position& p : all) {
        hundreds += p.disc == 0 && p.side == 0 && p.track > 100 && p.track % 100 > 0 && p.track % 100 <= 40;
        if (p.side)
            sides_[p.side].push_back(p.track);
    }
    discHundreds_ = all.size() >= 3 && hundreds == all.size();
    for (auto& [side, tracks] : sides_) {
        std::ranges::sort(tracks);
        for (size_t i = 0; i < tracks.size(); ++i)
            whole_ = whole_ && tracks[i] == static_cast<int>(i) + 1;
    }
    several_ = !sides_.empty() && sides_.rbegin()->first > 'B';
}

void Positions::put(const Position& p, int folderDisc, tags::Fields& values) const {
    int track = p.track, disc = p.disc > 0 ? p.disc : folderDisc;
    if (discHundreds_) {
        disc = track / 100;
        track %= 100;
    }
    if (p.side) {
        if (!whole_ && sides_.size() > 1)
            return; // which number it has on the disc cannot be told
        const char first = static_cast<char>('A' + (p.side - 'A') / 2 * 2);
        if (p.side != first)
            if (const auto it = sides_.find(first); it != sides_.end())
                track += static_cast<int>(it->second.size());
        if (several_)
            disc = (p.side - 'A') / 2 + 1;
    }
    if (track > 0)
        values["track"] = {std::to_string(track)};
    if (disc > 0)
        values["disc"] = {std::to_string(disc)};
}

} // namespace moorfrost::naming
