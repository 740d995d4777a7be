// SPDX-License-Identifier: GPL-3.0-or-later
// The formats of sound files, recognised by content, not by name.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "core/base/byte_source.h"

namespace moorfrost::audio {

enum class Format {
    Unknown,
    Mp3,
    Flac,
    OggVorbis,
    Opus,
    Speex,
    Mp4,
    Wav,
    Aiff,
    WavPack,
    MonkeysAudio,
    Musepack,
    TrueAudio,
    Asf,
    OggFlac,
    // Read by FFmpeg, never written.
    Dsf,
    Dsdiff,
    Ac3,
    Aac,
    Tak,
    Dts,
    Au,
    Caf,
    Wave64,
    Amr,
    Matroska,
    Shorten,
    Voc,
    TrueHd,
};
inline constexpr Format lastFormat = Format::TrueHd;

/// "MP3", "FLAC", "Ogg Vorbis" ...
std::string formatName(Format format);
Format formatFromName(std::string_view name);
/// How the names of such files usually end, lower case with the dot; the first is the one for new files.
const std::vector<std::string>& extensionsOf(Format format);
/// By the name's ending alone; Unknown where no format uses it.
Format formatByExtension(const Path& path);

/// Whether only FFmpeg reads it: shown, never written.
inline bool isReadOnly(Format format) {
    return format >= Format::Dsf;
}

/// By the first bytes (after an ID3v2 tag, where there is one).
Format detectFormat(const ByteSource& source);
/// Length in bytes of the ID3v2 tag at `offset`, 0 if there is none.
uint64_t id3v2Length(const ByteSource& source, uint64_t offset);

} // namespace moorfrost::audio
