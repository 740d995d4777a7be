// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/shell/controllers.h"

#include <algorithm>
#include <future>
#include <utility>

#include "app/shell/deliver_controllers.h"
#include "core/library/described_fields.h"

namespace moorfrost::app {

namespace settings = library::settings;

Controllers::Controllers(const Path& file)
    : library(file), settings(library), chains(settings), lasting(library), files(library),
      kept(library, files, messages, [this] { return stamp(); }), recordings(library, kept, messages),
      collections(library, kept, jobs, messages), drafts(library, files, [this] { return stamp(); }),
      undo(drafts, kept), pictures(library, files, drafts, jobs, messages), index(jobs, library),
      releases(library, kept, index, jobs, messages), people(library, kept, index, jobs, messages),
      agreements(library, kept, people, jobs, messages), standards(settings, messages),
      shelves(library, settings, lasting, jobs, messages), shelfWatch(shelves, jobs, messages),
      journal(library), batch(library, settings, files, drafts, standards, jobs),
      kinds(library, files, recordings, jobs,
            [this](FileId id) { return batch.batch().places().contains(id); }),
      customFields(settings, files, drafts, index, messages), values(index, files, drafts, jobs),
      places(files, drafts, batch.batch(), shelves, settings, customFields, jobs),
      sleeves(batch.batch(), files, drafts, places, kinds, standards, settings),
      sounds(library, index, files, jobs), reports(library, index, jobs),
      references(library, index, sounds, settings, kept, messages),
      releaseSources(references, jobs, messages),
      identify(library, index, settings, files, drafts, batch, sleeves, sounds, references, jobs, messages),
      strays(files, drafts, batch, sleeves, sounds, references, identify, jobs, messages),
      releasePictures(files, sleeves, references, identify, pictures, standards, jobs),
      along(batch, files, jobs),
      duplicates(library, files, index, jobs, [this] { return batch.batch().places().files(); }),
      sameSound(library, recordings, index, jobs),
      bringIn(library, settings, files, batch, lasting, jobs, messages),
      folders(library, files, drafts, jobs, messages), discs(references, jobs, messages),
      discPictures(discs, references, pictures.folder(), jobs),
      writing(library, settings, files, drafts, batch, places, journal, jobs, messages),
      driveOffsets(discs, jobs, messages), worse(library, recordings, writing),
      rips({discs, discPictures, library, shelves, places, references, bringIn, writing, driveOffsets, worse,
            jobs, messages}),
      care(library, jobs, messages), peaks(library, jobs), loudness(library, jobs),
      soundGroups(library, index, sounds, recordings, writing, peaks, loudness, jobs, messages),
      fixity({library, jobs, messages, settings}), audit({library, jobs, messages, settings, files, drafts,
                                                          index, sounds, reports, kept, people, shelves}),
      codes({library, jobs, messages, files, drafts, index, sounds, references}),
      benchCodes({library, jobs, messages, files, drafts, index, sounds, references}),
      out(std::make_unique<DeliverControllers>(*this)) {
    auto look = [this] { // what is worked out of the batch in the background
        kinds.listen();
        duplicates.look();
        if (loaded_) {
            sameSound.look();
            sounds.look();
            reports.look();
        }
    };
    connect(&library, &LibraryAccess::failed, this, [this](const QString& sentence) {
        messages.say(sentence, true);
        care.check();
    });
    connect(&index, &LibraryIndex::failed, this, [this](const QString& s) { messages.say(s, true); });
    connect(&index, &LibraryIndex::changed, this, look);
    connect(&batch, &BatchController::touched, &sleeves, &SleeveViews::arrange);
    auto lookAgain = [this, look] {
        look();
        along.look();
        index.refresh();
    };
    connect(&bringIn, &BringIn::ended, this, lookAgain);
    auto readRoots = [this] {
        batch.readOrigins(this, [this](const std::vector<library::BatchOrigin>& origins) {
            std::vector<Path> roots;
            for (const library::BatchOrigin& origin : origins)
                if (!origin.place.empty())
                    roots.push_back(origin.place);
            places.setRoots(std::move(roots));
        });
    };
    connect(&bringIn, &BringIn::ended, this, readRoots);
    connect(&batch, &BatchController::loaded, this, readRoots);
    connect(&batch, &BatchController::changed, this, readRoots);
    connect(&batch, &BatchController::membersChanged, this, lookAgain);
    connect(&kept, &KeptChanges::changed, this, [this] {
        index.refresh();
        journal.refresh();
    });
    connect(&shelves, &ShelvesController::filesChanged, this, [this] {
        files.readAllAgain(this);
        index.refresh();
    });
    connect(&writing, &WritingController::written, this, [this] {
        along.look();
        index.refresh();
    });
    connect(&rips, &RipController::ended, this, [this] { // on a shelf, and in the journal
        index.refresh();
        journal.refresh();
    });
    connect(&fixity, &FixityController::verified, &audit, &AuditController::look);
    connect(&writing, &WritingController::replaced, &recordings, &RecordingsController::merge);
    connect(&writing, &WritingController::recovered, &care, &LibraryCare::tell);
    connect(&customFields, &CustomFields::changed, this, [this] { // other numbers are sorted as such
        index.readAnew();
    });
    connect(&standards, &Standards::changed, this, [this] {
        if (loaded_)
            index.holdTo(standards.shelfRules());
    });
    files.feed().subscribe([this, look](const bench::Changes& changes) {
        if (changes.batch) {
            along.look();
            look();
        }
    });
    begin();
}

void Controllers::begin() {
    auto open = std::make_shared<std::promise<void>>();
    // It is searched as soon as it is open (and brought up to date), while the window is still being built.
    library.read(
        this,
        [open](library::Store& store) {
            library::defineFieldsOf(store); // numbers are sorted as such
            open->set_value();
        },
        [](const Status&) {});
    index.refresh(open->get_future().share());
    library.write([](library::Store& store) { store.looked().forgetIdle(); }); // of the last time
    care.recover();
    settings.load();
    shelves.load();
    drafts.load();
    collections.load();
    journal.refresh();
    connect(
        &settings, &LibrarySettings::loaded, this, [this] { batch.load(); }, Qt::SingleShotConnection);
    connect(&batch, &BatchController::loaded, this, [this] {
        loaded_ = true;
        index.holdTo(standards.shelfRules());
        index.refresh();
        care.checkSoon();
        sameSound.look();
        sounds.look();
        reports.look();
        lasting.goOn();
        audit.load();
        fixity.load();
        shelfWatch.begin();
        emit loaded();
        if (settings.get(settings::readShelves)) { // the library was made anew
            if (shelves.all().empty())
                messages.say(tr("Which folders were its shelves is not known any more. Add them in Settings: "
                                "they are read at once."),
                             true);
            shelves.read(shelves.all());
        }
    });
}

Controllers::~Controllers() {
    jobs.stopAndWait(); // jobs use the others
}

std::vector<QObject*> Controllers::all() {
    std::vector<QObject*> own = {
        &jobs,     &library, &settings,        &files,      &kept,         &recordings, &collections,
        &drafts,   &undo,    &pictures,        &index,      &releases,     &people,     &standards,
        &shelves,  &journal, &batch,           &kinds,      &places,       &sleeves,    &references,
        &identify, &strays,  &releasePictures, &along,      &duplicates,   &sameSound,  &bringIn,
        &folders,  &discs,   &discPictures,    &writing,    &driveOffsets, &worse,      &rips,
        &care,     &audit,   &codes,           &benchCodes, &fixity,       &reports};
    const std::vector<QObject*> more = out->all();
    own.insert(own.end(), more.begin(), more.end());
    return own;
}

bool Controllers::isDue(int milliseconds) const {
    auto due = [milliseconds](const QTimer* t) {
        return t->isActive() && t->isSingleShot() && t->interval() < milliseconds;
    };
    return std::ranges::any_of(const_cast<Controllers*>(this)->all(), [&](QObject* controller) {
        return std::ranges::any_of(controller->findChildren<QTimer*>(), due);
    });
}

void Controllers::catchUp() {
    files.readAllAgain(this);
    shelves.load();
    journal.refresh();
    index.refresh();
}

void Controllers::catchUpWithOthers() {
    if (!loaded_)
        return;
    collections.load(); // they are in no file
    library.read(
        this, [](library::Store& store) { return store.revisions().current(); },
        [this](const Result<std::string>& now) {
            if (now && std::exchange(revision_, *now) != *now)
                catchUp();
        });
}

} // namespace moorfrost::app
