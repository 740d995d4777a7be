// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: TagLib's file classes behind one pair of functions that speak of properties (upper-case
// names as in Vorbis comments, several values each), whatever the format stores.
#pragma once

#include <map>
#include <memory>
#include <string>
#include <vector>

#include <taglib/tfile.h>

#include "core/audio/format.h"
#include "core/tags/overlay_stream.h"
#include "core/tags/tag_file.h"

namespace moorfrost::tags {

using Properties = std::map<std::string, std::vector<std::string>>;

/// nullptr for formats that TagLib does not read. The stream must outlive the file.
std::unique_ptr<TagLib::File> openWithTagLib(TagLib::IOStream* stream, audio::Format format, bool readFacts);

Properties readProperties(TagLib::File& file, audio::Format format);
std::vector<Picture> readPictures(TagLib::File& file, audio::Format format);
Facts readFacts(TagLib::File& file, audio::Format format);

enum class Id3Version { Keep, Four };

/// Sets or (empty list) removes the properties named in `changes`, in every tag that the file has, and saves
/// onto the stream that the file was opened with. False if TagLib could not. `notes` gets a sentence for
/// every second tag that was brought in step.
bool writeProperties(TagLib::File& file, OverlayStream& stream, audio::Format format,
                     const Properties& changes, Id3Version version, std::vector<std::string>& notes);

/// Fields as they are shown from properties as they are stored, and back. Stored forms differ: ID3v2, APE and
/// MP4 hold "3/12" where Vorbis comments hold two properties.
Fields fieldsFromProperties(const Properties& properties);
/// The properties to write so that `after` holds, for the fields in `changed`; empty lists for what must go.
Properties propertiesForChange(const Fields& after, const std::vector<std::string>& changed,
                               audio::Format format);

} // namespace moorfrost::tags
