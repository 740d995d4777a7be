// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/library/arriving_versions.h"

#include <algorithm>
#include <utility>

namespace moorfrost::app {

ArrivingVersions::ArrivingVersions(const SettleUses& use, BatchController& batch, BringIn& bringIn,
                                   QWidget* window)
    : QObject(window), use_(use), batch_(batch), window_(window) {
    // Others hear of it first: what has come is shown below the question.
    connect(&bringIn, &BringIn::ended, this, &ArrivingVersions::come, Qt::QueuedConnection);
}

void ArrivingVersions::expect(FileId into, const std::vector<Path>& paths) {
    into_ = into;
    paths_ = paths;
}

void ArrivingVersions::come() {
    const FileId into = std::exchange(into_, 0);
    if (into == 0)
        return;
    auto isWithin = [](const std::string& file, const std::string& place) {
        return file == place || (file.size() > place.size() && file.starts_with(place) &&
                                 (place.ends_with('/') || file[place.size()] == '/'));
    };
    std::vector<FileId> files;
    for (const FileId id : batch_.batch().places().files())
        if (const FilePtr file = use_.files.file(id))
            if (std::ranges::any_of(paths_,
                                    [&](const Path& p) { return isWithin(file->path.native(), p.native()); }))
                files.push_back(id);
    if (files.empty())
        return;
    files.insert(files.begin(), into);
    settleVersions(use_, files, into, window_);
}

} // namespace moorfrost::app
