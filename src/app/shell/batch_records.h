// SPDX-License-Identifier: GPL-3.0-or-later
// The files of a batch as they are known, for those who look at all of them. They lie in pieces that one
// state of the batch shares with the next: after a little change, only a few pieces are others.
#pragma once

#include <map>
#include <memory>
#include <vector>

#include "core/library/records.h"

namespace moorfrost::app {

using FilePtr = std::shared_ptr<const library::FileRecord>;

struct BatchRecords {
    using Piece = std::shared_ptr<const std::vector<FilePtr>>; // in the order of their numbers
    std::map<int64_t, Piece> pieces = {};

    static constexpr int64_t pieceSize = 1024;
    /// The piece that a file is in.
    static int64_t pieceOf(library::FileId file) { return file / pieceSize; }

    size_t size() const {
        size_t n = 0;
        for (const auto& [number, piece] : pieces)
            n += piece->size();
        return n;
    }
    bool empty() const { return size() == 0; }
    template<class Each>
    void each(Each&& f) const {
        for (const auto& [number, piece] : pieces)
            for (const FilePtr& file : *piece)
                f(file);
    }
};

using Records = std::shared_ptr<const BatchRecords>;

} // namespace moorfrost::app
