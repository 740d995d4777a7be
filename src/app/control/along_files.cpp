// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/along_files.h"

#include <unordered_set>

#include "app/shell/text_utils.h"

namespace moorfrost::app {

void AlongFiles::look() {
    const uint64_t run = ++looks_;
    std::vector<FilePtr> files;
    for (FileId id : batch_.batch().places().files())
        if (FilePtr f = files_.file(id))
            files.push_back(std::move(f));
    jobs_.start(
        this, {ss(tr("Looking at what goes along"))},
        [files](std::stop_token stop, work::Progress& progress) -> Result<Folders> {
            std::set<Path> places;
            std::unordered_set<std::string> known; // sound, whatever their names
            for (const FilePtr& f : files) {
                places.insert(f->path.parent_path());
                known.insert(f->path.native());
            }
            progress.begin(places.size());
            Folders found;
            for (const Path& folder : places) {
                if (stop.stop_requested())
                    break;
                std::vector<files::OtherFile> others = files::otherFilesIn(folder);
                std::erase_if(others, [&](const auto& o) { return known.contains(o.path.native()); });
                if (!others.empty())
                    found[folder] = std::move(others);
                progress.stepPath(folder);
            }
            return found;
        },
        [this, run](Result<Folders> found) {
            if (run != looks_ || !found || *folders_ == *found)
                return;
            folders_ = std::make_shared<Folders>(std::move(*found));
            emit changed();
        });
}

} // namespace moorfrost::app
