// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures of a release by their type: those that its files have, and those that a person has added to it,
// which are kept beside the library (picture_store). On the thread of the store; an Error (Invalid) says what
// makes no sense, and then nothing was changed.
#pragma once

#include "core/library/kept_change.h"
#include "core/library/releases/release_view.h"

namespace moorfrost::library {

inline constexpr size_t mostReleasePictures = 100;

/// Those that were added, from the texts that are kept, and back.
std::vector<tags::PictureInfo> picturesFrom(const std::vector<std::string>& texts);
std::vector<std::string> picturesText(const std::vector<tags::PictureInfo>& pictures);

/// All of them: by type, as tags number the types, those that were added first. Each once, whatever number of
/// files has it.
std::vector<ReleasePicture> picturesOfRelease(const std::vector<FileRecord>& files, const Fact* kept);
/// The front cover, else the first; nullptr where there are none.
const ReleasePicture* coverOf(const std::vector<ReleasePicture>& pictures);

Result<ChangeOutcome> addReleasePictures(Store& store, ReleaseRef& ref,
                                         const std::vector<tags::PictureInfo>& pictures);
/// Of those that were added.
Result<ChangeOutcome> removeReleasePicture(Store& store, ReleaseRef& ref, const tags::PictureInfo& picture);
Result<ChangeOutcome> setReleasePictureType(Store& store, ReleaseRef& ref, const tags::PictureInfo& picture,
                                            const std::string& type);

/// Names of the pictures that releases have, or had as far as that can be taken back.
std::set<std::string> releasePictureNames(Store& store);

} // namespace moorfrost::library
