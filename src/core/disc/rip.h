// SPDX-License-Identifier: GPL-3.0-or-later
// Tracks of a disc as files: read so that it is proven, encoded, with their fields, under their names only
// when they are whole. What was found out about the reading goes into a report.
#pragma once

#include <cstdint>
#include <functional>

#include "core/disc/reading.h"
#include "core/tags/fields.h"

namespace moorfrost::disc {

struct RipTrack {
    int number = 0; // 0: what is before track 1
    int32_t from = 0, length = 0;
    Path target; // with the ending of the format; nothing is there yet
    tags::Fields fields;
};

struct RipPlan {
    std::vector<RipTrack> tracks;
    std::string format = "flac"; // a name of audio::encodeFormats()
    int bitrate = 0;             // of lossy ones; 0: the usual one
    ReadingOptions reading;
    int offset = 0; // of the drive, in frames: what it reads comes so much later on the disc; it is corrected
    bool eject = false; // when all of it is ripped
    Path pictures;      // the folder in which pictures of the fields are kept (tags/kept_pictures)
};

/// So many sectors at both ends of a disc are read by some drives only: their offset is in the way. What
/// others have read is compared without them.
inline constexpr int32_t unreachable = 5;

struct TrackReport {
    int number = 0;
    Path file;              // "": there is none
    std::string error;      // why, a sentence
    uint32_t crc = 0;       // CRC-32 of the samples as bytes
    uint32_t crcLoud = 0;   // the same without frames of silence
    uint32_t crcShared = 0; // the same without what not every drive reaches (unreachable)
    int peak = 0;           // of 32768
    std::string essence;    // XXH3 of the sound in the file, as the library knows it
    std::vector<Doubtful> doubtful;
    double seconds = 0;        // that it took
    std::vector<Path> folders; // that were made for it, outer ones first
    int agree = -1;            // so many others have read the same sound; -1: nobody is known to have read it
    int others = 0;            // and so many something else
    bool isBad() const;
};

struct RipReport {
    std::string drive;
    Toc toc;
    std::string format;
    bool verified = true;
    int offset = 0;                  // that was corrected, in frames
    std::string heard;               // what listening to the files has shown, a sentence; "": nobody listened
    std::vector<TrackReport> tracks; // those that were begun
    bool complete = false;           // all that were asked for are files
    std::string ended;               // why not, a sentence
};

/// Where it is: the track's place in the plan, and how much of it was read.
struct RipProgress {
    size_t track = 0;
    int32_t done = 0;
    size_t doubtful = 0, bad = 0; // sectors of this track so far
};

/// One track after the other; the reading of one goes on beside the encoding of what was read. A track that
/// fails leaves no file; those before it stay. Ends where the disc is gone, the disk is full, or it was
/// stopped.
/// `ended`: of each track, when it is a file or failed.
RipReport rip(Drive& drive, const RipPlan& plan, std::stop_token stop,
              const std::function<void(const RipProgress&)>& progress,
              const std::function<void(const TrackReport&)>& ended = {});

/// What a rip that was cut short may have left of this track.
void removeUnfinished(const RipTrack& track);

/// For people, to lie in this folder: files are told from there.
std::string reportText(const RipReport& report, const Path& folder);
/// The same as JSON.
std::string reportJson(const RipReport& report, const Path& folder);
/// A cue sheet for the files of the report.
std::string reportSheet(const RipReport& report, const Path& folder);
/// The folder of the first of its files; "" where there is none.
Path folderOf(const RipReport& report);

} // namespace moorfrost::disc
