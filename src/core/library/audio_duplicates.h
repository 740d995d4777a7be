// SPDX-License-Identifier: GPL-3.0-or-later
// Files of a batch whose sound, byte for byte, is in the library or the batch once more, whatever their tags,
// names and pictures.
#pragma once

#include <map>
#include <stop_token>
#include <vector>

#include "core/library/search/searcher.h"
#include "core/library/store/store.h"
#include "core/work/progress.h"

namespace moorfrost::library {

struct AudioDuplicates {
    /// Of each file of the batch that has any: the others, those of the library first.
    std::map<FileId, std::vector<FileId>> others;
    bool stopped = false; // then it is not all
};

inline const std::string essenceField = "essence";

/// The essence of a file, as it is kept of the state that the library knows it in, or as its fixity was kept;
/// "" where neither is. No file is read. On the thread of the store.
std::string knownEssence(Store& store, const FileRecord& file);

/// Only files that are equally long, have the same bit rate and nearly the same size are read, once, whole,
/// and told apart by their essence (audio/essence). `library`: its file, to read what is kept; nothing is
/// written: `keep` gets what is to be kept now and then (WorkedOutTable, `essenceField`), so that no file is
/// read again for this, not even where the work was cut off. `searcher`: what is on the shelves; may be
/// nullptr. An Error if the library cannot be read.
Result<AudioDuplicates> findAudioDuplicates(const Path& library, const std::vector<const FileRecord*>& batch,
                                            const Searcher* searcher, std::stop_token stop,
                                            work::Progress& progress,
                                            const std::function<void(KeptValues&&)>& keep);

/// Files of the shelves that have one and the same sound.
struct SameSound {
    std::vector<std::vector<FileId>> groups; // of two and more
    bool stopped = false;                    // then it is not all
};
/// The same for files on shelves: which of them has the sound of another file on a shelf. Only such files are
/// read. Absent files are left out.
Result<SameSound> findSameSound(const Path& library, const std::vector<FileId>& wanted,
                                const Searcher& searcher, std::stop_token stop, work::Progress& progress,
                                const std::function<void(KeptValues&&)>& keep);

} // namespace moorfrost::library
