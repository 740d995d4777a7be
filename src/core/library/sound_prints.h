// SPDX-License-Identifier: GPL-3.0-or-later
// Which files of the library have been listened to, so that their sound is known (sound/store). A write of
// ours leaves that as it is: it leaves the sound alone.
#pragma once

#include <functional>
#include <stop_token>

#include "core/library/store/store.h"
#include "core/sound/fingerprint.h"
#include "core/sound/store.h"
#include "core/work/progress.h"

namespace moorfrost::library {

/// What is kept of a file (WorkedOutTable): "known" or "nothing" (silence, a second of sound, what cannot be
/// decoded), and the size and time that the file had.
inline const std::string soundPrintField = "sound print";

/// Those of these files whose sound, as they are now, is not known. On the thread of the store.
std::vector<FileRecord> notListenedTo(Store& store, sound::SoundStore& sounds,
                                      const std::vector<FileId>& files);

/// What was heard of files, to be kept: first in `sounds`, then (by whoever has the store) as these values.
struct HeardFile {
    FileId id = 0;
    files::FileState state;      // of the file that was listened to
    std::vector<uint32_t> items; // few or none: nothing to tell it by
};
KeptValues keepHeard(sound::SoundStore& sounds, std::vector<HeardFile> heard);

/// Forgets the sound of files that the library does not say it has listened to: they are no more, or it is
/// another library at this place. On the thread of the store.
void forgetUnknown(Store& store, sound::SoundStore& sounds);

/// Fingerprints of a file, one for each speed, heard in a reading process: of much of it at its own speed, of
/// a minute at others (many are made of it).
Result<std::vector<sound::Fingerprint>> fingerprintsOf(const Path& file, const std::vector<double>& speeds,
                                                       std::stop_token stop = {});

/// Listens to those of these files whose sound is not known, some at a time, on `threads` threads (0: one a
/// processor). `keep` gets what is to be kept in the library; `sounds` never holds more than a part of it in
/// memory. How many were heard; an Error (Cancelled) after a stop: what was heard is kept.
Result<size_t> listenTo(Store& store, sound::SoundStore& sounds, const std::vector<FileId>& files,
                        unsigned threads, std::stop_token stop, work::Progress& progress,
                        const std::function<void(KeptValues&&)>& keep);

/// Where fingerprints are kept.
Path soundsOf(const Path& library);

} // namespace moorfrost::library
