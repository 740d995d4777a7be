// SPDX-License-Identifier: GPL-3.0-or-later
// What is known of the files that are worked on: those of the batch in sight and those that have drafts, not
// the rest of the library. Lives on one thread; the records themselves never change and may be read anywhere.
#pragma once

#include <memory>
#include <unordered_map>
#include <vector>

#include "core/library/records.h"

namespace moorfrost::bench {

using library::FileId;
using FilePtr = std::shared_ptr<const library::FileRecord>;

class KnownFiles {
public:
    /// In the place of what was known of it. `batches`: all that it is in.
    void put(library::FileRecord&& record, std::vector<int64_t> batches);
    void drop(FileId id) { files_.erase(id); }

    size_t size() const { return files_.size(); }
    bool contains(FileId id) const { return files_.contains(id); }
    /// nullptr if it is not worked on.
    FilePtr find(FileId id) const;
    /// As they are on the disk; nullptr if it is not worked on.
    const tags::Fields* fieldsOf(FileId id) const;
    const std::vector<int64_t>& batchesOf(FileId id) const;
    /// Whether it is written together with this batch: it is in it, or in no batch at all (a file of the
    /// library). What is in other batches only is written when one of them is in sight.
    bool goesWith(FileId id, int64_t batch) const;
    std::vector<Path> pathsOf(const std::vector<FileId>& ids) const;
    std::vector<FileId> ids() const; // rising
    template<class Each>
    void each(Each&& f) const {
        for (const auto& [id, known] : files_)
            f(known.file);
    }

private:
    struct Known {
        FilePtr file;
        std::vector<int64_t> batches;
    };
    std::unordered_map<FileId, Known> files_;
};

} // namespace moorfrost::bench
