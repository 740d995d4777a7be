// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/bench/known_files.h"

#include <algorithm>

namespace moorfrost::bench {

void KnownFiles::put(library::FileRecord&& record, std::vector<int64_t> batches) {
    const FileId id = record.id;
    files_[id] = {std::make_shared<library::FileRecord>(std::move(record)), std::move(batches)};
}

FilePtr KnownFiles::find(FileId id) const {
    auto it = files_.find(id);
    return it == files_.end() ? nullptr : it->second.file;
}

const tags::Fields* KnownFiles::fieldsOf(FileId id) const {
    auto it = files_.find(id);
    return it == files_.end() ? nullptr : &it->second.file->tags.fields;
}

const std::vector<int64_t>& KnownFiles::batchesOf(FileId id) const {
    static const std::vector<int64_t> none;
    auto it = files_.find(id);
    return it == files_.end() ? none : it->second.batches;
}

bool KnownFiles::goesWith(FileId id, int64_t batch) const {
    const std::vector<int64_t>& in = batchesOf(id);
    return in.empty() || std::ranges::count(in, batch) > 0;
}

std::vector<Path> KnownFiles::pathsOf(const std::vector<FileId>& ids) const {
    std::vector<Path> out;
    for (FileId id : ids)
        if (FilePtr f = find(id))
            out.push_back(f->path);
    return out;
}

std::vector<FileId> KnownFiles::ids() const {
    std::vector<FileId> out;
    out.reserve(files_.size());
    for (const auto& [id, known] : files_)
        out.push_back(id);
    std::ranges::sort(out);
    return out;
}

} // namespace moorfrost::bench
