// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/library/file_portions.h"

#include <algorithm>

#include "core/work/parallel.h"

namespace moorfrost::library {

Result<size_t> workInPortions(const std::vector<FileId>& files, const FilePortions& portions,
                              unsigned threads, const std::stop_token& stop, work::Progress& progress) {
    progress.begin(files.size());
    size_t done = 0;
    for (size_t from = 0; from < files.size() && !stop.stop_requested(); from += portions.most) {
        const std::vector<FileId> ids(
            files.begin() + static_cast<std::ptrdiff_t>(from),
            files.begin() + static_cast<std::ptrdiff_t>(std::min(files.size(), from + portions.most)));
        const std::vector<FileRecord> unknown = portions.unknown(ids);
        for (size_t i = unknown.size(); i < ids.size(); ++i)
            progress.step({});
        work::inParallel(
            unknown.size(),
            [&](size_t i) {
                if (stop.stop_requested())
                    return;
                portions.work(unknown[i]);
                progress.stepPath(unknown[i].path);
            },
            threads);
        done += portions.end();
    }
    if (stop.stop_requested())
        return Error{ErrorKind::Cancelled, {}, "It was stopped."};
    return done;
}

} // namespace moorfrost::library
