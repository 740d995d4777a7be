// SPDX-License-Identifier: GPL-3.0-or-later
#include "core/disc/rip_check.h"

#include <algorithm>
#include <charconv>

#include <fmt/format.h>

#include "core/sound/compare.h"

namespace moorfrost::disc {

void compareReadings(RipReport& report, const reference::Medium& known) {
    for (TrackReport& t : report.tracks) {
        t.agree = -1;
        t.others = 0;
        if (t.file.empty())
            continue;
        for (const reference::DiscReading& r : known.readings)
            if (r.track == t.number) {
                t.agree = std::max(t.agree, 0);
                (r.crc == t.crcShared ? t.agree : t.others) += r.count;
            }
    }
}

namespace {

/// The number of a file of the library, from how a recording of it is told; 0: none.
int64_t fileFrom(const std::string& recording) {
    const std::string digits = recording.substr(recording.find_last_not_of("0123456789") + 1);
    int64_t id = 0;
    std::from_chars(digits.data(), digits.data() + digits.size(), id);
    return reference::recordingOfFile(id) == recording ? id : 0;
}

std::string titleOf(const reference::Heard& heard, const std::string& recording) {
    for (const reference::Release& r : heard.releases)
        for (const reference::Medium& m : r.media)
            for (const reference::Track& t : m.tracks)
                if (t.recording == recording)
                    return t.title;
    return recording;
}

} // namespace

std::vector<HeardTrack> listenToRip(const RipReport& report, const reference::Medium* chosen,
                                    const std::string& chosenKey,
                                    const std::vector<reference::Reference*>& references,
                                    const std::function<Result<sound::Fingerprint>(const Path&)>& printsOf,
                                    std::stop_token stop) {
    std::vector<HeardTrack> out;
    std::vector<sound::Fingerprint> prints;
    std::vector<size_t> of; // the track of each print
    for (const TrackReport& t : report.tracks) {
        if (t.file.empty())
            continue;
        out.push_back({t.number, HeardTrack::As::Unheard, {}, {}});
        if (stop.stop_requested())
            continue;
        if (auto print = printsOf(t.file); print && print->items.size() >= sound::leastItems) {
            prints.push_back(std::move(*print));
            of.push_back(out.size() - 1);
            out.back().as = HeardTrack::As::Unknown;
        }
    }
    if (prints.empty())
        return out;
    for (reference::Reference* from : references) {
        if (stop.stop_requested())
            break;
        const auto heard = from->hear(prints, stop);
        for (size_t i = 0; heard && i < heard->sounds.size() && i < of.size(); ++i) {
            HeardTrack& track = out[of[i]];
            std::string wanted;
            if (chosen && from->key() == chosenKey && track.number > 0 &&
                static_cast<size_t>(track.number) <= chosen->tracks.size())
                wanted = chosen->tracks[static_cast<size_t>(track.number) - 1].recording;
            for (const reference::HeardRecording& h : heard->sounds[i]) {
                if (h.z < sound::surely)
                    continue;
                if (from->key() == reference::libraryKey) {
                    // An excerpt of something longer is not the same recording.
                    const double seconds = prints[i].seconds;
                    if (const int64_t id = fileFrom(h.recording); id > 0 && h.overlap > seconds * 0.8)
                        track.library.push_back(id);
                } else if (!wanted.empty() && h.recording == wanted) {
                    track.as = HeardTrack::As::Chosen;
                    track.other.clear();
                } else if (!wanted.empty() && track.as == HeardTrack::As::Unknown) {
                    track.as = HeardTrack::As::Other;
                    track.other = titleOf(*heard, h.recording);
                }
            }
        }
    }
    return out;
}

std::string sentenceOf(const std::vector<HeardTrack>& heard) {
    size_t asChosen = 0, known = 0;
    std::string others;
    for (const HeardTrack& t : heard) {
        asChosen += t.as == HeardTrack::As::Chosen ? 1 : 0;
        known += t.as == HeardTrack::As::Chosen || t.as == HeardTrack::As::Other ? 1 : 0;
        if (t.as == HeardTrack::As::Other)
            others += fmt::format(" Track {} sounds like \"{}\".", t.number, t.other);
    }
    if (known == 0)
        return {};
    return fmt::format("By sound, {} of {} tracks are what was chosen.{}", asChosen, heard.size(), others);
}

} // namespace moorfrost::disc
