// SPDX-License-Identifier: GPL-3.0-or-later
// Settling versions: what is known and proposed is gathered in a job, a dialog shows it, what is taken is
// kept. For files of the library and of the bench.
#pragma once

#include "app/control/drafts_controller.h"
#include "app/control/files_controller.h"
#include "app/control/job_list.h"
#include "app/control/library_index.h"
#include "app/control/messages.h"
#include "app/control/recordings_controller.h"
#include "app/control/sound_prints.h"

class QWidget;

namespace moorfrost::app {

struct SettleUses {
    Messages& messages;
    JobList& jobs;
    LibraryAccess& library;
    LibraryIndex& index;
    FilesController& files;
    DraftsController& drafts;
    RecordingsController& recordings;
    SoundPrints& sounds;
};
/// None: what the names in the whole library propose. `into`: one of them, of whose family the others are to
/// be; 0: of none.
void settleVersions(const SettleUses& use, const std::vector<FileId>& files, FileId into, QWidget* window);

} // namespace moorfrost::app
