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
#include "core/audio/ogg.h"
#include "core/tags/overlay_stream.h"
#include "core/tags/tag_file.h"

namespace moorfrost::tags {

using Properties = std::map<std::string, std::vector<std::string>>;

/// nullptr for formats that TagLib does not read. The stream must outlive the file.
std::unique_ptr<TagLib::File> openWithTagLib(TagLib::IOStream* stream, audio::Format format, bool readFacts);

/// One tag of a file.
struct TagPart {
    std::string name; // "ID3v2.3", "APE", "Vorbis comment" ...
    Properties properties;
    std::vector<std::string> unknown = {}; // names of what was not understood
    std::vector<std::string> badText = {}; // keys of fields whose text was not stored as it should be
};

/// All tags of a file, in the order in which they are believed.
/// `source`: the bytes that it was opened on.
std::vector<TagPart> readParts(TagLib::File& file, const ByteSource& source, audio::Format format);
/// What they say together: of each property, what the first says that has it.
Fields fieldsOf(const std::vector<TagPart>& parts);
/// What the second and further tags say otherwise than what is shown.
std::vector<Difference> differencesOf(const std::vector<TagPart>& parts, const Fields& shown);

/// `withBytes`: else only what there is to say of them.
std::vector<Picture> readPictures(TagLib::File& file, audio::Format format, bool withBytes);
Facts readFacts(TagLib::File& file, audio::Format format);
/// Likewise, where TagLib was not asked.
Facts factsOf(const audio::OggSound& sound, audio::Format format);
/// How the sound was encoded: the rest of the facts.
void readEncoding(TagLib::File& file, const ByteSource& source, audio::Format format, Facts& facts);

/// Four: the second attempt, where the first cannot hold the result (for ASF: the other order of values).
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
