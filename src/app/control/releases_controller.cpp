// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/control/releases_controller.h"

#include <utility>

#include "app/shell/core_sentences.h"
#include "app/shell/text_utils.h"
#include "core/library/releases/release_pictures.h"

namespace moorfrost::app {

using library::ReleaseId;
using library::Store;

ReleasesController::ReleasesController(LibraryAccess& library, KeptChanges& changes, LibraryIndex& index,
                                       JobList& jobs, Messages& messages)
    : library_(library), changes_(changes), index_(index), jobs_(jobs), messages_(messages),
      list_(this, library, jobs, messages,
            {ss(tr("Listing the releases")), &library::keptReleases,
             [this] {
                 return
                     [searcher = index_.searcher()](const library::KeptReleases& kept, std::stop_token stop) {
                         return library::ReleaseList::make(searcher, kept, stop);
                     };
             },
             [this](bool settled) {
                 if (settled && list())
                     propose();
                 emit changed();
             }}) {
    connect(&changes_, &KeptChanges::releasesChanged, this, [this] {
        list_.look();
        emit changed(); // what is shown of one is read again at once; the list takes longer
    });
    connect(&changes_, &KeptChanges::changed, this, [this](const std::vector<FileId>& files) {
        if (!files.empty()) // recordings may be others
            list_.look();
    });
    connect(&index_, &LibraryIndex::changed, this, [this] { list_.look(); });
}

void ReleasesController::read(QObject* asker, const Ref& ref, std::function<void(ShownRelease)> then) {
    library_.read(
        asker,
        [ref](Store& store) {
            ShownRelease out{library::releaseView(store, ref), {}};
            auto add = [&](FileId id) {
                if (!out.files.contains(id))
                    if (auto file = store.files().find(id))
                        out.files.emplace(id, std::move(*file));
            };
            for (const FileId id : out.view.ref.files)
                add(id);
            for (const auto& medium : out.view.media)
                for (const auto& track : medium.tracks)
                    for (const FileId id : track.files)
                        add(id);
            return out;
        },
        [then](Result<ShownRelease> release) {
            if (release)
                then(std::move(*release));
        });
}

void ReleasesController::readPlaces(QObject* asker, FileId file,
                                    std::function<void(std::vector<library::ReleasePlace>)> then) {
    library_.read(
        asker, [file](Store& store) { return library::releasePlaces(store, file); },
        [then](Result<std::vector<library::ReleasePlace>> places) {
            if (places)
                then(std::move(*places));
        });
}

void ReleasesController::change(KeptChanges::Work work, const QString& title) {
    changes_.make(std::move(work), title, [this](bool done) {
        if (!done)
            emit changed(); // what was shown already is not so
    });
}

void ReleasesController::setFact(const Ref& ref, const std::string& key,
                                 const std::vector<std::string>& values, bool none) {
    if (const std::string why = library::whyNotFact(key, none ? std::vector<std::string>() : values);
        !why.empty())
        return messages_.say(spoken(why), true);
    const library::FactDef* def = library::factByKey(key);
    change(
        [=](Store& store) {
            Ref kept = ref;
            return library::setReleaseFact(store, kept, key, values, none);
        },
        tr("%1 of a release").arg(def ? tr(def->label) : qs(key)));
}

void ReleasesController::dropFact(const Ref& ref, const std::string& key) {
    change(
        [=](Store& store) {
            Ref kept = ref;
            return library::dropReleaseFact(store, kept, key);
        },
        tr("As the files tell it"));
}

void ReleasesController::setMedia(const Ref& ref, const std::vector<library::MediumToKeep>& media,
                                  const QString& title) {
    change(
        [=](Store& store) {
            Ref kept = ref;
            return library::setReleaseMedia(store, kept, media, ss(title));
        },
        title);
}

void ReleasesController::addPictures(const Ref& ref, const std::vector<tags::PictureInfo>& pictures) {
    if (pictures.empty())
        return;
    change(
        [=](Store& store) {
            Ref kept = ref;
            return library::addReleasePictures(store, kept, pictures);
        },
        tr("Picture of a release"));
}

void ReleasesController::removePicture(const Ref& ref, const tags::PictureInfo& picture) {
    change(
        [=](Store& store) {
            Ref kept = ref;
            return library::removeReleasePicture(store, kept, picture);
        },
        tr("Remove a picture of a release"));
}

void ReleasesController::setPictureType(const Ref& ref, const tags::PictureInfo& picture,
                                        const std::string& type) {
    change(
        [=](Store& store) {
            Ref kept = ref;
            return library::setReleasePictureType(store, kept, picture, type);
        },
        tr("Type of a picture of a release"));
}

void ReleasesController::share(const Ref& a, const Ref& b, const std::vector<library::SharedTrack>& tracks) {
    change([=](Store& store) { return library::shareRecordings(store, a, b, tracks); },
           tr("Shared recordings"));
}

void ReleasesController::fill(const Ref& ref, const library::ReleaseFilling& filling, const QString& title) {
    change(
        [=](Store& store) {
            Ref kept = ref;
            return library::fillRelease(store, kept, filling, ss(title));
        },
        title);
}

void ReleasesController::make(const library::ReleaseFilling& filling, const Ref& set,
                              std::function<void(ReleaseId)> then) {
    auto id = std::make_shared<ReleaseId>(0);
    changes_.make(
        [=](Store& store) -> Result<library::ChangeOutcome> {
            library::ChangeOutcome outcome;
            Ref edition = set;
            const auto made = library::makeRelease(store, filling, &edition, outcome);
            if (!made)
                return made.error();
            *id = *made;
            return outcome;
        },
        tr("New release"),
        [id, then](bool done) {
            if (done && then)
                then(*id);
        });
}

void ReleasesController::remove(ReleaseId id, const QString& title) {
    changes_.make([=](Store& store) { return library::removeRelease(store, id); }, tr("Remove a release"),
                  [this, title](bool done) {
                      if (done)
                          messages_.say(tr("\u201C%1\u201D was removed. Ctrl+Z brings it back.").arg(title));
                  });
}

void ReleasesController::joinSet(const std::vector<Ref>& releases) {
    change([=](Store& store) { return library::joinSet(store, releases); }, tr("Editions of one set"));
}

void ReleasesController::leaveSet(ReleaseId id) {
    change([=](Store& store) { return library::leaveSet(store, id); }, tr("Stands alone"));
}

void ReleasesController::joinSets(const std::vector<std::vector<Ref>>& sets) {
    change([=](Store& store) { return library::joinSets(store, sets); }, tr("Editions of one set"));
}

void ReleasesController::keepApart(const std::vector<Ref>& releases) {
    change([=](Store& store) { return library::keepApart(store, releases); }, tr("Not the same release"));
}

void ReleasesController::propose() {
    using Proposals = std::vector<library::SetProposal>;
    proposing_.start<Proposals>(
        this, jobs_, ss(tr("Looking for editions")),
        [list = list()](std::stop_token stop) { return library::proposeSets(*list, stop); },
        [this, list = list()](Proposals proposals) {
            proposals_ = std::move(proposals);
            proposalsOf_ = list;
            emit proposalsChanged();
        });
}

} // namespace moorfrost::app
