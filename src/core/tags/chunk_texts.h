// SPDX-License-Identifier: GPL-3.0-or-later
// Inside the module: texts that stand in chunks of their own. AIFF: "NAME", "AUTH", "(c) ", "ANNO" (Audio
// Interchange File Format 1.3). WAV: what a recorder says of a recording in "bext" (EBU Tech 3285) and
// "iXML".
#pragma once

#include <taglib/aifffile.h>

#include "core/base/byte_source.h"
#include "core/tags/taglib_file.h"

namespace moorfrost::tags {

/// TagLib's AIFF with the chunks within reach.
class AiffFile : public TagLib::RIFF::AIFF::File {
public:
    using File::File;
    /// Brings the text chunks that are there in step: those of a changed property get its value, or go where
    /// they cannot hold it (they are ASCII). What is not there is not made. True if there were any.
    bool writeTexts(const Properties& changes);
};

Properties aiffTexts(const ByteSource& source);

/// Pairs of a name for people and a text. Never written.
using Remarks = std::vector<std::pair<std::string, std::string>>;
Remarks wavRemarks(const ByteSource& source);

} // namespace moorfrost::tags
