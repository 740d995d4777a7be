// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/disc/reading.h"

#include <algorithm>
#include <map>

namespace moorfrost::disc {

namespace {

constexpr int atOnce = 150; // sectors, two seconds

struct Sector {
    std::string bytes;
    Doubtful doubt;
    bool settled = false;
};

/// One sector by itself, until two readings agree. `before`: what it gave already.
Result<Sector> settle(Drive& drive, int32_t sector, const ReadingOptions& options, std::stop_token stop,
                      const std::vector<std::string>& before) {
    Sector out;
    out.doubt.sector = sector;
    std::map<std::string, int> seen;
    auto takes = [&](const std::string& bytes) {
        const int n = ++seen[bytes];
        if (n >= 2 && !out.settled) {
            out.settled = out.doubt.agreed = true;
            out.bytes = bytes;
        }
    };
    for (const std::string& bytes : before)
        takes(bytes);
    out.doubt.readings = static_cast<int>(before.size());
    while (!out.settled && out.doubt.readings < options.most) {
        if (stop.stop_requested())
            return Error{ErrorKind::Cancelled, {}, "Stopped."};
        auto read = drive.read(sector, 1);
        ++out.doubt.readings;
        if (read)
            takes(*read);
        else if (read.error().kind != ErrorKind::Damaged)
            return read.error();
    }
    if (!out.settled) {
        const auto most =
            std::ranges::max_element(seen, {}, [](const auto& reading) { return reading.second; });
        out.bytes = most == seen.end() ? std::string(bytesPerSector, '\0') : most->first;
    }
    return out;
}

} // namespace

Status readSectors(Drive& drive, int32_t from, int32_t length, const ReadingOptions& options,
                   std::stop_token stop, const std::function<Status(std::string_view)>& take,
                   std::vector<Doubtful>& doubtful) {
    for (int32_t at = from; at < from + length;) {
        if (stop.stop_requested())
            return Error{ErrorKind::Cancelled, {}, "Stopped."};
        const int count = std::min(atOnce, from + length - at);
        auto first = drive.read(at, count);
        if (!first && first.error().kind != ErrorKind::Damaged)
            return first.error();
        // The other way round, so that the second reading does not come out of the drive's memory as it
        // stands there: half by half.
        const int half = count / 2;
        const size_t middle = static_cast<size_t>(half) * bytesPerSector;
        Result<std::string> back = std::string(), front = std::string();
        if (options.verify && first) {
            back = drive.read(at + half, count - half);
            if (back && half > 0)
                front = drive.read(at, half);
            for (const auto* read : {&back, &front})
                if (!*read && read->error().kind != ErrorKind::Damaged)
                    return read->error();
        }
        std::string settled;
        const bool agreed = first && back && front &&
                            (!options.verify || (std::string_view(*first).substr(middle) == *back &&
                                                 std::string_view(*first).substr(0, middle) == *front));
        if (agreed) {
            settled = std::move(*first);
        } else {
            Result<std::string> second = first;
            if (options.verify && first)
                second = back && front ? Result<std::string>(*front + *back)
                                       : Result<std::string>(back ? front.error() : back.error());
            for (int i = 0; i < count; ++i) {
                const size_t offset = static_cast<size_t>(i) * bytesPerSector;
                std::vector<std::string> before;
                for (const auto* reading : {&first, &second})
                    if (*reading)
                        before.push_back((*reading)->substr(offset, bytesPerSector));
                if (before.size() == 2 && before[0] == before[1]) {
                    settled += before[0];
                    continue;
                }
                auto sector = settle(drive, at + i, options, stop, before);
                if (!sector)
                    return sector.error();
                // Where only its neighbours could not be read, two readings agree at once.
                if (!sector->doubt.agreed || sector->doubt.readings > 2)
                    doubtful.push_back(sector->doubt);
                settled += sector->bytes;
            }
        }
        if (Status taken = take(settled); !taken)
            return taken;
        at += count;
    }
    return Done{};
}

} // namespace moorfrost::disc
