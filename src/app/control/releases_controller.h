// SPDX-License-Identifier: GPL-3.0-or-later
// Releases: the list of all of them, kept true once it was asked for; a single one as it is shown; and what a
// person does with them. Every change is journalled, and can be undone at once.
#pragma once

#include <QObject>

#include "app/control/kept_changes.h"
#include "app/control/kept_list.h"
#include "app/control/library_index.h"
#include "core/library/releases/edition_sets.h"
#include "core/library/releases/release_changes.h"
#include "core/library/releases/release_list.h"
#include "core/library/releases/release_places.h"

namespace moorfrost::app {

/// A release with its files, as a page shows it.
struct ShownRelease {
    library::ReleaseView view;
    std::map<FileId, library::FileRecord> files; // of it and of its recordings
};

class ReleasesController : public QObject {
    Q_OBJECT
public:
    using Ref = library::ReleaseRef;
    using List = std::shared_ptr<const library::ReleaseList>;

    ReleasesController(LibraryAccess& library, KeptChanges& changes, LibraryIndex& index, JobList& jobs,
                       Messages& messages);

    /// nullptr until it was made for the first time.
    List list() const { return list_.get(); }
    /// From now on the list is kept true.
    void want() { list_.want(); }
    /// No list is being made, and none is to be.
    bool isTrue() const { return list_.isTrue(); }
    /// Not called if it cannot be read, which has been said.
    void read(QObject* asker, const Ref& ref, std::function<void(ShownRelease)> then);

    /// Where the recording of a file stands. Not called if it cannot be read, which has been said.
    void readPlaces(QObject* asker, FileId file,
                    std::function<void(std::vector<library::ReleasePlace>)> then);

    void setFact(const Ref& ref, const std::string& key, const std::vector<std::string>& values,
                 bool none = false);
    /// The files tell it again.
    void dropFact(const Ref& ref, const std::string& key);
    void setMedia(const Ref& ref, const std::vector<library::MediumToKeep>& media, const QString& title);
    void addPictures(const Ref& ref, const std::vector<tags::PictureInfo>& pictures);
    void removePicture(const Ref& ref, const tags::PictureInfo& picture);
    void setPictureType(const Ref& ref, const tags::PictureInfo& picture, const std::string& type);
    void share(const Ref& a, const Ref& b, const std::vector<library::SharedTrack>& tracks);
    void fill(const Ref& ref, const library::ReleaseFilling& filling, const QString& title);
    /// `set`: whose edition it is; without number and files: of none. `then`: its number.
    void make(const library::ReleaseFilling& filling, const Ref& set,
              std::function<void(library::ReleaseId)> then);
    void remove(library::ReleaseId id, const QString& title);
    void joinSet(const std::vector<Ref>& releases);
    void leaveSet(library::ReleaseId id);
    void joinSets(const std::vector<std::vector<Ref>>& sets);
    void keepApart(const std::vector<Ref>& releases);

    /// A person wants to see it.
    void wantShown(const Ref& ref) { emit showWanted(ref); }

    /// Editions that may be of one set: of which list these are entries, nullptr where none was gone through.
    const std::vector<library::SetProposal>& proposals() const { return proposals_; }
    List proposalsOf() const { return proposalsOf_; }

signals:
    void showWanted(const moorfrost::library::ReleaseRef& ref);
    /// The list is another; what is kept of any release may be.
    void changed();
    void proposalsChanged();

private:
    void propose();
    void change(KeptChanges::Work work, const QString& title);

    LibraryAccess& library_;
    KeptChanges& changes_;
    LibraryIndex& index_;
    JobList& jobs_;
    Messages& messages_;
    KeptList<library::KeptReleases, library::ReleaseList> list_;
    std::vector<library::SetProposal> proposals_;
    List proposalsOf_;
    WorkedOut proposing_;
};

} // namespace moorfrost::app
