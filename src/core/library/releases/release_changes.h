// SPDX-License-Identifier: GPL-3.0-or-later
// Changing what is kept of releases. Each change is journalled and can be taken back (kept_change). A release
// that only its files tell of is kept from the first change on. On the thread of the store; an Error
// (Invalid) says what makes no sense, and then nothing was changed.
#pragma once

#include "core/library/kept_change.h"
#include "core/library/releases/release_view.h"

namespace moorfrost::library {

/// A part of another change: it is kept from now on. An Error where there is no such release.
Status keepRelease(Store& store, KeptChange& change, ReleaseRef& ref);

/// A fact that a person gives: these values (none: it is not known), or that it is known to be none.
/// `ref`: its number comes back in it.
Result<ChangeOutcome> setReleaseFact(Store& store, ReleaseRef& ref, const std::string& key,
                                     const std::vector<std::string>& values, bool none = false,
                                     const std::string& origin = typedOrigin);
/// What is kept of the fact is dropped: the files tell it again.
Result<ChangeOutcome> dropReleaseFact(Store& store, ReleaseRef& ref, const std::string& key);

/// One medium: its carrier, its title, its tracks. Behind the last one: another medium.
struct MediumToKeep {
    std::string carrier, title;
    std::vector<int64_t> discTable;
    std::vector<std::pair<reference::Track, RecordingId>> tracks;
    bool operator==(const MediumToKeep&) const = default;
};
/// All media of a release as they are to be. Media whose tracks are as the files tell them (`tracks` the same
/// as in the view) are left to the files.
Result<ChangeOutcome> setReleaseMedia(Store& store, ReleaseRef& ref, const std::vector<MediumToKeep>& media,
                                      const std::string& title);
std::vector<MediumToKeep> mediaOf(const ReleaseView& view);

/// What becomes of a release in one go: facts, and all media where they are given.
struct ReleaseFilling {
    std::map<std::string, std::vector<std::string>> facts;
    std::optional<std::vector<MediumToKeep>> media;
    ReleaseSource source; // noted beside the facts; `when` is set here
};
Result<ChangeOutcome> fillRelease(Store& store, ReleaseRef& ref, const ReleaseFilling& filling,
                                  const std::string& title);

/// A new one. `set`: another release whose edition it is (that one is kept from now on, too); with neither
/// number nor files: of none. Its number comes back.
Result<ReleaseId> makeRelease(Store& store, const ReleaseFilling& filling, ReleaseRef* set,
                              ChangeOutcome& outcome);
/// Nothing is kept of it any more; its files and recordings stay.
Result<ChangeOutcome> removeRelease(Store& store, ReleaseId id);

/// All of these become editions of one set (with those that were of a set with one of them).
Result<ChangeOutcome> joinSet(Store& store, const std::vector<ReleaseRef>& releases);
/// The same for several sets, as one change.
Result<ChangeOutcome> joinSets(Store& store, const std::vector<std::vector<ReleaseRef>>& sets);
/// It stands alone again.
Result<ChangeOutcome> leaveSet(Store& store, ReleaseId id);
/// None of these is an edition of another: it is not proposed again.
Result<ChangeOutcome> keepApart(Store& store, const std::vector<ReleaseRef>& releases);

/// A track of one edition and one of another.
struct SharedTrack {
    size_t mediumA = 0, numberA = 0, mediumB = 0, numberB = 0; // in ReleaseView::media
    bool shared = true;                                        // they are one recording; false: they are not
};
/// Which recordings two editions share, as a person says. Where both tracks have files their recordings are
/// merged; parted again, files of the second edition have a recording of their own, and where only one
/// edition has files it keeps the recording.
Result<ChangeOutcome> shareRecordings(Store& store, const ReleaseRef& a, const ReleaseRef& b,
                                      const std::vector<SharedTrack>& tracks);

} // namespace moorfrost::library
