// SPDX-License-Identifier: GPL-3.0-or-later
#include <algorithm>
#include <cmath>
#include <cstdlib>
#include <tuple>

#include <fmt/format.h>

#include "core/library/findings/release_checks.h"
#include "core/library/findings/sound_faults.h"

namespace moorfrost::library {

namespace {

using Reports = std::map<FileId, measure::SoundReport>;

constexpr double mostOff = 0.5; // dB that a gain may be off

bool isGain(const FileRecord& file, const char* field, double lufs) {
    const std::string& text = tags::firstValue(file.tags.fields, field);
    char* end = nullptr;
    const double said = std::strtod(text.c_str(), &end);
    return end != text.c_str() && std::abs(said - (replayGainLevel - lufs)) <= mostOff;
}

/// What ReplayGain says is missing, or is not what the sound has.
void checkLoudness(const CheckedRelease& release, const Reports& reports, const FindingSink& found) {
    measure::LoudnessBlocks together;
    double peak = -200;
    for (const FileRecord& file : release.files) {
        const auto at = reports.find(file.id);
        if (at == reports.end())
            return; // what is not measured yet would change the album's
        for (const auto& [loud, count] : at->second.loudness.blocks)
            together[loud] += count;
        peak = std::max(peak, at->second.loudness.truePeak);
    }
    const std::optional<double> all = measure::integrated(together);
    const bool album = release.isAlbum && all.has_value();
    const double albumLufs = all.value_or(0);
    std::vector<FileId> lacking;
    size_t missing = 0, off = 0;
    std::vector<Evidence> evidence;
    std::vector<DraftSession::Wish> wishes;
    double loudest = -200, softest = 200;
    for (const FileRecord& file : release.files) {
        const measure::SoundReport& report = reports.at(file.id);
        const std::optional<double> track = report.loudness.integrated;
        if (!track)
            continue; // silence, or a second of sound
        loudest = std::max(loudest, *track);
        softest = std::min(softest, *track);
        const bool none = tags::firstValue(file.tags.fields, "replaygain_track_gain").empty() ||
                          (album && tags::firstValue(file.tags.fields, "replaygain_album_gain").empty());
        const bool right = !none && isGain(file, "replaygain_track_gain", *track) &&
                           (!album || isGain(file, "replaygain_album_gain", albumLufs));
        if (right)
            continue;
        (none ? missing : off) += 1;
        lacking.push_back(file.id);
        if (evidence.size() < 6)
            evidence.push_back(
                {trackName(file), fmt::format("{:.1f} LUFS", *track),
                 none ? "not kept"
                      : "kept as " + tags::firstValue(file.tags.fields, "replaygain_track_gain")});
        if (!file.mayHaveDrafts())
            continue;
        wishes.push_back({file.id, "replaygain_track_gain", {gainText(*track)}, {}});
        wishes.push_back({file.id, "replaygain_track_peak", {peakText(report.loudness.truePeak)}, {}});
        if (album) {
            wishes.push_back({file.id, "replaygain_album_gain", {gainText(albumLufs)}, {}});
            wishes.push_back({file.id, "replaygain_album_peak", {peakText(peak)}, {}});
        }
    }
    if (lacking.empty())
        return;
    Finding one = findingOf("loudness", release, "", lacking);
    one.sentence =
        off == 0
            ? (missing == release.files.size() ? std::string("No file says how loud it is.")
                                               : fmt::format("{} of {} files do not say how loud they are.",
                                                             missing, release.files.size()))
            : fmt::format("{} of {} files say another loudness than they have.", off, release.files.size());
    if (album)
        one.evidence.push_back({"All of it", fmt::format("{:.1f} LUFS", albumLufs), ""});
    one.evidence.push_back({"Tracks", fmt::format("{:.1f} to {:.1f} LUFS", softest, loudest), ""});
    one.evidence.insert(one.evidence.end(), evidence.begin(), evidence.end());
    if (!wishes.empty()) {
        one.fix.says =
            album ? "Keep gain and peak of track and album (ReplayGain)" : "Keep gain and peak (ReplayGain)";
        one.fix.wishes = std::move(wishes);
    }
    found(std::move(one));
}

} // namespace

bool asksForSound(const RuleChoices& rules) {
    return std::ranges::any_of(auditRules(), [&](const AuditRule& rule) {
        return rule.group == RuleGroup::Sound && rules.of(rule).on;
    });
}

void checkSound(const RuleChoices& rules, const CheckedRelease& release, const Reports& reports,
                const FindingSink& found) {
    std::vector<const FileRecord*> tracks;
    for (const FileRecord& file : release.files)
        tracks.push_back(&file);
    std::ranges::sort(tracks, {}, [](const FileRecord* file) {
        return std::tuple(numberOf(*file, "disc"), numberOf(*file, "track"), file->path.native());
    });
    for (size_t i = 0; i < tracks.size(); ++i) {
        const FileRecord& file = *tracks[i];
        const auto at = reports.find(file.id);
        if (at == reports.end())
            continue;
        std::vector<SoundFault> faults = soundFaults(at->second, rules);
        const bool follows = release.isAlbum && i + 1 < tracks.size();
        const auto next = follows ? reports.find(tracks[i + 1]->id) : reports.end();
        // Where something follows that is not measured yet, nothing can be said.
        if (rules.isOn("broken-off") && (!follows || next != reports.end()))
            if (auto fault = brokenOff(at->second, follows ? &next->second : nullptr))
                faults.push_back(*std::move(fault));
        for (SoundFault& fault : faults) {
            Finding one = findingOf(fault.rule, release, "", {file.id});
            one.about = std::to_string(file.id);
            one.title = trackName(file);
            one.sentence = std::move(fault.sentence);
            one.evidence = std::move(fault.evidence);
            one.sure = fault.sure;
            one.place = fault.place;
            found(std::move(one));
        }
    }
    if (rules.isOn("loudness") && !release.files.empty())
        checkLoudness(release, reports, found);
}

} // namespace moorfrost::library
