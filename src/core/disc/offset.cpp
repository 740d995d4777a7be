// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/disc/offset.h"

#include <algorithm>
#include <cstdlib>
#include <set>

#include <zlib.h>

#include "core/disc/rip_plan.h"

namespace moorfrost::disc {

namespace {

constexpr size_t frameBytes = 4;

const Bytef* bytesAt(const std::string& sound, size_t frame) {
    return reinterpret_cast<const Bytef*>(sound.data()) + frame * frameBytes;
}

} // namespace

Result<std::optional<int>> findOffset(Drive& drive, int32_t from, int32_t length,
                                      const std::vector<uint32_t>& checksums, std::stop_token stop) {
    const std::set<uint32_t> wanted(checksums.begin(), checksums.end());
    ShiftedDrive early(drive, -mostOffset); // the window begins that much before the track
    std::string sound;
    std::vector<Doubtful> doubtful;
    if (Status read = readSectors(
            early, from, length + 2 * mostOffset / framesPerSector, {}, stop,
            [&](std::string_view bytes) -> Status {
                sound += bytes;
                return Done{};
            },
            doubtful);
        !read)
        return read.error();
    // CRC-32 is linear: the checksum of the window one frame later follows from this one, the frame that
    // comes in behind and the one that goes out in front, which is moved over the length of the window.
    const size_t frames = static_cast<size_t>(length) * framesPerSector;
    const uLong over = ::crc32_combine_gen(static_cast<z_off_t>(frames * frameBytes));
    uLong crc = ::crc32(::crc32(0, nullptr, 0), bytesAt(sound, 0), static_cast<uInt>(frames * frameBytes));
    std::optional<int> best;
    for (int at = 0;; ++at) {
        // The drive is asked for the track as it lies `-offset` frames away.
        const int offset = mostOffset - at;
        if (wanted.contains(static_cast<uint32_t>(crc)) && (!best || std::abs(offset) < std::abs(*best)))
            best = offset;
        if (at == 2 * mostOffset)
            break;
        const uLong longer =
            ::crc32(crc, bytesAt(sound, static_cast<size_t>(at) + frames), static_cast<uInt>(frameBytes));
        const uLong first = ::crc32(::crc32(0, nullptr, 0), bytesAt(sound, static_cast<size_t>(at)),
                                    static_cast<uInt>(frameBytes));
        crc = ::crc32_combine_op(first, longer, over);
    }
    return best;
}

Result<std::optional<int>> findOffset(Drive& drive, const Toc& toc, const reference::Medium& known,
                                      std::stop_token stop) {
    const RipPlan plan = usualPlan(toc, {}, "/", "flac", "disc");
    const RipTrack* best = nullptr;
    std::vector<uint32_t> checksums;
    for (const RipTrack& t : plan.tracks) {
        if (t.number == 0 || t.number == toc.tracks.front().number || t.number == toc.tracks.back().number ||
            t.length > 20 * 60 * sectorsPerSecond || (best && best->length <= t.length))
            continue;
        std::vector<uint32_t> of;
        for (const reference::DiscReading& r : known.readings)
            if (r.track == t.number)
                of.push_back(r.crc);
        if (of.empty())
            continue;
        best = &t;
        checksums = std::move(of);
    }
    if (!best)
        return std::optional<int>();
    return findOffset(drive, best->from, best->length, checksums, stop);
}

} // namespace moorfrost::disc
