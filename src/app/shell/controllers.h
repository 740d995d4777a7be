// SPDX-License-Identifier: GPL-3.0-or-later
// All controllers of the application, each a matter with one owner, and how they follow one another. Pages
// get those of them that they use.
#pragma once

#include "app/control/agreements_controller.h"
#include "app/control/along_files.h"
#include "app/control/audit_controller.h"
#include "app/control/batch_controller.h"
#include "app/control/bring_in.h"
#include "app/control/chains.h"
#include "app/control/codes_controller.h"
#include "app/control/collections_controller.h"
#include "app/control/content_kinds.h"
#include "app/control/custom_fields.h"
#include "app/control/drafts_controller.h"
#include "app/control/duplicates.h"
#include "app/control/files_controller.h"
#include "app/control/fixity_controller.h"
#include "app/control/folder_walk.h"
#include "app/control/identify_controller.h"
#include "app/control/job_list.h"
#include "app/control/journal_controller.h"
#include "app/control/kept_changes.h"
#include "app/control/lasting_works.h"
#include "app/control/library_access.h"
#include "app/control/library_care.h"
#include "app/control/library_index.h"
#include "app/control/library_settings.h"
#include "app/control/loudness_levels.h"
#include "app/control/messages.h"
#include "app/control/peaks.h"
#include "app/control/people_controller.h"
#include "app/control/pictures_controller.h"
#include "app/control/places_controller.h"
#include "app/control/recordings_controller.h"
#include "app/control/references_controller.h"
#include "app/control/release_pictures.h"
#include "app/control/release_sources.h"
#include "app/control/releases_controller.h"
#include "app/control/rip_controller.h"
#include "app/control/same_sound.h"
#include "app/control/shelf_watch.h"
#include "app/control/shelves_controller.h"
#include "app/control/sleeve_views.h"
#include "app/control/sound_groups_controller.h"
#include "app/control/sound_prints.h"
#include "app/control/standards.h"
#include "app/control/stray_identifier.h"
#include "app/control/undo_history.h"
#include "app/control/value_books.h"
#include "app/control/writing_controller.h"

namespace moorfrost::app {

struct DeliverControllers;

class Controllers : public QObject {
    Q_OBJECT
public:
    explicit Controllers(const Path& library);
    ~Controllers() override;

    bool isLoaded() const { return loaded_; }
    /// No job runs and nothing is asked of the library. What waits for a moment (timers) is told apart.
    bool isQuiet() const { return jobs.isIdle() && library.isIdle(); }
    /// Timers of theirs that run out within so many milliseconds.
    bool isDue(int milliseconds) const;
    /// Takes over what is otherwise in the library than it is known here. What is typed stays.
    void catchUp();
    /// The same, if files of the library have changed since this was last asked; our own changes are known.
    void catchUpWithOthers();

    // In the order in which they are made; each uses only those before it.
    Messages messages;
    JobList jobs;
    LibraryAccess library;
    LibrarySettings settings;
    Chains chains;
    LastingWorks lasting;
    FilesController files;
    KeptChanges kept;
    RecordingsController recordings;
    CollectionsController collections;
    DraftsController drafts;
    UndoHistory undo;
    PicturesController pictures;
    LibraryIndex index;
    ReleasesController releases;
    PeopleController people;
    AgreementsController agreements;
    Standards standards;
    ShelvesController shelves;
    ShelfWatch shelfWatch;
    JournalController journal;
    BatchController batch;
    ContentKinds kinds;
    CustomFields customFields;
    ValueBooks values;
    PlacesController places;
    SleeveViews sleeves;
    SoundPrints sounds;
    FileReports reports;
    ReferencesController references;
    ReleaseSources releaseSources;
    IdentifyController identify;
    StrayIdentifier strays;
    ReleasePictures releasePictures;
    AlongFiles along;
    Duplicates duplicates;
    SameSound sameSound;
    BringIn bringIn;
    FolderWalk folders;
    DiscsController discs;
    DiscPictures discPictures;
    WritingController writing;
    DriveOffsets driveOffsets;
    WorseFiles worse;
    RipController rips;
    LibraryCare care;
    Peaks peaks;
    LoudnessLevels loudness;
    SoundGroupsController soundGroups;
    FixityController fixity;
    AuditController audit;
    CodesController codes, benchCodes;       // of the library; of what is chosen in the bench
    std::unique_ptr<DeliverControllers> out; // shell/deliver_controllers.h

signals:
    void loaded();

private:
    void begin();
    /// For all that can be undone: the order in which it was done.
    uint64_t stamp() { return ++stamp_; }
    std::vector<QObject*> all();

    bool loaded_ = false;
    uint64_t stamp_ = 0;
    std::string revision_; // of the files in the library, when it was last caught up with
};

} // namespace moorfrost::app
