// SPDX-License-Identifier: GPL-3.0-or-later
// Disc images: a cue sheet with the files beside it, as one disc. What its sound files hold is read by the
// reading processes; nothing of it is decoded here.
#pragma once

#include <vector>

#include "core/disc/cd_text.h"
#include "core/disc/cue_sheet.h"
#include "core/disc/toc.h"

namespace moorfrost::disc {

/// Where sectors of the disc are.
struct ImagePart {
    int32_t start = 0, length = 0; // sectors of the disc
    Path file;                     // "": silence
    CueFile::Kind kind = CueFile::Kind::Sound;
    uint64_t offset = 0; // in bytes of samples, from the first sample (of binary files: from the beginning)
    int sectorBytes = bytesPerSector;
    bool operator==(const ImagePart&) const = default;
};

struct DiscImage {
    Path sheetFile;
    CueSheet sheet;
    Toc toc;
    CdText text; // of a CD-TEXT file beside it; else one block with what the sheet says
    bool hasCdText = false;
    std::vector<ImagePart> parts;   // in order, from sector 0 to the lead-out
    std::vector<std::string> notes; // sentences: what is odd but does no harm
};

/// An Error with a sentence where the sheet makes no sense, a file is missing, lies elsewhere than in the
/// folder of the sheet, is no sound of a disc (44,100 Hz, two channels, 16 bit), or is shorter than the sheet
/// says.
Result<DiscImage> openImage(const Path& sheetFile);

} // namespace moorfrost::disc
