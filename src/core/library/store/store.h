// SPDX-License-Identifier: GPL-3.0-or-later
// The library on disk: one SQLite file, and a class for each matter that has tables in it. All SQL of the
// program is in this folder. A Store is one connection, for one thread; several may be open on the same file.
// Functions of the tables throw DatabaseError only when the database itself fails.
#pragma once

#include <memory>

#include "core/library/store/batch_table.h"
#include "core/library/store/card_table.h"
#include "core/library/store/change_table.h"
#include "core/library/store/collection_table.h"
#include "core/library/store/draft_table.h"
#include "core/library/store/file_table.h"
#include "core/library/store/fixity_table.h"
#include "core/library/store/journal_table.h"
#include "core/library/store/lasting_table.h"
#include "core/library/store/looked_table.h"
#include "core/library/store/peaks_table.h"
#include "core/library/store/recording_table.h"
#include "core/library/store/release_table.h"
#include "core/library/store/revision_table.h"
#include "core/library/store/setting_table.h"
#include "core/library/store/shelf_table.h"
#include "core/library/store/worked_out_table.h"

namespace moorfrost::library {

class Store {
public:
    /// Opens or makes the library. A library from an older version is copied aside first, then migrated; one
    /// from a newer version is refused.
    static Result<std::unique_ptr<Store>> open(const Path& file);
    /// "moorfrost/library.db" in the XDG data folder.
    static Path defaultPath();

    FileTable& files() { return files_; }
    RevisionTable& revisions() { return revisions_; }
    PeaksTable& peaks() { return peaks_; }
    WorkedOutTable& workedOut() { return workedOut_; }
    BatchTable& batches() { return batches_; }
    ShelfTable& shelves() { return shelves_; }
    DraftTable& drafts() { return drafts_; }
    SettingTable& settings() { return settings_; }
    JournalTable& journal() { return journal_; }
    FixityTable& fixity() { return fixity_; }
    LastingTable& lasting() { return lasting_; }
    LookedTable& looked() { return looked_; }
    RecordingTable& recordings() { return recordings_; }
    ChangeTable& changes() { return changes_; }
    CollectionTable& collections() { return collections_; }
    ReleaseTable& releases() { return releases_; }
    CardTable& cards() { return cards_; }

    /// Known from now on, and in that batch; 0 for none.
    std::vector<FileId> saveFiles(const std::vector<files::ScannedFile>& files, int64_t batch,
                                  int64_t shelf = -1);

    Database& database() { return db_; }
    const Path& file() const { return file_; }

private:
    explicit Store(const Path& file) : db_(file), file_(file) {}
    void migrate(const Path& file, bool existed);

    Database db_;
    Path file_;
    FileTable files_{db_};
    RevisionTable revisions_{db_};
    PeaksTable peaks_{db_};
    WorkedOutTable workedOut_{db_};
    BatchTable batches_{db_};
    ShelfTable shelves_{db_};
    DraftTable drafts_{db_};
    SettingTable settings_{db_};
    JournalTable journal_{db_, PictureStore::folderOf(file_)};
    FixityTable fixity_{db_};
    LastingTable lasting_{db_};
    LookedTable looked_{db_};
    RecordingTable recordings_{db_};
    ChangeTable changes_{db_};
    CollectionTable collections_{db_};
    ReleaseTable releases_{db_};
    CardTable cards_{db_};
};

} // namespace moorfrost::library
