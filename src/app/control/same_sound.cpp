// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/same_sound.h"

#include <utility>

#include "app/shell/text_utils.h"
#include "core/library/audio_duplicates.h"

namespace moorfrost::app {

using library::Store;

SameSound::SameSound(LibraryAccess& library, RecordingsController& recordings, LibraryIndex& index,
                     JobList& jobs)
    : library_(library), recordings_(recordings), index_(index), jobs_(jobs) {}

void SameSound::look() {
    if (looking_ || stopped_ || !index_.searcher())
        return;
    looking_ = true;
    library_.read(
        this, [](Store& store) { return store.recordings().unlooked(); },
        [this](Result<std::vector<FileId>> files) {
            looking_ = false;
            const auto searcher = index_.searcher();
            if (!files || !searcher)
                return;
            // What the search does not have yet comes with its next change, and what is absent when it is
            // back.
            std::erase_if(*files, [&](FileId id) {
                const auto row = searcher->rowOf(id);
                return !row || searcher->has(*row, library::Absent);
            });
            if (!files->empty())
                compare(std::move(*files));
        });
}

void SameSound::compare(std::vector<FileId> files) {
    looking_ = true;
    jobs_.start(
        this, {ss(tr("Looking for files of one recording")), work::Priority::Background},
        [this, files, searcher = index_.searcher(), file = library_.file()](std::stop_token stop,
                                                                            work::Progress& progress) {
            return library::findSameSound(file, files, *searcher, stop, progress,
                                          [this](library::KeptValues&& essences) {
                                              library_.write([essences = std::move(essences)](Store& store) {
                                                  store.workedOut().save(library::essenceField, essences);
                                              });
                                          });
        },
        [this, files](Result<library::SameSound> same) {
            if (!same || same->stopped) {
                looking_ = false;
                stopped_ = true;
                return;
            }
            auto looked = [this, files] {
                library_.write(
                    this, [files](Store& store) { store.recordings().setLooked(files); },
                    [this](const Status& noted) {
                        looking_ = false;
                        stopped_ = !noted;
                        look();
                    });
            };
            if (same->groups.empty())
                looked();
            else
                recordings_.joinSameSound(same->groups, looked);
        });
}

} // namespace moorfrost::app
