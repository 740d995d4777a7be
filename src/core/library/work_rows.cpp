// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/work_rows.h"

#include <algorithm>

namespace moorfrost::library {

WorkRows readWorkRows(Store& store, const std::vector<FileId>& files) {
    WorkRows out;
    out.asked = files;
    out.files = store.files().findAll(files);
    out.batches = store.batches().placesOf(files);
    // What is in no batch, on no shelf and not looked at is known for the sake of its recording only: nobody
    // works on it.
    const std::set<FileId> looked = store.looked().among(files);
    std::erase_if(out.files, [&](const FileRecord& f) {
        return f.shelf == 0 && !out.batches.contains(f.id) && !looked.contains(f.id);
    });
    out.kinds = store.recordings().valuesOfFiles(kindField, files);
    out.proposedKinds = store.workedOut().find(proposedKindField, files);
    return out;
}

BatchContents readBatch(Store& store, int64_t batch, const std::vector<FileId>& besides) {
    BatchContents out;
    out.batches = store.batches().all();
    for (const Batch& b : out.batches)
        if (b.id == batch || out.batch == 0)
            out.batch = b.id;
    out.files = store.batches().files(out.batch);
    out.notes = store.batches().notes(out.batch);
    std::vector<FileId> wanted = besides;
    for (const BatchFile& f : out.files)
        wanted.push_back(f.file);
    std::ranges::sort(wanted);
    wanted.erase(std::unique(wanted.begin(), wanted.end()), wanted.end());
    out.rows = readWorkRows(store, wanted);
    return out;
}

} // namespace moorfrost::library
